/** What works reviews out beside the server. */
export type { LoadRow } from './load-rows.ts';
export type { Told } from './review-worker.ts';
export { Reviewer } from './reviewer.ts';
