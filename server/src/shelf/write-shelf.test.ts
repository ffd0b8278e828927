/** Shelves on the real file system: in step, healed, removed, and nothing of anybody else's touched. */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { execFileSync } from 'node:child_process';
import {
  existsSync,
  lstatSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readlinkSync,
  rmSync,
  symlinkSync,
  unlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ShelfEntry, ShelfPlan } from '@clever-drawer/core';
import { shelfRecordName, writeShelf, type ShelfOutcome } from './write-shelf.ts';

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
  more: Parameters<typeof writeShelf>[2] = {},
): Promise<ShelfOutcome> {
  const written = await writeShelf(root, wanted, more);
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
    await write(new Map());
    expect(existsSync(victim)).toBe(true);
  });

  it('is refused where other things are, and in and around places of plugins', async () => {
    mkdirSync(root);
    writeFileSync(join(root, 'song.txt'), '');
    expect((await writeShelf(root, plan)).ok).toBe(false);
    rmSync(root, { recursive: true });
    const never = [join(base, 'plugins')];
    expect((await writeShelf(join(base, 'plugins/shelf'), plan, { never })).ok).toBe(false);
    expect((await writeShelf(base, plan, { never })).ok).toBe(false);
    expect(existsSync(join(base, 'plugins'))).toBe(false);
  });
});
