import { describe, expect, it } from '@jest/globals';
import { makeCandidate, type CandidateFacts } from '../evaluate/candidate.ts';
import { explain } from '../evaluate/explain.ts';
import { compareVersions, compileRule, type RuleContext } from '../evaluate/holds.ts';
import { keywordRule, linesOf, type Rule } from './rule.ts';
import { sayRule } from './say.ts';
import { parseRule } from './text.ts';

const now = Date.parse('2026-11-24T12:00:00Z');
const ago = (days: number): number => now - days * 86_400_000;
const where: RuleContext = {
  now,
  isIn: (folder, plugin) => folder === 'Wear' && plugin === 'worn',
  isFiled: (plugin) => plugin === 'worn',
};
const bare: CandidateFacts = {
  id: 'p',
  names: ['Bare'],
  vendor: null,
  tags: [],
  notes: '',
  types: [],
  kind: 'effect',
  formats: ['VST3'],
  bits: ['64'],
  licence: 'unknown',
  states: ['present'],
  versions: [],
  inputs: [],
  outputs: [],
  loads: 0,
  arrived: ago(400),
  lastLoaded: null,
  trialEnds: null,
};
const ruleOf = (text: string): Rule => {
  const parsed = parseRule(text);
  if (!parsed.ok) {
    throw new Error(JSON.stringify(parsed.problems));
  }
  return parsed.value;
};
const takes = (text: string, facts: Partial<CandidateFacts>): boolean =>
  compileRule(ruleOf(text)).holds(makeCandidate({ ...bare, ...facts }), where);
const named = (...names: string[]): Partial<CandidateFacts> => ({ names });

describe('a keyword rule', () => {
  const because = (text: string, ...names: string[]): string | null => {
    const rule = keywordRule(text);
    return rule.ok ? explain(rule.value, makeCandidate({ ...bare, names }), where) : null;
  };
  it('takes in any of its keywords and says which one it was', () => {
    expect(because('delay, echo, slap', 'Twinmoor TapeEcho')).toBe('name has “echo”');
    expect(because('delay, echo', 'Cistern Hall')).toBeNull();
  });
  it('finds keywords at the start of words only', () => {
    expect(because('meter', 'Parameters')).toBeNull();
    expect(because('limit', 'Bandlimited')).toBeNull();
    expect(because('echo', 'Cistern Echoes')).toBe('name has “echo”');
  });
  it('finds keywords of several words and folds case and accents', () =>
    expect(because('Tape Écho', 'old tape-echo')).not.toBeNull());
  it('looks at the nickname and the slot label too', () =>
    expect([because('slap', 'Grebe', 'my slap'), because('sib', 'Grebe', 'Sib')]).toEqual([
      'name has “slap”',
      'name has “sib”',
    ]));
  it('drops doubles and empty parts', () => {
    const rule = keywordRule('echo,, Echo ,slap');
    expect(rule.ok && linesOf(rule.value)[0]?.values).toEqual(['Echo', 'slap']);
  });
  it('needs at least one keyword', () =>
    expect(keywordRule(' , ')).toMatchObject({ ok: false, problems: [{ code: 'rule-empty' }] }));
  it('reads itself back', () => {
    const rule = keywordRule('delay, echo, slap');
    expect(rule.ok && sayRule(rule.value)).toBe('Every plugin whose name has delay, echo or slap.');
  });
});

describe('lines about texts', () => {
  it.each([
    ['name has word echo', 'TapeEcho', true],
    ['name has word echo', 'Cistern Echoes', false],
    ['name has word verb', 'GVerb', true],
    ['name has word 2', 'Echo2b', true],
    ['name has word tape echo', 'Old Tape-Echo 2', true],
    ['name has word tape echo', 'Tape Echoes', false],
    ['name has letters verb', 'Reverberator', true],
    ['name has letters meter', 'Parameters', true],
    ['name has no echo, delay', 'Hall', true],
    ['name has no echo, delay', 'Tape Echo', false],
    ['name starts with slack', 'Slackwater', true],
    ['name starts with water', 'Slackwater', false],
    ['name starts with tape e', 'TapeEcho', true],
    ['name is écho', 'Echo', true],
    ['name is echo', 'Echo 2', false],
    ['name is not echo, hall', 'Hall', false],
  ])('%s: %s → %s', (text, name, isIn) => expect(takes(text, named(name))).toBe(isIn));
  it('ask the vendor, tags and notes, or anything', () => {
    expect([
      takes('vendor is osier & pitch', { vendor: 'Osier & Pitch' }),
      takes('vendor is missing', { vendor: null }),
      takes('tag is puppets', { tags: ['film', 'Puppets'] }),
      takes('notes has eel', { notes: 'for the eel' }),
      takes('notes is missing', {}),
    ]).toEqual([true, true, true, true, true]);
    expect([
      takes('anything has letters pale\nanything has letters plate', {
        names: ['Bellbuoy'],
        vendor: 'Pale Harbour',
        types: ['reverb/plate'],
      }),
      takes('anything has hall', { types: ['reverb/plate'] }),
    ]).toEqual([true, false]);
  });
});

describe('lines about facts', () => {
  it('know groups of types, sets, and what is only so', () => {
    expect([
      takes('type is delay', { types: ['delay/looper'] }),
      takes('type is looper', { types: ['delay'] }),
      takes('type is not reverb', { types: ['reverb/hall'] }),
      takes('type is only delay', { types: ['delay/looper', 'delay'] }),
      takes('type is only delay', { types: ['delay', 'eq'] }),
      takes('type is missing', {}),
    ]).toEqual([true, false, false, true, false, true]);
    expect([
      takes('bits is only 32', { bits: ['32'] }),
      takes('bits is only 32', { bits: ['32', '64'] }),
      takes('bits is 32', { bits: ['32', '64'] }),
      takes('format is vst3, CLAP', { formats: ['CLAP'] }),
      takes('kind is note effect', { kind: 'note-effect' }),
      takes('licence is trial, not licensed', { licence: 'trial' }),
      takes('state is out of reach', { states: ['out of reach'] }),
    ]).toEqual([true, false, true, true, true, true, true]);
  });
  it('compare numbers, versions and folders', () => {
    expect([
      takes('times loaded at least 3', { loads: 3 }),
      takes('times loaded at most 2', { loads: 3 }),
      takes('inputs is 1', { inputs: [1, 2] }),
      takes('outputs is not 2', { outputs: [2] }),
      takes('outputs at least 2', { outputs: [] }),
    ]).toEqual([true, false, true, false, false]);
    expect([
      compareVersions('2.1', '2.1.0'),
      Math.sign(compareVersions('2.1', '2.10')),
      takes('version at least 2.2', { versions: ['2.10'] }),
      takes('version before 2', { versions: ['1.9.9'] }),
      takes('version is missing', {}),
    ]).toEqual([0, -1, true, true, true]);
    expect([
      takes('folder is Wear', { id: 'worn' }),
      takes('folder is Wear', {}),
      takes('folder is not Wear', {}),
      takes('folder is missing', {}),
    ]).toEqual([true, false, true, true]);
  });
  it('know spans of time and days, and never', () => {
    expect([
      takes('last loaded within the last 30 days', { lastLoaded: ago(30) }),
      takes('last loaded within the last 2 weeks', { lastLoaded: ago(15) }),
      takes('last loaded not within the last 90 days', {}),
      takes('last loaded never', {}),
      takes('arrived before 2026-01-01', {}),
      takes('arrived after 2025-10-20', {}),
      takes('arrived after 2025-10-19', {}),
      takes('last loaded before 2026-01-01', {}),
    ]).toEqual([true, false, true, true, true, false, true, false]);
    expect([
      takes('trial ends within the next 14 days', { trialEnds: now + 3 * 86_400_000 }),
      takes('trial ends within the next 14 days', { trialEnds: now - 1 }),
      takes('trial ends never', {}),
    ]).toEqual([true, false, true]);
  });
});

describe('cards', () => {
  const text =
    'name has delay, echo\nkind is effect\n\ntype is delay\n\nnever\ntype is looper\n\nnever\nbits is only 32\nlicence is trial';
  it('hold with all their lines, any of them suffices, and none of the never ones may hold', () => {
    expect([
      takes(text, named('Tape Echo')),
      takes(text, { names: ['Tape Echo'], kind: 'instrument' }),
      takes(text, { kind: 'instrument', types: ['delay'] }),
      takes(text, { types: ['delay', 'delay/looper'] }),
      takes(text, { types: ['delay'], bits: ['32'], licence: 'trial' }),
      takes(text, { types: ['delay'], bits: ['32'] }),
    ]).toEqual([true, false, true, false, false, true]);
  });
  it('are said as a sentence', () =>
    expect(sayRule(ruleOf(text))).toBe(
      'Every plugin whose name has delay or echo and whose kind is effect, or whose type is Delay, but none whose type is Looper, and none whose bits is only 32 bit and whose licence is trial.',
    ));
  it('say why a plugin is in by the values that are met', () =>
    expect(
      explain(
        ruleOf('name has slap, echo\nformat is VST3, CLAP'),
        makeCandidate({ ...bare, names: ['TapeEcho'] }),
        where,
      ),
    ).toBe('name has “echo”, format is VST3'));
});
