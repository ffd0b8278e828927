/** Load: choose a slot, type a few letters, press Enter. */
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useRef, useState } from 'react';
import { slotSortAt, type SessionView } from '@clever-drawer/core';
import { messageOf } from '../api/client.ts';
import { useStudio } from '../api/studio.tsx';
import { useNotices } from '../ui/notices.tsx';
import { useKeys } from '../ui/keys.ts';
import { Finder } from './finder.tsx';
import './load.css';
import { Session, type At } from './session.tsx';

export function LoadScreen() {
  const { client } = useStudio();
  const session = useQuery({ queryKey: ['session', client.computer], queryFn: client.session });
  return session.data ? <LoadInto session={session.data} /> : <main aria-busy="true" />;
}

/** The first empty slot of the first track, unless another is chosen. */
function LoadInto({ session }: { session: SessionView }) {
  const { client, pluginById, nameOf } = useStudio();
  const { say } = useNotices();
  const queries = useQueryClient();
  const [chosen, setChosen] = useState<At | null>(null);
  const field = useRef<HTMLInputElement>(null), slots = useRef<HTMLDivElement>(null);
  const track = session.tracks.find((t) => t.id === chosen?.track) ?? session.tracks[0];
  const at = track ? { track: track.id as string, index: Math.min(chosen?.index ?? track.slots.length, track.slots.length) } : null;
  const choose = useCallback((next: At) => { setChosen(next); field.current?.focus(); }, []);
  const toSlots = useCallback(() => { slots.current?.querySelector<HTMLElement>('[data-chosen="true"]')?.focus(); }, []);
  useKeys({ '/': () => { field.current?.focus(); } });
  const load = (plugin: string, typed: string, keys: number): void => {
    if (!track || !at) return;
    client.load({ track: track.id, index: at.index, plugin: plugin as never, typed, keys }).then(
      (next) => {
        queries.setQueryData(['session', client.computer], next);
        const loaded = pluginById.get(plugin);
        say(`${loaded ? nameOf(loaded) : 'It'} stands in ${track.name}, slot ${at.index + 1}`, 'done');
        setChosen({ track: track.id, index: at.index + 1 });
      },
      (error: unknown) => { say(messageOf(error), 'trouble'); },
    );
  };
  const empty = (slot: string): void => {
    client.emptySlot(slot).then((next) => { queries.setQueryData(['session', client.computer], next); }, (error: unknown) => { say(messageOf(error), 'trouble'); });
  };
  return (
    <main className="load-screen">
      <Session session={session} chosen={at} box={slots} onChoose={choose} onEmpty={empty} />
      {track && at && <Finder key={slotSortAt(track.sort, at.index)} track={track} index={at.index} field={field} onLoad={load} onLeave={toSlots} />}
    </main>
  );
}

