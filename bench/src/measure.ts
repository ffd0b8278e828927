/** Timing, percentiles and tables. */

/** The value below which a share of the samples lie. */
export function percentile(samples: readonly number[], share: number): number {
  const sorted = [...samples].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
}

export const median = (samples: readonly number[]): number => percentile(samples, 0.5);

/** Milliseconds that some work takes. */
export async function timed(work: () => unknown): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

/** One line of a bench: what, how long in milliseconds, and how that compares. */
export interface Measured {
  readonly what: string;
  readonly median: number;
  readonly p95: number;
  /** Against which alternative, in the same run, with its own times. */
  readonly against?: { readonly name: string; readonly median: number; readonly p95: number };
}

/** What a bench may give beside its rows: further tables in Markdown, and their figures for the JSON. */
export interface Outcome {
  readonly rows: readonly Measured[];
  readonly tables: readonly string[];
  readonly facts: object;
}

interface Times {
  readonly median: number;
  readonly p95: number;
}

const timesOf = (samples: readonly number[]): Times => ({
  median: median(samples),
  p95: percentile(samples, 0.95),
});

export const measured = (
  what: string,
  samples: readonly number[],
  against?: { name: string; samples: readonly number[] },
): Measured => ({
  what,
  ...timesOf(samples),
  ...(against ? { against: { name: against.name, ...timesOf(against.samples) } } : {}),
});

const ms = (value: number): string => (value < 10 ? value.toFixed(2) : value.toFixed(0));

/** What it is held against: its times, and how many times as long this takes at the median and at the 95th. */
function comparison({ median: own, p95, against }: Measured): string {
  if (!against) {
    return '|  |  |';
  }
  const times = `${against.name}: ${ms(against.median)} (${ms(against.p95)})`;
  const ratios = `${(own / against.median).toFixed(2)} × (${(p95 / against.p95).toFixed(2)} ×)`;
  return `| ${times} | ${ratios} |`;
}

/** A table in Markdown. */
export function tableOf(rows: readonly Measured[]): string {
  const lines = rows.map((r) => `| ${r.what} | ${ms(r.median)} | ${ms(r.p95)} ${comparison(r)}`);
  return [
    '| what | median ms | 95th ms | against, median (95th) | ratio (at the 95th) |',
    '| --- | ---: | ---: | --- | ---: |',
    ...lines,
  ].join('\n');
}
