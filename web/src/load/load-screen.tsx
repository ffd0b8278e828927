/** Load: choose a slot, type a few letters, press Enter. */
import { notifyManager, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useRef, useState } from 'react';
import type { LoadRequest, SessionView, TrackView } from '@clever-drawer/core/api';
import { messageOf } from '../api/client.ts';
import { useActs, useArrangement, useCatalog, useComputer } from '../studio/contexts.ts';
import { useNotifyError } from '../studio/notify-error.ts';
import { sessionQuery } from '../studio/studio-queries.ts';
import { useNotices } from '../ui/notices.tsx';
import { useKeys } from '../ui/keys.ts';
import { useKindQuestion } from './ask-kind.tsx';
import { Finder } from './finder.tsx';
import type { Chosen } from './use-loader.ts';
import './load.css';
import { Session } from './session.tsx';
import {
  loadedInto,
  otherWidth,
  pluginBefore,
  slotToFill,
  widthOfSlot,
  type At,
  type Loaded,
  type Opening,
  type SlotActs,
} from './model/slots.ts';
import { useDialogsBehind as useAnnotationsBehind } from '../annotate/behind.ts';
import { usePickerBehind } from '../ui/picker.tsx';
import { useDialogsBehind } from './behind.ts';
import * as texts from './texts.ts';

export function LoadScreen() {
  useDialogsBehind();
  useAnnotationsBehind();
  usePickerBehind();
  const { client } = useComputer();
  const session = useQuery(sessionQuery(client));
  return session.data ? (
    <LoadInto session={session.data} />
  ) : (
    <main id="content" tabIndex={-1} aria-busy="true" />
  );
}

/** The first empty slot of the first track, unless another is chosen. */
function LoadInto({ session }: { session: SessionView }) {
  const { client } = useComputer();
  const { nameOf } = useArrangement();
  const [chosen, setChosen] = useState<At | null>(null);
  const [opening, setOpening] = useState<readonly Opening[]>([]);
  const nextId = useRef(0);
  const field = useRef<HTMLInputElement>(null);
  const slots = useRef<HTMLDivElement>(null);
  const track = session.tracks.find((t) => t.id === chosen?.track) ?? session.tracks[0];
  const at = slotToFill(track, chosen, opening);
  const { pluginById } = useCatalog();
  const choose = useCallback((next: At) => {
    setChosen(next);
    field.current?.focus();
  }, []);
  const toSlots = useCallback(() => {
    slots.current?.querySelector<HTMLElement>('[data-chosen="true"]')?.focus();
  }, []);
  useKeys({
    '/': () => {
      field.current?.focus();
    },
  });
  const work = useSessionWork();
  const loadUndoably = useUndoableLoad(work);
  const question = useKindQuestion();
  const load = async (wanted: Chosen): Promise<string | null> => {
    if (!track || !at) {
      return null;
    }
    const { plugin, copy, ...typed } = wanted;
    const id = (nextId.current += 1);
    const into = { track: track.id as string, index: at.index };
    const length = plugin.chain?.length ?? 1;
    const last = plugin.chain?.at(-1) ?? plugin.id;
    setOpening((list) => [...list, { id, ...into, name: nameOf(plugin), length, last }]);
    setChosen({ track: track.id, index: at.index + length });
    try {
      const slot = { track: track.id, index: at.index };
      await loadUndoably(
        track,
        { ...slot, plugin: plugin.id, copy: copy?.id ?? null, ...typed },
        texts.loadedInSlot(nameOf(plugin), track.name, at.index + 1),
      );
      question.loaded(plugin);
      return null;
    } catch (error) {
      setChosen(into);
      return messageOf(error);
    } finally {
      // Not before the session is drawn with what stands there now.
      notifyManager.schedule(() => {
        setOpening((list) => list.filter((one) => one.id !== id));
      });
    }
  };
  const acts: SlotActs = {
    choose,
    after: work.after,
    ...useUndoableSlots(session, work),
  };
  return (
    <main id="content" tabIndex={-1} className="load-screen">
      <Session session={session} chosen={at} opening={opening} box={slots} acts={acts} />
      {track && at && (
        <Finder
          key={client.computer}
          track={track}
          index={at.index}
          before={pluginBefore(track, at.index, opening)}
          width={widthOfSlot(track, at.index, pluginById)}
          onWiden={() => {
            acts.widen(track.id, otherWidth(track.width));
          }}
          settings={session.settings}
          field={field}
          onLoad={load}
          onLeave={toSlots}
          question={question}
        />
      )}
    </main>
  );
}

/**
 * Loads into a track. Undone, what was loaded goes and what it replaced comes back. A load that comes
 * after another one starts from what that one left.
 */
function useUndoableLoad({ take }: SessionWork) {
  const { client } = useComputer();
  const { did } = useActs();
  const queries = useQueryClient();
  const trackNow = (track: TrackView): TrackView =>
    queries.getQueryData(sessionQuery(client).queryKey)?.tracks.find(({ id }) => id === track.id) ??
    track;
  return async (track: TrackView, request: LoadRequest, words: string): Promise<void> => {
    const load = async (): Promise<Loaded> => {
      const before = trackNow(track);
      const session = await client.load(request);
      take(session);
      return loadedInto(before, session);
    };
    let loaded = await load();
    did(words, {
      undo: async () => {
        for (const { id } of loaded.fresh) {
          take(await client.emptySlot(id));
        }
        for (const { slot, index } of loaded.lost) {
          take(await client.putBackSlot({ track: track.id, index, slot }));
        }
      },
      redo: async () => {
        loaded = await load();
      },
    });
  };
}

/** What is done to slots, each with how it is taken back. */
function useUndoableSlots(
  session: SessionView,
  { take, after }: SessionWork,
): Pick<SlotActs, 'empty' | 'move' | 'bypass' | 'widen'> {
  const { client } = useComputer();
  const { did } = useActs();
  /** Does it, and once it is done notes how it is taken back. */
  const doing = (
    words: string,
    redo: () => Promise<SessionView>,
    undo: () => Promise<SessionView>,
  ): void => {
    after(
      redo().then((next) => {
        did(words, { undo: () => undo().then(take), redo: () => redo().then(take) });
        return next;
      }),
    );
  };
  const placeOf = (id: string) => {
    const track = session.tracks.find(({ slots }) => slots.some((slot) => slot.id === id));
    const index = track?.slots.findIndex((slot) => slot.id === id) ?? -1;
    const slot = track?.slots[index];
    return track && slot ? { track, index, slot } : null;
  };
  return {
    empty: (id) => {
      const place = placeOf(id);
      if (place) {
        const { track, index, slot } = place;
        doing(
          texts.emptyTheSlotOfOn(slot.asked.setting?.name ?? slot.asked.name, track.name),
          () => client.emptySlot(id),
          () => client.putBackSlot({ track: track.id, index, slot }),
        );
      }
    },
    move: (id, to, index) => {
      const place = placeOf(id);
      if (place) {
        doing(
          texts.moveOn(place.slot.asked.name, place.track.name),
          () => client.moveSlot(id, to, index),
          () => client.moveSlot(id, place.track.id, place.index),
        );
      }
    },
    widen: (id, width) => {
      const track = session.tracks.find((one) => one.id === id);
      if (track && track.width !== width) {
        doing(
          texts.trackIsNow(track.name, texts.width(width)),
          () => client.widenTrack(id, width),
          () => client.widenTrack(id, track.width),
        );
      }
    },
    bypass: (id, isBypassed) => {
      const place = placeOf(id);
      doing(
        texts.bypassed(isBypassed, place?.slot.asked.name ?? texts.aSlot),
        () => client.bypassSlot(id, isBypassed),
        () => client.bypassSlot(id, !isBypassed),
      );
    },
  };
}

interface SessionWork {
  readonly take: (session: SessionView) => void;
  /** Takes in what the work gives, with words where it should be told; troubles are told. */
  readonly after: (work: Promise<SessionView>, words?: string) => void;
}

/** Taking in what the session is after something was done to it. */
function useSessionWork(): SessionWork {
  const { client } = useComputer();
  const { notify } = useNotices();
  const notifyError = useNotifyError();
  const queries = useQueryClient();
  const take = (next: SessionView): void => {
    queries.setQueryData(sessionQuery(client).queryKey, next);
  };
  const after = (work: Promise<SessionView>, words?: string): void => {
    work.then((next) => {
      take(next);
      if (words) {
        notify(words, 'done');
      }
    }, notifyError);
  };
  return { take, after };
}
