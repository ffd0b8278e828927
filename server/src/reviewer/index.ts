/** What works reviews out beside the server. */
export type { ReviewFacts } from './review-worker.ts';
export { Reviewer } from './reviewer.ts';
