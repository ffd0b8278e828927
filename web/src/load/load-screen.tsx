/** Load: choose a slot, type a few letters, press Enter. */
import { notifyManager, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useRef, useState } from 'react';
import type { SessionView } from '@clever-drawer/core/api';
import { messageOf } from '../api/client.ts';
import { useActs, useArrangement, useCatalog, useComputer } from '../studio/contexts.ts';
import { useNotifyError } from '../studio/notify-error.ts';
import { sessionQuery } from '../studio/studio-queries.ts';
import { sessionSteps } from '../studio/session-steps.ts';
import { useKeys } from '../ui/keys.ts';
import { useKindQuestion } from './ask-kind.tsx';
import { Finder } from './finder.tsx';
import type { Chosen } from './use-loader.ts';
import './load.css';
import { Session } from './session.tsx';
import {
  otherWidth,
  pluginBefore,
  slotToFill,
  widthOfSlot,
  type At,
  type Opening,
  type SlotActs,
} from './model/slots.ts';
import { useDialogsBehind as useAnnotationsBehind } from '../annotate/behind.ts';
import { usePickerBehind } from '../ui/picker.tsx';
import { useDialogsBehind } from './behind.ts';

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
      work.did(
        await client.load({
          track: track.id,
          index: at.index,
          plugin: plugin.id,
          copy: copy?.id ?? null,
          ...typed,
        }),
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
    ...useSlotActs(session, work),
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

interface SessionWork {
  readonly take: (session: SessionView) => void;
  /** Takes in a step that was done, which undo takes back: the server keeps what stood before it. */
  readonly did: (session: SessionView) => void;
  /** Takes in what cannot be undone, with a notice of these words; shows what fails. */
  readonly after: (work: Promise<SessionView>, words?: string) => void;
}

/** Taking in what the session is after something was done to it. */
function useSessionWork(): SessionWork {
  const { client } = useComputer();
  const { did } = useActs();
  const notifyError = useNotifyError();
  const queries = useQueryClient();
  const take = (next: SessionView): void => {
    queries.setQueryData(sessionQuery(client).queryKey, next);
  };
  return {
    take,
    did: (next) => {
      take(next);
      if (next.undo !== null) {
        did(next.undo, sessionSteps(client, queries));
      }
    },
    after: (work, words) => {
      work.then((next) => {
        take(next);
        if (words) {
          did(words, null);
        }
      }, notifyError);
    },
  };
}

/** What is done to slots, each as a step of the session. */
function useSlotActs(
  session: SessionView,
  { did }: SessionWork,
): Pick<SlotActs, 'step' | 'empty' | 'move' | 'bypass' | 'widen'> {
  const { client } = useComputer();
  const notifyError = useNotifyError();
  const step = (work: Promise<SessionView>): void => {
    work.then(did, notifyError);
  };
  return {
    step,
    empty: (id) => {
      step(client.emptySlot(id));
    },
    move: (id, to, index) => {
      step(client.moveSlot(id, to, index));
    },
    widen: (id, width) => {
      if (session.tracks.some((one) => one.id === id && one.width !== width)) {
        step(client.widenTrack(id, width));
      }
    },
    bypass: (id, isBypassed) => {
      step(client.bypassSlot(id, isBypassed));
    },
  };
}
