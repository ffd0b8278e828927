/** `npm run bench [NAME…]`: measurements, each as a table and as JSON in bench/results. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { join, resolve } from 'node:path';
import { benchActs } from './acts.ts';
import { benchChest } from './chest.ts';
import { benchFind } from './find.ts';
import { benchFuzz } from './fuzz.ts';
import { benchGrowth } from './growth.ts';
import { benchKeep } from './keep.ts';
import { benchKeystroke } from './keystroke.ts';
import { benchLarge } from './large.ts';
import { benchLilv } from './lilv.ts';
import { tableOf, type Measured, type Outcome } from './measure.ts';
import { benchOpen } from './open.ts';
import { benchReview } from './review.ts';
import { benchRules } from './rules.ts';
import { benchScan } from './scan.ts';
import { benchSettings } from './settings.ts';
import { benchSort } from './sort.ts';
import { benchUsable } from './usable.ts';

const benches: Readonly<Record<string, () => Promise<Measured[] | Outcome>>> = {
  find: benchFind,
  scan: benchScan,
  large: benchLarge,
  lilv: benchLilv,
  fuzz: benchFuzz,
  sort: benchSort,
  keystroke: benchKeystroke,
  chest: benchChest,
  rules: benchRules,
  open: benchOpen,
  keep: benchKeep,
  review: benchReview,
  settings: benchSettings,
  acts: benchActs,
  usable: benchUsable,
  growth: benchGrowth,
};
const results = resolve(import.meta.dirname, '../results');

const wanted = process.argv.slice(2);
const unknown = wanted.find((name) => !Object.hasOwn(benches, name));
if (unknown !== undefined) {
  console.error(`There is no bench "${unknown}". Known: ${Object.keys(benches).join(', ')}.`);
  process.exit(2);
}
mkdirSync(results, { recursive: true });
for (const [name, bench] of Object.entries(benches)) {
  if (wanted.length > 0 && !wanted.includes(name)) {
    continue;
  }
  const outcome = await bench();
  const { rows, tables, facts } = Array.isArray(outcome)
    ? { rows: outcome, tables: [], facts: {} }
    : outcome;
  console.log(`\n## ${name}\n\n${[tableOf(rows), ...tables].join('\n\n')}`);
  const machine = { cpu: cpus()[0]?.model ?? '', cores: cpus().length, node: process.version };
  writeFileSync(
    join(results, `${name}.json`),
    `${JSON.stringify({ name, date: new Date().toISOString(), machine, rows, ...facts }, null, 2)}\n`,
  );
}
