/** Further facts by which the list is narrowed, beside kind, type, vendor and format. */
import { day } from '../time.ts';
import { licenceStates, type AnswerFacts } from '../catalog/answer.ts';
import { isPresent, type Plugin } from '../catalog/plugin.ts';

/** Facts that can narrow the list beside the sentence's own words. */
export const facets = ['bits', 'licence', 'state', 'tag', 'folder', 'arrived', 'loaded'] as const;
/** One of the facts. */
export type Facet = (typeof facets)[number];

/** What is wanted of each fact; absent is "any". */
export type Facets = Readonly<Partial<Record<Facet, string>>>;

/** What the facts of a plugin are taken from. Times in milliseconds since 1970. */
export interface FacetFacts {
  readonly answers: ReadonlyMap<string, AnswerFacts>;
  readonly usage: ReadonlyMap<string, { readonly lastLoaded: string }>;
  readonly isIn: (folder: string, plugin: string) => boolean;
  readonly now: number;
}

/**
 * Values with a fixed meaning, as they stand in the address; tags and folders are the user's. Days
 * for arrived and loaded.
 */
export const facetValues = {
  bits: ['64', '32'],
  licence: [...licenceStates, 'unknown'],
  state: ['present', 'away', 'gone', 'failed', 'no-program', 'hidden'],
  arrived: ['7', '30', '365'],
  loaded: ['7', '30', 'never', 'not-90'],
} as const satisfies Partial<Record<Facet, readonly string[]>>;

const within = (time: string, days: string, now: number): boolean =>
  now - Date.parse(time) <= Number(days) * day;

/** Before a time (ISO 8601) as a value of `arrived`: what a scan brought arrived since its start. */
export const sinceTime = 'since ';

/** Whether a plugin has every wanted fact. An unknown value lets nothing pass. */
export function hasFacets(plugin: Plugin, wanted: Facets, facts: FacetFacts): boolean {
  const said = facts.answers.get(plugin.id);
  const last = facts.usage.get(plugin.id)?.lastLoaded;
  const there = plugin.copies.filter((copy) => copy.state === 'present');
  const tests: Readonly<Record<Facet, (value: string) => boolean>> = {
    bits: (value) =>
      there.length > 0 &&
      (value === '32'
        ? there.every((copy) => copy.is32Bit)
        : value === '64' && there.some((copy) => !copy.is32Bit)),
    licence: (value) => (said?.licence?.state ?? 'unknown') === value,
    state: (value) => {
      if (value === 'hidden') {
        return said?.isHidden === true;
      }
      if (value === 'failed') {
        return there.some((copy) => copy.isFailed);
      }
      if (value === 'no-program') {
        return there.some((copy) => copy.lacksProgram);
      }
      if (value === 'present') {
        return isPresent(plugin);
      }
      return (
        !isPresent(plugin) &&
        (value === 'away') === plugin.copies.some((copy) => copy.state === 'away') &&
        (value === 'away' || value === 'gone')
      );
    },
    tag: (value) => said?.tags.includes(value) ?? false,
    folder: (value) => facts.isIn(value, plugin.id),
    arrived: (value) =>
      value.startsWith(sinceTime)
        ? Date.parse(plugin.arrived) >= Date.parse(value.slice(sinceTime.length))
        : within(plugin.arrived, value, facts.now),
    loaded: (value) => {
      if (value === 'never') {
        return last === undefined;
      }
      if (value === 'not-90') {
        return last === undefined || !within(last, '90', facts.now);
      }
      return last !== undefined && within(last, value, facts.now);
    },
  };
  return facets.every((facet) => {
    const value = wanted[facet];
    return value === undefined || tests[facet](value);
  });
}
