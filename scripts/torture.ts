/**
 * `npm run torture`: Clever Drawer is killed, raced, flooded and fed with nonsense for fifteen minutes
 * (`-- --long`: an hour; `-- --minutes N`), on loopback and in directories of its own. Prints a table
 * of what was tried and what failed, which must be nothing, and writes it into docs/reliability.md.
 */
import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import builtHelpers from './built-helpers.ts';
import { Tally } from './torture/client.ts';
import { trials } from './torture/trials.ts';

const { values } = parseArgs({
  options: {
    long: { type: 'boolean', default: false },
    minutes: { type: 'string' },
    only: { type: 'string' },
    'no-docs': { type: 'boolean', default: false },
  },
});
const minutes = Number(values.minutes ?? (values.long ? 60 : 15));
const document = resolve(import.meta.dirname, '../docs/reliability.md');
const marks = { begin: '<!-- torture -->', end: '<!-- /torture -->' };

interface Row {
  readonly name: string;
  readonly tally: Tally;
}

// The program is started hundreds of times: built, it takes a third of the time.
await builtHelpers();
const wanted = trials.filter(({ name }) => name.includes(values.only ?? ''));
const share = (minutes * 60_000) / Math.max(1, wanted.length + (values.only ? 0 : 1));
const rows: Row[] = [];
for (const { name, run } of wanted) {
  const tally = new Tally();
  await run(tally, Date.now() + share).catch((error: unknown) => {
    tally.fail(`the trial itself broke off: ${String(error)}`);
  });
  rows.push({ name, tally });
  console.log(lineOf({ name, tally }));
  for (const failure of new Set(tally.failures)) {
    console.log(`    ${failure}`);
  }
}
if (!values.only) {
  const row = drawHistories();
  rows.push(row);
  console.log(lineOf(row));
}
const failed = rows.reduce((sum, { tally }) => sum + tally.failures.length, 0);
if (!values['no-docs'] && !values.only) {
  writeDocument();
}
process.exit(failed === 0 ? 0 : 1);

/** Histories at random with the server's own test, more of them than `./check` draws. */
function drawHistories(): Row {
  const tally = new Tally();
  const seeds = Math.max(5, Math.round(minutes * 2));
  tally.tried = 2 * seeds;
  try {
    execFileSync('npx', ['jest', '--forceExit', 'server/src/history'], {
      stdio: 'pipe',
      env: {
        ...process.env,
        HISTORY_SEEDS: String(seeds),
        NODE_OPTIONS: '--experimental-vm-modules --disable-warning=ExperimentalWarning',
      },
    });
  } catch (error) {
    tally.fail(String((error as { stderr?: Buffer }).stderr ?? error).slice(-1_000));
  }
  return { name: 'histories at random, undone and redone while copies move', tally };
}

function lineOf({ name, tally }: Row): string {
  const slowest = tally.slowest === 0 ? '' : (tally.slowest / 1000).toFixed(1);
  return `| ${name} | ${tally.tried.toLocaleString('en')} | ${tally.away.toLocaleString('en')} | ${tally.failures.length} | ${slowest} |`;
}

function writeDocument(): void {
  const text = readFileSync(document, 'utf8');
  const [before = '', rest = ''] = text.split(marks.begin);
  const after = rest.split(marks.end)[1] ?? '';
  const table = [
    `Run on ${new Date().toISOString().slice(0, 10)}, ${minutes} minutes, ${cpus().length} cores:`,
    '',
    '| trial | tried | refused in words meanwhile | failed | slowest answer, s |',
    '| --- | ---: | ---: | ---: | ---: |',
    ...rows.map(lineOf),
  ].join('\n');
  writeFileSync(document, `${before}${marks.begin}\n\n${table}\n\n${marks.end}${after}`);
}
