/**
 * Keeping: what 10,000 changes cost as points beside whole copies of the order, and a shelf of 5,000
 * entries beside the same made by a shell.
 */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { deflateSync } from 'node:zlib';
import { perform, type OrderChange } from '@clever-drawer/core/acts';
import { applyChange } from '@clever-drawer/core/change';
import type { ShelfEntry } from '@clever-drawer/core/exchange';
import { asId, type FolderId, type PluginId } from '@clever-drawer/core/id';
import { squashAll, wayBack } from '@clever-drawer/core/keep';
import { orderOf, plainFolder, type Order } from '@clever-drawer/core/order';
import { writeShelf } from '@clever-drawer/server/shelf';
import { measured, timed, type Measured, type Outcome } from './measure.ts';

const changes = 10_000;
const perDay = 100;
const plugins = 2_000;
const folders = 100;
const entries = 5_000;
const rounds = 5;

const pluginAt = (number: number): PluginId => asId(`plugin ${number % plugins}`);
const folderAt = (number: number): FolderId => asId(`folder ${number % folders}`);

/** A cabinet with folders and nothing in them. */
function emptyOrder(): Order {
  const cabinet = asId<never>('cabinet');
  return orderOf([
    { table: 'cabinet', id: cabinet, name: 'All', position: 'a', opensFor: [], sortedBy: null },
    ...Array.from({ length: folders }, (_, at) => ({
      ...plainFolder,
      table: 'folder' as const,
      id: folderAt(at),
      cabinet,
      parent: null,
      form: 'folder' as const,
      name: `Folder ${at}`,
      position: `a${String(at).padStart(4, '0')}V`,
      rule: null,
    })),
  ]);
}

/** A history: filing, naming and taking out, as one does. */
function history(): { orders: Order[]; days: OrderChange[][] } {
  let order = emptyOrder();
  const orders = [order];
  const days: OrderChange[][] = [];
  for (let number = 0; number < changes; number += 1) {
    const done = perform(
      order,
      number % 4 === 3
        ? { act: 'name', plugin: pluginAt(number * 7), nickname: `N${number}`, slotLabel: null }
        : {
            act: 'file',
            folder: folderAt(number * 13),
            before: null,
            plugins: [{ placement: asId(`placement ${number}`), plugin: pluginAt(number * 31) }],
          },
      (id) => id,
    );
    if (done.ok) {
      order = applyChange(order, done.value.change);
      const day = Math.floor(number / perDay);
      (days[day] ??= []).push(done.value.change);
    }
    if (number % perDay === perDay - 1) {
      orders.push(order);
    }
  }
  return { orders, days };
}

const kilobytes = (value: unknown): number => JSON.stringify(value).length / 1024;
const packed = (value: unknown): number => deflateSync(JSON.stringify(value)).length / 1024;

async function benchShelf(): Promise<Measured> {
  const base = mkdtempSync(join(tmpdir(), 'clever-drawer-shelf-bench-'));
  const plan = new Map<string, ShelfEntry>();
  for (let number = 0; number < entries; number += 1) {
    const directory = `Folder ${number % 100}`;
    plan.set(directory, { kind: 'directory' });
    plan.set(`${directory}/Plugin ${number}.vst3`, { kind: 'link', to: `/plugins/${number}.vst3` });
  }
  const script = join(base, 'make.sh');
  const lines = [...plan].map(([path, entry]) =>
    entry.kind === 'link' ? `ln -s ${entry.to} "$1/${path}"` : `mkdir -p "$1/${path}"`,
  );
  writeFileSync(script, lines.join('\n'));
  const ours: number[] = [];
  const shell: number[] = [];
  try {
    for (let round = 0; round < rounds; round += 1) {
      ours.push(await timed(() => writeShelf(join(base, `ours ${round}`), plan, written)));
      shell.push(await timed(() => execFileSync('sh', [script, join(base, `shell ${round}`)])));
    }
    return measured(`a shelf of ${entries} links`, ours, {
      name: 'mkdir and ln by a shell',
      samples: shell,
    });
  } finally {
    rmSync(base, { recursive: true, force: true });
  }
}

/** Shelves may be anywhere here. */
const written = { key: Buffer.alloc(32, 7), whyNot: () => Promise.resolve(null) };

async function benchOneChange(): Promise<Measured> {
  const base = mkdtempSync(join(tmpdir(), 'clever-drawer-shelf-bench-'));
  const root = join(base, 'shelf');
  const planWith = (to: string): Map<string, ShelfEntry> => {
    const plan = new Map<string, ShelfEntry>([['All', { kind: 'directory' }]]);
    for (let number = 0; number < entries; number += 1) {
      plan.set(`All/${number}.vst3`, { kind: 'link', to: number === 7 ? to : `/p/${number}` });
    }
    return plan;
  };
  try {
    await writeShelf(root, planWith('/first'), written);
    const samples: number[] = [];
    for (let round = 0; round < rounds; round += 1) {
      const plan = planWith(`/round ${round}`);
      samples.push(await timed(() => writeShelf(root, plan, { ...written, isQuick: true })));
    }
    return measured(`one change of a shelf of ${entries}, kept in step`, samples);
  } finally {
    rmSync(base, { recursive: true, force: true });
  }
}

export async function benchKeep(): Promise<Outcome> {
  const { orders, days } = history();
  const now = orders.at(-1) ?? emptyOrder();
  const squashed = days.map(squashAll);
  const back: number[] = [];
  for (let round = 0; round < rounds; round += 1) {
    back.push(await timed(() => applyChange(now, wayBack(squashed))));
  }
  const points = squashed.map(kilobytes).reduce((a, b) => a + b, 0);
  const pointsPacked = squashed.map(packed).reduce((a, b) => a + b, 0);
  const copies = orders.slice(1).map((order) => [...order.values()]);
  const whole = copies.map(kilobytes).reduce((a, b) => a + b, 0);
  const wholePacked = copies.map(packed).reduce((a, b) => a + b, 0);
  const figure = (value: number): string => Math.round(value).toLocaleString('en');
  const table = [
    `| ${changes.toLocaleString('en')} changes, a point after every ${perDay} | kB of JSON | kB packed |`,
    '| --- | ---: | ---: |',
    `| points: changes squashed | ${figure(points)} | ${figure(pointsPacked)} |`,
    `| a whole copy of the order at each | ${figure(whole)} | ${figure(wholePacked)} |`,
  ].join('\n');
  return {
    rows: [
      measured(`back over ${squashed.length} points to the first`, back),
      await benchShelf(),
      await benchOneChange(),
    ],
    tables: [table],
    facts: { points, pointsPacked, whole, wholePacked },
  };
}
