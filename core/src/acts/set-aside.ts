/** Acts that set copies aside and restore them. What is known of the copies stays. */
import { failed, type Result } from '../problem.ts';
import type { CopyId } from '../id.ts';
import { isSetAside, type Order, type SetAside } from '../order/records.ts';
import { plural } from '../text/plural.ts';
import type { ActOf } from './act.ts';
import { done, type ActResult } from './act-result.ts';
import { type ActRules, asSaid, noPlugins } from './act-rule.ts';

const recordOf = (id: CopyId): SetAside => ({ table: 'set-aside', id });
const copiesInWords = (copies: readonly CopyId[]): string =>
  plural(copies.length, 'copy', 'copies');

function setAside(order: Order, { copies }: ActOf<'set-aside'>): Result<ActResult> {
  const catalogued = [...new Set(copies)].filter((id) => !isSetAside(order, id));
  return done(`Set ${copiesInWords(catalogued)} aside`, { added: catalogued.map(recordOf) });
}

function restore(order: Order, { copies }: ActOf<'restore'>): Result<ActResult> {
  const asides = [...new Set(copies)].filter((id) => isSetAside(order, id));
  if (asides.length === 0) {
    return failed({ code: 'unknown-record', at: 'copies', what: 'copy set aside' });
  }
  return done(`Restore ${copiesInWords(asides)}`, { removed: asides.map(recordOf) });
}

/** Acts on copies that are set aside, by name. */
export const setAsideActs = {
  'set-aside': { plugins: noPlugins, resolve: asSaid, perform: setAside },
  restore: { plugins: noPlugins, resolve: asSaid, perform: restore },
} satisfies ActRules<'set-aside' | 'restore'>;
