import { beforeEach, describe, expect, it, jest } from '@jest/globals';
import type { EntityManager } from 'typeorm';
import { bareCopy } from '@clever-drawer/core/formats';
import type { CopyRow } from '../../database/catalog-tables.ts';
import { KnownCopies } from './known-copies.ts';

const now = new Date('2026-11-28T12:00:00Z');
const rowOf = (id: string, path: string): CopyRow => ({
  id,
  computerId: 'desk',
  pluginId: null,
  placeId: 'place',
  key: `LV2\n${path}\n${id}`,
  format: 'LV2',
  path,
  status: 'ok',
  state: 'present',
  facts: bareCopy('LV2', path),
  firstSeenAt: now,
  lastSeenAt: now,
});
const rows = [rowOf('heron', '/a.lv2'), rowOf('curlew', '/a.lv2'), rowOf('tern', '/b.lv2')];

/** A database that counts how often whole rows are asked for. */
const asked = jest.fn<(ids: readonly string[]) => CopyRow[]>();
const manager = {
  getRepository: () => ({
    findBy: ({ id }: { id: { value: readonly string[] } }) => Promise.resolve(asked(id.value)),
  }),
} as unknown as EntityManager;

let known: KnownCopies;
beforeEach(() => {
  asked.mockReset();
  asked.mockImplementation((ids) => rows.filter(({ id }) => ids.includes(id)));
  known = new KnownCopies(rows);
});
const idsOf = (some: readonly { readonly id: string }[]): string[] => some.map(({ id }) => id);

describe('what was known of copies', () => {
  it('is told by path without asking for facts', () => {
    expect(idsOf(known.at(['/a.lv2', '/c.lv2']))).toEqual(['heron', 'curlew']);
    expect(idsOf(known.all())).toEqual(['heron', 'curlew', 'tern']);
    expect(asked).not.toHaveBeenCalled();
  });

  it('is read whole once, and only what is wanted', async () => {
    expect(idsOf(await known.whole(manager, known.at(['/a.lv2'])))).toEqual(['heron', 'curlew']);
    expect(idsOf(await known.whole(manager, known.all()))).toEqual(['heron', 'curlew', 'tern']);
    expect(asked.mock.calls).toEqual([[['heron', 'curlew']], [['tern']]]);
  });

  it('does not ask where nothing is wanted', async () => {
    expect(await known.whole(manager, [])).toEqual([]);
    expect(asked).not.toHaveBeenCalled();
  });

  it('is as it was saved last', async () => {
    const [heron] = await known.whole(manager, known.all());
    known.set(heron?.key ?? '', { ...rowOf('heron', '/a.lv2'), state: 'gone' });
    expect(known.all().map(({ id, state }) => [id, state])).toEqual([
      ['heron', 'gone'],
      ['curlew', 'present'],
      ['tern', 'present'],
    ]);
    expect((await known.whole(manager, known.at(['/a.lv2'])))[0]?.state).toBe('gone');
  });

  it('leaves out what went elsewhere', async () => {
    const [heron] = await known.whole(manager, known.at(['/a.lv2']));
    known.delete(heron?.key ?? '');
    expect(known.has(heron?.key ?? '')).toBe(false);
    expect(idsOf(known.all())).toEqual(['curlew', 'tern']);
    expect(idsOf(await known.whole(manager, known.at(['/a.lv2'])))).toEqual(['curlew']);
  });
});
