/** Three forgotten plugins to try again this week. */
import { useMemo, useState } from 'react';
import type { Plugin } from '@clever-drawer/core/catalog';
import { tryAgainOf } from '@clever-drawer/core/review';
import { day } from '@clever-drawer/core/time';
import { useCatalog } from './contexts.ts';
import { usePutOff } from './use-put-off.ts';

/** Under what a plugin to try again is put off. */
const keyOf = (plugin: string): string => `try ${plugin}`;
const all = (): boolean => true;
const none: readonly Plugin[] = [];
/** One that was dismissed is not offered for so many days. */
const dismissedFor = 90;

/** `fits` says which can be loaded where they are offered. */
export function useTryAgain(fits: (plugin: string) => boolean = all): {
  readonly plugins: readonly Plugin[];
  readonly dismiss: (plugin: string) => void;
} {
  const { plugins, usage, answers } = useCatalog();
  const { isKnown, isPutOff, putOff } = usePutOff();
  const [now] = useState(() => Date.now());
  const again = useMemo(
    () =>
      isKnown
        ? tryAgainOf(
            plugins,
            usage,
            now,
            (id) => !fits(id) || (answers.get(id)?.isHidden ?? false) || isPutOff(keyOf(id), now),
          )
        : none,
    [plugins, usage, answers, isKnown, isPutOff, fits, now],
  );
  return {
    plugins: again,
    dismiss: (plugin) => {
      putOff(keyOf(plugin), new Date(now + dismissedFor * day).toISOString());
    },
  };
}
