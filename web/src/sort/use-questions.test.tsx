/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals';
import { renderHook, waitFor } from '@testing-library/react';
import type { FindingView } from '@clever-drawer/core/api';
import { nothingSaid, type Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import type { OrderRecord } from '@clever-drawer/core/order';
import type { SortView } from '@clever-drawer/core/studio';
import { copyOf, pluginOf } from '@clever-drawer/core/testing';
import { studioOf } from '../studio/studio.test-data.tsx';
import { useQuestions } from './use-questions.ts';

const there = (name: string, more: Partial<Plugin> = {}): Plugin =>
  pluginOf(name, { vendor: 'Quoin', copies: [copyOf(`${name}-1`)], ...more });
const plugins: readonly Plugin[] = [
  there('Kelp'),
  there('Sluice'),
  there('Heron', { vendor: null }),
  there('Gone', { copies: [copyOf('gone-1', { state: 'gone' })] }),
  there('Pair', { chain: [] }),
];
const view: SortView = {
  version: 1,
  grounds: [
    {
      plugin: asId('kelp'),
      kinds: [{ kind: 'effect', probability: 0.99 }],
      kindReasons: [],
      suggestions: [{ type: 'reverb/plate', probability: 0.5, reasons: [] }],
    },
  ],
  doubts: [],
  vendors: [],
  near: [],
};
const answer: OrderRecord = {
  ...nothingSaid,
  table: 'answer',
  id: asId('kelp'),
  types: ['reverb/plate'],
};
const failed: readonly FindingView[] = [
  {
    id: 'broken',
    sort: 'failed',
    name: 'Broken',
    vendor: null,
    format: 'VST3',
    path: '/plugins/broken.vst3',
    from: null,
    to: null,
    plugin: null,
    copy: null,
    problem: null,
  },
];

interface Given {
  readonly records?: readonly OrderRecord[];
  readonly sort?: () => Promise<SortView>;
}

const questionsOf = ({ records = [], sort = () => Promise.resolve(view) }: Given = {}) =>
  renderHook(() => useQuestions(), {
    wrapper: studioOf({
      plugins,
      records,
      client: { sort, failedNow: () => Promise.resolve([...failed]) },
    }),
  }).result;

describe('what is asked in a window', () => {
  it('is nothing, and not ready, before the server told what is uncertain', () => {
    const { current } = questionsOf({ sort: () => new Promise(() => undefined) });
    expect(current).toMatchObject({ questions: [], isReady: false, view: undefined });
  });
  it('is made once it is known, of plugins that are there; chains are no plugins to ask about', async () => {
    const result = questionsOf();
    await waitFor(() => {
      expect(result.current.isReady).toBe(true);
    });
    const { questions, total, settled } = result.current;
    expect(questions.map(({ variant, plugin }) => [variant, plugin?.name])).toEqual([
      ['type', 'Kelp'],
      ['vendor', 'Heron'],
    ]);
    expect([total, settled, result.current.failed]).toEqual([4, 2, failed]);
  });
  it('vanishes when it is answered, before the server has looked again', async () => {
    const result = questionsOf({ records: [answer] });
    await waitFor(() => {
      expect(result.current.isReady).toBe(true);
    });
    expect(result.current.questions.map(({ variant }) => variant)).toEqual(['vendor']);
  });
});
