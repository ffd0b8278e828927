/** What is said of copies that were read in from another computer. */
import type { TakenView } from '@clever-drawer/core/api';
import { findingKinds } from '@clever-drawer/core/scan';
import * as texts from '../texts.ts';

/** What to run on the other computer. */
export const scannerCommand = 'node clever-drawer-scan.mjs --usual --open --out copies.ndjson';

/** What came of it, in one sentence. */
export function takenWords({ computer, isNew, scan }: TakenView): string {
  const counts = findingKinds
    .filter((kind) => scan.counts[kind] > 0)
    .map((kind) => `${scan.counts[kind]} ${texts.takenWords[kind] ?? kind}`);
  const what = counts.length === 0 ? texts.nothingChangedThere : counts.join(', ');
  return isNew
    ? texts.wasAdded(computer.name, scan.looked, what)
    : texts.isUpToDate(computer.name, what);
}
