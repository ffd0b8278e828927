/**
 * Opening installed plugins on two lanes with processes that are renewed, against a fresh process for
 * each file in the same run.
 */
import { bareCopy, type Format, type FoundCopy } from '@clever-drawer/core/formats';
import { Opener } from '@clever-drawer/server/opener';
import { walk } from '@clever-drawer/server/scanner';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { measured, timed, type Measured, type Outcome } from './measure.ts';

const places: readonly (readonly [string, Format])[] = [
  ['/usr/lib/ladspa', 'LADSPA'],
  ['/usr/lib/clap', 'CLAP'],
  ['/usr/lib/vst', 'VST2'],
  ['/usr/lib/lxvst', 'VST2'],
];
/** Files of the aim: 450 in under 10 s. What is installed is opened over and over until that. */
const wanted = 450;
const rounds = 3;

export async function benchOpen(): Promise<Outcome> {
  const installed = places
    .filter(([path]) => existsSync(path))
    .flatMap(([path, format]) =>
      walk(path, [format], () => false).bundles.map((bundle) => copyOf(format, bundle.path)),
    );
  if (installed.length === 0) {
    throw new Error('No LADSPA, CLAP or VST2 plugin is installed to be opened.');
  }
  const copies = Array.from(
    { length: wanted },
    (_, at) => installed[at % installed.length] as FoundCopy,
  );
  const peak = { ours: 0 };
  const renewed: number[] = [];
  const fresh: number[] = [];
  for (let round = 0; round < rounds; round += 1) {
    renewed.push(await timed(() => openAll(copies, peak)));
    fresh.push(await timed(() => openEachAlone(copies)));
  }
  const against = { name: 'a fresh process a file, two lanes', samples: fresh };
  const rows: Measured[] = [
    measured(
      `open ${wanted} files (${installed.length} installed ones, again and again), two lanes`,
      renewed,
      against,
    ),
  ];
  const rate = Math.round(wanted / ((rows[0]?.median ?? 1) / 1000));
  const line = `Files a second: ${rate}. Most memory of one opening process: ${Math.round(peak.ours / 1024)} MiB.`;
  return { rows, tables: [line], facts: { filesPerSecond: rate, peakKilobytes: peak.ours } };
}

const copyOf = (format: Format, path: string): FoundCopy => ({
  ...bareCopy(format, path),
  binary: path,
});

async function openAll(copies: readonly FoundCopy[], peak: { ours: number }): Promise<void> {
  const opener = new Opener({ lanes: 2 });
  const timer = setInterval(() => {
    peak.ours = Math.max(peak.ours, ...openingProcesses().map(memoryOf));
  }, 100);
  await Promise.all(copies.map((copy) => opener.open([copy])));
  clearInterval(timer);
  opener.close();
}

async function openEachAlone(copies: readonly FoundCopy[]): Promise<void> {
  const waiting = [...copies];
  const lane = async (): Promise<void> => {
    for (let copy = waiting.pop(); copy; copy = waiting.pop()) {
      const opener = new Opener({ lanes: 1 });
      await opener.open([copy]);
      opener.close();
    }
  };
  await Promise.all([lane(), lane()]);
}

function openingProcesses(): string[] {
  return readdirSync('/proc').filter(
    (name) => /^\d+$/.test(name) && fileOf(name, 'cmdline').includes('child/worker.mjs'),
  );
}

const memoryOf = (process: string): number =>
  Number(/VmRSS:\s+(\d+)/.exec(fileOf(process, 'status'))?.[1] ?? 0);

function fileOf(process: string, name: string): string {
  try {
    return readFileSync(`/proc/${process}/${name}`, 'utf8');
  } catch {
    return '';
  }
}
