/**
 * The scan of Debian's `lv2-examples` and other LV2 packages against the reference reader of
 * `lilv-utils` (lv2ls, lv2info).
 */
import { afterAll, describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import {
  bundlesOfPackages,
  linkAll,
  lv2Packages,
} from '../../core/src/formats/debian-packages.test-data.ts';
import { run } from './main.ts';

interface Line {
  identity: string;
  name: string;
  vendor: string | null;
  declared: string[];
  audioIn: number;
  audioOut: number;
  notesIn: boolean;
  version: string;
  status: string;
  problem?: { message: string };
}

async function scan(...args: string[]): Promise<{ lines: Line[]; errors: string; status: number }> {
  const out: string[] = [];
  const errors: string[] = [];
  const status = await run(['scan', ...args], {
    out: (line) => out.push(line),
    error: (line) => errors.push(line),
  });
  return { lines: out.map((line) => JSON.parse(line) as Line), errors: errors.join('\n'), status };
}

const place = linkAll(
  join(mkdtempSync(join(tmpdir(), 'clever-drawer-packages-')), 'lv2'),
  bundlesOfPackages(lv2Packages),
);
afterAll(() => {
  rmSync(dirname(place), { recursive: true });
});
const environment = { ...process.env, LV2_PATH: place, LANG: 'C.UTF-8' };
const reference = (program: string, ...args: string[]): string =>
  execFileSync(program, args, {
    encoding: 'utf8',
    env: environment,
    stdio: ['ignore', 'pipe', 'ignore'],
  });

/** What `lv2info` says of one plugin. */
function info(uri: string): {
  name: string;
  author: string | null;
  class: string;
  audioIn: number;
  audioOut: number;
} {
  const text = reference('lv2info', uri);
  const field = (name: string): string | null =>
    new RegExp(`^\\t${name}:\\s+(.+)$`, 'm').exec(text)?.[1]?.trim() ?? null;
  const ports = text
    .split(/\n\tPort \d+:\n/)
    .slice(1)
    .filter((port) => port.includes('lv2core#AudioPort'));
  return {
    name: field('Name') ?? '',
    author: field('Author'),
    class: field('Class') ?? '',
    audioIn: ports.filter((p) => p.includes('#InputPort')).length,
    audioOut: ports.filter((p) => p.includes('#OutputPort')).length,
  };
}

describe('scanning the LV2 packages of Debian', () => {
  it('finds the same plugins as lv2ls', async () => {
    const { lines, status } = await scan(place, '--formats', 'lv2');
    const wanted = reference('lv2ls').trim().split('\n').sort();
    expect(wanted.length).toBeGreaterThan(30);
    expect(lines.map((line) => line.identity).sort()).toEqual(wanted);
    expect(status).toBe(0);
  });
  it('reads the same names, authors and audio ports of lv2-examples and invada as lv2info', async () => {
    const { lines } = await scan(place);
    const chosen = lines.filter((line) =>
      /lv2plug\.in\/plugins\/eg-|invadarecords/.test(line.identity),
    );
    expect(chosen.length).toBeGreaterThan(15);
    for (const { identity, name, vendor, audioIn, audioOut } of chosen) {
      expect(info(identity)).toMatchObject({ name, author: vendor, audioIn, audioOut });
    }
  });
  it('reads the class that lv2info names, by the labels of lv2core.ttl', async () => {
    const vocabulary = readFileSync('/usr/lib/lv2/core.lv2/lv2core.ttl', 'utf8');
    const uris = new Map(
      [...vocabulary.matchAll(/^lv2:(\w*Plugin)\s[^.]*?rdfs:label "([^"]+)"/gm)].map((m) => [
        m[2] ?? '',
        `http://lv2plug.in/ns/lv2core#${m[1] ?? ''}`,
      ]),
    );
    const { lines } = await scan(place);
    const chosen = lines.filter((line) =>
      /lv2plug\.in\/plugins\/eg-|invadarecords/.test(line.identity),
    );
    expect(chosen.length).toBeGreaterThan(15);
    for (const { identity, declared } of chosen) {
      expect(declared).toContain(uris.get(info(identity).class));
    }
  });
  it('knows note inputs by what the port supports', async () => {
    const { lines } = await scan(place);
    const notes = (name: string): boolean | undefined =>
      lines.find((line) => line.identity.endsWith(name))?.notesIn;
    expect([notes('eg-fifths'), notes('eg-sampler'), notes('eg-amp')]).toEqual([true, true, false]);
  });
});

describe('the command line', () => {
  it('says what is wrong and exits with 2 for wrong use', async () => {
    expect((await scan()).status).toBe(2);
    expect((await scan('/nowhere/at/all')).errors).toContain(
      'There is no directory /nowhere/at/all',
    );
    expect((await scan('/tmp', '--formats', 'exe')).errors).toContain('There is no format "EXE"');
    expect(await run(['fly'], { out: () => undefined, error: () => undefined })).toBe(2);
    expect(await run(['scan', '--help'], { out: () => undefined, error: () => undefined })).toBe(0);
  });
  it('writes a failed copy with its reason and exits with 1', async () => {
    const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-cli-'));
    writeFileSync(
      join(directory, 'manifest.ttl'),
      '<urn:x> a <http://lv2plug.in/ns/lv2core#Plugin> ;;;; <<< .\n',
    );
    const { lines, status } = await scan(directory);
    expect({ status, copies: lines.map((line) => line.status) }).toEqual({
      status: 1,
      copies: ['failed'],
    });
    expect(lines[0]?.problem?.message).toMatch(/manifest\.ttl is damaged at line 1/);
    rmSync(directory, { recursive: true });
  });
});
