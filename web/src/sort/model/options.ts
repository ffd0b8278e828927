/** What each question can be answered with. */
import type { Act } from '@clever-drawer/core/acts';
import { nobody, kindWords } from '@clever-drawer/core/catalog';
import {
  pluginsAsked,
  type Question,
  type Reason,
  type Suggestion,
  type VendorQuestion,
} from '@clever-drawer/core/identify';
import { groupOf, typeName } from '@clever-drawer/core/taxonomy';
import { ownerOf, annotateAct, spellAct } from '../../annotate/annotate.ts';
import * as texts from '../texts.ts';

export interface Option {
  /** Told apart among the options of one question. */
  readonly id: string;
  readonly text: string;
  /** From 0 to 1; null where there is no telling. */
  readonly probability: number | null;
  readonly reasons: readonly Reason[];
  readonly act: Act;
  /** Types can be chosen several at once. */
  readonly type?: string;
}

/** Best first. */
export function optionsOf(question: Question): Option[] {
  switch (question.variant) {
    case 'type':
      return childrenFirst(question.suggestions.slice(0, 5)).map(
        ({ type, probability, reasons }) => ({
          id: type,
          text: typeName(type),
          probability,
          reasons,
          type,
          act: typesAct(question, [type]),
        }),
      );
    case 'kind':
      return question.kinds.map(({ kind, probability }) => ({
        id: kind,
        text: kind === 'tool' ? texts.toolMeterOrUtility : kindWords[kind].title,
        probability,
        act: annotateAct(idsOf(question), { kind }),
        reasons: question.reasons.map((reason) => ({
          text: reason.text,
          weight: reason.kind === kind ? reason.weight : -reason.weight,
        })),
      }));
    case 'twin':
      return [
        {
          id: 'one',
          text: texts.onePlugin,
          probability: null,
          reasons: question.reasons,
          act: {
            act: 'join',
            into: ownerOf(question.plugin),
            from: question.others.map(ownerOf),
          },
        },
        {
          id: 'two',
          text: question.others.length === 1 ? texts.twoPlugins : texts.eachIsItsOwnPlugin,
          probability: null,
          reasons: question.reasons,
          act: { act: 'keep-apart', plugins: pluginsAsked(question).map(ownerOf) },
        },
      ];
    case 'vendor':
      return vendorOptions(question);
    case 'licence': {
      const reasons = [{ weight: 1, text: question.hint }];
      const options = texts.licenceNames.map(
        ([state, text]): Option => ({
          id: state,
          text,
          probability: null,
          reasons,
          act: annotateAct(idsOf(question), { licence: { state, until: null } }),
        }),
      );
      const hide: Option = {
        id: 'hidden',
        text: question.others.length === 0 ? texts.keepItInTheCatalog : texts.keepThemInTheCatalog,
        probability: null,
        reasons,
        act: annotateAct(idsOf(question), { isHidden: true }),
      };
      return [...options, hide].sort(
        (a, b) => Number(b.id === question.likely) - Number(a.id === question.likely),
      );
    }
    default:
      return question satisfies never;
  }
}

/**
 * A group stands behind the only one of its types that is likely: what is a guitar is asked for as a
 * guitar, and as another acoustic instrument only then.
 */
function childrenFirst(suggestions: readonly Suggestion[]): Suggestion[] {
  const ordered = suggestions.flatMap((group) => {
    const children = suggestions.filter(
      ({ type }) => type !== group.type && groupOf(type) === group.type,
    );
    const [only] = children;
    const isLed = only && children.length === 1 && only.probability >= group.probability / 2;
    return isLed ? [only, group] : [group];
  });
  return [...new Set(ordered)];
}

/**
 * Whether an answer may be accepted without being chosen: as likely as not or more, and its first
 * reason does not speak against it. Where there is no telling, reasons must not outweigh it.
 */
export function isLikely({ probability, reasons }: Option): boolean {
  if ((reasons[0]?.weight ?? 0) < 0) {
    return false;
  }
  return probability === null
    ? reasons.reduce((sum, { weight }) => sum + weight, 0) > 0
    : probability >= 0.5;
}

/** The same types for all plugins a question is about. */
export const typesAct = (question: Question, types: readonly string[]): Act =>
  annotateAct(idsOf(question), { types });

/** Ids of all plugins a question is about. */
export const idsOf = (question: Question): string[] => pluginsAsked(question).map(({ id }) => id);

function vendorOptions(question: VendorQuestion): Option[] {
  const { near, guesses } = question;
  if (!near) {
    const areMany = pluginsAsked(question).length > 1;
    const guessed = guesses.map(({ vendor, reason }) => ({
      id: vendor,
      text: vendor,
      probability: null,
      reasons: [{ weight: 1, text: reason }],
      act: annotateAct(idsOf(question), { vendor }),
    }));
    const none: Option = {
      id: 'nobody',
      text: texts.leaveWithoutAVendor(areMany),
      probability: null,
      reasons: [{ weight: 1, text: texts.notKnownFromNameOr(areMany) }],
      act: annotateAct(idsOf(question), { vendor: nobody }),
    };
    return [...guessed, none];
  }
  const { a, b, reason } = near;
  const reasons = [{ weight: 1, text: reason }];
  const ofA = a.spellings.map((s) => s.spelling);
  const ofB = b.spellings.map((s) => s.spelling);
  const both = [...ofA, ...ofB];
  return [
    {
      id: 'a',
      text: texts.oneVendor(a.name),
      probability: null,
      reasons,
      act: spellAct({ vendor: a.name, spellings: both }),
    },
    {
      id: 'b',
      text: texts.oneVendor(b.name),
      probability: null,
      reasons,
      act: spellAct({ vendor: b.name, spellings: both }),
    },
    {
      id: 'two',
      text: texts.twoVendors,
      probability: null,
      reasons,
      act: spellAct({ vendor: a.name, spellings: ofA }, { vendor: b.name, spellings: ofB }),
    },
  ];
}
