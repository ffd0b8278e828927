/** The keywords of a new smart folder, fetched when they are asked for: a part of a form that comes with the screen. */
import { fetchedBehind, partOf } from '../../ui/behind.ts';

const keywords = fetchedBehind(() => import('./keywords-field.tsx'));

export const KeywordsField = partOf(keywords, (module) => module.KeywordsField);
