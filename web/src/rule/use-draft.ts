/**
 * The rule as it is being edited: cards, or text, each following the other. Lines may be
 * unfinished; those are not asked yet.
 */
import { useEffect, useMemo, useReducer, useState } from 'react';
import type { Folder, FolderSorting } from '@clever-drawer/core/order';
import type { Problem } from '@clever-drawer/core/problem';
import {
  parseRule,
  printRule,
  relationsFor,
  standsAlone,
  type Card,
  type Field,
  type Line,
  type Rule,
  type RuleWords,
} from '@clever-drawer/core/rules';
import { keepDraft, readDraft } from '../ui/draft-text.ts';

export interface Draft {
  readonly name: string;
  readonly cards: readonly Card[];
  readonly never: readonly Card[];
  readonly alwaysIn: readonly string[];
  readonly alwaysOut: readonly string[];
  readonly sortedBy: FolderSorting | null;
  readonly atMost: number | null;
  /** The text as it is typed; null while it follows the cards. */
  readonly text: string | null;
  readonly problems: readonly Problem[];
}

export type Where = { readonly isNever: boolean; readonly card: number };

export type Edit =
  | {
      edit: 'set';
      set: Partial<Pick<Draft, 'name' | 'alwaysIn' | 'alwaysOut' | 'sortedBy' | 'atMost'>>;
    }
  | { edit: 'rule'; rule: Rule }
  | { edit: 'anew'; draft: Draft }
  | { edit: 'text'; text: string; words: RuleWords }
  | { edit: 'follow' }
  | { edit: 'add-card'; isNever: boolean }
  | { edit: 'add-line'; at: Where }
  | { edit: 'line'; at: Where; line: number; to: Line | null };

export const emptyLine: Line = { field: 'name', relation: 'has', values: [] };

/** The line with another field; the relation stays where it fits, and the values where both are texts. */
export function withField(line: Line, field: Field, isText: (field: Field) => boolean): Line {
  const relation = relationsFor(field).includes(line.relation)
    ? line.relation
    : (relationsFor(field)[0] ?? 'is');
  return { field, relation, values: isText(field) && isText(line.field) ? line.values : [] };
}

function reduce(draft: Draft, edit: Edit): Draft {
  const follow = { text: null, problems: [] };
  switch (edit.edit) {
    case 'set':
      return { ...draft, ...edit.set };
    case 'anew':
      return edit.draft;
    case 'rule':
      return { ...draft, ...follow, cards: edit.rule.cards, never: edit.rule.never };
    case 'follow':
      return { ...draft, ...follow };
    case 'text': {
      const parsed = parseRule(edit.text, edit.words);
      return parsed.ok
        ? {
            ...draft,
            text: edit.text,
            problems: [],
            cards: parsed.value.cards,
            never: parsed.value.never,
          }
        : { ...draft, text: edit.text, problems: parsed.problems };
    }
    case 'add-card':
      return edit.isNever
        ? { ...draft, ...follow, never: [...draft.never, { lines: [emptyLine] }] }
        : { ...draft, ...follow, cards: [...draft.cards, { lines: [emptyLine] }] };
    case 'add-line':
      return { ...draft, ...follow, ...inCard(draft, edit.at, (lines) => [...lines, emptyLine]) };
    case 'line':
      return {
        ...draft,
        ...follow,
        ...inCard(draft, edit.at, (lines) =>
          lines.flatMap((line, i) => (i === edit.line ? (edit.to ?? []) : line)),
        ),
      };
    default:
      return edit satisfies never;
  }
}

/** One card changed; one that has no line left goes. */
function inCard(
  draft: Draft,
  { isNever, card }: Where,
  change: (lines: readonly Line[]) => Line[],
): Partial<Draft> {
  const edited = (isNever ? draft.never : draft.cards)
    .map((one, at) => (at === card ? { lines: change(one.lines) } : one))
    .filter((one) => one.lines.length > 0);
  return isNever ? { never: edited } : { cards: edited };
}

export const isFinished = (line: Line): boolean =>
  standsAlone(line.relation) || line.values.length > 0;

/** The rule as far as it is finished. */
export function ruleOf({ cards, never }: Pick<Draft, 'cards' | 'never'>): Rule {
  const finished = (list: readonly Card[]): Card[] =>
    list
      .map((card) => ({ lines: card.lines.filter(isFinished) }))
      .filter((card) => card.lines.length > 0);
  return { cards: finished(cards), never: finished(never) };
}

export function draftOf(folder: Folder | undefined, name: string, rule: Rule): Draft {
  return {
    name: folder?.name ?? name,
    cards: (folder?.rule ?? rule).cards,
    never: (folder?.rule ?? rule).never,
    alwaysIn: folder?.alwaysIn ?? [],
    alwaysOut: folder?.alwaysOut ?? [],
    sortedBy: folder?.sortedBy ?? null,
    atMost: folder?.atMost ?? null,
    text: null,
    problems: [],
  };
}

export interface Drafting {
  readonly draft: Draft;
  readonly rule: Rule;
  /** What stands in the field for the text. */
  readonly text: string;
  readonly edit: (edit: Edit) => void;
  /** Whether it goes on from an earlier visit. */
  readonly isKept: boolean;
}

/** A draft of an earlier visit; null where none was kept, or what was kept is none. */
export function storedDraft(name: string): Draft | null {
  try {
    const kept = JSON.parse(readDraft(name) ?? 'null') as Draft | null;
    return kept && Array.isArray(kept.cards) && Array.isArray(kept.never) ? kept : null;
  } catch {
    return null;
  }
}

/** Edits a draft, which is kept under its name as soon as it differs from what it began with. */
export function useDraft(name: string, start: Draft, words: RuleWords): Drafting {
  const [began] = useState(() => storedDraft(name) ?? start);
  const [draft, edit] = useReducer(reduce, began);
  const isChanged = JSON.stringify(draft) !== JSON.stringify(start);
  useEffect(() => {
    keepDraft(name, isChanged ? JSON.stringify(draft) : null);
  }, [name, draft, isChanged]);
  const rule = useMemo(() => ruleOf(draft), [draft]);
  const text = useMemo(() => draft.text ?? printRule(rule, words), [draft.text, rule, words]);
  return { draft, rule, text, edit, isKept: began !== start && isChanged };
}
