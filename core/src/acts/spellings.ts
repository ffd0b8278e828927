/** The act that says whose a vendor's spelling is. */
import { failed, type Result } from '../problem.ts';
import { allSpellings, type Order, type Spelling } from '../order/records.ts';
import type { ActOf } from './act.ts';
import { edited, type ActResult, done } from './act-result.ts';
import { type ActRules, asSaid, noPlugins } from './act-rule.ts';

function spell(order: Order, { say }: ActOf<'spell'>): Result<ActResult> {
  const change = edited();
  const known = new Map(allSpellings(order).map((s) => [s.spelling, s]));
  const spoken = say.map(({ spellings, vendor }) => ({
    spellings,
    vendor: vendor?.trim() ?? null,
  }));
  const all = spoken.flatMap((one) => one.spellings.map((s) => s.spelling));
  if (spoken.some(({ vendor }) => vendor === '')) {
    return failed({ code: 'name-empty', at: 'vendor' });
  }
  if (new Set(all).size < all.length) {
    return failed({
      code: 'field-invalid',
      at: 'say',
      detail: 'Each spelling can be given to one vendor.',
    });
  }
  for (const { spellings, vendor } of spoken) {
    for (const { id, spelling } of spellings) {
      const before = known.get(spelling);
      const after: Spelling | null =
        vendor === null ? null : { table: 'spelling', id: before?.id ?? id, spelling, vendor };
      if (!after) {
        if (before) {
          change.removed.push(before);
        }
      } else if (!before) {
        change.added.push(after);
      } else if (before.vendor !== after.vendor) {
        change.updated.push([before, after]);
      }
    }
  }
  const words = spoken.map(({ spellings, vendor }) =>
    vendor === null
      ? `Take back whose ${spellings.map((s) => s.spelling).join(', ')} is`
      : `Say that ${spellings.map((s) => s.spelling).join(', ')} is ${vendor}`,
  );
  return done(
    words.length > 1
      ? `Keep ${spoken.map((one) => one.vendor).join(' and ')} apart`
      : (words[0] ?? ''),
    change,
  );
}

/** The act on spellings of vendors. */
export const spellingActs = {
  spell: { plugins: noPlugins, resolve: asSaid, perform: spell },
} satisfies ActRules<'spell'>;
