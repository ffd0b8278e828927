/** Everything the finder does, apart from how it looks. */
import { useState, type KeyboardEvent, type RefObject } from 'react';
import { cabinetSlotAt, type CopyCard, type Plugin } from '@clever-drawer/core';
import { favouriteAct } from '../annotate/filing.ts';
import { useActs, useArrangement, useCatalog } from '../studio/contexts.ts';
import { commandFor } from '../ui/commands.ts';
import { chord, isModifier } from '../ui/keys.ts';
import { copiesToChoose } from './details.tsx';
import { finderCommands, isPlaceFigure } from './model/finder-commands.ts';
import { useFinding, type Slot } from './use-finding.ts';
import { useKeyCount } from './use-key-count.ts';
import { useRemembered } from './use-remembered.ts';
import { useScope } from './use-scope.ts';

/** How a plugin was chosen. */
export interface Chosen {
  readonly plugin: Plugin;
  readonly copy: CopyCard | null;
  readonly typed: string;
  readonly keys: number;
  /** Milliseconds from the first key to the choice. */
  readonly took: number;
}

export interface LoaderProps extends Slot {
  readonly field: RefObject<HTMLInputElement | null>;
  /** Ends with what the host says when it refuses, else with null. */
  readonly onLoad: (chosen: Chosen) => Promise<string | null>;
  readonly onLeave: () => void;
}

export function useLoader({ onLoad, onLeave, field, ...slot }: LoaderProps) {
  const { formatOrder } = useCatalog();
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const [copyAt, setCopyAt] = useState<number | null>(null);
  const [naming, setNaming] = useState<Plugin | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const looks = useLooks();
  const where = useScope(cabinetSlotAt(slot.track.sort, slot.index), () => {
    setAt(0);
    field.current?.focus();
  });
  const keys = useKeyCount();
  const finding = useFinding(slot, typed, where);
  const { hits } = finding;
  const active = hits[Math.min(at, hits.length - 1)];
  const copies = active ? copiesToChoose(active.plugin, slot.settings, formatOrder) : [];
  const isForgot = where.scope === 'forgot';
  const clear = (): void => {
    setTyped('');
    setAt(0);
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
    const answer = onLoad({ plugin, copy, typed: letters.trim(), ...keys.taken() });
    clear();
    void answer.then((message) => {
      if (message !== null) {
        giveBack(letters, message);
      }
    });
  };
  const isFigure = (place: number): boolean =>
    isPlaceFigure(place, hits.length, typed, finding.figures);
  const toggleFavourite = useToggleFavourite(active?.plugin.id);
  const commands = finderCommands(
    {
      typed,
      at,
      hits: hits.length,
      copyAt: active ? copyAt : null,
      copies: copies.length,
      isForgot,
      isInFolder: where.folder !== null,
      isFigure,
    },
    {
      load: (place) => {
        load(place === at ? active?.plugin : hits[place]?.plugin, null);
      },
      loadCopy: (place) => {
        load(active?.plugin, copies[place] ?? null);
      },
      moveTo: setAt,
      aimCopy: (place) => {
        setCopyAt(active && active.plugin.copies.length > 0 ? place : null);
      },
      nextScope: where.tab,
      nextFolder: (step) => {
        where.walk(step, finding);
      },
      toggleFavourite,
      name: () => {
        setNaming(active?.plugin ?? null);
      },
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
  const type = (text: string): void => {
    setTyped(text);
    setAt(0);
    setCopyAt(null);
    setRefusal(null);
  };
  return {
    typed,
    type,
    copyAt,
    naming,
    setNaming,
    refusal,
    ...looks,
    where,
    finding,
    active,
    load,
    isFigure,
    onKeyDown,
  };
}

const refusalWords = ({ name }: Plugin, reason: string | null): string | null =>
  reason === null ? null : `${name} cannot be loaded here: ${reason}.`;

/** Whether pictures and facts are shown beside the hits, remembered in this browser. */
function useLooks() {
  const [pictures, setPictures] = useRemembered('load.pictures', 'yes');
  const [facts, setFacts] = useRemembered('load.facts', 'no');
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
    const wanted = plugin === undefined ? null : favouriteAct(arrangement, plugin);
    if (wanted) {
      act(wanted);
    }
  };
}
