/**
 * `settings` against liblilv (bench/lilv-presets.c, compiled here): the presets of zam-plugins, and of
 * made bundles with banks, presets of other bundles, and what is wrong.
 */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { bundlesOfPackages, linkAll } from '../../core/src/formats/debian-packages.test-data.ts';
import { run } from './main.ts';

interface Line {
  readonly format: string;
  readonly plugin: string | null;
  readonly name: string | null;
  readonly bank: string | null;
  readonly path: string;
  readonly identity: string | null;
  readonly values: number | null;
  readonly status: string;
  readonly problem?: { readonly code: string; readonly message: string };
}

const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-settings-'));
const program = join(directory, 'lilv-presets');

beforeAll(() => {
  const flags = execFileSync('pkg-config', ['--cflags', '--libs', 'lilv-0'], { encoding: 'utf8' });
  const source = resolve(import.meta.dirname, '../../bench/lilv-presets.c');
  execFileSync('cc', ['-O2', source, ...flags.trim().split(/\s+/), '-o', program]);
});
afterAll(() => {
  rmSync(directory, { recursive: true });
});

async function settings(...args: string[]): Promise<{ lines: Line[]; status: number }> {
  const out: string[] = [];
  const status = await run(['settings', ...args], {
    out: (line) => out.push(line),
    error: () => undefined,
  });
  return { lines: out.map((line) => JSON.parse(line) as Line), status };
}

const rowOf = (...parts: (string | number | null)[]): string =>
  parts.map((p) => p ?? '').join('\t');

/** What liblilv says of the presets in a directory, sorted. */
const saidByLilv = (place: string): string[] =>
  execFileSync(program, {
    encoding: 'utf8',
    env: { ...process.env, LV2_PATH: place, LANG: 'C.UTF-8' },
    stdio: ['ignore', 'pipe', 'ignore'],
    maxBuffer: 1 << 26,
  })
    .split('\n')
    .filter((line) => line !== '')
    .sort();

const ours = (lines: readonly Line[]): string[] =>
  lines
    .filter(({ status }) => status === 'ok')
    .map(({ plugin, identity, name, bank, values }) => rowOf(plugin, identity, name, bank, values))
    .sort();

const prefixes = `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .
@prefix pset: <http://lv2plug.in/ns/ext/presets#> .
@prefix rdfs: <http://www.w3.org/2000/01/rdf-schema#> .
@prefix doap: <http://usefulinc.com/ns/doap#> .
`;

function bundle(place: string, name: string, files: Readonly<Record<string, string>>): void {
  mkdirSync(join(place, name), { recursive: true });
  for (const [file, text] of Object.entries(files)) {
    writeFileSync(join(place, name, file), `${prefixes}${text}`);
  }
}

describe('settings', () => {
  it('finds the presets of real packages, as liblilv does', async () => {
    const place = linkAll(join(directory, 'zam'), bundlesOfPackages(['zam-plugins']));
    const { lines } = await settings(place);
    const told = saidByLilv(place);
    expect(told.length).toBeGreaterThan(20);
    expect(ours(lines)).toEqual(told);
  });

  it('finds banks, presets in bundles of their own, and one for several plugins', async () => {
    const place = join(directory, 'made');
    const plugin = (uri: string): string =>
      `<${uri}> a lv2:Plugin ; lv2:binary <x.so> ; rdfs:seeAlso <x.ttl> .\n`;
    bundle(place, 'gull.lv2', {
      'manifest.ttl': `${plugin('urn:gull')}${plugin('urn:tern')}
        <urn:gull:calm> a pset:Preset ; lv2:appliesTo <urn:gull> ; rdfs:label "Calm" .`,
      'x.ttl': '<urn:gull> doap:name "Gull" . <urn:tern> doap:name "Tern" .',
    });
    bundle(place, 'more.lv2', {
      'manifest.ttl': `<urn:more:1> a pset:Preset ; lv2:appliesTo <urn:gull> , <urn:tern> ; rdfs:seeAlso <more.ttl> .
        <urn:more:2> a pset:Preset ; lv2:appliesTo <urn:gull> ; rdfs:seeAlso <more.ttl> .`,
      'more.ttl': `<urn:bank> a pset:Bank ; rdfs:label "Harbour" .
        <urn:more:1> rdfs:label "Näss" ; pset:bank <urn:bank> ;
          lv2:port [ lv2:symbol "a" ; pset:value 0.5 ] , [ lv2:symbol "b" ; pset:value 1 ] .
        <urn:more:2> rdfs:label "Fog" .`,
    });
    const { lines, status } = await settings(place);
    expect(status).toBe(0);
    expect(ours(lines)).toEqual(saidByLilv(place));
    expect(lines).toContainEqual(
      expect.objectContaining({ name: 'Näss', plugin: 'urn:tern', bank: 'Harbour', values: 2 }),
    );
  });

  it('says what is wrong with a damaged bundle, and goes on', async () => {
    const place = join(directory, 'wrong');
    bundle(place, 'a.lv2', { 'manifest.ttl': '<urn:a> a pset:Preset ; rdfs:label "Adrift" .' });
    bundle(place, 'b.lv2', { 'manifest.ttl': '<urn:b> a pset:Preset ; lv2:appliesTo' });
    bundle(place, 'c.lv2', {
      'manifest.ttl': `<urn:c> a pset:Preset ; lv2:appliesTo <urn:x> ; rdfs:label "C" ;
        rdfs:seeAlso <missing.ttl> .`,
    });
    bundle(place, 'd.lv2', {
      'manifest.ttl': '<urn:d> a pset:Preset ; lv2:appliesTo <urn:x> ; rdfs:label "Sound" .',
    });
    const { lines, status } = await settings(place);
    expect(status).toBe(1);
    expect(lines.map(({ path, problem }) => [path.slice(-5), problem?.code])).toEqual([
      ['a.lv2', 'damaged'],
      ['b.lv2', 'damaged'],
      ['c.lv2', 'file-missing'],
      ['d.lv2', undefined],
    ]);
  });

  it('finds named settings of LADSPA plugins in RDF, and not where controls begin', async () => {
    const place = join(directory, 'rdf');
    mkdirSync(place);
    writeFileSync(
      join(place, 'gorse.rdf'),
      `<?xml version='1.0' encoding='ISO-8859-1'?>
<!DOCTYPE rdf:RDF [<!ENTITY ladspa 'http://ladspa.org/ontology#'>]>
<rdf:RDF xmlns:rdf="r" xmlns:dc="d" xmlns:ladspa="&ladspa;">
<ladspa:DelayPlugin rdf:about="&ladspa;1407"><dc:title>Gorse</dc:title>
<ladspa:hasSetting><ladspa:Default><ladspa:hasPortValue/></ladspa:Default></ladspa:hasSetting>
<ladspa:hasSetting><ladspa:Setting rdf:about="&ladspa;1407s"><dc:title>Slap in the barn</dc:title>
<ladspa:hasPortValue/><ladspa:hasPortValue/></ladspa:Setting></ladspa:hasSetting>
</ladspa:DelayPlugin></rdf:RDF>`,
    );
    const { lines } = await settings(place);
    expect(lines).toMatchObject([
      { format: 'LADSPA', plugin: '1407', name: 'Slap in the barn', values: 2 },
    ]);
  });

  it('is used wrongly with nothing to look through, or a place that is not there', async () => {
    expect((await settings()).status).toBe(2);
    expect((await settings('--usual', directory)).status).toBe(2);
    expect((await settings(join(directory, 'none'))).status).toBe(2);
  });
});
