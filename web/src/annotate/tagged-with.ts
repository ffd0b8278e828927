/** Who has which tag. */
import type { AnswerFacts } from '@clever-drawer/core/catalog';
import { compareNames } from '@clever-drawer/core/text';

export interface Tagged {
  readonly tag: string;
  /** Ids, in the order in which the answers come. */
  readonly plugins: readonly string[];
}

/** Each tag with the plugins that have it, by name. */
export function taggedWith(answers: ReadonlyMap<string, Pick<AnswerFacts, 'tags'>>): Tagged[] {
  const by = new Map<string, string[]>();
  for (const [plugin, { tags }] of answers) {
    for (const tag of tags) {
      const plugins = by.get(tag) ?? [];
      plugins.push(plugin);
      by.set(tag, plugins);
    }
  }
  return [...by]
    .map(([tag, plugins]) => ({ tag, plugins }))
    .sort((a, b) => compareNames(a.tag, b.tag));
}
