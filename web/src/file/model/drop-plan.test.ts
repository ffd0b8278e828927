import { describe, expect, it } from '@jest/globals';
import { perform } from '@clever-drawer/core/acts';
import { createArranger } from '@clever-drawer/core/arrangement';
import { applyChange } from '@clever-drawer/core/change';
import { asId } from '@clever-drawer/core/id';
import {
  byPosition,
  orderOf,
  plainFolder,
  type Cabinet,
  type Folder,
  type OrderRecord,
  type Placement,
} from '@clever-drawer/core/order';
import { planDrop, textOf, type DropScene } from './drop-plan.ts';

const id = (text: string): never => asId(text);
const cabinet: Cabinet = {
  table: 'cabinet',
  id: id('c'),
  name: 'Everyday',
  position: 'V',
  opensFor: [],
  sortedBy: null,
};
const folder = (name: string, position: string, more: Partial<Folder> = {}): Folder => ({
  table: 'folder',
  id: id(name.toLowerCase()),
  cabinet: cabinet.id,
  parent: null,
  form: 'folder',
  name,
  position,
  rule: null,
  ...plainFolder,
  ...more,
});
const placement = (name: string, inFolder: string, position: string): Placement => ({
  table: 'placement',
  id: id(name),
  folder: id(inFolder),
  plugin: id(`plugin of ${name}`),
  position,
});
const records: OrderRecord[] = [
  cabinet,
  folder('Squeeze', 'A'),
  folder('Rooms', 'B'),
  folder('Echoes', 'C', {
    form: 'smart',
    rule: { cards: [{ lines: [{ field: 'name', relation: 'has', values: ['echo'] }] }], never: [] },
  }),
  folder('Tools', 'D', { form: 'divider' }),
  placement('first', 'squeeze', 'A'),
  placement('second', 'squeeze', 'B'),
];
const scene = (more: Partial<DropScene> = {}): DropScene => ({
  arrangement: createArranger()(orderOf(records), [], cabinet.id, new Map(), 0),
  cabinets: [cabinet],
  plugins: [id('plugin of first')],
  what: 'Gullwing',
  part: 'before',
  isCopying: false,
  ...more,
});
const taken = { kind: 'plugins', plugin: 'plugin of first', placement: 'first' } as const;
const front = (name: string) => ({ kind: 'front', folder: name }) as const;

describe('what letting a cabinet go does', () => {
  const cabinets = ['a', 'b', 'c', 'd'].map((name) => ({ ...cabinet, id: id(name), name }));
  const order = orderOf(cabinets.map((one, at) => ({ ...one, position: 'FKPU'.charAt(at) })));
  it.each([
    ['a', 'c', 'Move a after c', 'bcad'],
    ['d', 'b', 'Move d before b', 'adbc'],
    ['a', 'd', 'Move a after d', 'bcda'],
    ['b', 'a', 'Move b before a', 'bacd'],
  ])('over another tab puts it there: %s over %s', (dragged, over, words, row) => {
    const plan = planDrop(
      scene({ cabinets }),
      { kind: 'cabinet', cabinet: dragged },
      { kind: 'cabinet', cabinet: over },
    );
    const done = plan.outcome.kind === 'act' && perform(order, plan.outcome.act, () => undefined);
    const after = done && done.ok ? applyChange(order, done.value.change) : order;
    const names = [...after.values()]
      .filter((record) => record.table === 'cabinet')
      .sort(byPosition)
      .map((record) => record.name);
    expect([textOf(plan), names.join('')]).toEqual([words, row]);
  });
  it('is nothing elsewhere', () => {
    for (const target of [null, { kind: 'end' }, { kind: 'cabinet', cabinet: 'a' }] as const) {
      const plan = planDrop(scene({ cabinets }), { kind: 'cabinet', cabinet: 'a' }, target);
      expect([textOf(plan), plan.outcome.kind]).toEqual(['a', 'nothing']);
    }
  });
});

describe('what letting a plugin go does', () => {
  it('is nothing on the folder it stands in, and says so', () => {
    const plan = planDrop(scene(), taken, front('squeeze'));
    expect([textOf(plan), plan.outcome.kind]).toEqual([
      'Gullwing is in Squeeze already',
      'nothing',
    ]);
  });
  it('moves it from one folder to another', () => {
    const plan = planDrop(scene(), taken, front('rooms'));
    expect([textOf(plan), plan.outcome]).toEqual([
      'Move Gullwing to Rooms',
      {
        kind: 'act',
        act: { act: 'move-to', placements: ['first'], folder: 'rooms', before: null },
      },
    ]);
  });
  it('files it there too with Ctrl', () => {
    const plan = planDrop(scene({ isCopying: true }), taken, front('rooms'));
    expect([textOf(plan), plan.outcome.kind === 'act' && plan.outcome.act.act]).toEqual([
      'File Gullwing in Rooms',
      'file',
    ]);
  });
  it('puts it elsewhere within its folder', () => {
    const target = { kind: 'spot', folder: 'squeeze', before: 'second' } as const;
    expect(planDrop(scene(), taken, target).outcome).toEqual({
      kind: 'act',
      act: { act: 'move-placement', placement: 'first', before: 'second' },
    });
  });
  it('does it to all that is selected in an opened folder', () => {
    const many = {
      ...taken,
      along: { plugins: ['plugin of first', 'plugin of second'], placements: ['first', 'second'] },
    };
    const two = scene({ plugins: many.along.plugins, what: '2 plugins' });
    const moved = planDrop(two, many, front('rooms'));
    expect([textOf(moved), moved.outcome]).toEqual([
      'Move 2 plugins to Rooms',
      {
        kind: 'act',
        act: { act: 'move-to', placements: ['first', 'second'], folder: 'rooms', before: null },
      },
    ]);
    const within = planDrop(two, many, { kind: 'spot', folder: 'squeeze', before: 'second' });
    expect(within.outcome).toMatchObject({
      kind: 'act',
      act: { act: 'move-to', before: 'second' },
    });
    expect(planDrop(two, many, front('squeeze')).outcome.kind).toBe('nothing');
  });
  it('asks where the folder fills itself', () => {
    expect(planDrop(scene(), taken, front('echoes')).outcome).toEqual({
      kind: 'ask',
      folder: 'echoes',
      plugins: ['plugin of first'],
    });
  });
  it.each([
    ['beside the folders', null, /Nothing was filed/],
    ['on a divider', front('tools'), /holds no plugins/],
  ])('is refused with the reason %s', (_, target, reason) => {
    const { outcome } = planDrop(scene(), taken, target);
    expect(outcome.kind === 'refused' && outcome.reason).toMatch(reason);
  });
});

describe('what letting a folder go does', () => {
  const rooms = { kind: 'folder', folder: 'rooms' } as const;
  it.each([
    ['before', 'before', 'squeeze', null, 'squeeze'],
    ['after', 'behind', 'squeeze', null, 'echoes'],
    ['into', 'inside', 'squeeze', 'squeeze', null],
  ] as const)('moves it %s another', (word, part, other, parent, before) => {
    const plan = planDrop(scene({ part }), rooms, front(other));
    expect([textOf(plan), plan.outcome]).toEqual([
      `Move Rooms ${word} Squeeze`,
      { kind: 'act', act: { act: 'move-folder', folder: 'rooms', parent, before } },
    ]);
  });
  it('puts it last below the others', () => {
    expect(textOf(planDrop(scene(), rooms, { kind: 'end' }))).toBe('Move Rooms last');
  });
  it('is refused with the reason where folders are sorted by name', () => {
    const { outcome } = planDrop(
      scene({ cabinets: [{ ...cabinet, sortedBy: 'name' }] }),
      rooms,
      front('squeeze'),
    );
    expect(outcome.kind === 'refused' && outcome.reason).toMatch(/sorted by name/);
  });
  it('is nothing on itself', () => {
    expect(planDrop(scene(), rooms, front('rooms')).outcome).toEqual({ kind: 'nothing' });
  });
});

describe('a plan', () => {
  it('never promises what the order then refuses', () => {
    const order = orderOf(records);
    const targets = [
      null,
      { kind: 'end' } as const,
      { kind: 'spot', folder: 'squeeze', before: 'second' } as const,
      ...['squeeze', 'rooms', 'echoes', 'tools'].map(front),
    ];
    const acts = targets.flatMap((target) =>
      [false, true].flatMap((isCopying) => {
        const { outcome } = planDrop(scene({ isCopying }), taken, target);
        return outcome.kind === 'act' ? [outcome.act] : [];
      }),
    );
    expect(acts.length).toBeGreaterThan(2);
    expect(acts.map((act) => perform(order, act, (plugin) => plugin).ok)).toEqual(
      acts.map(() => true),
    );
    expect([...records].filter((each) => each.table === 'placement').sort(byPosition)).toHaveLength(
      2,
    );
  });
});
