/**
 * LV2 plugins field by field against liblilv (bench/lilv-facts.c, compiled here): those of named
 * Debian packages must agree; what else the machine has is compared, too, and differences are
 * reported without failing.
 */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import {
  bundlesOfPackages,
  linkAll,
  lv2Packages,
} from '../../core/src/formats/debian-packages.test-data.ts';
import { run } from './main.ts';

interface Facts {
  readonly name: string | null;
  readonly vendor: string | null;
  readonly declared: readonly string[];
  readonly audioIn: number | null;
  readonly audioOut: number | null;
  readonly notesIn: boolean | null;
  readonly version: string | null;
}
type Line = Facts & { readonly identity: string };

let directory = '';
let program = '';

beforeAll(() => {
  directory = mkdtempSync(join(tmpdir(), 'clever-drawer-lilv-'));
  program = join(directory, 'lilv-facts');
  const flags = execFileSync('pkg-config', ['--cflags', '--libs', 'lilv-0'], { encoding: 'utf8' });
  const source = resolve(import.meta.dirname, '../../bench/lilv-facts.c');
  execFileSync('cc', ['-O2', source, ...flags.trim().split(/\s+/), '-o', program]);
});

afterAll(() => {
  rmSync(directory, { recursive: true });
});

/** What liblilv says of all plugins in a directory, by URI. */
function saidByLilv(place: string): Map<string, Facts> {
  const text = execFileSync(program, {
    encoding: 'utf8',
    env: { ...process.env, LV2_PATH: place, LANG: 'C.UTF-8' },
    stdio: ['ignore', 'pipe', 'ignore'],
    maxBuffer: 1 << 26,
  });
  const lines = text.split('\n').filter((line) => line !== '');
  return new Map(
    lines.map((line) => {
      const [uri = '', name = '', author = '', classes = '', audioIn, audioOut, midiIn, version] =
        line.split('\t');
      return [
        uri,
        {
          name: name === '' ? null : name,
          vendor: author === '' ? null : author,
          declared: classes.split(' ').sort(),
          audioIn: Number(audioIn),
          audioOut: Number(audioOut),
          notesIn: midiIn === '1',
          version: version === '-' ? null : (version ?? null),
        },
      ];
    }),
  );
}

/** What the scan says of the same. */
async function saidByScan(place: string): Promise<Map<string, Facts>> {
  const lines: Line[] = [];
  await run(['scan', place, '--formats', 'lv2'], {
    out: (line) => lines.push(JSON.parse(line) as Line),
    error: () => undefined,
  });
  return new Map(
    lines.map(({ identity, name, vendor, declared, audioIn, audioOut, notesIn, version }) => [
      identity,
      { name, vendor, declared: [...declared].sort(), audioIn, audioOut, notesIn, version },
    ]),
  );
}

/** A place with one bundle whose manifest tells everything. */
function placeWith(name: string, manifest: string): string {
  const place = join(directory, name);
  mkdirSync(join(place, 'made.lv2'), { recursive: true });
  writeFileSync(join(place, 'made.lv2', 'manifest.ttl'), manifest);
  return place;
}

const plugin = (authors: string): string => `
@prefix lv2: <http://lv2plug.in/ns/lv2core#> .
@prefix doap: <http://usefulinc.com/ns/doap#> .
@prefix foaf: <http://xmlns.com/foaf/0.1/> .
<urn:made:kelp> a lv2:Plugin ; lv2:binary <kelp.so> ; doap:name "Kelp" ; doap:maintainer ${authors}
`;
const person = (name: string): string => `[ foaf:name "${name}" ]`;

describe('reading LV2', () => {
  it('gives what liblilv gives, for every plugin of the named packages', async () => {
    const place = linkAll(join(directory, 'packages'), bundlesOfPackages(lv2Packages));
    const wanted = saidByLilv(place);
    expect(wanted.size).toBeGreaterThan(100);
    expect(await saidByScan(place)).toEqual(wanted);
  });

  it.each([
    [
      'in the order of the file where neither has a name',
      `${person('Reed')}, ${person('Alder')} .`,
    ],
    [
      'by their characters where nodes without a name are ten or more',
      `${Array.from({ length: 12 }, (_, at) => person(`Hand ${at + 1}`))
        .slice(8)
        .join(
          ', ',
        )} ; lv2:port ${Array.from({ length: 8 }, () => '[ a lv2:ControlPort ]').join(', ')} .`,
    ],
    [
      'a node with ten before it, of nodes made after ports',
      `${person('Reed')} . <urn:made:other> lv2:port ${Array.from({ length: 9 }, () => '[ ]').join(', ')} .
       <urn:made:kelp> doap:maintainer ${person('Alder')}, ${person('Sedge')} .`,
    ],
    [
      'by their URIs',
      `<urn:z>, <urn:a>, ${person('Alder')} . <urn:z> foaf:name "Zostera" . <urn:a> foaf:name "Reed" .`,
    ],
  ])('takes of several authors the one that liblilv takes: %s', async (name, authors) => {
    const place = placeWith(`authors ${name.length}`, plugin(authors));
    const wanted = saidByLilv(place).get('urn:made:kelp');
    expect(wanted?.vendor).toMatch(/Reed|Alder|Sedge|Hand/);
    expect((await saidByScan(place)).get('urn:made:kelp')?.vendor).toBe(wanted?.vendor);
  });

  it('reports what differs for all other plugins on this machine', async () => {
    const place = '/usr/lib/lv2';
    const ours = await saidByScan(place);
    const differing = [...saidByLilv(place)].filter(
      ([uri, facts]) => JSON.stringify(ours.get(uri)) !== JSON.stringify(facts),
    );
    process.stderr.write(
      `LV2 plugins on this machine: ${ours.size} read, ${differing.length} other than liblilv says\n`,
    );
    for (const [uri, facts] of differing.slice(0, 20)) {
      process.stderr.write(`${JSON.stringify([uri, facts, ours.get(uri) ?? null])}\n`);
    }
    expect(ours.size).toBeGreaterThan(100);
  });
});
