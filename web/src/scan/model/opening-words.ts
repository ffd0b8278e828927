/** What the Scan screen says of opening copies. */
import type { OpeningView, OpeningWish } from '@clever-drawer/core';

/** The wishes as they are offered. */
export const wishWords: Readonly<Record<OpeningWish, string>> = {
  always: 'always, whenever something arrives',
  ask: 'only when I press it',
  never: 'never',
};

const copies = (count: number): string => (count === 1 ? 'One copy' : `${count} copies`);

/** How many copies opening could tell more of; null where there is nothing to offer. */
export function offerOf({ nameless, unopened, wish }: OpeningView): string | null {
  if (unopened === 0 || wish === 'never') {
    return null;
  }
  if (nameless === 0) {
    return `${copies(unopened)} ${unopened === 1 ? 'was' : 'were'} read, but never opened.`;
  }
  const some = nameless < unopened ? `${nameless} of ${copies(unopened)}` : copies(nameless);
  const isOne = nameless === 1;
  return `${some} ${isOne ? 'tells' : 'tell'} nothing but ${isOne ? 'its' : 'their'} file’s name.`;
}
