/** What each question can be answered with. */
import {
  typeName,
  type Act,
  type LicenceState,
  type Question,
  type Reason,
  type VendorQuestion,
  kindWords,
} from '@clever-drawer/core';
import { ownerOf, annotateAct, spellAct } from '../../annotate/annotate.ts';

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

const licenceNames: readonly (readonly [LicenceState, string])[] = [
  ['owned', 'Yes, owned'],
  ['free', 'Yes, it is free'],
  ['trial', 'On trial'],
  ['not licensed', 'No licence: not offered while loading'],
];

/** Best first. */
export function optionsOf(question: Question): Option[] {
  switch (question.variant) {
    case 'type':
      return question.suggestions.slice(0, 5).map(({ type, probability, reasons }) => ({
        id: type,
        text: typeName(type),
        probability,
        reasons,
        type,
        act: typesAct(question.plugin.id, [type]),
      }));
    case 'kind':
      return question.kinds.map(({ kind, probability }) => ({
        id: kind,
        text: kind === 'tool' ? 'Tool: meter or utility' : kindWords[kind].title,
        probability,
        act: annotateAct([question.plugin.id], { kind }),
        reasons: question.reasons.map((reason) => ({
          text: reason.text,
          weight: reason.kind === kind ? reason.weight : -reason.weight,
        })),
      }));
    case 'twin':
      return [
        {
          id: 'one',
          text: 'One plugin',
          probability: null,
          reasons: question.reasons,
          act: { act: 'join', into: ownerOf(question.plugin), from: [ownerOf(question.other)] },
        },
        {
          id: 'two',
          text: 'Two plugins',
          probability: null,
          reasons: question.reasons,
          act: { act: 'keep-apart', plugins: [ownerOf(question.plugin), ownerOf(question.other)] },
        },
      ];
    case 'vendor':
      return vendorOptions(question);
    case 'licence': {
      const reasons = [{ weight: 1, text: question.hint }];
      const options = licenceNames.map(
        ([state, text]): Option => ({
          id: state,
          text,
          probability: null,
          reasons,
          act: annotateAct([question.plugin.id], { licence: { state, until: null } }),
        }),
      );
      const hide: Option = {
        id: 'hidden',
        text: 'Keep it in the catalog, but hide it from loading',
        probability: null,
        reasons,
        act: annotateAct([question.plugin.id], { isHidden: true }),
      };
      return [...options, hide].sort(
        (a, b) => Number(b.id === question.likely) - Number(a.id === question.likely),
      );
    }
    default:
      return question satisfies never;
  }
}

export const typesAct = (plugin: string, types: readonly string[]): Act =>
  annotateAct([plugin], { types });

function vendorOptions({ near, plugin, guesses }: VendorQuestion): Option[] {
  if (!near) {
    return guesses.map(({ vendor, reason }) => ({
      id: vendor,
      text: vendor,
      probability: null,
      reasons: [{ weight: 1, text: reason }],
      act: annotateAct(plugin ? [plugin.id] : [], { vendor }),
    }));
  }
  const { a, b, reason } = near;
  const reasons = [{ weight: 1, text: reason }];
  const ofA = a.spellings.map((s) => s.spelling);
  const ofB = b.spellings.map((s) => s.spelling);
  const both = [...ofA, ...ofB];
  return [
    {
      id: 'a',
      text: `One vendor: ${a.name}`,
      probability: null,
      reasons,
      act: spellAct({ vendor: a.name, spellings: both }),
    },
    {
      id: 'b',
      text: `One vendor: ${b.name}`,
      probability: null,
      reasons,
      act: spellAct({ vendor: b.name, spellings: both }),
    },
    {
      id: 'two',
      text: 'Two vendors',
      probability: null,
      reasons,
      act: spellAct({ vendor: a.name, spellings: ofA }, { vendor: b.name, spellings: ofB }),
    },
  ];
}
