import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { formats } from '../formats/found-copy.ts';
import { asId, type CopyId, type PluginId } from '../id.ts';
import { kinds } from './kind.ts';
import type { CopyCard } from './plugin.ts';
import { fromColumns, toColumns, type PluginColumns, type PluginOnDisk } from './plugin-columns.ts';

const orNull = <T>(values: fc.Arbitrary<T>): fc.Arbitrary<T | null> => fc.option(values);
/** Few, so that they meet, and any others. */
const texts = fc.oneof(fc.constantFrom('', 'Quoin', '1.0', 'a,b', '["a"]'), fc.string());
const paths = fc.oneof(
  fc.constantFrom('/lv2/tern.lv2', 'C:\\VST3\\Tern.vst3', 'C:\\a/b', '/', 'tern', 'lv2/'),
  fc.string(),
);

const copies: fc.Arbitrary<CopyCard> = fc.record(
  {
    id: fc.uuid().map((id) => asId<CopyId>(id)),
    format: fc.constantFrom(...formats),
    path: paths,
    version: orNull(texts),
    hasPicture: fc.boolean(),
    is32Bit: fc.boolean(),
    isFailed: fc.boolean(),
    lacksProgram: fc.boolean(),
    state: fc.constantFrom('present', 'away', 'gone'),
    audioIn: orNull(fc.nat()),
    audioOut: orNull(fc.nat()),
  },
  {
    noNullPrototype: true,
    requiredKeys: [
      'id',
      'format',
      'path',
      'version',
      'hasPicture',
      'is32Bit',
      'isFailed',
      'state',
      'audioIn',
      'audioOut',
    ],
  },
);

const plugins: fc.Arbitrary<PluginOnDisk> = fc.record(
  {
    id: fc.uuid().map((id) => asId<PluginId>(id)),
    name: texts,
    vendor: orNull(texts),
    kind: fc.constantFrom(...kinds),
    types: fc.array(texts, { maxLength: 3 }),
    arrived: texts,
    copies: fc.array(copies, { maxLength: 3 }),
  },
  { noNullPrototype: true },
);

/** What comes of columns on the other side of a connection. */
const sent = (columns: PluginColumns): PluginColumns =>
  JSON.parse(JSON.stringify(columns)) as PluginColumns;

describe('plugins as columns', () => {
  it('are the same plugins in the same order when they arrive', () => {
    fc.assert(
      fc.property(fc.array(plugins), (all) => {
        expect(fromColumns(sent(toColumns(all)))).toStrictEqual(all);
      }),
    );
  });
  it('say what several have alike once', () => {
    const one = (name: string): PluginOnDisk => ({
      id: asId(name),
      name,
      vendor: 'Quoin',
      kind: 'effect',
      types: ['delay'],
      arrived: '2026-01-01T00:00:00.000Z',
      copies: [],
    });
    const { vendor, types } = toColumns([
      one('Tern'),
      one('Heron'),
      { ...one('Sluice'), types: [] },
    ]);
    expect(vendor).toEqual({ values: ['Quoin'], at: [0, 0, 0] });
    expect(types).toEqual({ values: [['delay'], []], at: [0, 0, 1] });
  });
});
