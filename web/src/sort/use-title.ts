/** What a question is called in lists: its plugin's name and vendor, or the two vendors it is about. */
import { pluginsAsked, type Question } from '@clever-drawer/core/identify';
import { useArrangement } from '../studio/contexts.ts';
import * as texts from './texts.ts';

export function useTitle(): (question: Question) => {
  readonly name: string;
  readonly beside: string;
} {
  const { nameOf } = useArrangement();
  return (question) =>
    question.variant !== 'vendor' || question.plugin
      ? {
          name: named(pluginsAsked(question).map(nameOf)),
          beside: question.plugin?.vendor ?? texts.noVendorNamed,
        }
      : { name: question.near?.a.name ?? '', beside: question.near?.b.name ?? '' };
}

/** The first of several, and how many more. */
const named = ([first = '', ...rest]: readonly string[]): string =>
  rest.length === 0 ? first : texts.andMore(first, rest.length);
