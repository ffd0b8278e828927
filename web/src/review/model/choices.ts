/** What one chooses from before advice on many is followed: its plugins, or its copies. */
import type { Advice, AdviceKind, RetirableCopy, Tie } from '@clever-drawer/core/review';
import * as texts from '../texts.ts';

/** One plugin or copy that it would be done to. */
export interface AdviceChoice {
  readonly id: string;
  readonly plugin: string;
  readonly copy: RetirableCopy | null;
  /** What speaks against it. */
  readonly ties: readonly Tie[];
}

const choosing: readonly AdviceKind[] = [
  'file-used',
  'hide-unused',
  'retire',
  'try-again',
  'doubles',
];

/** What can be chosen, what is proposed before the rest; null where advice is followed as a whole. */
export function choicesOf({ kind, plugins, tied, copies }: Advice): AdviceChoice[] | null {
  if (!choosing.includes(kind)) {
    return null;
  }
  const all: AdviceChoice[] =
    kind === 'retire'
      ? copies.map((copy) => ({ id: copy.copy, plugin: copy.plugin, copy, ties: copy.ties }))
      : [...plugins.map((plugin) => ({ plugin, ties: [] })), ...tied].map(({ plugin, ties }) => ({
          id: plugin,
          plugin,
          copy: null,
          ties,
        }));
  return [
    ...all.filter(({ ties }) => ties.length === 0),
    ...all.filter(({ ties }) => ties.length > 0),
  ];
}

/** The advice on just what is chosen. */
export const onlyChosen = (
  advice: Advice,
  choices: readonly AdviceChoice[],
  chosen: ReadonlySet<string>,
): Advice => {
  const taken = choices.filter(({ id }) => chosen.has(id));
  return {
    ...advice,
    plugins: [...new Set(taken.map(({ plugin }) => plugin))],
    copies: taken.flatMap(({ copy }) => copy ?? []),
  };
};

/** What following does to as many as are chosen, in words. */
export function followWords(kind: AdviceKind, chosen: number): string {
  switch (kind) {
    case 'file-used':
      return texts.fileInLoadedEveryWeek(chosen);
    case 'try-again':
      return texts.fileInTheFolder(chosen);
    case 'hide-unused':
    case 'doubles':
      return texts.hideThemInLoad(chosen);
    case 'retire':
      return texts.setThemAside(chosen);
    default:
      return texts.adviceDoes[kind] ?? '';
  }
}
