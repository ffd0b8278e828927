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
  /** Against which alternative, in the same run, and its median. */
  readonly against?: { readonly name: string; readonly median: number };
}

/** What a bench may give beside its rows: further tables in Markdown, and their figures for the JSON. */
export interface Outcome {
  readonly rows: readonly Measured[];
  readonly tables: readonly string[];
  readonly facts: object;
}

export const measured = (
  what: string,
  samples: readonly number[],
  against?: { name: string; samples: readonly number[] },
): Measured => ({
  what,
  median: median(samples),
  p95: percentile(samples, 0.95),
  ...(against ? { against: { name: against.name, median: median(against.samples) } } : {}),
});

const ms = (value: number): string => (value < 10 ? value.toFixed(2) : value.toFixed(0));

/** A table in Markdown. */
export function tableOf(rows: readonly Measured[]): string {
  const lines = rows.map(
    (r) =>
      `| ${r.what} | ${ms(r.median)} | ${ms(r.p95)} | ${r.against ? `${r.against.name}: ${ms(r.against.median)}` : ''} | ${r.against ? `${(r.median / r.against.median).toFixed(2)} ×` : ''} |`,
  );
  return [
    '| what | median ms | 95th ms | against | ratio |',
    '| --- | ---: | ---: | --- | ---: |',
    ...lines,
  ].join('\n');
}
