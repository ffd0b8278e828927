/** Answers for many questions at once. */
import type { Act, Said } from '@clever-drawer/core/acts';
import type { AnswerFacts } from '@clever-drawer/core/catalog';
import type { Question } from '@clever-drawer/core/identify';
import { typeName } from '@clever-drawer/core/taxonomy';
import { isLikely, optionsOf } from './options.ts';
import * as texts from '../texts.ts';

/** Whether one answer picked from a list makes sense for all of them. */
export const canPick = (sort: Question['variant']): boolean => sort === 'type' || sort === 'vendor';

/** Answers that make sense for any number of plugins. */
export function sameFor(sort: Question['variant']): { text: string; set: Partial<AnswerFacts> }[] {
  if (sort === 'kind') {
    return [
      { text: texts.allEffects, set: { kind: 'effect' } },
      { text: texts.allInstruments, set: { kind: 'instrument' } },
      { text: texts.allNoteEffects, set: { kind: 'note-effect' } },
      { text: texts.allTools, set: { kind: 'tool' } },
    ];
  }
  if (sort === 'licence') {
    return [
      { text: texts.allOwned, set: { licence: { state: 'owned', until: null } } },
      { text: texts.allOnTrial, set: { licence: { state: 'trial', until: null } } },
      { text: texts.noneLicensed, set: { licence: { state: texts.notLicensed, until: null } } },
      { text: texts.hideAllInLoad, set: { isHidden: true } },
    ];
  }
  return [];
}

/** Likely answers of some questions as one act, and to how many of them. */
export interface LikelyAnswers {
  readonly act: Act;
  readonly count: number;
}

/**
 * The best answer of each question that has a likely one; null where there is none, or where they
 * cannot be one act. The others are left to be asked.
 */
export function likelyAnswers(questions: readonly Question[]): LikelyAnswers | null {
  const acts = questions.flatMap((question) => {
    const [best] = optionsOf(question);
    const isBest = best && isLikely(best) && (best.probability !== null || isGuess(question));
    return isBest ? [best.act] : [];
  });
  const [first] = acts;
  if (!first) {
    return null;
  }
  const said = acts.flatMap((act): readonly Said[] => (act.act === 'answer' ? act.say : []));
  if (said.length === acts.length) {
    return { act: { act: 'answer', say: said }, count: acts.length };
  }
  return acts.length === 1 ? { act: first, count: 1 } : null;
}

/** Leaving one without a vendor is no best answer. */
const isGuess = (question: Question): boolean =>
  question.variant === 'vendor' && (question.near !== null || question.guesses.length > 0);

/** A question as a row of a list: its best answer, and what speaks for it. */
export function inShort(question: Question): { text: string; why: string } {
  switch (question.variant) {
    case 'type': {
      const best = question.suggestions[0];
      return {
        text: best
          ? `${typeName(best.type)} · ${Math.round(best.probability * 100)} %`
          : texts.noIdea,
        why: best?.reasons[0]?.text ?? '',
      };
    }
    case 'kind': {
      const best = optionsOf(question)[0];
      return {
        text: `${best?.text ?? ''} · ${Math.round((best?.probability ?? 0) * 100)} %`,
        why: question.reasons.map((reason) => reason.text).join('; but '),
      };
    }
    case 'twin':
      return {
        text: texts.andThose(
          question.others.map(({ vendor }) => vendor ?? texts.oneWithoutAVendor).join(', '),
        ),
        why: question.reasons[0]?.text ?? '',
      };
    case 'vendor':
      return {
        text: question.near ? texts.isItOneVendor : guessText(question.guesses[0]?.vendor),
        why: question.near?.reason ?? question.guesses[0]?.reason ?? '',
      };
    case 'licence':
      return { text: texts.canYouUseIt, why: question.hint };
    default:
      return question satisfies never;
  }
}

const guessText = (vendor: string | undefined): string =>
  vendor === undefined ? texts.noIdea : `${vendor}?`;
