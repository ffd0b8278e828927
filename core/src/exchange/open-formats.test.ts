/**
 * CSV against csv-parse, another parser of RFC 4180, and that document's own examples; OPML against
 * opmlparser, and the example in the OPML 2.0 specification (states.opml, shortened, from memory).
 */
import { Readable } from 'node:stream';
import { describe, expect, it } from '@jest/globals';
import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import OpmlParser from 'opmlparser';
import { nothingSaid, withAnswer } from '../catalog/answer.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { applyChange, isEmptyChange } from '../change.ts';
import { asId, type CabinetId, type FolderId, type PluginId } from '../id.ts';
import {
  answerIn,
  orderOf,
  placementsIn,
  plainFolder,
  pluginNamesIn,
  type Order,
} from '../order/records.ts';
import { describe as wordsOf } from '../problem.ts';
import { documentName, documentVersion, type OrderDocument } from './document.ts';
import { cabinetOf, folderOf, placementOf } from '../order/records.test-data.ts';
import { readOutline, writeOutline } from './outline.ts';
import { readTable, tableColumns, writeTable } from './table.ts';

const plugin = (name: string): Plugin => ({
  id: asId<PluginId>(`id of ${name}`),
  name,
  vendor: 'Saltglass',
  kind: 'effect',
  types: ['delay'],
  arrived: '2026-01-01T00:00:00Z',
  copies: [],
});
const cabinet = asId<CabinetId>('c');
const folder = (id: string, name: string, parent: string | null = null) =>
  ({
    ...plainFolder,
    table: 'folder',
    id: asId<FolderId>(id),
    cabinet,
    parent: parent === null ? null : asId<FolderId>(parent),
    form: 'folder',
    name,
    position: id,
    rule: null,
  }) as const;
const order = (notes = ''): Order =>
  orderOf([
    {
      table: 'cabinet',
      id: cabinet,
      name: 'Everyday',
      position: 'a',
      opensFor: [],
      sortedBy: null,
    },
    folder('f', 'Echo'),
    folder('g', 'Long', 'f'),
    {
      table: 'placement',
      id: asId('p'),
      folder: asId<FolderId>('g'),
      plugin: plugin('Alder').id,
      position: 'a',
    },
    ...(notes === ''
      ? []
      : [{ ...nothingSaid, table: 'answer' as const, id: plugin('Alder').id, notes }]),
  ]);
let made = 0;
const newId = (): string => `new ${(made += 1)}`;

describe('the table', () => {
  it('is read by another parser of RFC 4180 as what was written', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: 'grapheme' }),
        fc.constantFrom('', ',', '"', '\r\n', '=1+1'),
        (text, more) => {
          const notes = `${text}${more}${text}`.trim();
          const plugins = [plugin('Alder'), plugin('Brine, “the” "second"')];
          const written = writeTable(order(notes), plugins);
          const rows: Record<string, string>[] = parse(written, { columns: true, bom: true });
          expect(Object.keys(rows[0] ?? {})).toEqual([...tableColumns]);
          expect(rows.map(({ name }) => name)).toEqual(plugins.map(({ name }) => name));
          expect(rows[0]?.['notes']?.replace(/^'/, '')).toBe(
            notes.replace(/^'/, notes.startsWith("'") ? "'" : ''),
          );
          expect(rows[0]?.['notes']).not.toMatch(/^[=+@-]/);
          const read = readTable(written, order(notes), plugins, newId);
          expect(read.ok && isEmptyChange(read.value)).toBe(true);
        },
      ),
    );
  });

  it('edited, asks for just what was edited', () => {
    const plugins = [plugin('Alder'), plugin('Brine')];
    const edited = [
      'id,nickname,tags,licence,until,folders,types',
      `${plugin('Alder').id},Gull,film; puppets,trial,2027-01-31,Echo,Tape echo`,
      `${plugin('Brine').id},,,,,Echo / Long,delay`,
    ].join('\r\n');
    const before = order();
    const read = readTable(edited, before, plugins, newId);
    if (!read.ok) {
      throw new Error(read.problems.map(wordsOf).join());
    }
    const after = applyChange(before, read.value);
    expect(pluginNamesIn(after, plugin('Alder').id)?.nickname).toBe('Gull');
    expect(answerIn(after, plugin('Alder').id)).toMatchObject({
      tags: ['film', 'puppets'],
      licence: { state: 'trial', until: '2027-01-31' },
      types: ['delay/tape-echo'],
    });
    const inFolder = (id: string): string[] =>
      placementsIn(after, asId<FolderId>(id)).map((one) => one.plugin);
    expect(inFolder('f')).toEqual([plugin('Alder').id]);
    expect(inFolder('g')).toEqual([plugin('Brine').id]);
    expect(answerIn(after, plugin('Brine').id)).toBeUndefined();
    // Read once more, nothing is left to do.
    const said = plugins.map((one) => withAnswer(one, answerIn(after, one.id)));
    const again = readTable(edited, after, said, newId);
    expect(again.ok && isEmptyChange(again.value)).toBe(true);
  });

  /** Folders called so, one in the next, in one cabinet or two, with Alder filed in the innermost of each. */
  const nested = (names: readonly string[], cabinets: readonly string[]): Order =>
    orderOf(
      cabinets.flatMap((title) => [
        cabinetOf(title),
        ...names.map((name, at) =>
          folderOf(`${title} ${at}`, {
            cabinet: asId(title),
            parent: at === 0 ? null : asId(`${title} ${at - 1}`),
            name,
          }),
        ),
        placementOf(`${title} ${names.length - 1}`, plugin('Alder').id),
      ]),
    );
  const names = fc.array(
    fc
      .array(fc.constantFrom('A', 'b', ' ', '/', ' / ', ';', '\\', ':', '"', ',', '\t', '\u2028'), {
        minLength: 1,
      })
      .map((letters) => letters.join('').trim())
      .filter((name) => name !== ''),
    { minLength: 1, maxLength: 3 },
  );

  it('with folders and tags of any name is read back unchanged', () => {
    fc.assert(
      fc.property(names, names, fc.constantFrom(['One'], ['One', 'Two']), (below, tags, titles) => {
        const answer = { ...nothingSaid, table: 'answer' as const, id: plugin('Alder').id };
        const before = orderOf([
          ...nested(below, titles).values(),
          { ...answer, tags: [...new Set(tags)] },
        ]);
        const plugins = [plugin('Alder')];
        const read = readTable(writeTable(before, plugins), before, plugins, newId);
        expect(read.ok ? read.value : read.problems.map(wordsOf)).toEqual({
          added: [],
          updated: [],
          removed: [],
        });
      }),
    );
  });

  it('names the cabinet first where there are several, and reads paths without it where they are clear', () => {
    const before = orderOf([
      ...nested(['Drums'], ['One', 'Two']).values(),
      folderOf('only', { name: 'Bells', cabinet: asId('Two') }),
    ]);
    const plugins = [plugin('Alder')];
    expect(writeTable(before, plugins)).toContain('One / Drums; Two / Drums');
    const filed = (cell: string): unknown => {
      const read = readTable(`id,folders\r\nid of Alder,${cell}`, before, plugins, newId);
      return read.ok
        ? read.value.removed.map(({ id }) => id)
        : read.problems
            .map(wordsOf)
            .join()
            .replace(/.*table: /, '');
    };
    expect(filed('Bells; Two / Drums')).toEqual(['One 0/id of Alder']);
    expect(filed('Drums; Drums')).toEqual([]);
    expect(filed('Drums')).toMatch(/^There are 2 folders “Drums”. Put the cabinet/);
  });

  it('that is cut in the middle of a line is refused, wherever', () => {
    const before = order('Long notes, "quoted"');
    const plugins = [plugin('Alder'), plugin('Brine')];
    const written = writeTable(before, plugins);
    const lines = written.split('\r\n');
    const lastLine = written.length - (lines.at(-2)?.length ?? 0) - 2;
    // The last cell is not read, and may be cut.
    for (let length = lastLine + 1; length < written.lastIndexOf(','); length += 1) {
      const read = readTable(written.slice(0, length), before, plugins, newId);
      expect(read.ok ? length : read.problems.map(wordsOf).join()).toMatch(/line 3: /);
    }
  });

  it.each([
    ['id,folders\r\nid of Alder', /line 2: .*It has 1 cell where the first line has 2/],
    ['id,until\r\nid of Alder,2026-02-31', /line 2: .*YYYY-MM-DD/],
    ['name\r\nAlder', /line 1: .*no column “id”/],
    ['id,folders\r\nid of Alder,Nowhere', /line 2: .*no folder “Nowhere”/],
    ['id,licence\r\nid of Alder,borrowed', /line 2: .*licence is one of/],
    ['id,types\r\nid of Alder,Melter', /line 2: .*no type “Melter”/],
    ['id,until\r\nid of Alder,soon', /line 2: .*YYYY-MM-DD/],
    ['id\r\nnobody', /line 2: .*no plugin/],
    ['id,notes\r\nid of Alder,"open', /quotation mark/],
  ])('says where it is wrong: %j', (text, expected) => {
    const read = readTable(text, order(), [plugin('Alder')], newId);
    expect(read.ok ? '' : read.problems.map(wordsOf).join(' ')).toMatch(expected);
  });

  it('takes the examples of RFC 4180, section 2', () => {
    // Points 1, 2, 5, 6 and 7: line ends, with and without the last one, quotation marks, commas and breaks in cells.
    const rows = (text: string): string[][] => parse(text);
    for (const [text, cells] of [
      [
        'aaa,bbb,ccc\r\nzzz,yyy,xxx\r\n',
        [
          ['aaa', 'bbb', 'ccc'],
          ['zzz', 'yyy', 'xxx'],
        ],
      ],
      [
        'aaa,bbb,ccc\r\nzzz,yyy,xxx',
        [
          ['aaa', 'bbb', 'ccc'],
          ['zzz', 'yyy', 'xxx'],
        ],
      ],
      [
        '"aaa","bbb","ccc"\r\nzzz,yyy,xxx',
        [
          ['aaa', 'bbb', 'ccc'],
          ['zzz', 'yyy', 'xxx'],
        ],
      ],
      [
        '"aaa","b\r\nbb","ccc"\r\nzzz,yyy,xxx',
        [
          ['aaa', 'b\r\nbb', 'ccc'],
          ['zzz', 'yyy', 'xxx'],
        ],
      ],
      ['"aaa","b""bb","ccc"', [['aaa', 'b"bb', 'ccc']]],
    ] as const) {
      expect(rows(text)).toEqual(cells);
      const table = `id,notes\r\nid of Alder,${text.includes('""') ? '"b""bb"' : 'x'}`;
      const read = readTable(table, order(), [plugin('Alder')], newId);
      expect(read.ok).toBe(true);
    }
    const read = readTable(
      'id,notes\r\nid of Alder,"b\r\n""bb"" c"\r\n',
      order(),
      [plugin('Alder')],
      newId,
    );
    const change = read.ok ? read.value : null;
    expect(change?.added).toMatchObject([{ notes: 'b\r\n"bb" c' }]);
  });
});

const document: OrderDocument = {
  document: documentName,
  version: documentVersion,
  computer: 'Quay Room & <loft>',
  cabinets: [
    {
      id: 'c',
      name: 'Everyday',
      folders: [
        { id: 'd', form: 'divider', name: 'By job' },
        {
          id: 'f',
          form: 'folder',
          name: 'Room & "hall"',
          plugins: ['a', 'b'],
          folders: [
            { id: 'g', form: 'smart', name: 'Echo', rule: 'name has echo\nkind is effect' },
          ],
        },
      ],
    },
  ],
  plugins: [
    {
      id: 'a',
      name: 'Alder <Tone>',
      vendor: 'Saltglass',
      kind: 'effect',
      types: [],
      copies: [
        { format: 'LV2', path: '/a.lv2', identity: 'urn:a' },
        { format: 'VST3', path: '/a.vst3' },
      ],
    },
    { id: 'b', name: 'Brine', vendor: null, kind: 'effect', types: [], copies: [] },
  ],
  chains: [],
  spellings: [],
};

/** The texts of all outlines as opmlparser finds them. */
const textsBy = (text: string): Promise<string[]> =>
  new Promise((resolve, reject) => {
    const texts: string[] = [];
    const parser = new OpmlParser({});
    parser.on('error', reject);
    parser.on('readable', () => {
      const next = (): { text?: string } | null => parser.read() as { text?: string } | null;
      for (let one = next(); one; one = next()) {
        texts.push(one.text ?? '');
      }
    });
    parser.on('end', () => {
      resolve(texts);
    });
    Readable.from([text]).pipe(parser);
  });

describe('the outline', () => {
  it('is read by another parser, with every name', async () => {
    const texts = await textsBy(writeOutline(document));
    expect(texts.sort()).toEqual(
      ['Alder <Tone>', 'Brine', 'Echo', 'Everyday', 'Room & "hall"'].sort(),
    );
  });
  it('is read back as the same cabinets, folders, rules and plugins', () => {
    const read = readOutline(writeOutline(document), () => false);
    const value = read.ok ? read.value : null;
    expect(value?.computer).toBe('Quay Room & <loft>');
    const [everyday] = value?.cabinets ?? [];
    expect(everyday?.folders).toMatchObject([
      { form: 'favourites' },
      {
        name: 'Room & "hall"',
        form: 'folder',
        folders: [{ name: 'Echo', form: 'smart', rule: 'name has echo\nkind is effect' }],
      },
    ]);
    expect(value?.plugins).toMatchObject([
      {
        name: 'Alder <Tone>',
        vendor: 'Saltglass',
        copies: [{ identity: 'urn:a' }, { path: '/a.vst3' }],
      },
      { name: 'Brine', copies: [] },
    ]);
  });
  it('takes the specification’s own example of places', () => {
    const states = `<?xml version="1.0" encoding="ISO-8859-1"?>
      <opml version="2.0"><head><title>states.opml</title></head><body>
        <outline text="United States">
          <outline text="Far West"><outline text="Alaska"/><outline text="California"/></outline>
          <outline text="Great Plains"><outline text="Kansas"/></outline>
        </outline></body></opml>`;
    const read = readOutline(states, (name) => name === 'Kansas');
    const [land] = read.ok ? read.value.cabinets : [];
    expect(land).toMatchObject({
      name: 'United States',
      folders: [
        { form: 'favourites' },
        { name: 'Far West', folders: [{ name: 'Alaska' }, { name: 'California' }] },
        { name: 'Great Plains', plugins: ['outline 4'], folders: [] },
      ],
    });
    expect(read.ok && read.value.plugins.map(({ name }) => name)).toEqual(['Kansas']);
  });
  it.each([
    ['<opml version="2.0"><body><outline text="a">', /no whole XML/],
    ['<rss/>', /outermost element/],
    [
      `<opml version="2.0"><body>${'<outline text="a">'.repeat(3000)}${'</outline>'.repeat(3000)}</body></opml>`,
      /more than 30 levels deep/,
    ],
    [
      '<opml version="2.0"><body><outline text="a"><outline text="b" rule="colour is red"/></outline></body></opml>',
      /rule of the folder b/,
    ],
    ['<!DOCTYPE x [<!ENTITY a "b">]><opml/>', /entities/],
  ])('says what is wrong with %.60s', (text, expected) => {
    const read = readOutline(text, () => false);
    expect(read.ok ? '' : read.problems.map(wordsOf).join()).toMatch(expected);
  });
});
