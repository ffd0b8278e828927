import { describe, expect, it } from '@jest/globals';
import type { Question, Vendor } from '@clever-drawer/core/identify';
import { pluginOf } from '@clever-drawer/core/testing';
import { inShort, likelyAnswers, sameFor } from './bulk-answers.ts';
import { isLikely, optionsOf, typesAct, type Option } from './options.ts';

const gull = pluginOf('Gull');
const tern = pluginOf('Tern');
const reasons = [{ text: 'its name', weight: 2 }];

const typed = (id: string, probability: number): Question => ({
  variant: 'type',
  id,
  plugin: gull,
  others: [],
  suggestions: [
    { type: 'reverb/plate', probability, reasons },
    { type: 'delay/delay', probability: 0.1, reasons },
  ],
  clear: [],
});
const twins: Question = { variant: 'twin', id: 'twin', plugin: gull, others: [tern], reasons };
const licence: Question = {
  variant: 'licence',
  id: 'licence',
  plugin: gull,
  others: [],
  likely: 'hidden',
  hint: 'Its name says Trial.',
};
const vendor = (name: string): Vendor => ({ name, spellings: [], count: 1 });
const kind: Question = {
  variant: 'kind',
  id: 'kind',
  plugin: gull,
  others: [],
  kinds: [
    { kind: 'instrument', probability: 0.6 },
    { kind: 'effect', probability: 0.4 },
  ],
  reasons: [{ kind: 'instrument', text: 'it takes notes', weight: 1.5 }],
};

describe('the answers that a question offers', () => {
  it('are the types with what is said of them when they are taken', () => {
    expect(optionsOf(typed('q', 0.7)).map(({ text, act }) => [text, act])).toEqual([
      ['Plate', typesAct(typed('q', 0.7), ['reverb/plate'])],
      [expect.any(String), typesAct(typed('q', 0.7), ['delay/delay'])],
    ]);
  });
  it('count what speaks for another kind against this one', () => {
    expect(optionsOf(kind).map((option) => option.reasons[0]?.weight)).toEqual([1.5, -1.5]);
  });
  it('join twins, or keep them apart', () => {
    expect(optionsOf(twins).map((option) => option.act.act)).toEqual(['join', 'keep-apart']);
  });
  it('are said of all plugins that a question is about', () => {
    const question = { ...typed('q', 0.7), others: [tern] };
    const { act } = optionsOf(question)[0] ?? {};
    expect(act).toMatchObject({ say: [{ plugins: ['gull', 'tern'] }] });
  });
  it('end with leaving it without a vendor, which is never the best of many', () => {
    const question: Question = {
      variant: 'vendor',
      id: 'v',
      plugin: gull,
      others: [],
      guesses: [],
      near: null,
    };
    expect(optionsOf(question).map(({ text }) => text)).toEqual(['Leave it without a vendor']);
    expect(likelyAnswers([question])).toBeNull();
  });
  it('begin with what is likely of a licence', () => {
    expect(optionsOf(licence)[0]?.id).toBe('hidden');
  });
  it('gather spellings under either of two vendors, or leave both', () => {
    const near = { a: vendor('Osier'), b: vendor('Osier Ltd'), reason: 'spelled alike' };
    const question: Question = {
      variant: 'vendor',
      id: 'v',
      plugin: null,
      others: [],
      guesses: [],
      near,
    };
    expect(optionsOf(question).length).toBeGreaterThanOrEqual(2);
  });
});

describe('the order of types', () => {
  const asked = (...suggestions: [type: string, probability: number][]): string[] => {
    const question = { ...typed('q', 0.7) } as Extract<Question, { variant: 'type' }>;
    return optionsOf({
      ...question,
      suggestions: suggestions.map(([type, probability]) => ({ type, probability, reasons })),
    }).map(({ id }) => id);
  };
  it('has the only likely one of a group before its group', () => {
    expect(asked(['reverb', 0.45], ['delay', 0.4], ['reverb/plate', 0.33])).toEqual([
      'reverb/plate',
      'reverb',
      'delay',
    ]);
  });
  it('has the group first where it is far likelier, or where several of it are likely', () => {
    expect(asked(['reverb', 0.7], ['reverb/plate', 0.2])).toEqual(['reverb', 'reverb/plate']);
    expect(asked(['reverb', 0.4], ['reverb/plate', 0.3], ['reverb/hall', 0.3])).toEqual([
      'reverb',
      'reverb/plate',
      'reverb/hall',
    ]);
  });
});

describe('an answer', () => {
  const option = (probability: number | null, ...weights: number[]) => ({
    ...(optionsOf(typed('q', 0.7))[0] as Option),
    probability,
    reasons: weights.map((weight) => ({ text: 'a reason', weight })),
  });
  it('is likely from even odds on', () => {
    expect([0.49, 0.5, 0.9].map((odds) => isLikely(option(odds, 1)))).toEqual([false, true, true]);
    expect(isLikely(option(0.6))).toBe(true);
  });
  it('is not likely where its first reason speaks against it', () => {
    expect(isLikely(option(0.8, -1, 2))).toBe(false);
    expect(isLikely(option(0.8, 2, -1))).toBe(true);
  });
  it('without odds is likely where its reasons weigh more than those against it', () => {
    expect(isLikely(option(null, 2, -1))).toBe(true);
    expect(isLikely(option(null, 1, -2))).toBe(false);
    expect(isLikely(option(null))).toBe(false);
  });
});

describe('answers for many questions', () => {
  it('are the likely ones of each in one act', () => {
    const likely = likelyAnswers([typed('q', 0.7), typed('r', 0.6)]);
    expect(likely?.count).toBe(2);
    expect(likely?.act.act === 'answer' && likely.act.say.map((said) => said.set)).toEqual([
      { types: ['reverb/plate'] },
      { types: ['reverb/plate'] },
    ]);
  });
  it('leave out what is less likely than not, and what nothing speaks for', () => {
    const unknown = { ...typed('s', 0.7), suggestions: [] };
    const alone = likelyAnswers([typed('q', 0.7)]);
    expect(likelyAnswers([typed('q', 0.7), unknown, typed('r', 0.49), licence])).toEqual(alone);
    expect(likelyAnswers([unknown, typed('r', 0.49), licence])).toBeNull();
  });
  it('say the same of all only for kinds and licences', () => {
    expect(
      (['type', 'kind', 'twin', 'vendor', 'licence'] as const).map((one) => sameFor(one).length),
    ).toEqual([0, 4, 0, 0, 4]);
  });
  it('stand in a row as the best answer and what speaks for it', () => {
    expect([inShort(typed('q', 0.72)), inShort(licence), inShort(twins)]).toEqual([
      { text: 'Plate · 72 %', why: 'its name' },
      { text: 'can you use it?', why: 'Its name says Trial.' },
      { text: 'and one without a vendor', why: 'its name' },
    ]);
  });
});
