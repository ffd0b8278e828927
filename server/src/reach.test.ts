/** What requests may have read and written: paths as they really are, and as somebody makes them look. */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { mkdirSync, mkdtempSync, realpathSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { leadsNowhere, realPathOf } from './files/index.ts';
import { Reach } from './reach.ts';

let base: string;
let reach: Reach;
const at = (path: string): string => join(base, path);

beforeEach(() => {
  base = realpathSync(mkdtempSync(join(tmpdir(), 'clever-drawer-reach-')));
  for (const path of ['home/own', 'data/cluster', 'plugins/below', 'other', 'named']) {
    mkdirSync(at(path), { recursive: true });
  }
  symlinkSync(at('plugins'), at('home/to-plugins'));
  symlinkSync(at('data'), at('home/to-data'));
  symlinkSync(at('other'), at('home/to-other'));
  symlinkSync(at('plugins'), at('place-by-link'));
  symlinkSync(at('nothing'), at('home/nowhere'));
  symlinkSync(at('home/circle'), at('home/circle'));
  reach = reachOf();
});
afterEach(() => {
  rmSync(base, { recursive: true });
});

/** As those who write ask: what a path really is, and then why nothing is written there. */
async function whyNotWritten(path: string, by = reach): Promise<string | null> {
  const real = await realPathOf(path);
  return real === null ? leadsNowhere(path) : by.whyNotWritten(real);
}
async function whyNotBackups(path: string): Promise<string | null> {
  return reach.whyNotBackups((await realPathOf(path)) ?? '');
}

const reachOf = (more: { home?: string; allowed?: string[]; places?: string[] } = {}): Reach =>
  new Reach({
    data: at('data'),
    home: more.home ?? at('home'),
    allowed: more.allowed ?? [at('named')],
    places: () => Promise.resolve(more.places ?? [at('plugins')]),
  });

describe('writing', () => {
  it.each(['home/shelf', 'home/own/new/deep', 'named/shelf', 'named'])(
    'may be done at home, and where it was said: %s',
    async (path) => {
      expect(await whyNotWritten(at(path))).toBeNull();
    },
  );
  it.each([
    ['other', 'not in a directory'],
    ['home/../other', 'not in a directory'],
    ['home/to-other', 'not in a directory'],
    ['home/to-other/new', 'not in a directory'],
    ['home/to-plugins', 'nothing is ever written there'],
    ['home/to-plugins/new/deep', 'nothing is ever written there'],
    ['plugins/below', 'nothing is ever written there'],
    ['data/x', 'its own data'],
    ['data', 'its own data'],
    ['.', 'its own data'],
    ['home/to-data/cluster', 'its own data'],
    ['home/nowhere/x', 'leads nowhere'],
    ['home/circle/x', 'leads nowhere'],
  ])('is refused with a reason: %s', async (path, words) => {
    expect(await whyNotWritten(at(path))).toContain(words);
  });
  it('is refused in a place that was added by a link', async () => {
    const linked = reachOf({ places: [at('place-by-link')], allowed: [base] });
    expect(await whyNotWritten(at('plugins/new'), linked)).toContain('nothing is ever written');
    expect(await whyNotWritten(at('plugins'), linked)).toContain('nothing is ever written');
  });
  it.each(['/etc/x', '/usr/local/x', '/var/x', '/proc/x', '/dev/shm/x', '/sys/x', '/'])(
    'is refused in the system, though all was allowed: %s',
    async (path) => {
      expect(await whyNotWritten(path, reachOf({ allowed: ['/'] }))).not.toBeNull();
    },
  );
  it('may be done in just that part of the system that was said, and never in what is no disk', async () => {
    const said = reachOf({ allowed: ['/var/tmp', '/proc', '/var'] });
    expect(await whyNotWritten('/var/tmp/x', said)).toBeNull();
    expect(await whyNotWritten('/var/x', said)).not.toBeNull();
    expect(await whyNotWritten('/proc/x', said)).not.toBeNull();
  });
  it('is not done in the home of a service', async () => {
    const service = reachOf({ home: '/var/lib', allowed: [] });
    expect(await whyNotWritten('/var/lib/x', service)).not.toBeNull();
  });
});

describe('reading', () => {
  it.each(['home', 'home/own', 'named', 'plugins/below'])(
    'may be done at home, in places, and where it was said: %s',
    async (path) => {
      expect(await reach.whyNotRead(at(path))).toBeNull();
    },
  );
  it.each(['other', 'home/to-other', 'data', '../..', 'home/nowhere'])(
    'is refused elsewhere: %s',
    async (path) => {
      expect(await reach.whyNotRead(at(path))).toContain('--allow');
    },
  );
});

describe('backups', () => {
  it('may lie beside the data in their own directory, and nowhere else there', async () => {
    expect(await whyNotBackups(at('data/backups'))).toBeNull();
    expect(await whyNotBackups(at('data/cluster'))).not.toBeNull();
    expect(await whyNotBackups(at('plugins'))).not.toBeNull();
  });
  it('may not be led elsewhere by a link', async () => {
    symlinkSync(at('plugins'), at('data/backups'));
    expect(await whyNotBackups(at('data/backups'))).not.toBeNull();
  });
});
