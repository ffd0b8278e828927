/** Letters that were typed while a dialog was on its way: they belong into its field. */
import { useEffect } from 'react';

let letters = '';

function note(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey) {
    return;
  }
  if (event.key === 'Backspace') {
    letters = letters.slice(0, -1);
  } else if (event.key.length === 1) {
    letters += event.key;
    // Space and slash would else scroll the page or search it.
    event.preventDefault();
  }
}

/** Notes what is typed while `isComing`; it is forgotten when what asked for the dialog goes. */
export function useTypedAhead(isComing: boolean): void {
  useEffect(() => {
    if (!isComing) {
      return undefined;
    }
    window.addEventListener('keydown', note, { capture: true });
    return () => {
      window.removeEventListener('keydown', note, { capture: true });
    };
  }, [isComing]);
  useEffect(
    () => () => {
      letters = '';
    },
    [],
  );
}

/** What was typed so far. */
export const typedAhead = (): string => letters;
