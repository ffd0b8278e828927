/** The act that says which format's copy goes in front. */
import { failed, type Result } from '../problem.ts';
import { preferenceIn, type Order, type Preference } from '../order/records.ts';
import type { ActOf } from './act.ts';
import { done, type ActResult } from './act-result.ts';
import { type ActRules, asSaid, noPlugins } from './act-rule.ts';

function prefer(order: Order, { computer, formats }: ActOf<'prefer'>): Result<ActResult> {
  if (new Set(formats).size < formats.length) {
    return failed({ code: 'field-invalid', at: 'formats', detail: 'Each format can stand once.' });
  }
  const before = preferenceIn(order, computer);
  const after: Preference = { table: 'preference', id: computer, formats };
  const words = `Use ${formats[0] ?? 'no format'} copies first`;
  if (!before) {
    return done(words, { added: [after] });
  }
  return done(
    words,
    before.formats.join() === formats.join() ? {} : { updated: [[before, after]] },
  );
}

/** The act on the order of formats. */
export const preferenceActs = {
  prefer: { plugins: noPlugins, resolve: asSaid, perform: prefer },
} satisfies ActRules<'prefer'>;
