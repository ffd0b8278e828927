/** Random rules and catalogs, for tests. Few values, so that rules take in some and not others. */
import { day } from '../../time.ts';
import fc from 'fast-check';
import { makeCandidate, type Candidate } from './candidate.ts';
import {
  fieldNames,
  fields,
  relationsFor,
  standsAlone,
  type Card,
  type Line,
  type Rule,
} from '../language/rule.ts';

const names = [
  'TapeEcho',
  'Tape Echo 2',
  'Cistern Echoes',
  'Parameters',
  'GVerb',
  'Écho',
  'slap back',
  'Pale Plate',
  'Bandlimited',
  'Hall of Echo',
  'EQ-3',
  'Платa',
  'x',
];
const vendors = ['Osier & Pitch', 'Quarterdeck DSP', 'osier', 'Low Meadow'];
const types = ['delay', 'delay/looper', 'reverb/hall', 'reverb', 'eq/tone'];
const tags = ['puppets', 'Film', 'under water'];
export const epoch = Date.parse('2026-11-24T12:00:00Z');
const times = fc.option(
  fc.integer({ min: -3, max: 120 }).map((days) => epoch - days * day - 5),
  { nil: null },
);
const some = <T>(list: readonly T[], most = 2) =>
  fc.uniqueArray(fc.constantFrom(...list), { maxLength: most });

const facts = fc.record({
  names: fc.uniqueArray(fc.constantFrom(...names), { minLength: 1, maxLength: 2 }),
  vendor: fc.option(fc.constantFrom(...vendors), { nil: null }),
  tags: some(tags),
  notes: fc.constantFrom('', 'for the eel', 'eel, twice'),
  types: some(types),
  thing: fc.constantFrom('plugin', 'plugin', 'chain', 'setting'),
  settingOf: some(['Pale Plate', 'TapeEcho']),
  bank: fc.option(fc.constantFrom('Puppet theatre', 'film'), { nil: null }),
  kind: fc.constantFrom('effect', 'instrument', 'note-effect', 'tool', 'unknown'),
  formats: fc.uniqueArray(fc.constantFrom('VST3', 'LV2', 'VST2'), { minLength: 1, maxLength: 2 }),
  bits: fc.uniqueArray(fc.constantFrom('64', '32'), { minLength: 1 }),
  licence: fc.constantFrom('owned', 'free', 'trial', 'not licensed', 'unknown'),
  states: fc.constantFrom(
    ['present'],
    ['present', 'hidden'],
    ['gone'],
    ['present', 'failed'],
    ['out of reach'],
  ),
  versions: some(['1.0', '2.1', '2.10', '2.1.0']),
  inputs: some([0, 1, 2]),
  outputs: some([1, 2, 8]),
  loads: fc.nat(6),
  arrived: times,
  lastLoaded: times,
  trialEnds: times,
});
export const anyCandidate = (id: string): fc.Arbitrary<Candidate> =>
  facts.map((one) => makeCandidate({ ...one, id, states: one.states }));
export const anyCatalog = (most: number): fc.Arbitrary<Candidate[]> =>
  fc
    .nat(most)
    .chain((size) => fc.tuple(...Array.from({ length: size }, (_, i) => anyCandidate(`p${i}`))));

export const folderIds = ['f1', 'f2', 'f3'];
/** Values as they are compared, some of which nothing has. */
const valuesFor = (line: Pick<Line, 'field' | 'relation'>): readonly string[] => {
  switch (fields[line.field]) {
    case 'text':
      if (line.field === 'vendor') {
        return [...vendors, 'osi'];
      }
      if (line.field === 'tag') {
        return tags;
      }
      if (line.field === 'bank') {
        return ['film', 'puppet', 'theatre'];
      }
      if (line.field === 'notes') {
        return ['eel', 'twice, eel'];
      }
      return [
        'echo',
        'tape',
        'tape echo',
        'tape e',
        'verb',
        'meter',
        'écho',
        'hall of',
        '2',
        'slap, "back"',
        ...names,
      ];
    case 'number':
      return ['0', '1', '2', '5'];
    case 'version':
      return ['2', '2.1', '2.10', '1.0'];
    case 'time':
      return line.relation.includes('within')
        ? ['30 days', '1 week', '3 months', '1 year']
        : ['2026-11-01', '2026-09-15', '2027-01-01'];
    case 'set':
      return {
        type: [...types, 'reverb/plate', 'delay/delay'],
        kind: ['effect', 'note-effect', 'tool'],
        thing: ['plugin', 'chain', 'setting'],
        format: ['VST3', 'CLAP', 'LV2'],
        bits: ['64', '32'],
        licence: ['owned', 'trial', 'not licensed'],
        state: ['present', 'hidden', 'failed', 'gone', 'out of reach'],
        folder: folderIds,
      }[line.field as 'type'];
    default:
      return [];
  }
};

export const anyLine: fc.Arbitrary<Line> = fc.constantFrom(...fieldNames).chain((field) =>
  fc.constantFrom(...relationsFor(field)).chain((relation) => {
    const most = relation.includes('within') ? 1 : 3;
    return (
      standsAlone(relation)
        ? fc.constant([])
        : fc.uniqueArray(fc.constantFrom(...valuesFor({ field, relation })), {
            minLength: 1,
            maxLength: most,
          })
    ).map((values): Line => ({ field, relation, values }));
  }),
);
const anyCard: fc.Arbitrary<Card> = fc
  .array(anyLine, { minLength: 1, maxLength: 3 })
  .map((lines) => ({ lines }));
export const anyRule: fc.Arbitrary<Rule> = fc.record({
  cards: fc.array(anyCard, { minLength: 1, maxLength: 3 }),
  never: fc.array(anyCard, { maxLength: 2 }),
});
