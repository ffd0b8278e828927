/** Acts that say what plugins are. */
import type { Act, Owner } from '@clever-drawer/core/acts';
import type { AnswerFacts, Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';

/** The same of all the plugins. */
export const annotateAct = (plugins: readonly string[], set: Partial<AnswerFacts>): Act => ({
  act: 'answer',
  say: [{ plugins: plugins.map((id) => asId(id)), set }],
});

/** All the plugins are of that type alone; null stands for none. */
export const typeAct = (plugins: readonly string[], type: string | null): Act =>
  annotateAct(plugins, { types: type === null ? [] : [type] });

export const ownerOf = (plugin: Plugin): Owner => ({
  plugin: plugin.id,
  copies: plugin.copies.map((copy) => copy.id),
});

/** Each vendor with the spellings that are it. */
export const spellAct = (
  ...say: readonly { readonly vendor: string; readonly spellings: readonly string[] }[]
): Act => ({
  act: 'spell',
  say: say.map(({ vendor, spellings }) => ({
    vendor,
    spellings: spellings.map((spelling) => ({ id: asId(crypto.randomUUID()), spelling })),
  })),
});
