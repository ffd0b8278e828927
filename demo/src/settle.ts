/** What Kestrel Quay has answered already: most doubts about types and kinds, a few licences and tags. */
import type { Act, Said } from '@clever-drawer/core/acts';
import type { AnswerFacts, Plugin } from '@clever-drawer/core/catalog';
import { groupOf, kindOfType } from '@clever-drawer/core/taxonomy';
import type { Api } from './api.ts';
import { chanceFrom } from './chance.ts';
import type { DemoPlugin } from './plugins.ts';

/** Of the doubts this share is settled; the rest still waits. */
const settled = 0.72;
const tags: readonly (readonly [type: string, tag: string])[] = [
  ['restoration', 'field recordings'],
  ['pitch', 'puppets'],
  ['texture', 'under water'],
  ['acoustic/woodwind', 'film'],
];

export async function settleDoubts(api: Api, studio: readonly DemoPlugin[]): Promise<void> {
  const chance = chanceFrom(60);
  const truth = new Map(studio.map((plugin) => [plugin.name, plugin.type]));
  const { plugins } = await api.catalog();
  const { grounds } = await api.sort();
  const asked = new Set(grounds.map(({ plugin }) => plugin));
  const say = plugins.flatMap(({ id, name }): Said[] => {
    const type = truth.get(name);
    return asked.has(id) && type !== undefined && chance.happens(settled)
      ? [{ plugins: [id], set: { types: [type], kind: kindOfType(type) } }]
      : [];
  });
  if (say.length > 0) {
    await api.act({ act: 'answer', say });
  }
  for (const [type, tag] of tags) {
    await tagAll(
      api,
      plugins.filter((plugin) => {
        const actual = truth.get(plugin.name);
        return actual === type || groupOf(actual ?? '') === type;
      }),
      tag,
    );
  }
  await licence(api, plugins.filter((plugin) => plugin.name.endsWith('(Trial)')).slice(0, 2), {
    licence: { state: 'trial', until: trialEnds() },
  });
}

/** The day in nine days. */
function trialEnds(): string {
  const day = 86_400_000;
  return new Date(Date.now() + 9 * day).toISOString().slice(0, 10);
}

async function tagAll(api: Api, plugins: readonly Plugin[], tag: string): Promise<void> {
  if (plugins.length > 0) {
    await api.act({
      act: 'tag',
      plugins: plugins.slice(0, 9).map((plugin) => plugin.id),
      add: [tag],
      remove: [],
    });
  }
}

async function licence(
  api: Api,
  plugins: readonly Plugin[],
  set: Partial<AnswerFacts>,
): Promise<void> {
  const act: Act = { act: 'answer', say: [{ plugins: plugins.map((plugin) => plugin.id), set }] };
  if (plugins.length > 0) {
    await api.act(act);
  }
}
