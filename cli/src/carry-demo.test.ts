/**
 * The order of each computer of the made-up studio carried to each other one. The truth is what the
 * studio was made of: which plugin a file was written for, which its name tells.
 */
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, extname, join } from 'node:path';
import { computers, placesOf, type DemoComputer } from '../../demo/src/computers.ts';
import { makePlugins } from '../../demo/src/plugins.ts';
import { slug } from '../../demo/src/write-lv2.ts';
import { studioSeed, writeStudio } from '../../demo/src/write-studio.ts';
import { run } from './main.ts';

const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-carry-'));
const file = (name: string): string => join(directory, name);
afterAll(() => {
  rmSync(directory, { recursive: true });
});

async function wordsOf(...args: string[]): Promise<string[]> {
  const out: string[] = [];
  await run(args, { out: (line) => out.push(line), error: () => undefined });
  return out;
}
const linesOf = async <T>(...args: string[]): Promise<T[]> =>
  (await wordsOf(...args)).map((line) => JSON.parse(line) as T);

/** Plugins of the studio: enough to be wrong about, few enough to be scanned three times. */
const size = 110;

/** Names that several plugins share, once as a file is called: who is meant cannot be told. */
const plugins = makePlugins(studioSeed, size).filter(({ damage }) => damage === null);
const stems = plugins.map(({ name }) => slug(name));
const clear = new Set(stems.filter((stem) => stems.indexOf(stem) === stems.lastIndexOf(stem)));
/** A 32-bit file says so behind its name. */
const productOf = (path: string): string =>
  slug(basename(path, extname(path))).replace(/-x86$/, '');

interface Copy {
  readonly format: string;
  readonly path: string;
  readonly identity: string | null;
}

/** Which product a copy is of, by what `carry` calls it. */
const products = new Map<string, Map<string, string>>();

beforeAll(async () => {
  for (const computer of computers) {
    const { places } = writeStudio(file(computer.id), size, computer);
    const copies = await linesOf<Copy>('scan', ...places);
    writeFileSync(
      file(`${computer.id}.ndjson`),
      copies.map((copy) => `${JSON.stringify(copy)}\n`).join(''),
    );
    products.set(
      computer.id,
      new Map(
        copies.map(({ format, identity, path }) => [
          `${format} ${identity ?? path}`,
          productOf(path),
        ]),
      ),
    );
    const order = await wordsOf('order', 'make', file(`${computer.id}.ndjson`));
    writeFileSync(file(`${computer.id}.json`), order.join('\n'));
  }
});

interface Carried {
  readonly from: { readonly identities: readonly string[] };
  readonly to: readonly string[];
  readonly how: string;
  readonly probability: number;
}

const pairs = computers.flatMap((from) =>
  computers.filter((to) => to !== from).map((to) => [from, to] as const),
);
/** Products of which a computer has a sound copy. */
const filedOn = (computer: DemoComputer): Set<string> =>
  new Set(
    plugins
      .filter((plugin) => placesOf(computer, plugin).length > 0)
      .map(({ name }) => slug(name))
      .filter((stem) => clear.has(stem)),
  );

describe('carrying between the computers of the studio', () => {
  it.each(pairs.map(([from, to]) => [from.id, to.id, from, to] as const))(
    'from %s to %s finds at least 95 %, and at most 1 % wrong ones',
    async (a, b, _from, to) => {
      const there = filedOn(to);
      const lines = await linesOf<Carried>('carry', file(`${a}.json`), file(`${b}.ndjson`));
      const asked = lines
        .map((line) => ({
          ...line,
          wanted: new Set(line.from.identities.map((id) => products.get(a)?.get(id) ?? '')),
          found: new Set(line.to.map((id) => products.get(b)?.get(id) ?? '')),
        }))
        .filter(({ wanted }) => [...wanted].some((one) => clear.has(one)));
      const isRight = (line: (typeof asked)[number]): boolean =>
        [...line.wanted].some((one) => line.found.has(one));
      const couldBe = asked.filter(({ wanted }) => [...wanted].some((one) => there.has(one)));
      const taken = asked.filter(({ how }) => how === 'same' || how === 'likely');
      const right = taken.filter(isRight);
      expect(couldBe.length).toBeGreaterThan(8);
      expect(right.length / couldBe.length).toBeGreaterThanOrEqual(0.95);
      expect((taken.length - right.length) / asked.length).toBeLessThanOrEqual(0.01);
    },
  );
});
