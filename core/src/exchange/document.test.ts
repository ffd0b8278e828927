/**
 * The document: what is written is read as the same order, and putting documents together twice
 * changes nothing. The schema is checked by ajv, which implements JSON Schema 2020-12.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020.js';
import fc from 'fast-check';
import {
  afterChange,
  anyStep,
  changeOf,
  drawAct,
  drawFrom,
  newWorld,
  triedOneByOne,
  type World,
} from '../acts/any-act.test-data.ts';
import { applyChange, isEmptyChange } from '../change.ts';
import { bareCopy } from '../formats/found-copy.ts';
import { asId, type PluginId, type SpellingId } from '../id.ts';
import {
  allSetAside,
  allSpellings,
  orderOf,
  placementsIn,
  type Order,
  type OrderRecord,
} from '../order/records.ts';
import { cabinetOf, folderOf } from '../order/records.test-data.ts';
import { describe as wordsOf } from '../problem.ts';
import { describeChange } from './describe-change.ts';
import { documentSchema } from './document-schema.data.ts';
import { idsAsWritten, recordsOf, type IdsHere } from './document-records.ts';
import { matchFolders } from './match-folders.ts';
import { diffRecords, mergeModes, mergeRecords } from './merge-order.ts';
import { readOutline, writeOutline } from './outline.ts';
import { withUnsaid } from './outline-unsaid.ts';
import { readDocument, type ReadDocument } from './read-document.ts';
import { documentOf, printDocument, type DocumentSource } from './write-document.ts';

const computer = asId<never>('computer');

const sourceOf = (world: World): DocumentSource => ({
  computer: { id: computer, name: 'Quay Room' },
  plugins: [...new Set(world.copies.values())].map((id) => ({
    id,
    name: `Name of ${id}`,
    vendor: null,
    kind: 'effect',
    types: [],
  })),
  copies: [...world.copies].map(([id, plugin]) => ({
    id,
    plugin,
    facts: { ...bareCopy('LV2', `/plugins/${id}.lv2`), identity: `urn:${id}` },
  })),
});

const textOf = (world: World): string => printDocument(documentOf(world.order, sourceOf(world)));

function read(text: string): ReadDocument {
  const result = readDocument(text);
  if (!result.ok) {
    throw new Error(result.problems.map(wordsOf).join());
  }
  return result.value;
}

const spellingIds = (order: Order): Map<string, SpellingId> =>
  new Map(allSpellings(order).map(({ spelling, id }) => [spelling, id]));

/** Names as a tree, without ids. */
const treeOf = (text: string): unknown =>
  JSON.parse(text, (key, value: unknown) => (key === 'id' || key === 'shows' ? '' : value));

/** The ids of a world in which the document's plugins and copies are there, and maybe its folders. */
const idsIn = (world: World, text: string): IdsHere => {
  const here = matchFolders(world.order, read(text).document);
  return {
    ...idsAsWritten(),
    computer,
    cabinet: (id) => here.cabinets.get(id) ?? asId(id),
    folder: (id) => here.folders.get(id) ?? asId(id),
    placement: (folder, plugin) =>
      placementsIn(world.order, folder).find((one) => one.plugin === plugin)?.id ??
      asId(`${folder} ${plugin}`),
    spelling: (spelling) => spellingIds(world.order).get(spelling) ?? asId(spelling),
    copy: ({ path }) => {
      const id = asId<never>(path.slice('/plugins/'.length, -'.lv2'.length));
      return { id, plugin: world.copies.get(id) ?? asId<PluginId>('') };
    },
  };
};

const recordsIn = (world: World, text: string): OrderRecord[] =>
  recordsOf(read(text).document, idsIn(world, text));

/** A world after any acts, beginning with a cabinet. */
const worlds = fc
  .array(anyStep, { minLength: 5, maxLength: 40 })
  .map((steps) => [...triedOneByOne(steps)].at(-1)?.after ?? newWorld());

/** Which copies are set aside is no matter of a document. */
const countsOf = (order: Order): Record<string, number> => {
  const counts: Record<string, number> = {};
  for (const { table } of order.values()) {
    if (table !== 'set-aside') {
      counts[table] = (counts[table] ?? 0) + 1;
    }
  }
  return counts;
};

describe('the document', () => {
  it('is read as the order that was written, and written as the same bytes', () => {
    fc.assert(
      fc.property(worlds, (world) => {
        const text = textOf(world);
        const there = { ...world, order: orderOf(recordsIn(world, text)) };
        expect(textOf(there)).toBe(text);
        expect(countsOf(there.order)).toEqual(countsOf(world.order));
      }),
      { numRuns: 60 },
    );
  });

  it('is what the schema in docs/schema says, by a standard validator', () => {
    const file = join(import.meta.dirname, '../../../docs/schema/order-1.json');
    const schema: unknown = JSON.parse(readFileSync(file, 'utf8'));
    // Written by `npm run schema`.
    expect(schema).toEqual(JSON.parse(JSON.stringify(documentSchema)));
    const validate = new Ajv2020({ strict: true, strictTypes: false }).compile(schema as object);
    fc.assert(
      fc.property(worlds, (world) => {
        expect(validate(JSON.parse(textOf(world)))).toBe(true);
      }),
      { numRuns: 20 },
    );
  });

  it('keeps fields that it does not know, and writes them back where they stood', () => {
    const { order, copies } = newWorld();
    const act = drawAct('add-cabinet', drawFrom([1, 2, 3]), { order, copies });
    const change = act ? changeOf({ order, copies }, act) : null;
    const world = change ? afterChange({ order, copies }, change) : { order, copies };
    const value = JSON.parse(textOf(world)) as { cabinets: { folders: object[] }[] };
    Object.assign(value, { mood: 'calm' });
    Object.assign(value.cabinets[0] ?? {}, { colour: ['sand'] });
    Object.assign(value.cabinets[0]?.folders[0] ?? {}, { shape: { round: true } });
    const { document, kept } = read(JSON.stringify(value));
    expect('mood' in document).toBe(false);
    const back = JSON.parse(
      printDocument(documentOf(world.order, { ...sourceOf(world), kept })),
    ) as unknown;
    expect(back).toEqual(value);
  });
});

describe('an outline', () => {
  /** What reading it brings, its plugins found by their copies. */
  const recordsOfOutline = (world: World, text: string): OrderRecord[] => {
    const parsed = readOutline(text, () => false);
    if (!parsed.ok) {
      throw new Error(parsed.problems.map(wordsOf).join());
    }
    const document = parsed.value;
    const here = matchFolders(world.order, document);
    const pluginOf = new Map(
      document.plugins.map(({ id, copies: [copy] }) => [
        id,
        world.copies.get(asId<never>(copy?.identity?.slice('urn:'.length) ?? '')) ?? null,
      ]),
    );
    return recordsOf(document, {
      ...idsIn(world, textOf(world)),
      plugin: (id) => pluginOf.get(id) ?? null,
      cabinet: (id) => here.cabinets.get(id) ?? asId(id),
      folder: (id) => here.folders.get(id) ?? asId(id),
    });
  };

  it('read again changes nothing, whichever way', () => {
    fc.assert(
      fc.property(worlds, fc.constantFrom(...mergeModes), (world, mode) => {
        const text = writeOutline(documentOf(world.order, sourceOf(world)));
        const records = withUnsaid(world.order, recordsOfOutline(world, text));
        const change = mergeRecords(world.order, records, mode);
        expect(describeChange(world.order, change, () => '').lines).toEqual([]);
        expect(change).toEqual({ added: [], updated: [], removed: [] });
      }),
      { numRuns: 400 },
    );
  });

  it('edited, changes what was edited and no more', () => {
    const folder = folderOf('f', { cabinet: asId('c'), notes: 'for the puppets', isPinned: true });
    const order = orderOf([
      cabinetOf('c', { opensFor: ['bus'] }),
      folderOf('fav', { form: 'favourites', name: 'Favourites', position: 'A' }),
      folder,
      folderOf('d', { form: 'divider', position: 'W' }),
    ]);
    const world: World = { ...newWorld(), order };
    const text = writeOutline(documentOf(order, sourceOf(world)));
    expect(text).toContain('text="f"');
    const edited = text.replace('text="f"', 'text="Strings" rule="kind is instrument"');
    const records = withUnsaid(order, recordsOfOutline(world, edited));
    const after = applyChange(order, mergeRecords(order, records, 'replace'));
    const names = [...after.values()].flatMap((one) => ('name' in one ? [one.name] : []));
    expect(names.sort()).toEqual(['Favourites', 'Strings', 'c', 'd']);
    expect(after.get('cabinet/c')).toMatchObject({ opensFor: ['bus'] });
  });
});

describe('documents put together', () => {
  it('change nothing the second time, whichever way', () => {
    fc.assert(
      fc.property(worlds, worlds, fc.constantFrom(...mergeModes), (mine, theirs, mode) => {
        const text = textOf(theirs);
        const change = mergeRecords(mine.order, recordsIn(mine, text), mode);
        const merged = { ...mine, order: applyChange(mine.order, change) };
        const again = mergeRecords(merged.order, recordsIn(merged, text), mode);
        expect(again).toEqual({ added: [], updated: [], removed: [] });
        expect(describeChange(merged.order, again, () => '').lines).toEqual([]);
      }),
      { numRuns: 150 },
    );
  });

  it('lose nothing of this order but by replacing, and change nothing of it by adding', () => {
    fc.assert(
      fc.property(
        worlds,
        worlds,
        fc.constantFrom('add', 'mine', 'theirs'),
        (mine, theirs, mode) => {
          const change = mergeRecords(mine.order, recordsIn(mine, textOf(theirs)), mode);
          expect(change.removed).toEqual([]);
          if (mode === 'add') {
            expect(change.updated).toEqual([]);
          }
        },
      ),
      { numRuns: 100 },
    );
  });

  it('are the document when they replace', () => {
    fc.assert(
      fc.property(worlds, worlds, (mine, theirs) => {
        const text = textOf(theirs);
        const change = mergeRecords(mine.order, recordsIn(mine, text), 'replace');
        const after = applyChange(mine.order, change);
        expect(allSetAside(after)).toEqual(allSetAside(mine.order));
        expect(countsOf(after)).toEqual(countsOf(theirs.order));
        const written = textOf({ copies: theirs.copies, order: after });
        expect(treeOf(written)).toEqual(treeOf(text));
      }),
      { numRuns: 60 },
    );
  });
});

describe('a document that is wrong', () => {
  const whole = (): string => {
    let world = newWorld();
    for (const [name, numbers] of [
      ['add-cabinet', [1, 2, 3]],
      ['add-folder', [1, 5, 2, 4]],
      ['file', [1, 0, 2, 3, 1]],
      ['name', [2, 1, 4]],
    ] as const) {
      const act = drawAct(name, drawFrom(numbers), world);
      const change = act ? changeOf(world, act) : null;
      world = change ? afterChange(world, change) : world;
    }
    return textOf(world);
  };
  const problemOf = (text: string): string => {
    const result = readDocument(text);
    return result.ok ? '' : result.problems.map(wordsOf).join(' ');
  };

  it('says the line where it is cut, and never half of it is taken', () => {
    const text = whole();
    expect(problemOf(text)).toBe('');
    fc.assert(
      fc.property(fc.integer({ min: 0, max: text.length - 3 }), (length) => {
        const cut = text.slice(0, length);
        expect(problemOf(cut)).toMatch(/line \d+: .*Nothing was changed/);
      }),
    );
  });

  it.each([
    ['version', 2, /newer Clever Drawer \(version 2/],
    ['document', 'a letter', /not an order/],
    ['cabinets', [{ id: 'a', name: '', folders: [] }], /: cabinet 1: It has no name\./],
    [
      'cabinets',
      [{ id: 'a', name: 'A', folders: [{ id: 'b', form: 'shelf', name: 'B' }] }],
      /: folder “B” of “A”: Its “form” should be one of favourites, folder, smart, divider/,
    ],
    [
      'cabinets',
      [
        {
          id: 'a',
          name: 'A',
          folders: [{ id: 'b', form: 'smart', name: 'B', rule: 'colour is red' }],
        },
      ],
      /rule of the folder B/,
    ],
    [
      'cabinets',
      [{ id: 'a', name: 'A', folders: [{ id: 'b', form: 'folder', name: 'B', plugins: ['x'] }] }],
      /names the plugin x/,
    ],
    ['formatOrder', ['CLAP', 'CLAP'], /Its “formatOrder” has the same entry twice/],
    [
      'cabinets',
      [
        {
          id: 'a',
          name: 'Mixing',
          folders: [
            { id: 'b', form: 'folder', name: 'B' },
            { id: 'c', form: 'folder', name: '' },
          ],
        },
      ],
      /: folder 2 of “Mixing”: It has no name\./,
    ],
    ['cabinets', [{ id: 'a', folders: [] }], /: cabinet 1: It has no name\./],
    [
      'cabinets',
      [{ id: 'a', name: 'x'.repeat(1001), folders: [] }],
      /Its “name” is longer than 1,?000 characters/,
    ],
    ['computer', 7, /Its “computer” should be text\./],
    [
      'cabinets',
      [
        {
          id: 'a',
          name: 'A',
          folders: [
            { id: 'b', form: 'favourites', name: 'B' },
            { id: 'c', form: 'favourites', name: 'C' },
          ],
        },
      ],
      /cabinet A: It has more than one favourites folder/,
    ],
    ['chains', [{ id: 'a', name: 'A', kind: 'effect', plugins: [] }], /chain A: .*at least two/],
    [
      'plugins',
      [
        {
          id: 'a',
          name: 'A',
          vendor: null,
          kind: 'effect',
          types: [],
          copies: [],
          said: { licence: { state: 'trial', until: '2026-02-31' } },
        },
      ],
      /plugin A: There is no day 2026-02-31/,
    ],
    ['computer', 'a\u0000b', /control characters/],
    [
      'loads',
      [{ plugin: 'x', at: '2026-02-01T10:00:00Z', track: 'bus' }],
      /loads\[0\].*not in plugins/,
    ],
    [
      'loads',
      [{ plugin: 'x', at: 'yesterday', track: 'bus' }],
      /: load 1: Its time should be written as/,
    ],
  ])('says where: %s', (field, value, expected) => {
    const changed = { ...(JSON.parse(whole()) as object), [field]: value };
    expect(problemOf(JSON.stringify(changed))).toMatch(expected);
  });

  it('does not fall into one that is nested without end, or is no object', () => {
    const deep = `${'{"folders":['.repeat(5000)}${']}'.repeat(5000)}`;
    expect(problemOf(deep)).toMatch(/deep/);
    expect(problemOf('[]')).toMatch(/not an order/);
    expect(problemOf('"x"')).toMatch(/not an order/);
    expect(problemOf('{"__proto__":{"document":"clever-drawer order"}}')).toMatch(/not an order/);
  });
});

describe('a change in words', () => {
  it('names what comes and goes, and the reverse goes and comes', () => {
    fc.assert(
      fc.property(worlds, worlds, (a, b) => {
        const there = diffRecords(a.order, b.order);
        const back = diffRecords(b.order, a.order);
        const name = (id: string): string => id;
        const ways = (order: Order, change: typeof there, what: string): string[] =>
          describeChange(order, change, name)
            .lines.filter((line) => line.what === what && line.about !== 'plugin')
            .map(({ words }) => words)
            .sort();
        expect(ways(a.order, there, 'comes')).toEqual(ways(b.order, back, 'goes'));
        expect(isEmptyChange(there)).toBe(describeChange(a.order, there, name).lines.length === 0);
      }),
      { numRuns: 60 },
    );
  });
});
