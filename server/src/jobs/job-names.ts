/** All that runs beside requests. The torture has a trial for each: one that is missing does not compile. */

/** The jobs, in the order in which they were made; they end the last first. */
export const jobNames = [
  'practice host',
  'reviewer',
  'readers',
  'opener',
  'scans',
  'backups',
  'shelves',
  'watcher',
] as const;

/** A job. */
export type JobName = (typeof jobNames)[number];
