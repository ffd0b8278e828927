/** Everything the finder does, apart from how it looks. */
import { useState, type KeyboardEvent, type MouseEvent, type RefObject } from 'react';
import type { CopyCard, Plugin } from '@clever-drawer/core/catalog';
import type { FolderId } from '@clever-drawer/core/id';
import { cabinetSlotAt, copyWishOf, type SlotHit } from '@clever-drawer/core/loading';
import type { Folder } from '@clever-drawer/core/order';
import { splitWidth } from '@clever-drawer/core/search';
import { annotateAct } from '../annotate/annotate.ts';
import { spotOf, useMenuTarget } from '../annotate/menu-target.ts';
import { favouritesAct } from '../annotate/filing.ts';
import { useActs, useArrangement, useCatalog } from '../studio/contexts.ts';
import { commandFor } from '../ui/commands.ts';
import { chord, isModifier } from '../ui/keys.ts';
import { copiesToChoose } from './details.tsx';
import { finderCommands, isPlaceKey } from './model/finder-commands.ts';
import { useFinding, type Slot } from './use-finding.ts';
import { useKeyCount } from './use-key-count.ts';
import { useStored } from '../ui/use-stored.ts';
import { useScope } from './use-scope.ts';
import * as texts from './texts.ts';

/** How a plugin was chosen. */
export interface Chosen {
  readonly plugin: Plugin;
  readonly copy: CopyCard | null;
  readonly typed: string;
  readonly keys: number;
  /** Milliseconds from the first key to the choice. */
  readonly took: number;
  /** The folder that was open. */
  readonly folder: FolderId | null;
}

export interface LoaderProps extends Slot {
  readonly field: RefObject<HTMLInputElement | null>;
  /** Ends with what the host says when it refuses, else with null. */
  readonly onLoad: (chosen: Chosen) => Promise<string | null>;
  readonly onLeave: () => void;
  /** Switches the track between mono and stereo. */
  readonly onWiden: () => void;
}

/** A plugin of unknown kind that was loaded, of which is asked what it is. */
export interface KindQuestion {
  readonly asked: Plugin | null;
  readonly close: () => void;
}

export function useLoader({ onLoad, onLeave, onWiden, field, ...slot }: LoaderProps) {
  const { formatOrder } = useCatalog();
  const [typed, setTyped] = useState('');
  const [mark, setMark] = useState<Mark>(first);
  const [copyAt, setCopyAt] = useState<number | null>(null);
  const [naming, setNaming] = useState<Plugin | null>(null);
  const [filing, setFiling] = useState<Plugin | null>(null);
  const [last, setLast] = useState<Plugin | null>(null);
  const menu = useMenuTarget();
  const [isAskingFolder, setAskingFolder] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const looks = useLooks();
  const where = useScope(cabinetSlotAt(slot.track.sort, slot.index), () => {
    setMark(first);
    field.current?.focus();
  });
  const keys = useKeyCount();
  const { pluginById, answers } = useCatalog();
  const { arrangement } = useArrangement();
  const found = useFinding(slot, typed, where);
  const hits = withMarked(found.hits, mark, pluginById);
  const finding = { ...found, hits };
  const at = placeOf(mark, hits);
  const active = hits[at];
  // “limiter mono” means its mono copy, whatever the track is.
  const width = splitWidth(typed).width ?? slot.width;
  const folder = openFolder(arrangement.folders, where.folder);
  const wishFor = ({ id }: Plugin) => ({
    ...copyWishOf(answers.get(id), folder),
    order: formatOrder,
    width,
  });
  const copies = active ? copiesToChoose(active.plugin, slot.settings, wishFor(active.plugin)) : [];
  const { preferCopy, hold } = useCopyActs(active?.plugin, folder, copies);
  const isForgot = where.scope === 'forgot';
  const clear = (): void => {
    setTyped('');
    setMark(first);
    setCopyAt(null);
    where.setForgot(false);
    keys.clear();
  };
  /** Says what the host said, with the letters typed again where none were typed since. */
  const giveBack = (letters: string, message: string): void => {
    setRefusal(message);
    setTyped((now) => (now === '' ? letters : now));
  };
  const load = (plugin: Plugin | undefined, copy: CopyCard | null): void => {
    const reason = plugin && copy === null ? finding.whyNot(plugin.id) : null;
    setRefusal(plugin ? refusalWords(plugin, reason) : null);
    if (!plugin || reason !== null) {
      return;
    }
    const letters = typed;
    const answer = onLoad({
      plugin,
      copy,
      typed: letters.trim(),
      folder: folder?.id ?? null,
      ...keys.taken(),
    });
    clear();
    void answer.then((message) => {
      if (message === null) {
        setLast(plugin);
      } else {
        giveBack(letters, message);
      }
    });
  };
  const hasPlaceKey = (place: number): boolean => isPlaceKey(place, hits.length, typed);
  const favour = useToggleFavourite(active?.plugin.id);
  const commands = finderCommands(
    {
      typed,
      at,
      hits: hits.length,
      copyAt: active ? copyAt : null,
      copies: copies.length,
      isForgot,
      isInFolder: where.folder !== null,
    },
    {
      load: (place) => {
        load(place === at ? active?.plugin : hits[place]?.plugin, null);
      },
      loadCopy: (place) => {
        load(active?.plugin, copies[place] ?? null);
      },
      moveTo: (place) => {
        setMark({ at: place, plugin: hits[place]?.plugin.id ?? null });
      },
      preferCopy,
      hold,
      aimCopy: (place) => {
        setCopyAt(active && active.plugin.copies.length > 0 ? place : null);
      },
      nextScope: where.tab,
      nextFolder: (step) => {
        where.walk(step, finding);
      },
      askFolder: () => {
        setAskingFolder(true);
      },
      toggleFavourite: () => {
        // A favourite ranks higher: the mark stays on the plugin, wherever that stands then.
        setMark({ at, plugin: active?.plugin.id ?? null });
        favour();
      },
      name: () => {
        setNaming(active?.plugin ?? null);
      },
      file: () => {
        setFiling(active?.plugin ?? null);
      },
      fileLast: () => {
        setFiling(last);
      },
      toggleWidth: onWiden,
      togglePictures: looks.togglePictures,
      toggleFacts: looks.toggleFacts,
      toggleForgotten: () => {
        where.changeScope(isForgot ? where.kept : 'forgot');
      },
      leaveForgotten: () => {
        where.setForgot(false);
      },
      clear,
      leaveFolder: () => {
        where.goTo(null);
      },
      leave: onLeave,
    },
  );
  const onKeyDown = (event: KeyboardEvent): void => {
    if (isModifier(event.key)) {
      return;
    }
    keys.press();
    const command = commandFor(commands, chord(event));
    if (command) {
      event.preventDefault();
      command.run();
    }
  };
  const openMenu = (plugin: Plugin, event: MouseEvent): void => {
    const row = document.getElementById(`hit-${plugin.id}`) ?? event.currentTarget;
    menu.open({
      ...spotOf(event, row),
      plugins: [plugin.id],
      keys: { file: 'Ctrl+F', favour: 'Ctrl+B', name: 'F2' },
      entries: [
        {
          words: texts.loadItHere,
          keys: 'Enter',
          run: () => {
            load(plugin, null);
          },
        },
      ],
      from: field.current,
    });
  };
  const type = (text: string): void => {
    setTyped(text);
    setMark(first);
    setCopyAt(null);
    setRefusal(null);
  };
  return {
    typed,
    type,
    copyAt,
    naming,
    setNaming,
    filing,
    setFiling,
    hasLoaded: last !== null,
    menu,
    openMenu,
    isAskingFolder,
    setAskingFolder,
    refusal,
    ...looks,
    where,
    finding,
    active,
    load,
    folder,
    wishFor,
    preferCopy,
    hold,
    hasPlaceKey,
    onKeyDown,
  };
}

/** The marked hit: the plugin where one was chosen, so that it stays when hits are ranked anew, else a place. */
interface Mark {
  readonly at: number;
  readonly plugin: string | null;
}
const first: Mark = { at: 0, plugin: null };

/** The hits, with a marked one that is ranked too low now still where it stood. */
function withMarked(
  hits: readonly SlotHit[],
  { at, plugin }: Mark,
  pluginById: ReadonlyMap<string, Plugin>,
): readonly SlotHit[] {
  const marked = plugin === null ? undefined : pluginById.get(plugin);
  if (!marked || hits.some((hit) => hit.plugin.id === plugin)) {
    return hits;
  }
  const part = hits[at]?.part ?? hits.at(-1)?.part ?? 'here';
  return [...hits.slice(0, at), { plugin: marked, score: 0, because: '', part }, ...hits.slice(at)];
}

/** Where the mark stands among the hits; never behind the last one. */
function placeOf({ at, plugin }: Mark, hits: readonly { readonly plugin: Plugin }[]): number {
  const found = plugin === null ? -1 : hits.findIndex((hit) => hit.plugin.id === plugin);
  return Math.max(0, found < 0 ? Math.min(at, hits.length - 1) : found);
}

const refusalWords = ({ name }: Plugin, reason: string | null): string | null =>
  reason === null ? null : texts.cannotBeLoadedHere(name, reason);

/** The folder that is open: of another cabinet's that stands here, that one. */
function openFolder(folders: readonly Folder[], id: string | null): Folder | null {
  const folder = folders.find((one) => one.id === id);
  const meant = folders.find((one) => one.id === folder?.shortcutTo);
  return meant ?? folder ?? null;
}

/** What is said of the chosen copy: that it is used first, or is the one that the open folder holds. */
function useCopyActs(
  plugin: Plugin | undefined,
  folder: Folder | null,
  copies: readonly CopyCard[],
): { readonly preferCopy: (at: number) => void; readonly hold: (at: number) => void } {
  const { act } = useActs();
  const { answers } = useCatalog();
  return {
    preferCopy: (at) => {
      const copy = copies[at];
      if (plugin && copy) {
        const isFirst = answers.get(plugin.id)?.firstCopy === copy.id;
        act(annotateAct([plugin.id], { firstCopy: isFirst ? null : copy.id }));
      }
    },
    hold: (at) => {
      const copy = copies[at];
      if (plugin && copy && folder) {
        const others = folder.firstCopies.filter((id) => copies.every((one) => one.id !== id));
        const isHeld = folder.firstCopies.includes(copy.id);
        const firstCopies = isHeld ? others : [...others, copy.id];
        act({ act: 'set-folder', folder: folder.id, set: { firstCopies } });
      }
    },
  };
}

/** Whether pictures and facts are shown beside the hits, remembered in this browser. */
function useLooks() {
  const [pictures, setPictures] = useStored('load.pictures', 'yes');
  const [facts, setFacts] = useStored('load.facts', 'no');
  const other = (now: string): string => (now === 'yes' ? 'no' : 'yes');
  return {
    hasPictures: pictures === 'yes',
    hasFacts: facts === 'yes',
    togglePictures: () => {
      setPictures(other(pictures));
    },
    toggleFacts: () => {
      setFacts(other(facts));
    },
  };
}

/** Makes a plugin a favourite of the cabinet, or no longer. */
function useToggleFavourite(plugin: string | undefined): () => void {
  const { act } = useActs();
  const { arrangement } = useArrangement();
  return () => {
    const wanted = plugin === undefined ? null : favouritesAct(arrangement, [plugin]);
    if (wanted) {
      act(wanted);
    }
  };
}
