/** What the Scan screen says of opening copies. */
import type { OpeningView } from '@clever-drawer/core/api';
import * as texts from '../texts.ts';

/** How many copies opening could tell more of; null where there is nothing to offer. */
export function offerOf({ nameless, unopened, wish }: OpeningView): string | null {
  if (unopened === 0 || wish === 'never') {
    return null;
  }
  if (nameless === 0) {
    return texts.readButNotOpened(texts.copies(unopened), unopened);
  }
  const some =
    nameless < unopened
      ? texts.namelessOfCopies(nameless, texts.copies(unopened))
      : texts.copies(nameless);
  return texts.onlyTheFileName(some);
}
