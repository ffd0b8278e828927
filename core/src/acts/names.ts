/** The act that names a plugin. */
import type { Result } from '../problem.ts';
import { pluginNamesIn, type PluginNames, type Order } from '../order/records.ts';
import type { ActOf } from './act.ts';
import { done, type NameOfPlugin, type ActResult, unknown } from './act-result.ts';
import { type ActRules, asSaid } from './act-rule.ts';

const orNull = (text: string | null): string | null =>
  text === null || text.trim() === '' ? null : text.trim();

function name(order: Order, act: ActOf<'name'>, nameOf: NameOfPlugin): Result<ActResult> {
  const original = nameOf(act.plugin);
  if (original === undefined) {
    return unknown('plugin', 'plugin');
  }
  const before = pluginNamesIn(order, act.plugin);
  const names: PluginNames = {
    table: 'plugin-names',
    id: act.plugin,
    nickname: orNull(act.nickname),
    slotLabel: orNull(act.slotLabel),
  };
  const isBare = names.nickname === null && names.slotLabel === null;
  const words = names.nickname === null ? `Name ${original}` : `Call ${original} ${names.nickname}`;
  if (!before) {
    return done(words, isBare ? {} : { added: [names] });
  }
  if (before.nickname === names.nickname && before.slotLabel === names.slotLabel) {
    return done(words, {});
  }
  return done(words, isBare ? { removed: [before] } : { updated: [[before, names]] });
}

/** The act that gives a plugin its nickname and slot label. */
export const nameActs = {
  name: { plugins: (act) => [act.plugin], resolve: asSaid, perform: name },
} satisfies ActRules<'name'>;
