/** What a question is called in lists: its plugin's name and vendor, or the two vendors it is about. */
import type { Question } from '@clever-drawer/core';
import { useArrangement } from '../studio/contexts.ts';

export function useTitle(): (question: Question) => {
  readonly name: string;
  readonly beside: string;
} {
  const { nameOf } = useArrangement();
  return (question) =>
    question.variant !== 'vendor' || question.plugin
      ? {
          name: question.plugin ? nameOf(question.plugin) : '',
          beside: question.plugin?.vendor ?? 'no vendor named',
        }
      : { name: question.near?.a.name ?? '', beside: question.near?.b.name ?? '' };
}
