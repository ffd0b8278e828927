/** What the shell has worked out for the number beside the screen's name, and hands to Sort. */
import type { Questions } from '../studio/use-questions.ts';
import type { Later } from './later.ts';

export type SortContext = Questions & Later;
