/** The folders filed in last, latest first, kept in this browser. */
import { useCallback, useState } from 'react';
import { readStored, writeStored } from '../ui/keys.ts';
import { useChanged } from '../ui/use-changed.ts';

const mostRecent = 5;

export function useRecentFolders(): {
  readonly lately: readonly string[];
  readonly onFiled: (folder: string) => void;
} {
  const [lately, setLately] = useState<readonly string[]>(() =>
    readStored('filed-in', '')
      .split(' ')
      .filter((id) => id !== ''),
  );
  const onFiled = useCallback((folder: string) => {
    setLately((before) => [folder, ...before.filter((id) => id !== folder)].slice(0, mostRecent));
  }, []);
  useChanged(lately, (now) => {
    writeStored('filed-in', now.join(' '));
  });
  return { lately, onFiled };
}
