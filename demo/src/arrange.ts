/** How Kestrel Quay has put its plugins in order: folders, what is filed in them, favourites and names. */
import { randomUUID } from 'node:crypto';
import type { Act } from '@clever-drawer/core/acts';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId, type FolderId } from '@clever-drawer/core/id';
import { foldersBelow, orderOf, type SmartPart } from '@clever-drawer/core/order';
import { parseRule, readyRules } from '@clever-drawer/core/rules';
import { groupOf } from '@clever-drawer/core/taxonomy';
import type { Api } from './api.ts';
import { chanceFrom, type Chance } from './chance.ts';
import type { DemoPlugin } from './plugins.ts';

/** A folder of the plan: what true types it holds, which share of those, at most how many. */
interface Plan {
  readonly name: string;
  readonly form: 'folder' | 'smart' | 'divider';
  readonly types?: readonly string[];
  readonly share?: number;
  readonly most?: number;
  /** The rule as text, how what it takes in is sorted, and how much of it is shown. */
  readonly rule?: string;
  readonly sortedBy?: SmartPart['sortedBy'];
  readonly atMost?: number;
  readonly below?: readonly Plan[];
}

const divider = (name: string): Plan => ({ name, form: 'divider' });
const smart = (name: string, rule: string): Plan => ({ name, form: 'smart', rule });
const ready = (name: string): Plan => {
  const found = readyRules.find((one) => one.name === name);
  return {
    ...smart(name, found?.text ?? ''),
    ...(found?.sortedBy ? { sortedBy: found.sortedBy } : {}),
    ...(found?.atMost ? { atMost: found.atMost } : {}),
  };
};
const folder = (
  name: string,
  types: string,
  share: number,
  most: number,
  ...below: Plan[]
): Plan => ({ name, form: 'folder', types: types.split(' '), share, most, below });

const plan: readonly Plan[] = [
  ready('Lately loaded'),
  ready('Arrivals'),
  folder('Repair', 'restoration', 0.9, 9),
  divider('By job'),
  folder(
    'Voices',
    'dynamics/de-esser dynamics/compressor eq/parametric',
    0.35,
    22,
    folder('Narrator', 'dynamics/leveller dynamics/de-esser', 0.8, 8),
    folder('Puppets', 'pitch modulation/ring-modulator', 0.5, 14),
  ),
  folder('Sea bed', 'texture synth/additive reverb/shimmer', 0.6, 11),
  folder('Accordion', 'eq/tone reverb/room', 0.25, 7),
  folder('Mix glue', 'dynamics/compressor distortion/saturation', 0.15, 6),
  divider('By type'),
  folder(
    'Squeeze',
    'dynamics',
    0.7,
    34,
    folder('Gentle', 'dynamics/leveller dynamics/compressor', 0.4, 12),
    folder('Hard', 'dynamics/limiter dynamics/gate', 0.5, 9),
  ),
  folder('Tone', 'eq filter', 0.65, 30),
  smart(
    'Room & hall',
    'type is reverb\n\nkind is effect\nname has reverb, verb, room, hall, plate, chamber, spring\n\nnever\ntype is restoration',
  ),
  smart(
    'Echo',
    'name has delay, echo, slap, taps\nkind is effect\n\ntype is delay\n\nnever\ntype is looper',
  ),
  folder('Wear', 'distortion', 0.6, 24),
  folder('Wobble', 'modulation', 0.55, 24),
  folder('Width', 'spatial', 0.6, 12),
  folder('Meters', 'meter', 0.9, 14),
  divider('Played'),
  folder('Keys', 'keys', 0.8, 12),
  folder('Pads & synths', 'synth', 0.6, 20),
  folder('Drums', 'drums sampler', 0.8, 12),
  smart('Strings & winds', 'name has strings, quartet, brass, horns, woodwind, reeds'),
];

const nicknames: readonly (readonly [type: string, nickname: string, slotLabel: string])[] = [
  ['dynamics/de-esser', 'Lady of the S', 'Sib'],
  ['reverb/plate', 'The good plate', 'Plate'],
  ['dynamics/compressor', 'Old faithful', 'Faithful'],
  ['distortion/saturation', 'Warm hands', 'Warm'],
  ['delay/tape-echo', 'Seasick echo', 'Seasick'],
  ['eq/parametric', 'Surgeon', 'Surgeon'],
  ['pitch/pitch-shifter', 'Heron voice', 'Heron'],
  ['meter/loudness', 'The judge', 'Judge'],
];

/**
 * Files, names and favours; always the same plugins for the same studio. Gives the plugins in use,
 * most used first.
 */
export async function arrangeStudio(api: Api, studio: readonly DemoPlugin[]): Promise<Plugin[]> {
  const chance = chanceFrom(77);
  const { plugins } = await api.catalog();
  const byType = typesOf(plugins, studio);
  const order = orderOf((await api.order()).records);
  const cabinet = [...order.values()].find((r) => r.table === 'cabinet');
  if (!cabinet) {
    throw new Error('no cabinet');
  }
  const favourites = foldersBelow(order, cabinet.id, null)[0];
  for (const entry of plan) {
    await makeFolder(api, entry, cabinet.id, null, byType, chance);
  }
  for (const [type, nickname, slotLabel] of nicknames) {
    const plugin = byType(type)[0];
    if (plugin) {
      await api.act({ act: 'name', plugin: plugin.id, nickname, slotLabel });
    }
  }
  const used = chance.shuffle(
    [
      'dynamics',
      'eq',
      'reverb',
      'delay',
      'distortion',
      'modulation',
      'restoration',
      'pitch',
      'texture',
      'spatial',
      'meter',
      'synth',
      'keys',
      'acoustic',
      'sampler',
    ].flatMap((group) => byType(group).slice(0, 9)),
  );
  if (favourites) {
    await api.act(fileAct(favourites.id, used.slice(0, 14)));
  }
  return used;
}

const fileAct = (into: FolderId, plugins: readonly Plugin[]): Act => ({
  act: 'file',
  folder: into,
  before: null,
  plugins: plugins.map((p) => ({ placement: asId(randomUUID()), plugin: p.id })),
});

/** Catalogued plugins by true type or group. */
function typesOf(
  plugins: readonly Plugin[],
  studio: readonly DemoPlugin[],
): (type: string) => Plugin[] {
  const truth = new Map(studio.map((p) => [p.name, p.type]));
  return (type) =>
    plugins.filter((p) => {
      const actual = truth.get(p.name);
      return actual !== undefined && (actual === type || groupOf(actual) === type);
    });
}

async function makeFolder(
  api: Api,
  entry: Plan,
  cabinet: Extract<Act, { act: 'add-folder' }>['cabinet'],
  parent: FolderId | null,
  byType: (type: string) => Plugin[],
  chance: Chance,
): Promise<void> {
  const id = asId<FolderId>(randomUUID());
  const rule = entry.rule === undefined ? null : parseRule(entry.rule);
  const smartPart: SmartPart = {
    alwaysIn: [],
    alwaysOut: [],
    sortedBy: entry.sortedBy ?? null,
    atMost: entry.atMost ?? null,
  };
  await api.act({
    act: 'add-folder',
    id,
    cabinet,
    parent,
    form: entry.form,
    name: entry.name,
    rule: rule?.ok ? rule.value : null,
    before: null,
    ...(entry.form === 'smart' ? { smart: smartPart } : {}),
  });
  const members = (entry.types ?? [])
    .flatMap(byType)
    .filter(() => chance.happens(entry.share ?? 0))
    .slice(0, entry.most);
  if (members.length > 0) {
    await api.act(fileAct(id, members));
  }
  for (const below of entry.below ?? []) {
    await makeFolder(api, below, cabinet, id, byType, chance);
  }
}
