/** Acts that say what a plugin is: answers and tags. */
import { kindWords } from '../catalog/kind.ts';
import type { PluginId } from '../id.ts';
import {
  type Answer,
  type AnswerFacts,
  nobody,
  nothingSaid,
  saysNothing,
} from '../catalog/answer.ts';
import { failed, type Result } from '../problem.ts';
import { typeName } from '../taxonomy/tree.ts';
import { type Order, answerIn } from '../order/records.ts';
import type { ActOf } from './act.ts';
import {
  type NameOfPlugin,
  type ActResult,
  sayPlugins,
  unknownPlugin,
  type Edited,
  done,
  edited,
} from './act-result.ts';
import { type ActRules, asSaid } from './act-rule.ts';

function answer(order: Order, { say }: ActOf<'answer'>, nameOf: NameOfPlugin): Result<ActResult> {
  const plugins = say.flatMap((said) => said.plugins);
  const only = say[0];
  if (plugins.some((id) => nameOf(id) === undefined)) {
    return unknownPlugin();
  }
  if (new Set(plugins).size < plugins.length || !only) {
    return failed({
      code: 'field-invalid',
      at: 'say',
      detail: 'Each plugin can be answered once in one act.',
    });
  }
  const changes = say.map(({ plugins: ids, set }) =>
    annotated(order, ids, (before) => ({
      ...before,
      ...set,
      ...(set.notes === undefined ? {} : { notes: set.notes.trim() }),
    })),
  );
  const words =
    say.length === 1
      ? wordsOf(only.set, sayPlugins(only.plugins, nameOf), only.plugins.length > 1)
      : `Answer for ${plugins.length} plugins`;
  return done(words, {
    added: changes.flatMap((c) => c.added),
    updated: changes.flatMap((c) => c.updated),
    removed: changes.flatMap((c) => c.removed),
  });
}

function tag(order: Order, act: ActOf<'tag'>, nameOf: NameOfPlugin): Result<ActResult> {
  if (act.plugins.some((id) => nameOf(id) === undefined)) {
    return unknownPlugin();
  }
  const add = act.add.map((t) => t.trim()).filter((t) => t !== '');
  const change = annotated(order, act.plugins, (before) => ({
    ...before,
    tags: [...new Set([...before.tags.filter((t) => !act.remove.includes(t)), ...add])],
  }));
  return done(
    add.length > 0
      ? `Tag ${sayPlugins(act.plugins, nameOf)} ${add.join(', ')}`
      : `Take the tag ${act.remove.join(', ')} off ${sayPlugins(act.plugins, nameOf)}`,
    change,
  );
}

/** What an act says of each plugin, as a change: answers that end up saying nothing are removed. */
export function annotated(
  order: Order,
  plugins: readonly PluginId[],
  next: (before: AnswerFacts) => AnswerFacts,
): Edited {
  const change = edited();
  for (const id of new Set(plugins)) {
    const before = answerIn(order, id);
    const after: Answer = { ...next(before ?? nothingSaid), table: 'answer', id };
    if (saysNothing(after)) {
      if (before) {
        change.removed.push(before);
      }
    } else if (!before) {
      change.added.push(after);
    } else if (!isSame(before, after)) {
      change.updated.push([before, after]);
    }
  }
  return change;
}

const keys: readonly (keyof AnswerFacts)[] = [
  'kind',
  'types',
  'vendor',
  'licence',
  'tags',
  'notes',
  'isHidden',
  'picture',
  'alsoCalled',
  'firstCopy',
];
const isSame = (a: AnswerFacts, b: AnswerFacts): boolean =>
  keys.every((key) => JSON.stringify(a[key]) === JSON.stringify(b[key]));

function wordsOf(set: Partial<AnswerFacts>, plugins: string, areMany: boolean): string {
  const are = areMany ? 'are' : 'is';
  if (set.types !== undefined) {
    return wordsOfTypes(set.types, plugins, areMany);
  }
  if (set.kind !== undefined) {
    return set.kind === null
      ? `Reset the kind of ${plugins}`
      : `Say that ${plugins} ${are} ${areMany ? kindWords[set.kind].many : kindWords[set.kind].one}`;
  }
  if (set.vendor !== undefined) {
    return wordsOfVendor(set.vendor, plugins, are);
  }
  if (set.licence !== undefined) {
    return wordsOfLicence(set.licence, plugins, are);
  }
  if (set.isHidden !== undefined) {
    return set.isHidden ? `Hide ${plugins} in Load` : `Show ${plugins} in Load`;
  }
  if (set.notes !== undefined) {
    return `Note on ${plugins}`;
  }
  if (set.picture !== undefined) {
    return set.picture === null ? `Remove the picture of ${plugins}` : `Give ${plugins} a picture`;
  }
  if (set.alsoCalled !== undefined) {
    return set.alsoCalled.length === 0
      ? `Remove the other names of ${plugins}`
      : `${plugins} also called ${set.alsoCalled.join(', ')}`;
  }
  if (set.firstCopy !== undefined) {
    return set.firstCopy === null
      ? `Use the usual copy of ${plugins} first`
      : `Use another copy of ${plugins} first`;
  }
  return `Change the tags of ${plugins}`;
}

function wordsOfTypes(types: AnswerFacts['types'], plugins: string, areMany: boolean): string {
  if (types === null) {
    return `Reset the types of ${plugins}`;
  }
  if (types.length === 0) {
    return `Say that ${plugins} ${areMany ? 'have' : 'has'} no type`;
  }
  return `Say that ${plugins} ${areMany ? 'are' : 'is'} ${types.map(typeName).join(' and ')}`;
}

function wordsOfVendor(vendor: string | null, plugins: string, are: string): string {
  if (vendor === null) {
    return `Reset the vendor of ${plugins}`;
  }
  return vendor === nobody
    ? `Leave ${plugins} without a vendor`
    : `Say that ${plugins} ${are} by ${vendor}`;
}

function wordsOfLicence(licence: AnswerFacts['licence'], plugins: string, are: string): string {
  if (licence === null) {
    return `Reset the licence of ${plugins}`;
  }
  const until = licence.until === null ? '' : ` until ${licence.until}`;
  const state = { owned: 'owned', free: 'free', trial: 'on trial', 'not licensed': 'not licensed' };
  return `Say that ${plugins} ${are} ${state[licence.state]}${until}`;
}

/** Acts that say what plugins are, by name. */
export const annotationActs = {
  answer: {
    plugins: (act) => act.say.flatMap((said) => said.plugins),
    resolve: asSaid,
    perform: answer,
  },
  tag: { plugins: (act) => act.plugins, resolve: asSaid, perform: tag },
} satisfies ActRules<'answer' | 'tag'>;
