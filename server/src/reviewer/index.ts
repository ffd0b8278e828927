/** What works reviews out beside the server. */
export type { ToldLoad } from './told-loads.ts';
export type { Told } from './review-worker.ts';
export { Reviewer } from './reviewer.ts';
