/** Shelves on the real file system: in step, healed, removed, and nothing of anybody else's touched. */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { execFileSync } from 'node:child_process';
import {
  existsSync,
  lstatSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  readlinkSync,
  renameSync,
  rmSync,
  symlinkSync,
  unlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ShelfEntry, ShelfPlan } from '@clever-drawer/core/exchange';
import { shelfRecordName } from './shelf-record.ts';
import { whyNotNear } from '../reach.ts';
import { writeShelf, type ShelfOutcome } from './write-shelf.ts';

/** How a shelf may be anywhere but near places. */
const near = (never: readonly string[] = []) => ({
  key: Buffer.alloc(32, 7),
  whyNot: (real: string) => whyNotNear(real, never),
});
let base = '';
let root = '';
beforeEach(() => {
  base = mkdtempSync(join(tmpdir(), 'clever-drawer-shelf-'));
  root = join(base, 'shelf');
});
afterEach(() => {
  rmSync(base, { recursive: true, force: true });
});

const directory: ShelfEntry = { kind: 'directory' };
const link = (to: string): ShelfEntry => ({ kind: 'link', to });
const card = (text: string): ShelfEntry => ({ kind: 'card', text });
const plan: ShelfPlan = new Map<string, ShelfEntry>([
  ['Squeeze', directory],
  ['Squeeze/Gentle', directory],
  ['Squeeze/Gentle/Alder.vst3', link('/plugins/alder.vst3')],
  ['Squeeze/Brine.lv2', link('/plugins/brine.lv2')],
  ['Squeeze/Gone.txt', card('Gone\n')],
]);

async function write(
  wanted: ShelfPlan,
  more: Partial<Parameters<typeof writeShelf>[2]> = {},
): Promise<ShelfOutcome> {
  const written = await writeShelf(root, wanted, { ...near(), ...more });
  if (!written.ok) {
    throw new Error(JSON.stringify(written.problems));
  }
  return written.value;
}

/** Everything below a directory, as GNU find has it. */
const listed = (): string[] =>
  execFileSync(
    'find',
    [root, '-mindepth', '1', '-not', '-name', shelfRecordName, '-printf', '%P %y %l\n'],
    {
      encoding: 'utf8',
    },
  )
    .split('\n')
    .filter((line) => line !== '')
    .sort();

const planned = (wanted: ShelfPlan): string[] =>
  [...wanted]
    .map(([path, entry]) => {
      const letter = { directory: 'd', link: 'l', card: 'f' }[entry.kind];
      return `${path} ${letter} ${entry.kind === 'link' ? entry.to : ''}`;
    })
    .sort();

describe('a shelf', () => {
  it('is what was planned, and written a second time changes nothing', async () => {
    expect((await write(plan, { isDry: true })).actions).toHaveLength(5);
    expect(existsSync(root)).toBe(false);
    await write(plan);
    expect(listed()).toEqual(planned(plan));
    expect(await write(plan)).toEqual({ actions: [], kept: 5 });
  });

  it('is healed where half of it was taken away, and brought into step with another plan', async () => {
    await write(plan);
    rmSync(join(root, 'Squeeze/Gentle'), { recursive: true });
    await write(plan);
    expect(listed()).toEqual(planned(plan));
    const next = new Map<string, ShelfEntry>([
      ['Wobble', directory],
      ['Wobble/Alder.vst3', link('/plugins/alder.vst3')],
      ['Squeeze', directory],
      ['Squeeze/Brine.lv2', link('/elsewhere/brine.lv2')],
    ]);
    await write(next);
    expect(listed()).toEqual(planned(next));
  });

  it('is brought into step quickly by what changed alone', async () => {
    await write(plan);
    unlinkSync(join(root, 'Squeeze/Gentle/Alder.vst3'));
    const next = new Map<string, ShelfEntry>([...plan, ['Squeeze/New.lv2', link('/new.lv2')]]);
    const { actions, kept } = await write(next, { isQuick: true });
    expect(actions.map(({ does, path }) => `${does} ${path}`)).toEqual(['make Squeeze/New.lv2']);
    expect(kept).toBe(5);
    // What somebody deleted comes back when all is looked at.
    await write(next);
    expect(listed()).toEqual(planned(next));
  });

  it('is whatever plan comes after whatever plan, and removed cleanly', async () => {
    const segment = fc.constantFrom('a', 'b', 'c');
    const entries = fc.array(
      fc.tuple(fc.array(segment, { minLength: 1, maxLength: 3 }), fc.constantFrom('link', 'card')),
      { maxLength: 8 },
    );
    const planOf = (drawn: readonly (readonly [string[], string])[]): ShelfPlan => {
      const made = new Map<string, ShelfEntry>();
      for (const [path, kind] of drawn) {
        for (let length = 1; length < path.length; length += 1) {
          made.set(path.slice(0, length).join('/'), directory);
        }
        const leaf = `${path.join('/')}.${kind}`;
        made.set(leaf, kind === 'link' ? link(`/to/${leaf}`) : card(leaf));
      }
      return new Map([...made].sort(([a], [b]) => a.length - b.length));
    };
    await fc.assert(
      fc.asyncProperty(fc.array(entries, { minLength: 1, maxLength: 3 }), async (rounds) => {
        for (const drawn of rounds) {
          const wanted = planOf(drawn);
          await write(wanted);
          if (wanted.size > 0) {
            expect(listed()).toEqual(planned(wanted));
          }
        }
        await write(new Map());
        expect(existsSync(root)).toBe(false);
      }),
      { numRuns: 25 },
    );
  });

  it('leaves everything that somebody else put there', async () => {
    await write(plan);
    writeFileSync(join(root, 'Squeeze/notes.txt'), 'mine');
    writeFileSync(join(root, 'Squeeze/Gone.txt'), 'my own words');
    unlinkSync(join(root, 'Squeeze/Brine.lv2'));
    symlinkSync('/my/own', join(root, 'Squeeze/Brine.lv2'));
    const { actions } = await write(plan);
    expect(actions.map(({ does, path }) => `${does} ${path}`)).toEqual([
      'leave Squeeze/Brine.lv2',
      'leave Squeeze/Gone.txt',
    ]);
    await write(new Map());
    expect(readFileSync(join(root, 'Squeeze/notes.txt'), 'utf8')).toBe('mine');
    expect(readFileSync(join(root, 'Squeeze/Gone.txt'), 'utf8')).toBe('my own words');
    expect(readlinkSync(join(root, 'Squeeze/Brine.lv2'))).toBe('/my/own');
    expect(listed()).toHaveLength(4);
  });

  it('never follows a link out', async () => {
    await write(plan);
    const outside = join(base, 'outside');
    mkdirSync(join(outside, 'Gentle'), { recursive: true });
    writeFileSync(join(outside, 'Gone.txt'), 'Gone\n');
    rmSync(join(root, 'Squeeze'), { recursive: true });
    symlinkSync(outside, join(root, 'Squeeze'));
    await write(plan);
    await write(new Map());
    expect(readFileSync(join(outside, 'Gone.txt'), 'utf8')).toBe('Gone\n');
    expect(existsSync(join(outside, 'Brine.lv2'))).toBe(false);
    expect(lstatSync(join(root, 'Squeeze')).isSymbolicLink()).toBe(true);
  });

  it('does not believe a note that leads out of it', async () => {
    await write(plan);
    const victim = join(base, 'victim.txt');
    writeFileSync(victim, 'Gone\n');
    const note = join(root, shelfRecordName);
    const record = JSON.parse(readFileSync(note, 'utf8')) as {
      entries: Record<string, { kind: string; mark: string }>;
    };
    record.entries['../victim.txt'] = record.entries['Squeeze/Gone.txt'] ?? {
      kind: 'card',
      mark: '',
    };
    writeFileSync(note, JSON.stringify(record));
    expect((await writeShelf(root, new Map(), near())).ok).toBe(false);
    expect(existsSync(victim)).toBe(true);
  });

  it('is refused where other things are, and in and around places of plugins', async () => {
    mkdirSync(root);
    writeFileSync(join(root, 'song.txt'), '');
    expect((await writeShelf(root, plan, near())).ok).toBe(false);
    rmSync(root, { recursive: true });
    const never = [join(base, 'plugins')];
    expect((await writeShelf(join(base, 'plugins/shelf'), plan, near(never))).ok).toBe(false);
    expect((await writeShelf(base, plan, near(never))).ok).toBe(false);
    expect(existsSync(join(base, 'plugins'))).toBe(false);
  });

  it('does not take a directory for its own by a note that somebody put there', async () => {
    await write(plan);
    const full = join(base, 'full');
    mkdirSync(join(full, 'Squeeze'), { recursive: true });
    writeFileSync(join(full, 'Squeeze/Gone.txt'), 'Gone\n');
    // Signed, but for another directory; and one that is not signed at all.
    for (const note of [
      readFileSync(join(root, shelfRecordName), 'utf8'),
      JSON.stringify({ version: 1, entries: { 'Squeeze/Gone.txt': { kind: 'card', mark: '' } } }),
    ]) {
      writeFileSync(join(full, shelfRecordName), note);
      expect((await writeShelf(full, new Map(), near())).ok).toBe(false);
      expect(readFileSync(join(full, 'Squeeze/Gone.txt'), 'utf8')).toBe('Gone\n');
    }
  });

  it('writes through no link that is called like what it writes for a moment', async () => {
    await write(plan);
    const victim = join(base, 'victim.txt');
    writeFileSync(victim, 'mine');
    symlinkSync(victim, join(root, `${shelfRecordName}.new`));
    rmSync(join(root, shelfRecordName));
    symlinkSync(victim, join(root, shelfRecordName));
    await writeShelf(root, plan, near());
    expect(readFileSync(victim, 'utf8')).toBe('mine');
  });

  it.each(['in', 'around'])(
    'is refused by a link to a place of plugins, and a place named by a link: %s it',
    async (where) => {
      const place = join(base, 'plugins');
      mkdirSync(join(place, 'below'), { recursive: true });
      symlinkSync(place, join(base, 'link'));
      const [shelf, never] =
        where === 'in' ? [join(base, 'link/new/shelf'), place] : [place, join(base, 'link/below')];
      const written = await writeShelf(shelf, plan, near([never]));
      expect(written).toMatchObject({ ok: false, problems: [{ code: 'directory-refused' }] });
      const byLink = await writeShelf(join(place, 'shelf'), plan, near([join(base, 'link')]));
      expect(byLink.ok).toBe(false);
      expect(readdirSync(place)).toEqual(['below']);
    },
  );

  it('stops when its directory is put elsewhere while it is written', async () => {
    const place = join(base, 'plugins');
    mkdirSync(place);
    const long: [string, ShelfEntry][] = Array.from({ length: 2_000 }, (_, at) => [
      `D${at}`,
      directory,
    ]);
    const writing = writeShelf(root, new Map(long), near([place]));
    while (!existsSync(join(root, 'D3'))) {
      await new Promise((resolve) => setTimeout(resolve, 1));
    }
    renameSync(root, join(place, 'shelf'));
    symlinkSync(place, root);
    expect((await writing).ok).toBe(false);
    expect(readdirSync(place)).toEqual(['shelf']);
    const written = readdirSync(join(place, 'shelf')).length;
    expect(written).toBeLessThan(2_000);
  });

  it.each([
    ['a name that no disk takes', 'x'.repeat(300)],
    ['a name below a file', 'file/shelf'],
    ['the system’s own directories', '/proc/shelf'],
    ['a link that leads nowhere', 'nowhere/shelf'],
  ])('is refused in words, and nothing is left: %s', async (_, name) => {
    writeFileSync(join(base, 'file'), '');
    symlinkSync('/nothing/there', join(base, 'nowhere'));
    const written = await writeShelf(name.startsWith('/') ? name : join(base, name), plan, near());
    expect(written).toMatchObject({ ok: false, problems: [{ code: 'directory-refused' }] });
    expect(readdirSync(base).sort()).toEqual(['file', 'nowhere']);
  });

  it('removes what it made when it cannot go on', async () => {
    const broken = new Map<string, ShelfEntry>([...plan, ['y'.repeat(300), link('/plugins/y')]]);
    const written = await writeShelf(root, broken, near());
    expect(written).toMatchObject({
      ok: false,
      problems: [{ detail: expect.stringContaining('longer than its disk takes') }],
    });
    expect(existsSync(root) ? listed() : []).toEqual([]);
  });

  it('waits for no pipe that is called like its note', async () => {
    mkdirSync(root);
    execFileSync('mkfifo', [join(root, shelfRecordName)]);
    expect((await writeShelf(root, plan, near())).ok).toBe(false);
  });
});
