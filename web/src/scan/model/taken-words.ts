/** What is said of copies that were read in from another computer. */
import { findingKinds, type TakenView } from '@clever-drawer/core';

/** What to run on the other computer. */
export const scannerCommand = 'node clever-drawer-scan.mjs --usual --open > copies.ndjson';

const words: Readonly<Record<string, string>> = {
  arrived: 'arrived',
  returned: 'back',
  updated: 'updated',
  opened: 'opened',
  moved: 'moved',
  gone: 'gone',
  failed: 'failed there',
};

/** What came of it, in one sentence. */
export function takenWords({ computer, isNew, scan }: TakenView): string {
  const told = findingKinds
    .filter((kind) => scan.counts[kind] > 0)
    .map((kind) => `${scan.counts[kind]} ${words[kind] ?? kind}`);
  const what = told.length === 0 ? 'nothing changed there' : told.join(', ');
  return isNew
    ? `${computer.name} is here now, with ${scan.looked} copies: ${what}.`
    : `${computer.name} is up to date: ${what}.`;
}
