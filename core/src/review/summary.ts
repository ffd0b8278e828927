/** A review in a few sentences that can be read aloud. */
import { plural } from '../text/plural.ts';
import { typeName } from '../taxonomy/tree.ts';
import { keysByMonth, type KeysOfMonth } from './keys.ts';
import { ownedByGroup, ownedIn, type OwnedGroup } from './owned.ts';
import { loadsOf, type ReviewMaterial } from './studied.ts';

/** A group must hold so many to be named as owned and little used (a rule of thumb, no source). */
const many = 8;

const percent = (part: number, whole: number): string =>
  `${Math.round((100 * part) / Math.max(1, whole))} %`;

/** The fewest plugins that make half of all loads. */
function halfOf(loads: ReadonlyMap<string, number>, all: number): number {
  let covered = 0;
  const sorted = [...loads.values()].sort((a, b) => b - a);
  return sorted.findIndex((times) => (covered += times) * 2 >= all) + 1;
}

function littleUsed(groups: readonly OwnedGroup[]): string[] {
  const [most] = groups
    .filter(({ group, plugins, used }) => group !== '' && plugins.length >= many && used.length > 0)
    .toSorted((a, b) => a.used.length / a.plugins.length - b.used.length / b.plugins.length);
  return most
    ? [`Of ${most.plugins.length} under ${typeName(most.group)} you load ${most.used.length}.`]
    : [];
}

function keysThen(months: readonly KeysOfMonth[]): string[] {
  const [first, last] = [months[0], months.at(-1)];
  const say = (keys: number): string => keys.toFixed(1);
  if (!first || !last) {
    return [];
  }
  return first === last || say(first.keys) === say(last.keys)
    ? [`A load takes ${say(last.keys)} keys.`]
    : [`A load takes ${say(last.keys)} keys; in the beginning it was ${say(first.keys)}.`];
}

/** Sentences about what is looked at; the first always stands, the others where there are loads. */
export function summaryOf(material: Pick<ReviewMaterial, 'plugins' | 'uses'>): string[] {
  const { uses } = material;
  const plugins = ownedIn(material.plugins);
  const vendors = new Set(plugins.flatMap(({ vendor }) => vendor ?? [])).size;
  const loads = loadsOf(uses);
  const owned = `${plural(plugins.length, 'plugin')} by ${plural(vendors, 'vendor')}`;
  if (uses.length === 0) {
    return [`You own ${owned}. None was loaded in this time.`];
  }
  const names = new Map(material.plugins.map(({ id, name }) => [id, name]));
  const used = plugins.filter(({ id }) => loads.has(id)).length;
  const [top = '', times = 0] = [...loads].sort(([, a], [, b]) => b - a)[0] ?? [];
  return [
    `You own ${owned}, and loaded ${used} of them (${percent(used, plugins.length)}) ${plural(uses.length, 'time')}.`,
    `Half of all loads went to ${plural(halfOf(loads, uses.length), 'plugin')}; ${names.get(top) ?? ''} leads with ${times}.`,
    ...littleUsed(ownedByGroup(material)),
    ...keysThen(keysByMonth(uses)),
  ];
}
