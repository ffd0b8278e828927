/** Walking and reading real folders: links, hostile and endless files, and where plugins usually live. */
import { afterAll, beforeEach, describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import {
  chmodSync,
  closeSync,
  copyFileSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readFileSync,
  renameSync,
  rmSync,
  symlinkSync,
  truncateSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { formats, type FoundCopy } from '@clever-drawer/core/formats';
import { filesOfPackage, linkAll } from '../../../core/src/formats/debian-packages.test-data.ts';
import { noDescriptions } from '@clever-drawer/core/readers';
import { descriptionsFor } from './descriptions.ts';
import { ReaderPool } from './pool.ts';
import { readBundle } from './read.ts';
import { usualPlaces } from './usual-places.ts';
import { walk, type FoundBundle } from './walk.ts';

const base = mkdtempSync(join(tmpdir(), 'clever-drawer-scanner-'));
let place = '';
let count = 0;
beforeEach(() => {
  place = join(base, `place${(count += 1)}`);
  mkdirSync(place);
});
afterAll(() => {
  rmSync(base, { recursive: true });
});

const never = (): boolean => false;
const look = (): FoundBundle[] => walk(place, formats, never).bundles;
const read = (bundle: FoundBundle): FoundCopy[] => readBundle(bundle, place, noDescriptions);
const write = (path: string, content: string | Uint8Array = ''): string => {
  const full = join(place, path);
  mkdirSync(join(full, '..'), { recursive: true });
  writeFileSync(full, content);
  return full;
};
const turtle =
  '<urn:x> a <http://lv2plug.in/ns/lv2core#Plugin> ; <http://usefulinc.com/ns/doap#name> "X" .';
/** So many bundles, each with a plugin of its own. */
const writeBundles = (most: number): void => {
  for (let i = 0; i < most; i += 1) {
    write(`p${i}.lv2/manifest.ttl`, turtle.replace('urn:x', `urn:p${i}`));
  }
};
/** So many threads that run this program instead of reading. */
const poolOf = (size: number, program: string): ReaderPool =>
  new ReaderPool(size, {}, pathToFileURL(write('reads.mjs', program)));

describe('walking a place', () => {
  it('knows files and bundles of every format by their endings, nested as vendors nest them', () => {
    for (const path of [
      'a/b/c.vst3/Contents/x',
      'v.component/Contents/Info.plist',
      'm.clap/Contents/MacOS/m',
      'x.vst/x.so',
      'one.clap',
      'old.vst3',
      'old.dll',
      'l.so',
      'noending/manifest.ttl',
      'readme.txt',
    ]) {
      write(path);
    }
    expect(look().map((b) => `${b.path.slice(place.length + 1)} ${b.candidates.join()}`)).toEqual([
      'a/b/c.vst3 VST3',
      'l.so LADSPA,VST2',
      'm.clap CLAP',
      'noending LV2',
      'old.dll VST2,LADSPA',
      'old.vst3 VST3',
      'one.clap CLAP',
      'v.component AU',
      'x.vst VST2',
    ]);
    expect(walk(place, ['CLAP'], never).bundles.map((b) => b.format)).toEqual(['CLAP', 'CLAP']);
  });
  it('reports a file once, at its real place, however many links lead to it, and is not led in circles', () => {
    write('real/p.clap');
    symlinkSync(join(place, 'real', 'p.clap'), join(place, 'a-link.clap'));
    symlinkSync(join(place, 'real'), join(place, 'again'));
    symlinkSync(place, join(place, 'real', 'round'));
    symlinkSync(join(place, 'nowhere'), join(place, 'dangling.clap'));
    expect(look().map((b) => b.path)).toEqual([join(place, 'real', 'p.clap')]);
  });
  it('notices a change of content, also when the dates are put back', () => {
    const file = write('p.clap', 'one');
    const before = look()[0]?.fingerprint;
    expect(look()[0]?.fingerprint).toBe(before);
    writeFileSync(file, 'two');
    utimesSync(file, 1, 1);
    const after = look()[0]?.fingerprint;
    expect(after).not.toBe(before);
    writeFileSync(join(place, 'other'), 'two');
    utimesSync(join(place, 'other'), 1, 1);
    renameSync(join(place, 'other'), file);
    expect(look()[0]?.fingerprint).not.toBe(after);
  });
  it('says which directory it may not read and goes on', () => {
    write('shut/p.clap');
    write('open/q.clap');
    chmodSync(join(place, 'shut'), 0);
    const { bundles, problems } = walk(place, formats, never);
    chmodSync(join(place, 'shut'), 0o755);
    expect(bundles.map((b) => b.path)).toContain(join(place, 'open', 'q.clap'));
    // root may read everything, so only an ordinary user sees the refusal
    expect(problems.map((p) => p.code)).toEqual(
      process.getuid?.() === 0 ? [] : ['file-unreadable'],
    );
  });
  it('gets through a directory of 100,000 files', () => {
    const heap = join(place, 'heap');
    mkdirSync(heap);
    for (let i = 0; i < 100_000; i += 1) {
      closeSync(openSync(join(heap, `preset${i}.dat`), 'w'));
    }
    write('heap/p.clap');
    expect(look()).toHaveLength(1);
  });
  it('follows no link to the whole disk, and says so', () => {
    write('a/echo.so', 'x');
    symlinkSync('/', join(place, 'everything'));
    symlinkSync(base, join(place, 'above'));
    const { bundles, problems } = walk(place, formats, never);
    expect(bundles).toHaveLength(1);
    expect(problems.map((problem) => problem.code)).toEqual(['link-too-wide', 'link-too-wide']);
  });
  it('leaves out a path that no index takes, and says so', () => {
    const names = Array.from({ length: 10 }, () => 'd'.repeat(250));
    const deep = names.slice(0, 4).join('/');
    write(`${deep}/near.lv2/manifest.ttl`);
    write(`${names.join('/')}/far.lv2/manifest.ttl`);
    const { bundles, problems } = walk(join(place, deep), formats, never);
    expect([bundles.length, problems.length]).toEqual([1, 1]);
    expect(problems[0]?.code).toBe('path-too-long');
  });
  it('stops when it is told to', () => {
    write('a/p.clap');
    expect(walk(place, formats, () => true).bundles).toEqual([]);
  });
});

describe('reading from the disk', () => {
  const only = (): FoundCopy | undefined => {
    const [bundle] = look();
    return bundle && read(bundle)[0];
  };
  it('does not read a moduleinfo of 500 MB', () => {
    write('big.vst3/Contents/x86_64-linux/b.so');
    truncateSync(write('big.vst3/Contents/moduleinfo.json'), 500 * 1_048_576);
    expect(only()).toMatchObject({
      status: 'failed',
      problem: { code: 'file-too-large', got: 500 * 1_048_576 },
    });
  });
  it('does not wait for a pipe that stands where a file should be', () => {
    mkdirSync(join(place, 'pipe.lv2'));
    execFileSync('mkfifo', [join(place, 'pipe.lv2', 'manifest.ttl')]);
    expect(only()).toMatchObject({ status: 'failed', problem: { code: 'file-unreadable' } });
  });
  it('never follows a Turtle file out of the place', () => {
    writeFileSync(join(base, 'secret.ttl'), turtle);
    write(
      's.lv2/manifest.ttl',
      `${turtle} <urn:x> <http://www.w3.org/2000/01/rdf-schema#seeAlso> <more.ttl> .`,
    );
    symlinkSync(join(base, 'secret.ttl'), join(place, 's.lv2', 'more.ttl'));
    expect(only()?.problem).toEqual({ code: 'outside-place', at: 'more.ttl' });
  });
  it('follows a program wherever its link leads; one that leads nowhere or in a circle is missing', () => {
    const program = `${turtle} <urn:x> <http://lv2plug.in/ns/lv2core#binary> <x.so> .`;
    write('l.lv2/manifest.ttl', program);
    const link = join(place, 'l.lv2', 'x.so');
    const real = join(base, 'elsewhere.so');
    copyFileSync(process.execPath, real);
    symlinkSync(real, link);
    const machines = only()?.architectures;
    expect(machines).toHaveLength(1);
    for (const target of [join(base, 'nowhere.so'), link]) {
      rmSync(link);
      symlinkSync(target, link);
      expect(only()).toMatchObject({ status: 'ok', architectures: null });
    }
  });
  it('reads a plugin with thousands of ports and a name full of control characters', () => {
    const port =
      '[ a <http://lv2plug.in/ns/lv2core#AudioPort>, <http://lv2plug.in/ns/lv2core#OutputPort> ]';
    write(
      'many.lv2/manifest.ttl',
      `${turtle.replace('"X"', '"\\u0001Many\\u202E ports"')} <urn:x> <http://lv2plug.in/ns/lv2core#port> ${Array<string>(5_000).fill(port).join(', ')} .`,
    );
    expect(only()).toMatchObject({ status: 'ok', name: 'Many ports', audioOut: 5_000 });
  });
  it('says of an empty or broken program file what is wrong with it', () => {
    write('e.clap');
    write('t.clap', Buffer.from('\x7fELF\x02\x01', 'latin1'));
    expect(
      look()
        .flatMap(read)
        .map((c) => c.problem?.code),
    ).toEqual(['damaged', 'damaged']);
  });
  it('takes class, title and maker of the LADSPA plugins of swh-plugins from their descriptions', () => {
    const descriptions = descriptionsFor('/usr/lib/ladspa', {});
    expect(descriptions.size).toBeGreaterThan(100);
    const swh = linkAll(join(base, 'swh'), filesOfPackage('swh-plugins', '.so'));
    const copies = walk(swh, ['LADSPA'], never).bundles.flatMap((bundle) =>
      readBundle(bundle, swh, descriptions),
    );
    expect(copies.find((c) => c.path.endsWith('/alias_1407.so'))).toMatchObject({
      name: 'Aliasing',
      vendor: 'Steve Harris <steve@plugin.org.uk>',
      declared: ['http://ladspa.org/ontology#DistortionPlugin'],
      status: 'ok',
    });
    expect(copies.filter((c) => c.status === 'failed')).toEqual([]);
    expect(copies.filter((c) => c.name !== null).length).toBeGreaterThan(80);
  });
});

describe('the reading threads', () => {
  it('read as the main thread does, several at once', async () => {
    writeBundles(12);
    const pool = new ReaderPool(2, {});
    const bundles = look();
    const copies = await Promise.all(bundles.map((bundle) => pool.read(bundle, place)));
    expect(copies).toEqual(bundles.map(read));
    expect((await pool.walk(place, formats, new SharedArrayBuffer(4))).bundles).toEqual(bundles);
    await pool.close();
  });
  it('go on with the rest in a new thread when one breaks; only what it worked on has failed', async () => {
    writeBundles(6);
    const pool = poolOf(
      1,
      `import { parentPort } from 'node:worker_threads';
parentPort.on('message', (tasks) => {
  if (tasks.some(({ bundle }) => bundle.path.endsWith('p2.lv2'))) {
    process.exit(1);
  }
  parentPort.postMessage(tasks.map(({ bundle }) => ({ copies: [bundle.path] })));
});`,
    );
    const bundles = look();
    expect(bundles).toHaveLength(6);
    const answers = await Promise.all(bundles.map((bundle) => pool.read(bundle, place)));
    expect(answers.flat().map((one) => (typeof one === 'string' ? 'read' : one.status))).toEqual([
      'read',
      'read',
      'failed',
      'read',
      'read',
      'read',
    ]);
    await pool.close();
  });
  it('take descriptions that were installed since the last walk, each of them', async () => {
    const programs = linkAll(join(place, 'lib', 'ladspa'), filesOfPackage('swh-plugins', '.so'));
    const pool = new ReaderPool(2, {});
    const titles = async (): Promise<number> => {
      const { bundles } = await pool.walk(programs, ['LADSPA'], new SharedArrayBuffer(4));
      const copies = await Promise.all(bundles.map((bundle) => pool.read(bundle, programs)));
      return copies.flat().filter(({ name }) => name !== null).length;
    };
    expect(await titles()).toBe(0);
    for (const path of filesOfPackage('swh-plugins', '.rdf')) {
      write(`share/ladspa/rdf/${basename(path)}`, readFileSync(path));
    }
    expect(await titles()).toBeGreaterThan(80);
    await pool.close();
  });
  it('are given at once what was asked for at once, shared among those that are free', async () => {
    writeBundles(40);
    const pool = poolOf(
      2,
      `import { parentPort } from 'node:worker_threads';
parentPort.on('message', (tasks) => {
  parentPort.postMessage(tasks.map(() => ({ copies: [tasks.length] })));
});`,
    );
    const answers = await Promise.all(look().map((bundle) => pool.read(bundle, place)));
    const together = answers.flat() as unknown as number[];
    expect(together).toHaveLength(40);
    expect(Math.min(...together)).toBeGreaterThan(1);
    expect(Math.max(...together)).toBeLessThanOrEqual(16);
    await pool.close();
  });
});

describe('the usual places', () => {
  it('are those of each system, for each format', () => {
    const at = (platform: string, environment = {}): string[] =>
      usualPlaces({ platform, home: '/home/q', environment }).map(
        (p) => `${p.formats.join()} ${p.path}`,
      );
    expect(at('linux')).toEqual(
      expect.arrayContaining([
        'LV2 /home/q/.lv2',
        'LV2 /usr/lib/lv2',
        'VST3 /usr/lib/vst3',
        'CLAP /home/q/.clap',
        'LADSPA /usr/lib/ladspa',
        'VST2 /usr/lib/lxvst',
      ]),
    );
    expect(at('darwin')).toEqual(
      expect.arrayContaining([
        'AU /Library/Audio/Plug-Ins/Components',
        'VST2 /home/q/Library/Audio/Plug-Ins/VST',
      ]),
    );
    expect(at('win32', { COMMONPROGRAMFILES: 'C:\\CF' })).toEqual(
      expect.arrayContaining([
        'VST3 C:\\CF\\VST3',
        'CLAP C:\\CF\\CLAP',
        'VST2 C:\\Program Files\\VSTPlugins',
      ]),
    );
  });
  it('know directories of a processor’s own, programs of 32 bits, and other drives', () => {
    const linux = usualPlaces({ platform: 'linux', arch: 'arm64', home: '/h', environment: {} });
    expect(linux.map(({ path }) => path)).toEqual(
      expect.arrayContaining(['/usr/lib/aarch64-linux-gnu/lv2', '/usr/lib/aarch64-linux-gnu/vst3']),
    );
    const windows = usualPlaces({
      platform: 'win32',
      home: 'C:\\Users\\q',
      drives: ['C:', 'D:'],
      environment: {
        'COMMONPROGRAMFILES(X86)': 'C:\\Program Files (x86)\\Common Files',
        'PROGRAMFILES(X86)': 'C:\\Program Files (x86)',
      },
    });
    expect(windows.map(({ path }) => path)).toEqual(
      expect.arrayContaining([
        'C:\\Program Files (x86)\\Common Files\\VST3',
        'C:\\Program Files (x86)\\VSTPlugins',
        'D:\\VSTPlugins',
        'D:\\Program Files\\VSTPlugins',
      ]),
    );
  });
  it('are replaced by the variables of the standards, a directory of two formats named once', () => {
    const places = usualPlaces({
      platform: 'linux',
      home: '/home/q',
      environment: { LV2_PATH: '/a:/b', LADSPA_PATH: '/b' },
    });
    expect(places.filter((p) => p.path === '/b')).toEqual([
      { path: '/b', formats: ['LV2', 'LADSPA'] },
    ]);
    expect(places.some((p) => p.path === '/usr/lib/lv2')).toBe(false);
  });
});
