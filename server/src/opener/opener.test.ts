/**
 * Opening: real plugins against reference tools, and plugins that misbehave in every way we know.
 * `analyseplugin` is of Debian's ladspa-sdk; what the CLAP files say is printed by a C program on the
 * published structs; zam-plugins ships one and the same plugins as LV2, VST2 and CLAP.
 */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { execFileSync, spawn } from 'node:child_process';
import { once } from 'node:events';
import { createServer } from 'node:net';
import {
  chmodSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { homedir, tmpdir } from 'node:os';
import { join } from 'node:path';
import { bareCopy, type Format, type FoundCopy } from '@clever-drawer/core/formats';
import { describe as inWords } from '@clever-drawer/core/problem';
import {
  bundlesOfPackages,
  filesOfPackage,
} from '../../../core/src/formats/debian-packages.test-data.ts';
import { noDescriptions } from '@clever-drawer/core/readers';
import { readBundle } from '../scanner/index.ts';
import { compile, compileNeedy, compileProgram } from './compiled.test-data.ts';
import { withoutNamespaces } from './confinement.ts';
import { tidyHomes } from './home.ts';
import { Opener } from './opener.ts';

const base = mkdtempSync(join(tmpdir(), 'clever-drawer-opener-test-'));
const built = join(base, 'built');
const opener = new Opener({ limit: 8_000 });
afterAll(() => {
  opener.close();
  rmSync(base, { recursive: true });
});

const homes = (): string[] =>
  readdirSync(tmpdir()).filter((name) => name.startsWith('clever-drawer-open-'));
const homesBefore = new Set(homes());

const copyOf = (format: Format, path: string): FoundCopy => ({
  ...bareCopy(format, path),
  binary: path,
});
const open = (format: Format, path: string, by = opener): Promise<FoundCopy[]> =>
  by.open([copyOf(format, path)]);
const all = async (format: Format, paths: readonly string[]): Promise<FoundCopy[]> =>
  (await Promise.all(paths.map((path) => open(format, path)))).flat();
/** What the fork of misbehave-ladspa.c calls itself; what was ended and waits to be collected is no process. */
async function leftRunning(): Promise<string[]> {
  for (let tries = 0; ; tries += 1) {
    const lines = execFileSync('ps', ['-eo', 'stat,comm'], { encoding: 'utf8' }).split('\n');
    const left = lines.filter((line) => /drawer-left/.test(line) && !line.startsWith('Z'));
    if (left.length === 0 || tries > 40) {
      return left;
    }
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
const problemOf = ({ problem }: FoundCopy): string => (problem ? inWords(problem) : '');

describe('real LADSPA plugins', () => {
  const files = filesOfPackage('swh-plugins', '.so');
  let copies: FoundCopy[];
  beforeAll(async () => {
    copies = await all('LADSPA', files);
  });

  it('give id, label, name, maker and ports as analyseplugin prints them', () => {
    expect(files.length).toBeGreaterThan(80);
    const printed = files.flatMap(analysed);
    const found = copies.map(({ path, identity, uniqueId, name, vendor, audioIn, audioOut }) => ({
      path,
      label: (identity ?? '').replace(/^[^:]*:/, ''),
      uniqueId,
      name,
      vendor,
      audioIn,
      audioOut,
    }));
    const inOrder = (list: readonly { path: string; label: string }[]) =>
      [...list].sort((a, b) => (a.path + a.label < b.path + b.label ? -1 : 1));
    expect(printed.length).toBeGreaterThanOrEqual(files.length);
    expect(inOrder(found)).toEqual(inOrder(printed));
  });
  it('are copies of their own where one file holds several', () => {
    const byPath = new Map<string, number>();
    for (const { path } of copies) {
      byPath.set(path, (byPath.get(path) ?? 0) + 1);
    }
    expect(Math.max(...byPath.values())).toBeGreaterThan(1);
    expect(copies.every(({ status, examined }) => status === 'ok' && examined === 'opened')).toBe(
      true,
    );
  });
});

/** What analyseplugin prints of a file's plugins; it encodes texts as they are. */
function analysed(path: string) {
  const text = execFileSync('analyseplugin', [path], { encoding: 'latin1' });
  return text
    .split(/(?=Plugin Name: )/)
    .filter((part) => part.startsWith('Plugin Name: '))
    .map((part) => {
      const field = (label: string): string =>
        (new RegExp(`${label}: "(.*)"`).exec(part)?.[1] ?? '').trim();
      const count = (direction: string): number =>
        [...part.matchAll(new RegExp(`" ${direction}, audio`, 'g'))].length;
      return {
        path,
        label: field('Plugin Label'),
        uniqueId: Number(/Plugin Unique ID: (\d+)/.exec(part)?.[1]),
        name: field('Plugin Name'),
        vendor: field('Maker'),
        audioIn: count('input'),
        audioOut: count('output'),
      };
    });
}

describe('real CLAP plugins', () => {
  it('say what a C program on the published structs is told', async () => {
    const files = filesOfPackage('zam-plugins', '.clap');
    expect(files.length).toBeGreaterThan(10);
    const program = compileProgram('ask-clap.c', join(base, 'ask-clap'));
    const printed = execFileSync(program, files, { encoding: 'utf8' }).trim().split('\n').sort();
    const found = (await all('CLAP', files)).map((copy) =>
      [
        copy.path,
        copy.identity,
        copy.name,
        copy.vendor,
        copy.version ?? '',
        copy.audioIn,
        copy.audioOut,
        Number(copy.notesIn),
        Number(copy.notesOut),
        (copy.controls ?? []).map((name) => `${name}|`).join(''),
      ].join('\t'),
    );
    expect(found.sort()).toEqual(printed);
  });
});

describe('real VST3 plugins', () => {
  it('say name, inputs, outputs and controls as the same plugins do in CLAP', async () => {
    const bundles = [
      ...new Set(
        filesOfPackage('zam-plugins', '.so').flatMap(
          (path) => /^(.*\.vst3)\/Contents\//.exec(path)?.[1] ?? [],
        ),
      ),
    ];
    expect(bundles.length).toBeGreaterThan(10);
    const read = bundles.flatMap((path) =>
      readBundle({ format: 'VST3', candidates: ['VST3'], path }, path, noDescriptions),
    );
    const found = (await Promise.all(read.map((copy) => opener.open([copy])))).flat();
    const claps = await all('CLAP', filesOfPackage('zam-plugins', '.clap'));
    const factsOf = (copies: readonly FoundCopy[]) =>
      copies
        .map(({ name, vendor, audioIn, audioOut, controls }) =>
          [name, vendor, audioIn, audioOut, ...(controls ?? [])].join(),
        )
        .sort();
    expect(factsOf(found)).toEqual(factsOf(claps));
  });
});

describe('real VST2 plugins', () => {
  it('say name, inputs and outputs as the same plugins do in LV2', async () => {
    const bundles = bundlesOfPackages(['zam-plugins']);
    const lv2 = new Map(
      bundles
        .flatMap((path) =>
          readBundle({ format: 'LV2', candidates: ['LV2'], path }, path, noDescriptions),
        )
        .map((copy) => [copy.name, copy]),
    );
    const files = filesOfPackage('zam-plugins', '-vst.so');
    const found = await all('VST2', files);
    const pairs = found.flatMap((copy) => {
      const other = lv2.get(copy.name);
      return other ? [{ copy, other }] : [];
    });
    expect(pairs.length).toBeGreaterThan(10);
    for (const { copy, other } of pairs) {
      expect([copy.name, copy.audioIn, copy.audioOut]).toEqual([
        other.name,
        other.audioIn,
        other.audioOut,
      ]);
      // VST2 cuts them short.
      const whole = other.controls ?? [];
      expect(
        (copy.controls ?? []).filter((name) => !whole.some((one) => one.startsWith(name))),
      ).toEqual([]);
      expect(whole.length > 0).toBe((copy.controls ?? []).length > 0);
    }
    expect(found.every(({ vendor }) => vendor === 'Damien Zammit')).toBe(true);
  });
  it('list all that a shell holds', async () => {
    const shell = compile('shell-vst2.c', join(built, 'shell.so'), { IS_SHELL: 1 });
    expect(
      (await open('VST2', shell)).map(({ identity, name, vendor, audioIn, notesIn, declared }) => [
        identity,
        name,
        vendor,
        audioIn,
        notesIn,
        declared,
      ]),
    ).toEqual([
      ['1001', 'Moored Gate', 'Quoin', 2, false, []],
      ['1002', 'Moored Choir', 'Quoin', 0, true, ['synth']],
    ]);
  });
  const cut = 'A Very Long Name That Is Cut He';
  const whole = 'A Very Long Name That Is Cut Here In Effects';
  it.each([
    ['begins with it', cut, whole, whole],
    ['has the maker in front', cut, `Quoin ${whole}`, whole],
    ['has the format behind', cut, `${whole} [VST]`, whole],
    [
      'goes on behind a space',
      'Moored Echo Of The Outer Wharf',
      'Moored Echo Of The Outer Wharf Two',
      'Moored Echo Of The Outer Wharf Two',
    ],
    ['is another', cut, 'Quoin Effects', cut],
    ['is not needed', 'Moored Echo', 'Moored Echo Collection', 'Moored Echo'],
  ])('tell a name that was cut where the product %s', async (why, name, product, told) => {
    const path = compile('shell-vst2.c', join(built, `${why.replaceAll(' ', '-')}.so`), {
      IS_SHELL: 0,
      NAME: JSON.stringify(name),
      PRODUCT: JSON.stringify(product),
    });
    expect(await open('VST2', path)).toMatchObject([
      {
        identity: '4711',
        name: told,
        declared: ['analysis'],
        controls: ['Depth', 'Speed'],
      },
    ]);
  });
});

describe('VST3 on the published headers', () => {
  it.each([
    [1, 'Ebb Echo', 'Quoin Works', null, []],
    [2, 'Ebb Echo', 'Quoin', '2.0.1', ['Fx', 'Delay']],
    [3, 'Ebb Écho', 'Quoin', '3.0.1', ['Fx', 'Delay']],
  ])('is asked through factory %i', async (newest, name, vendor, version, declared) => {
    const path = compile('three-vst3.cpp', join(built, `three-${newest}.vst3`), {
      NEWEST: newest,
    });
    const [echo, broken] = await open('VST3', path);
    expect(echo).toMatchObject({
      identity: '0123456789ABCDEF1020304050607080',
      name,
      vendor,
      version,
      declared,
      audioIn: 3,
      audioOut: 6,
      notesIn: true,
      notesOut: false,
      controls: ['Time', 'Féedback'],
      status: 'ok',
    });
    expect(broken).toMatchObject({ name: 'Ebb Broken', status: 'failed' });
    expect(broken?.problem?.code).toBe('refused');
  });
});

describe('LV2', () => {
  it('loads and gives the plugins that reading told of', async () => {
    const bundles = bundlesOfPackages(['lv2-examples', 'invada-studio-plugins-lv2']);
    const copies = bundles.flatMap((path) =>
      readBundle({ format: 'LV2', candidates: ['LV2'], path }, path, noDescriptions),
    );
    const opened = await opener.open(copies);
    expect(opened.length).toBeGreaterThan(10);
    expect(opened.filter(({ status }) => status !== 'ok').map(problemOf)).toEqual([]);
    expect(opened.every(({ examined }) => examined === 'opened')).toBe(true);
  });
});

/** The numbers of misbehave-ladspa.c and misbehave-clap.c. */
const ladspaWays = [
  'well',
  'crash-at-load',
  'abort-at-load',
  'hang-at-load',
  'exit-0',
  'exit-1',
  'print',
  'close-all',
  'forge',
  'fork-and-stay',
  'threads',
  'eat-memory',
  'ignore-signals',
  'kill-parent',
  'kill-group',
  'write-home',
  'change-directory',
  'several',
  'none',
  'odd-texts',
  'flush-to-zero',
  'endless',
  'crash-later',
  'no-ports',
  'many',
  'absurd-count',
  'ports-nowhere',
  'connect',
];
const clapWays = [
  'well',
  'crash-at-create',
  'hang-at-create',
  'exit-at-create',
  'second-crashes',
  'second-refuses',
  'calls-host',
  'no-factory',
  'no-init',
  'params-crash',
  'params-odd',
];

describe('a plugin that looks for sockets of the session', () => {
  it('reaches none that stands in the file system', async () => {
    const socket = join(base, 'session.socket');
    const server = createServer().listen(socket);
    await once(server, 'listening');
    chmodSync(socket, 0o777);
    const asked = (by: Opener, name: string): Promise<FoundCopy[]> =>
      open(
        'LADSPA',
        compile('misbehave-ladspa.c', join(built, `${name}.so`), {
          HOW: ladspaWays.indexOf('connect'),
          SOCKET: JSON.stringify(socket),
        }),
        by,
      );
    const confined = new Opener({ limit: 8_000 });
    const plain = new Opener({ limit: 8_000, confinement: withoutNamespaces('linux') });
    const [inNamespace] = await asked(confined, 'asks-apart');
    const [reached] = await asked(plain, 'asks-plainly');
    confined.close();
    plain.close();
    server.close();
    // The second shows that there was something to be reached.
    expect([inNamespace?.name, reached?.name]).toEqual(['Not reached', 'Reached']);
  });
});

describe('when the program is killed while a plugin hangs', () => {
  const program = join(import.meta.dirname, 'opener-alone.test-data.ts');
  it.each(['apart', 'plain'])(
    'nothing is left running, and homes go at the next start: %s',
    async (how) => {
      const path = compile('misbehave-ladspa.c', join(built, `hangs-${how}.so`), {
        HOW: ladspaWays.indexOf('ignore-signals'),
      });
      const child = spawn(process.execPath, ['--import', 'tsx', program, path, how], {
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      const loaded = (): boolean =>
        readdirSync('/proc').some((pid) => /^\d+$/.test(pid) && mapsOf(pid).includes(path));
      await untilSo(loaded);
      child.kill('SIGKILL');
      await once(child, 'exit');
      await untilSo(() => !loaded());
      const left = homes().filter((name) => name.includes(`-open-${child.pid ?? 0}-`));
      expect(left).toHaveLength(1);
      tidyHomes();
      expect(homes().filter((name) => left.includes(name))).toEqual([]);
    },
  );
});

const mapsOf = (pid: string): string => {
  try {
    return readFileSync(`/proc/${pid}/maps`, 'utf8');
  } catch {
    return '';
  }
};

async function untilSo(isSo: () => boolean): Promise<void> {
  for (const end = Date.now() + 15_000; Date.now() < end; ) {
    if (isSo()) {
      return;
    }
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  expect(isSo()).toBe(true);
}

describe('where the system gives no namespaces', () => {
  it.each(['kill-parent', 'kill-group', 'fork-and-stay', 'well'])(
    '%s hits nobody else, and nothing is left running',
    async (way) => {
      const alone = new Opener({ limit: 8_000, confinement: withoutNamespaces('linux') });
      const path = compile('misbehave-ladspa.c', join(built, 'alone', `${way}.so`), {
        HOW: ladspaWays.indexOf(way),
      });
      const [copy] = await open('LADSPA', path, alone);
      alone.close();
      expect([null, 'crashed']).toContain(copy?.problem?.code ?? null);
      expect(await alone.lacks()).toContain('network');
      expect(await leftRunning()).toEqual([]);
    },
  );
});

describe('plugins that misbehave', () => {
  const ladspa = new Map<string, FoundCopy[]>();
  const clap = new Map<string, FoundCopy[]>();
  const before = new Set(readdirSync(homedir()));
  const directory = process.cwd();
  beforeAll(async () => {
    const files = ladspaWays.map((way, how) =>
      compile('misbehave-ladspa.c', join(built, `${way}.so`), { HOW: how }),
    );
    const claps = clapWays.map((way, how) =>
      compile('misbehave-clap.c', join(built, `${way}.clap`), { HOW: how }),
    );
    await Promise.all([
      ...files.map(async (path, at) => {
        ladspa.set(ladspaWays[at] ?? '', await open('LADSPA', path));
      }),
      ...claps.map(async (path, at) => {
        clap.set(clapWays[at] ?? '', await open('CLAP', path));
      }),
    ]);
  });

  it.each([
    'well',
    'print',
    'fork-and-stay',
    'threads',
    'write-home',
    'change-directory',
    'forge',
    'flush-to-zero',
    'crash-later',
  ])('%s does no harm: its facts are known', (way) => {
    expect(ladspa.get(way)).toMatchObject([
      { status: 'ok', name: 'Wharf One', vendor: 'Quoin <q@example.org>', audioIn: 1, audioOut: 2 },
    ]);
  });
  it.each([
    ['crash-at-load', 'crashed', 'SIGSEGV'],
    ['abort-at-load', 'crashed', 'SIGABRT'],
    ['exit-0', 'crashed', 'exit status 0'],
    ['exit-1', 'crashed', 'exit status 1'],
    ['hang-at-load', 'timed-out', '8 seconds'],
    ['ignore-signals', 'timed-out', '8 seconds'],
    ['eat-memory', 'crashed', ''],
    ['kill-group', 'crashed', ''],
    ['none', 'refused', 'it holds no plugin'],
  ])('%s is said to have %s', (way, code, words) => {
    const [copy] = ladspa.get(way) ?? [];
    expect(copy).toMatchObject({ status: 'failed', examined: 'opened', problem: { code } });
    expect(copy && problemOf(copy)).toContain(words);
  });
  it.each(['close-all', 'kill-parent'])('%s ends in one of the facts', (way) => {
    const [copy] = ladspa.get(way) ?? [];
    expect([null, 'crashed', 'timed-out']).toContain(copy?.problem?.code ?? null);
  });
  it('several of one file are copies of their own', () => {
    expect(ladspa.get('several')?.map(({ identity }) => identity)).toEqual([
      'several.so:one',
      'several.so:two',
      'several.so:three',
    ]);
  });
  it('a file that never says "no more" is refused', () => {
    expect(ladspa.get('endless')?.map(problemOf)).toEqual([
      expect.stringContaining('the same plugin again and again'),
    ]);
  });
  it('three thousand of one file are listed, every one', () => {
    const many = ladspa.get('many') ?? [];
    expect(new Set(many.map(({ identity }) => identity)).size).toBe(3_000);
    expect(many.every(({ status }) => status === 'ok')).toBe(true);
  });
  it.each([
    ['absurd-count', '1099511627776 ports, which no plugin has'],
    ['ports-nowhere', '4 ports, and describes none'],
  ])('of %s the sound one is whole, and the other refused', (way, words) => {
    expect(ladspa.get(way)).toMatchObject([
      { identity: `${way}.so:one`, status: 'ok', audioOut: 2 },
      { identity: `${way}.so:two`, status: 'failed', problem: { code: 'refused' } },
    ]);
    expect(ladspa.get(way)?.map(problemOf)[1]).toContain(words);
  });
  it('odd texts pass through the limits of the readers', () => {
    const [one, two, three] = ladspa.get('odd-texts') ?? [];
    expect(one).toMatchObject({ name: 'Café [2J', vendor: null });
    expect(two?.name?.length).toBeLessThanOrEqual(1_000);
    expect(two?.vendor).toMatch(/^no end in these/);
    expect(three?.name).toBe('three');
  });
  it('without ports it has none', () => {
    expect(ladspa.get('no-ports')).toMatchObject([{ status: 'ok', audioIn: 0, audioOut: 0 }]);
  });

  it.each(['well', 'calls-host'])('a CLAP that is %s tells its ports', (way) => {
    expect(clap.get(way)).toMatchObject([
      {
        status: 'ok',
        name: 'Slipway Echo',
        version: '1.2.3',
        declared: ['audio-effect', 'delay', 'stereo'],
        audioIn: 1,
        audioOut: 2,
        notesIn: true,
        notesOut: false,
        controls: ['Time', 'Feedback'],
      },
    ]);
  });
  it('a CLAP that crashes when asked for its parameters keeps all else', () => {
    const copies = clap.get('params-crash') ?? [];
    expect(copies).toMatchObject([
      { status: 'ok', audioOut: 2 },
      { status: 'ok', audioOut: 2 },
    ]);
    expect(copies.some(({ controls }) => controls !== undefined)).toBe(false);
  });
  it('a number of parameters that no plugin has is not believed', () => {
    const [copy] = clap.get('params-odd') ?? [];
    expect([copy?.status, copy?.controls]).toEqual(['ok', undefined]);
  });
  it.each([
    ['crash-at-create', 'crashed'],
    ['hang-at-create', 'timed-out'],
    ['exit-at-create', 'crashed'],
  ])('what was told before %s is kept', (way, code) => {
    expect(clap.get(way)).toMatchObject([
      {
        status: 'failed',
        name: 'Slipway Echo',
        vendor: 'Quoin',
        identity: 'org.example.one',
        audioIn: null,
        problem: { code },
      },
    ]);
  });
  it.each([
    ['second-crashes', 'crashed'],
    ['second-refuses', 'refused'],
  ])('of %s the first is whole', (way, code) => {
    expect(clap.get(way)).toMatchObject([
      { status: 'ok', name: 'Slipway Echo', audioOut: 2 },
      { status: 'failed', name: 'Slipway Room', problem: { code } },
    ]);
  });
  it.each(['no-factory', 'no-init'])('%s is refused', (way) => {
    expect(clap.get(way)).toMatchObject([{ status: 'failed', problem: { code: 'refused' } }]);
  });

  it('a missing library is named', async () => {
    const [copy] = await open('LADSPA', compileNeedy(join(built, 'needy.so')));
    expect(copy?.problem?.code).toBe('load-error');
    expect(copy && problemOf(copy)).toContain('libnowhere-to-be-found.so');
  });
  it('a file that is no program is told apart from one without an entry', async () => {
    const none = join(built, 'none-at-all.so');
    writeFileSync(none, Buffer.concat([readFileSync(join(built, 'well.so')).subarray(0, 20)]));
    const other = compile('misbehave-clap.c', join(built, 'other.so'), { HOW: 0 });
    expect((await open('LADSPA', none))[0]?.problem?.code).toBe('load-error');
    expect((await open('LADSPA', other))[0]?.problem?.code).toBe('no-entry');
  });
  it('a program that was cut off has one of the facts', async () => {
    const cut = join(built, 'cut.so');
    writeFileSync(cut, readFileSync(join(built, 'well.so')).subarray(0, 3_000));
    const [copy] = await open('LADSPA', cut);
    expect(['crashed', 'load-error']).toContain(copy?.problem?.code);
  });
  it('another architecture stays as it was read', async () => {
    const foreign = { ...copyOf('LADSPA', join(built, 'well.so')), architectures: ['arm64'] };
    expect(await opener.open([foreign])).toEqual([foreign]);
  });
  it('leaves nothing running and nothing written outside the throwaway home', async () => {
    opener.close();
    expect(await leftRunning()).toEqual([]);
    expect(process.cwd()).toBe(directory);
    expect(existsSync(join(homedir(), '.misbehave'))).toBe(false);
    expect(readdirSync(homedir()).filter((name) => !before.has(name))).toEqual([]);
    expect(homes().filter((name) => !homesBefore.has(name))).toEqual([]);
  });
});
