/** Finding by letters, with the index made before the first of them where there is time. */
import { useEffect } from 'react';
import type { FindableThing, Finder, SettingFinder } from '@clever-drawer/core/search';
import { useFinding } from './contexts.ts';

/** A key that is pressed while the index is made waits for so long at most. Milliseconds. */
const slice = 8;

/** Finds plugins, and settings of which something was made. */
export function useFinder(): Finder {
  const { finder } = useFinding();
  useEffect(() => {
    let timer = setTimeout(goOn);
    function goOn(): void {
      const end = performance.now() + slice;
      let isMore = true;
      while (isMore && performance.now() < end) {
        isMore = finder.prepare();
      }
      if (isMore) {
        timer = setTimeout(goOn);
      }
    }
    return () => {
      clearTimeout(timer);
    };
  }, [finder]);
  return finder;
}

/** Finds all saved settings. */
export const useSettingFinder = (): SettingFinder<FindableThing> => useFinding().settingFinder;
