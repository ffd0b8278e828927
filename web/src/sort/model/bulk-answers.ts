/** Answers for many questions at once. */
import type { Act, Said } from '@clever-drawer/core/acts';
import type { AnswerFacts } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import type { Question } from '@clever-drawer/core/identify';
import { typeName } from '@clever-drawer/core/taxonomy';
import { optionsOf } from './options.ts';
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

/**
 * The best answer of each question as one act; null where that cannot be one. What nothing speaks
 * for is left to be asked.
 */
export function bestOf(all: readonly Question[]): Act | null {
  const questions = all.filter(
    (question) => question.variant !== 'type' || question.suggestions.length > 0,
  );
  const acts = questions.flatMap((question) => {
    const option = optionsOf(question)[0];
    const isBest = option?.probability !== null || isGuess(question);
    return option && isBest ? [option.act] : [];
  });
  if (acts.length === 0 || acts.length < questions.length) {
    return null;
  }
  const said = acts.flatMap((act): readonly Said[] => (act.act === 'answer' ? act.say : []));
  if (said.length === acts.length) {
    return {
      act: 'answer',
      say: said.map((one) => ({ ...one, plugins: one.plugins.map((id) => asId(id)) })),
    };
  }
  if (acts.length === 1) {
    return acts[0] ?? null;
  }
  return null;
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
