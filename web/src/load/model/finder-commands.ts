/** What keys do while finding what to load. */
import type { Command } from '../../ui/commands.ts';

/** What the finder can do; the table below says with which keys, and when. */
export interface FinderActs {
  readonly load: (at: number) => void;
  readonly loadCopy: (at: number) => void;
  readonly moveTo: (at: number) => void;
  readonly aimCopy: (at: number | null) => void;
  /** The copy is used first, or is the one that the open folder holds; or no longer. */
  readonly preferCopy: (at: number) => void;
  readonly hold: (at: number) => void;
  readonly nextScope: (step: 1 | -1) => void;
  readonly nextFolder: (step: 1 | -1) => void;
  /** Asks for a folder by letters. */
  readonly askFolder: () => void;
  readonly toggleFavourite: () => void;
  readonly name: () => void;
  readonly file: () => void;
  /** Files what was loaded last. */
  readonly fileLast: () => void;
  readonly toggleWidth: () => void;
  readonly togglePictures: () => void;
  readonly toggleFacts: () => void;
  readonly toggleForgotten: () => void;
  readonly leaveForgotten: () => void;
  readonly clear: () => void;
  readonly leaveFolder: () => void;
  readonly leave: () => void;
}

/** What the keys mean depends on. */
export interface FinderState {
  readonly typed: string;
  readonly at: number;
  readonly hits: number;
  /** The copy that is aimed at, of so many; null while no copy is chosen. */
  readonly copyAt: number | null;
  readonly copies: number;
  readonly isForgot: boolean;
  readonly isInFolder: boolean;
}

const digits = ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as const;

/** The table of commands; while a copy is chosen, its keys go before the others. */
export function finderCommands(state: FinderState, acts: FinderActs): readonly Command[] {
  return [
    ...(state.copyAt === null ? [] : copyCommands(state, state.copyAt, acts)),
    ...placeCommands(state, acts),
    ...walkingCommands(state, acts),
    ...hitCommands(state, acts),
    ...escapeCommands(state, acts),
  ];
}

function copyCommands({ copies }: FinderState, at: number, acts: FinderActs): Command[] {
  return [
    ...digits.map((digit, n) => ({
      keys: [`Alt+${digit}`],
      when: () => n < copies,
      run: () => {
        acts.loadCopy(n);
      },
    })),
    { keys: ['ArrowDown'], run: () => acts.aimCopy(Math.min(copies - 1, at + 1)) },
    { keys: ['ArrowUp'], run: () => acts.aimCopy(Math.max(0, at - 1)) },
    { keys: ['Enter'], run: () => acts.loadCopy(at) },
    { keys: ['Ctrl+Enter'], run: () => acts.preferCopy(at) },
    { keys: ['Shift+Enter'], run: () => acts.hold(at) },
    { keys: ['Escape', 'Alt+Enter'], run: () => acts.aimCopy(null) },
  ];
}

/** Digits by themselves are typed: they are a part of many names. */
function placeCommands({ hits, typed }: FinderState, acts: FinderActs): Command[] {
  return digits.map((digit, n) => ({
    keys: [`Alt+${digit}`],
    when: () => isPlaceKey(n + 1, hits, typed),
    run: () => {
      acts.load(n);
    },
  }));
}

function walkingCommands({ typed }: FinderState, acts: FinderActs): Command[] {
  const isEmpty = (): boolean => typed === '';
  return [
    { keys: ['F4'], run: () => acts.nextScope(1) },
    { keys: ['Shift+F4'], run: () => acts.nextScope(-1) },
    { keys: ['Ctrl+ArrowLeft'], run: () => acts.nextFolder(-1) },
    { keys: ['Ctrl+ArrowRight'], run: () => acts.nextFolder(1) },
    { keys: ['Ctrl+O'], run: acts.askFolder },
    { keys: ['ArrowLeft'], when: isEmpty, run: () => acts.nextFolder(-1) },
    { keys: ['ArrowRight'], when: isEmpty, run: () => acts.nextFolder(1) },
  ];
}

function hitCommands({ at, hits }: FinderState, acts: FinderActs): Command[] {
  return [
    { keys: ['Enter'], run: () => acts.load(at) },
    { keys: ['Alt+Enter'], run: () => acts.aimCopy(0) },
    { keys: ['ArrowDown'], run: () => acts.moveTo(Math.min(hits - 1, at + 1)) },
    { keys: ['ArrowUp'], run: () => acts.moveTo(Math.max(0, at - 1)) },
    { keys: ['Ctrl+B'], run: acts.toggleFavourite },
    { keys: ['F2'], run: acts.name },
    { keys: ['Ctrl+F'], run: acts.file },
    { keys: ['Ctrl+Shift+F'], run: acts.fileLast },
    { keys: ['Ctrl+M'], run: acts.toggleWidth },
    { keys: ['Ctrl+P'], run: acts.togglePictures },
    { keys: ['Ctrl+I'], run: acts.toggleFacts },
    { keys: ['Ctrl+G'], run: acts.toggleForgotten },
  ];
}

/** One step back at a time: out of the forgotten ones, the letters, the folder, the finder. */
function escapeCommands(state: FinderState, acts: FinderActs): Command[] {
  return [
    { keys: ['Escape'], when: () => state.isForgot, run: acts.leaveForgotten },
    { keys: ['Escape'], when: () => state.typed !== '', run: acts.clear },
    { keys: ['Escape'], when: () => state.isInFolder, run: acts.leaveFolder },
    { keys: ['Escape'], run: acts.leave },
  ];
}

/**
 * Whether Alt and the digit of a place (from 1 to 9) load the hit at it. With nothing typed they lead
 * to the screens, as everywhere.
 */
export const isPlaceKey = (place: number, hits: number, typed: string): boolean =>
  typed !== '' && place <= Math.min(9, hits);
