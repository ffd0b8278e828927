/**
 * Grouping against Debian's swh-lv2 and swh-plugins: which LADSPA plugin each LV2 plugin is, is
 * declared by `dc:replaces` and described by `analyseplugin` of ladspa-sdk. The declarations known
 * to be wrong are named here.
 */
import { describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import fc from 'fast-check';
import { bareCopy } from '../formats/found-copy.ts';
import { bundlesOfPackages, filesOfPackage } from '../formats/debian-packages.test-data.ts';
import { readLv2 } from '../formats/lv2.ts';
import { memoryFiles } from '../formats/memory-files.ts';
import { readDeclared } from '../taxonomy/declared.ts';
import { isGenericWord } from './generic-words.ts';
import { groupCopies, type ToGroup } from './group.ts';
import type { GroupedCopy } from './same-plugin.ts';

const copy = (name: string, more: Partial<GroupedCopy> & { pin?: string } = {}): ToGroup => {
  const { pin = null, ...facts } = more;
  const format = facts.format ?? 'VST3';
  return {
    copy: {
      ...bareCopy(format, `/plugins/${name}.${format.toLowerCase()}`),
      name,
      kind: 'unknown',
      ...facts,
    },
    vendor: facts.vendor ?? null,
    pin,
  };
};
const groupsOf = (given: readonly ToGroup[]): number[][] =>
  groupCopies(given, isGenericWord).groups.map((g) => [...g.members]);
const areOne = (a: ToGroup, b: ToGroup): boolean => groupsOf([a, b]).length === 1;
const by = 'Osier & Pitch';

describe('copies become plugins', () => {
  it('joins what differs in case, accents, spaces, format, bits and version only', () => {
    for (const [a, b] of [
      ['Écho  Plâte', 'Echo Plate'],
      ['Kelp_Verb (VST3)', 'Kelp Verb x64'],
      ['Kelp Verb 2.1', 'KelpVerb'],
      ['Osier & Pitch Kelp', 'Kelp'],
      ['Kelp Verb (64 bit)', 'Kelp Verb VST'],
    ] as const) {
      expect([
        a,
        b,
        areOne(
          copy(a, { vendor: by }),
          copy(b, { vendor: 'OSIER and PITCH Ltd.', format: 'CLAP' }),
        ),
      ]).toEqual([a, b, true]);
    }
  });
  it('keeps apart what has another mark, another vendor, or another word', () => {
    for (const [a, b] of [
      ['Kelp Verb', 'Kelp Verb II'],
      ['Kelp Verb 2', 'Kelp Verb 3'],
      ['Kelp Verb', 'Kelp Verb LE'],
      ['Kelp Verb', 'Kelp Delay'],
    ] as const) {
      expect([a, b, areOne(copy(a, { vendor: by }), copy(b, { vendor: by }))]).toEqual([
        a,
        b,
        false,
      ]);
    }
    expect(
      areOne(copy('Vocoder', { vendor: by }), copy('Vocoder', { vendor: 'Pale Harbour' })),
    ).toBe(false);
    expect(areOne(copy('Kelp Verb II', { vendor: by }), copy('Kelp Verb 2', { vendor: by }))).toBe(
      true,
    );
  });
  it('takes mono and stereo versions for one plugin, but not among instruments', () => {
    expect(
      areOne(
        copy('Kelp Verb (mono)', { vendor: by, audioIn: 1, audioOut: 1 }),
        copy('Kelp Verb stereo', { vendor: by, audioIn: 2, audioOut: 2 }),
      ),
    ).toBe(true);
    expect(
      areOne(
        copy('Kelp Mono', { vendor: by, audioIn: 0, kind: 'instrument' }),
        copy('Kelp', { vendor: by, audioIn: 0, kind: 'instrument' }),
      ),
    ).toBe(false);
  });
  it('gives a copy without a vendor to the one plugin of a telling name, and asks where several have it', () => {
    expect(
      areOne(copy('Gullwing Delay', { vendor: by }), copy('Gullwing Delay', { format: 'VST2' })),
    ).toBe(true);
    expect(areOne(copy('Delay', { vendor: by }), copy('Delay', { format: 'VST2' }))).toBe(false);
    expect(
      groupsOf([
        copy('Gullwing Delay', { vendor: by }),
        copy('Gullwing Delay', { vendor: 'Pale Harbour' }),
        copy('Gullwing Delay', { format: 'VST2' }),
      ]),
    ).toHaveLength(3);
    expect(
      groupCopies([copy('Delay', { vendor: by }), copy('Delay', { format: 'VST2' })], isGenericWord)
        .doubts,
    ).toHaveLength(1);
  });
  it('joins by what is declared, and hardly by what fourteen declare', () => {
    const old = copy('Kelp Verb', { identity: 'kelp', vendor: by });
    expect(areOne(old, copy('Kelp Verb', { vendor: 'Another Hand', replaces: ['kelp'] }))).toBe(
      true,
    );
    const claiming = Array.from({ length: 14 }, (_, i) =>
      copy(`Product ${String.fromCharCode(97 + i)}x`, { vendor: by, replaces: ['kelp'] }),
    );
    expect(groupsOf([old, ...claiming])).toHaveLength(15);
  });
  it('holds to what the user joined and parted', () => {
    expect(
      areOne(
        copy('Kelp', { vendor: by, pin: 'p' }),
        copy('Silt', { vendor: 'Pale Harbour', pin: 'p' }),
      ),
    ).toBe(true);
    const separate = groupCopies(
      [
        copy('Kelp', { vendor: by, pin: 'p' }),
        copy('Kelp', { vendor: by, pin: 'q', format: 'CLAP' }),
        copy('Kelp', { vendor: by, format: 'LV2' }),
      ],
      isGenericWord,
    );
    expect(separate.groups.map((g) => g.pin).sort()).toEqual(['p', 'q']);
  });
});

/** A copy that reading knows by its file only. */
const fileOnly = (
  path: string,
  format: GroupedCopy['format'] = 'VST2',
  vendor?: string,
): ToGroup => ({
  ...copy('', { format, path, name: null }),
  vendor: vendor ?? null,
});

describe('copies that only their files name', () => {
  it('join the one that names a vendor, however many of them there are', () => {
    const groups = groupsOf([
      copy('Kelpshore', { vendor: by, format: 'LV2' }),
      fileOnly('/vst/Kelpshore-vst.so'),
      fileOnly('/ladspa/Kelpshore-ladspa.so', 'LADSPA'),
      fileOnly('/clap/Kelpshore.clap', 'CLAP'),
    ]);
    expect(groups).toEqual([[0, 1, 2, 3]]);
  });
  it('are spelled joined or apart', () => {
    const separate = copy('3 Band Splitter', { vendor: by, format: 'LV2' });
    expect(areOne(separate, fileOnly('/vst/3BandSplitter-vst.so'))).toBe(true);
    expect(areOne(separate, fileOnly('/vst/4BandSplitter-vst.so'))).toBe(false);
  });
  it('are known by what another copy is called inside', () => {
    const uri = { format: 'LV2' as const, identity: 'http://osier.example/plugins/art_delay_mono' };
    const named = copy('Artful Delay Mono', { vendor: by, ...uri });
    expect(areOne(named, fileOnly('/vst/osier/art-delay-mono.so', 'VST2', by))).toBe(true);
    expect(areOne(named, fileOnly('/vst/osier/art-delay-ms.so', 'VST2', by))).toBe(false);
  });
  it('are compared without their maker and what stands between', () => {
    const named = copy('Kelp Compressor MidSide', { vendor: 'Kelp' });
    const file = '/vst/kelp-plugins-vst-compressor-ms.so';
    expect(areOne(named, fileOnly(file, 'VST2', 'Kelp'))).toBe(true);
  });
});

describe('properties of grouping', () => {
  const name = fc.constantFrom(
    'Kelp',
    'Kelp Verb',
    'Kelp Verb (mono)',
    'KelpVerb',
    'Kelp Verb 2',
    'Delay',
    'Delay x64',
    'Silt_Delay',
    'Vocoder',
  );
  const arbitrary = fc.record({
    name,
    vendor: fc.constantFrom(null, by, 'Osier and Pitch', 'Pale Harbour', 'Pale Harbor'),
    format: fc.constantFrom('VST3' as const, 'LV2' as const, 'VST2' as const),
    identity: fc.constantFrom(null, 'a', 'b'),
    replaces: fc.constantFrom([], ['a']),
    pin: fc.constantFrom(null, null, null, 'p', 'q'),
    at: fc.nat(9),
  });
  const made = ({
    name: called,
    vendor,
    pin,
    at,
    ...facts
  }: {
    name: string;
    vendor: string | null;
    format: 'VST3' | 'LV2' | 'VST2';
    identity: string | null;
    replaces: readonly string[];
    pin: string | null;
    at: number;
  }): ToGroup => ({ ...copy(called, { vendor, ...facts, path: `/p${at}/${called}` }), pin });
  const partition = (given: readonly ToGroup[], label: readonly number[]): string =>
    groupCopies(given, isGenericWord)
      .groups.map((g) =>
        g.members
          .map((m) => label[m])
          .sort()
          .join(' '),
      )
      .sort()
      .join(' | ');

  it('does not depend on the order of the copies', () => {
    fc.assert(
      fc.property(
        fc.array(arbitrary, { maxLength: 14 }),
        fc.infiniteStream(fc.nat()),
        (list, stream) => {
          const given = list.map((one, i) => made({ ...one, at: i }));
          const label = [...given.keys()];
          const shuffled = label
            .map((i) => ({ i, key: stream.next().value as number }))
            .sort((a, b) => a.key - b.key || a.i - b.i)
            .map(({ i }) => i);
          expect(
            partition(
              shuffled.map((i) => given[i]!),
              shuffled,
            ),
          ).toBe(partition(given, label));
        },
      ),
      { numRuns: 300 },
    );
  });
  it('never joins different pins, never parts equal ones, and holds each copy once', () => {
    fc.assert(
      fc.property(fc.array(arbitrary, { maxLength: 14 }), (list) => {
        const given = list.map((one, i) => made({ ...one, at: i }));
        const { groups } = groupCopies(given, isGenericWord);
        expect(groups.flatMap((g) => [...g.members]).sort((a, b) => a - b)).toEqual([
          ...given.keys(),
        ]);
        for (const group of groups) {
          expect(
            new Set(group.members.map((m) => given[m]!.pin).filter((pin) => pin !== null)).size,
          ).toBeLessThanOrEqual(1);
        }
        for (const pin of ['p', 'q']) {
          expect(
            groups.filter((g) => g.members.some((m) => given[m]!.pin === pin)).length,
          ).toBeLessThanOrEqual(1);
        }
      }),
      { numRuns: 300 },
    );
  });
});

/** Declared pairs that are wrong: "Offset" names the number of a compressor. */
const wrongDeclarations = ['http://plugin.org.uk/swh-plugins/offset'];

function ladspaCopies(): (ToGroup & { id: string })[] {
  return filesOfPackage('swh-plugins', '.so').flatMap((path) => {
    const file = basename(path);
    const text = execFileSync('analyseplugin', [path], {
      encoding: 'utf8',
      stdio: ['ignore', 'pipe', 'ignore'],
    });
    return text.split(/\n(?=Plugin Name:)/).flatMap((part) => {
      const fact = (pattern: RegExp): string => pattern.exec(part)?.[1] ?? '';
      const count = (pattern: RegExp): number => (part.match(pattern) ?? []).length;
      const name = fact(/Plugin Name: "(.*)"/);
      const id = fact(/Unique ID: (\d+)/);
      return name === ''
        ? []
        : [
            {
              id,
              ...copy(name, {
                format: 'LADSPA',
                path,
                identity: `${file}:${fact(/Plugin Label: "(.*)"/)}`,
                vendor: fact(/Maker: "(.*)"/),
                audioIn: count(/input, audio/g),
                audioOut: count(/output, audio/g),
                uniqueId: Number(id),
              }),
            },
          ];
    });
  });
}

function lv2Copies(packageName: string): ToGroup[] {
  return bundlesOfPackages([packageName]).flatMap((root) => {
    const files = Object.fromEntries(
      readdirSync(root, { withFileTypes: true })
        .filter((f) => f.isFile() && f.name.endsWith('.ttl'))
        .map((f) => [f.name, readFileSync(join(root, f.name))]),
    );
    return files['manifest.ttl']
      ? readLv2(memoryFiles(root, files))
          .filter((c) => c.status === 'ok')
          .map((c) => ({
            copy: { ...c, kind: readDeclared('LV2', c.declared).kind },
            vendor: c.vendor,
            pin: null,
          }))
      : [];
  });
}

/**
 * zam-plugins of Debian's builds each plugin for five formats from one source and calls its files
 * alike; that, and not our reading, is the truth here.
 */
describe('grouping zam-plugins', () => {
  const stemOf = (path: string): string =>
    basename(path).replace(/(-vst|-ladspa)?\.(so|clap|vst3|lv2)$/, '');
  const files = [
    ...filesOfPackage('zam-plugins', '-vst.so').map((path) => fileOnly(path, 'VST2')),
    ...filesOfPackage('zam-plugins', '-ladspa.so').map((path) => fileOnly(path, 'LADSPA')),
    ...filesOfPackage('zam-plugins', '.clap').map((path) => fileOnly(path, 'CLAP')),
    ...filesOfPackage('zam-plugins', '.vst3').map((path) => fileOnly(path, 'VST3')),
  ];
  const given = [...lv2Copies('zam-plugins'), ...files];
  it('makes one plugin of each, and none of two', () => {
    expect(given.length).toBeGreaterThan(70);
    const stems = groupsOf(given).map((members) =>
      members.map((at) => stemOf(given[at]?.copy.path ?? '')),
    );
    expect(stems.filter((names) => new Set(names).size !== 1)).toEqual([]);
    expect(stems).toHaveLength(new Set(stems.flat()).size);
  });
});

describe('grouping swh-lv2 with swh-plugins', () => {
  const ladspa = ladspaCopies();
  const lv2 = lv2Copies('swh-lv2');
  const truth = lv2.flatMap(({ copy: { replaces, identity } }, i) =>
    replaces.flatMap((old) => {
      const j = ladspa.findIndex(({ id }) => old === `urn:ladspa:${id}`);
      return j < 0 || wrongDeclarations.includes(identity ?? '')
        ? []
        : [[i, lv2.length + j] as const];
    }),
  );
  const outcome = (given: readonly ToGroup[]): { found: number; wrong: string[] } => {
    const of = new Map(
      groupsOf(given).flatMap((members, g) => members.map((m) => [m, g] as const)),
    );
    const isTrue = new Set(truth.map((pair) => pair.join(' ')));
    const bare = (at: number): string =>
      given[at]!.copy.name!.toLowerCase().replace(/ ?\(?(mono|stereo)\)?$/, '');
    const wrong = lv2.flatMap((_, a) =>
      ladspa.flatMap((__, j) =>
        of.get(a) === of.get(lv2.length + j) &&
        !isTrue.has(`${a} ${lv2.length + j}`) &&
        bare(a) !== bare(lv2.length + j)
          ? [`${given[a]!.copy.name} = ${given[lv2.length + j]!.copy.name}`]
          : [],
      ),
    );
    return { found: truth.filter(([a, b]) => of.get(a) === of.get(b)).length, wrong };
  };
  it('finds the declared pairs, and joins nothing else but mono and stereo versions', () => {
    expect(truth.length).toBeGreaterThan(95);
    const { found, wrong } = outcome([...lv2, ...ladspa]);
    expect(wrong).toEqual([]);
    expect(found / truth.length).toBeGreaterThan(0.98);
  });
  it('finds nine in ten of them also where the declarations are hidden, and still joins nothing else', () => {
    const { found, wrong } = outcome([
      ...lv2.map((one) => ({ ...one, copy: { ...one.copy, replaces: [] } })),
      ...ladspa,
    ]);
    expect(wrong).toEqual([]);
    expect(found / truth.length).toBeGreaterThan(0.9);
  });
});
