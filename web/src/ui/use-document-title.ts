/** What the window is called while a part of the page is shown; null leaves it as it is. */
import { useEffect } from 'react';
import * as texts from './texts.ts';

export function useDocumentTitle(name: string | null): void {
  useEffect(() => {
    if (name !== null) {
      document.title = texts.cleverDrawer(name);
    }
  }, [name]);
}
