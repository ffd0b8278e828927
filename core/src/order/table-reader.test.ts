import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { anySteps, ordersOf } from '../acts/any-act.test-data.ts';
import type { Answer } from '../catalog/answer.ts';
import { applyChange } from '../change.ts';
import {
  allAnswers,
  allFolders,
  cabinetsOf,
  orderOf,
  type Cabinet,
  type Folder,
  type OrderRecord,
} from './records.ts';
import { createTableReader } from './table-reader.ts';

describe('the records of a table', () => {
  it('read after one act upon another, are those that the order has', () => {
    fc.assert(
      fc.property(anySteps, (steps) => {
        const folders = createTableReader<Folder>('folder');
        const answers = createTableReader<Answer>('answer');
        const cabinets = createTableReader<Cabinet>('cabinet');
        for (const order of ordersOf(steps)) {
          expect(new Set(folders(order).values())).toEqual(new Set(allFolders(order)));
          expect(new Set(answers(order).values())).toEqual(new Set(allAnswers(order)));
          expect(new Set(cabinets(order).values())).toEqual(new Set(cabinetsOf(order)));
        }
      }),
    );
  });

  const naming = { table: 'naming', id: 'p', nickname: 'Crook', slotLabel: null } as never;
  const chain = { table: 'chain', id: 'c', name: 'Three', kind: 'effect', plugins: [] } as never;
  const added = (record: OrderRecord) => ({ added: [record], updated: [], removed: [] });

  it('stay the same map where an act is about something else, and where another order says the same', () => {
    const read = createTableReader('naming');
    const order = orderOf([naming]);
    const names = read(order);
    expect([...names.keys()]).toEqual(['p']);
    expect(read(applyChange(order, added(chain)))).toBe(names);
    expect(read(orderOf([naming, chain]))).toBe(names);
    expect(read(orderOf([chain])).size).toBe(0);
  });
});
