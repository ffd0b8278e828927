/**
 * What a drop does: worked out in one place, for what is shown while something is in the air, what
 * screen readers hear, the drop itself, and filing by a folder's name with F.
 */
import type { Act } from '@clever-drawer/core/acts';
import type { Arrangement } from '@clever-drawer/core/arrangement';
import type { FolderId } from '@clever-drawer/core/id';
import type { Cabinet, Folder, Placement } from '@clever-drawer/core/order';
import { fileAct } from '../../annotate/filing.ts';
import * as texts from '../texts.ts';
import { moveAct } from './placed.ts';

/** Where over another folder a dragged folder is let go. */
export type DropPart = 'before' | 'inside' | 'behind';

export type Dragged =
  | {
      readonly kind: 'plugins';
      readonly plugin: string;
      /** Where it is taken from; none in the list. */
      readonly from?: string;
      /** None in the list and in a smart folder. */
      readonly placement?: string | undefined;
      /** All that is taken along from an opened folder, in its order; the plugin itself is among it. */
      readonly along?: Along | undefined;
    }
  | { readonly kind: 'folder'; readonly folder: string }
  | { readonly kind: 'cabinet'; readonly cabinet: string };

/** What is selected in an opened folder. */
export interface Along {
  readonly plugins: readonly string[];
  readonly placements: readonly string[];
}

export type Target =
  | { readonly kind: 'front'; readonly folder: string }
  | { readonly kind: 'spot'; readonly folder: string; readonly before: string }
  | { readonly kind: 'end' }
  | { readonly kind: 'cabinet'; readonly cabinet: string };

/** A piece of a sentence; names of folders stand out. */
export interface Words {
  readonly text: string;
  readonly isName?: boolean;
}

export interface DropPlan {
  readonly words: readonly Words[];
  readonly outcome:
    | { readonly kind: 'act'; readonly act: Act }
    /** The rule of a smart folder decides: keep the plugins in by hand, or change it. */
    | { readonly kind: 'ask'; readonly folder: FolderId; readonly plugins: readonly string[] }
    /** Nothing can be done there; the reason is told when it is let go. */
    | { readonly kind: 'refused'; readonly reason: string }
    /** Where it came from. */
    | { readonly kind: 'nothing' };
  /** Said beside the words: what another key would do. */
  readonly hint?: string;
}

/** What a plan is made from. */
export interface DropScene {
  readonly arrangement: Pick<Arrangement, 'folders' | 'placements' | 'below'>;
  readonly cabinets: readonly Pick<Cabinet, 'id' | 'name' | 'sortedBy'>[];
  /** The plugins that are dragged; for a folder or a cabinet none. */
  readonly plugins: readonly string[];
  /** "Gullwing", or "3 plugins". */
  readonly what: string;
  readonly part: DropPart;
  /** Whether Ctrl is held: filed there too, not moved. */
  readonly isCopying: boolean;
}

const name = (text: string): Words => ({ text, isName: true });
const plain = (text: string): Words => ({ text });
const nothing = { kind: 'nothing' } as const;
const refused = (reason: string): DropPlan['outcome'] => ({ kind: 'refused', reason });

const folderIn = (
  { arrangement }: Pick<DropScene, 'arrangement'>,
  id: string,
): Folder | undefined => arrangement.folders.find((folder) => folder.id === id);

/** What letting go here would do. */
export function planDrop(scene: DropScene, dragged: Dragged, target: Target | null): DropPlan {
  switch (dragged.kind) {
    case 'cabinet':
      return planCabinetDrop(scene, dragged.cabinet, target);
    case 'folder':
      return planFolderDrop(scene, dragged.folder, target);
    default:
      return planPluginDrop(scene, dragged, target);
  }
}

/** Over a tab on its left a cabinet goes before that one, over one on its right behind it. */
function planCabinetDrop({ cabinets }: DropScene, id: string, target: Target | null): DropPlan {
  const from = cabinets.findIndex((one) => one.id === id);
  const to = cabinets.findIndex((one) => target?.kind === 'cabinet' && one.id === target.cabinet);
  const [moved, over] = [cabinets[from], cabinets[to]];
  if (!moved || !over || from === to) {
    return { words: [name(moved?.name ?? '')], outcome: nothing };
  }
  const part = to < from ? 'before' : 'behind';
  const before = cabinets[part === 'before' ? to : to + 1]?.id ?? null;
  return {
    words: [plain(texts.put), name(moved.name), plain(texts.partWords[part]), name(over.name)],
    outcome: { kind: 'act', act: { act: 'move-cabinet', cabinet: moved.id, before } },
  };
}

function planFolderDrop(scene: DropScene, id: string, target: Target | null): DropPlan {
  const folder = folderIn(scene, id);
  const called = name(folder?.name ?? '');
  if (!folder || !target || target.kind === 'cabinet' || target.kind === 'spot') {
    return { words: [called], outcome: nothing };
  }
  if (target.kind === 'end') {
    const act: Act = { act: 'move-folder', folder: folder.id, parent: null, before: null };
    return { words: [plain(texts.put), called, plain(' last')], outcome: { kind: 'act', act } };
  }
  const other = folderIn(scene, target.folder);
  if (!other || other.id === folder.id) {
    return { words: [called], outcome: nothing };
  }
  return {
    words: [plain(texts.put), called, plain(texts.partWords[scene.part]), name(other.name)],
    outcome: folderOutcome(scene, folder, other),
  };
}

function folderOutcome(scene: DropScene, folder: Folder, other: Folder): DropPlan['outcome'] {
  if (scene.part === 'inside') {
    const act: Act = { act: 'move-folder', folder: folder.id, parent: other.id, before: null };
    return { kind: 'act', act };
  }
  const sorted = scene.cabinets.find((one) => one.id === folder.cabinet && one.sortedBy !== null);
  if (sorted && folder.parent === other.parent) {
    return refused(sortedByName(sorted.name));
  }
  const row = (scene.arrangement.below.get(other.parent ?? other.cabinet) ?? []).filter(
    (each) => each.id !== folder.id,
  );
  const before = scene.part === 'before' ? other : row[row.indexOf(other) + 1];
  const act: Act = {
    act: 'move-folder',
    folder: folder.id,
    parent: other.parent,
    before: before?.id ?? null,
  };
  return { kind: 'act', act };
}

/** Why the folders of a cabinet cannot be put in another order. */
export const sortedByName = (cabinet: string): string => texts.theFoldersOfAreSorted(cabinet);

function planPluginDrop(
  scene: DropScene,
  { placement, along }: Pick<Extract<Dragged, { kind: 'plugins' }>, 'placement' | 'along'>,
  target: Target | null,
): DropPlan {
  const folder =
    target?.kind === 'front' || target?.kind === 'spot'
      ? folderIn(scene, target.folder)
      : undefined;
  if (!folder) {
    return {
      words: [name(scene.what)],
      outcome: refused(texts.nothingWasFiledYouDropped),
    };
  }
  const before = target?.kind === 'spot' ? target.before : null;
  const ids = along?.placements ?? (placement === undefined ? [] : [placement]);
  const placements = ids.flatMap((id) => placementIn(scene, id) ?? []);
  return planFiling(scene, folder, { placements, before });
}

/** The placement with that id, wherever it is shown. */
function placementIn(
  { arrangement }: Pick<DropScene, 'arrangement'>,
  id: string,
): Placement | undefined {
  for (const row of arrangement.placements.values()) {
    const placement = row.find((each) => each.id === id);
    if (placement) {
      return placement;
    }
  }
  return undefined;
}

/** What comes along: the placements that are taken, if some are, and the one before which they go. */
interface Filing {
  readonly placements?: readonly Placement[];
  readonly before?: string | null;
}

/** What filing plugins in a folder does, or moving one there that stands in another. */
export function planFiling(scene: DropScene, folder: Folder, filing: Filing = {}): DropPlan {
  const { what, plugins, isCopying, arrangement } = scene;
  const { placements = [] } = filing;
  const before = filing.before ?? null;
  if (folder.form === 'smart') {
    return {
      words: [name(folder.name), plain(texts.fillsItself(what))],
      outcome: { kind: 'ask', folder: folder.id, plugins },
    };
  }
  if (folder.form === 'divider') {
    const reason = texts.isADividerAndHolds(folder.name);
    return { words: [plain(texts.aDividerHoldsNoPlugins)], outcome: refused(reason) };
  }
  const own = arrangement.placements.get(folder.id) ?? [];
  const isOwn =
    placements.length > 0 && placements.every(({ id }) => own.some((each) => each.id === id));
  if (isOwn) {
    return planWithin(folder, placements, before, what);
  }
  if (placements.length > 0 && !isCopying) {
    return {
      words: [plain(texts.moveTo(what)), name(folder.name)],
      outcome: { kind: 'act', act: moveAct(folder.id, placements, before) },
      hint: texts.ctrlFileItThereToo,
    };
  }
  return {
    words: [plain(texts.fileIn(what)), name(folder.name)],
    outcome: { kind: 'act', act: fileAct(folder.id, plugins, before) },
  };
}

/** Within their own folder: to another place, or back to where they were. */
function planWithin(
  folder: Folder,
  placements: readonly Placement[],
  before: string | null,
  what: string,
): DropPlan {
  const [first] = placements;
  if (!first || before === null || (placements.length === 1 && before === first.id)) {
    return {
      words: [plain(texts.isIn(what)), name(folder.name), plain(' already')],
      outcome: nothing,
    };
  }
  return {
    words: [plain(texts.moveHereIn(what)), name(folder.name)],
    outcome: { kind: 'act', act: moveAct(folder.id, placements, before) },
  };
}

/** The words of a plan as one text, for those who hear it. */
export const textOf = ({ words }: Pick<DropPlan, 'words'>): string =>
  words.map((piece) => piece.text).join('');
