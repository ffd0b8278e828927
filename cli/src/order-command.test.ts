/**
 * `order` and `carry` on Debian's packages. Truth for carrying: what the LV2 plugins of `swh-lv2`
 * declare to replace (dc:replaces, urn:ladspa:UniqueID) among the LADSPA plugins of `swh-plugins`,
 * whose unique ids opening tells.
 */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  bundlesOfPackages,
  filesOfPackage,
  linkAll,
} from '../../core/src/formats/debian-packages.test-data.ts';
import { run } from './main.ts';

interface Copy {
  readonly identity: string | null;
  readonly uniqueId?: number | null;
  readonly replaces: readonly string[];
}
interface Carried {
  readonly from: { readonly name: string; readonly identities: readonly string[] };
  readonly to: readonly string[];
  readonly how: string;
  readonly probability: number;
}

const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-order-'));
const file = (name: string): string => join(directory, name);
afterAll(() => {
  rmSync(directory, { recursive: true });
});

async function command(
  ...args: string[]
): Promise<{ out: string; errors: string; status: number }> {
  const out: string[] = [];
  const errors: string[] = [];
  const status = await run(args, {
    out: (line) => out.push(line),
    error: (line) => errors.push(line),
  });
  return { out: out.join('\n'), errors: errors.join('\n'), status };
}

/** Runs a command, and keeps what it writes in a file. */
async function keep(name: string, ...args: string[]): Promise<void> {
  writeFileSync(file(name), (await command(...args)).out);
}

const linesOf = <T>(text: string): T[] =>
  text
    .split('\n')
    .filter((line) => line !== '')
    .map((line) => JSON.parse(line) as T);
const copiesIn = (name: string): Copy[] => linesOf(readFileSync(file(name), 'utf8'));

beforeAll(async () => {
  const lv2 = linkAll(file('lv2'), bundlesOfPackages(['swh-lv2']));
  const ladspa = linkAll(file('ladspa'), filesOfPackage('swh-plugins', '.so'));
  await keep('lv2.ndjson', 'scan', lv2);
  await keep('ladspa.ndjson', 'scan', ladspa, '--open');
  await keep('order.json', 'order', 'make', file('lv2.ndjson'), '--folder', 'All of it');
});

describe('order', () => {
  it('makes a document whose folder holds every plugin, and finds nothing wrong with it', async () => {
    const { out, status } = await command('order', 'check', file('order.json'));
    expect(status).toBe(0);
    const grouped = await command('group', file('lv2.ndjson'));
    const count = linesOf(grouped.out).length;
    expect(count).toBeGreaterThan(80);
    expect(JSON.parse(out)).toMatchObject({ plugins: count, placements: count, cabinets: 1 });
    const document = JSON.parse(readFileSync(file('order.json'), 'utf8')) as {
      cabinets: { folders: { name: string }[] }[];
    };
    expect(document.cabinets[0]?.folders.at(-1)?.name).toBe('All of it');
  });

  it('says what is wrong and where, and ends with 1', async () => {
    const text = readFileSync(file('order.json'), 'utf8');
    writeFileSync(file('cut.json'), text.slice(0, text.length / 2));
    const { errors, status } = await command('order', 'check', file('cut.json'));
    expect(status).toBe(1);
    expect(errors).toMatch(/cut\.json: .*line \d+/);
    expect((await command('order', 'check', file('none.json'))).errors).toContain('cannot be read');
    expect((await command('order', 'melt')).status).toBe(2);
  });

  it('compares two documents', async () => {
    const text = readFileSync(file('order.json'), 'utf8');
    const [first = '', second = ''] = [
      ...text.matchAll(/"plugins": \[\s+"(\w+)",\s+"(\w+)"/g),
    ].flatMap((match) => match.slice(1));
    writeFileSync(
      file('other.json'),
      text.replace('All of it', 'Harris').replace(`"${first}",`, ''),
    );
    expect(second).not.toBe('');
    const { out } = await command('order', 'diff', file('order.json'), file('other.json'));
    const lines = linesOf<{ what: string; about: string; name: string; plugins: string[] }>(out);
    expect(lines).toContainEqual(
      expect.objectContaining({ what: 'changes', about: 'folder', name: 'All of it' }),
    );
    const goes = lines.filter(({ what }) => what === 'goes');
    expect(goes).toHaveLength(1);
    expect(goes[0]?.plugins).toHaveLength(1);
    const same = await command('order', 'diff', file('order.json'), file('order.json'));
    expect(same.out).toBe('');
  });
});

describe('carry', () => {
  it('finds at least 95 % of the declared pairs, and at most 1 % wrong ones', async () => {
    const byUniqueId = new Map<number | null | undefined, string>(
      copiesIn('ladspa.ndjson').map((copy) => [copy.uniqueId, `LADSPA ${copy.identity ?? ''}`]),
    );
    const truth = new Map<string, string[]>(
      copiesIn('lv2.ndjson').flatMap(({ identity, replaces }) => {
        const there = replaces
          .map((urn) => byUniqueId.get(Number(/^urn:ladspa:(\d+)$/.exec(urn)?.[1])))
          .filter((one) => one !== undefined);
        return there.length > 0 ? [[`LV2 ${identity ?? ''}`, there]] : [];
      }),
    );
    expect(truth.size).toBeGreaterThan(80);
    const { out, status } = await command('carry', file('order.json'), file('ladspa.ndjson'));
    expect(status).toBe(0);
    const asked = linesOf<Carried>(out)
      .map((line) => ({
        ...line,
        wanted: line.from.identities.flatMap((id) => truth.get(id) ?? []),
      }))
      .filter(({ wanted }) => wanted.length > 0);
    const taken = asked.filter(({ how }) => how === 'same' || how === 'likely');
    const right = taken.filter(({ to, wanted }) => wanted.some((one) => to.includes(one)));
    expect(right.length / asked.length).toBeGreaterThanOrEqual(0.95);
    expect((taken.length - right.length) / asked.length).toBeLessThanOrEqual(0.01);
    // Said and come true: within four points.
    const said = taken.reduce((sum, { probability }) => sum + probability, 0) / taken.length;
    expect(Math.abs(said - right.length / taken.length)).toBeLessThan(0.04);
  });

  it('finds the very same by identity, and says what is missing', async () => {
    const { out } = await command('carry', file('order.json'), file('lv2.ndjson'));
    const lines = linesOf<Carried>(out);
    expect(
      lines.every(({ how, from, to }) => how === 'same' && to.join() === from.identities.join()),
    ).toBe(true);
    writeFileSync(file('nothing.ndjson'), '');
    const nothing = linesOf<Carried>(
      (await command('carry', file('order.json'), file('nothing.ndjson'))).out,
    );
    expect(nothing).toHaveLength(lines.length);
    expect(nothing.every(({ how, to }) => how === 'missing' && to.length === 0)).toBe(true);
  });
});

describe('shelf', () => {
  it('writes a folder of links that lead to the copies, keeps it in step, and says what it would do', async () => {
    const shelf = file('shelf');
    const dry = await command('shelf', file('order.json'), shelf, '--dry-run');
    expect(dry.status).toBe(0);
    expect(existsSync(shelf)).toBe(false);
    const { status, errors } = await command('shelf', file('order.json'), shelf, '--figures');
    expect([status, errors]).toEqual([0, expect.stringContaining(' 0 left')]);
    const folder = readdirSync(shelf).find((name) => name.endsWith('All of it')) ?? '';
    const links = readdirSync(join(shelf, folder));
    expect(links.length).toBeGreaterThan(80);
    expect(links[0]).toMatch(/^\d+ .*\.lv2$/);
    for (const link of links) {
      expect(existsSync(join(shelf, folder, link, 'manifest.ttl'))).toBe(true);
    }
    const again = await command('shelf', file('order.json'), shelf, '--figures');
    expect(again.out).toBe('');
    // Never where plugins lie.
    expect((await command('shelf', file('order.json'), file('lv2/shelf'))).status).toBe(1);
  });
});
