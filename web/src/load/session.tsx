/** The practice session: tracks and buses with their slots. Arrow keys walk them, Enter chooses, Delete empties. */
import { Plus, Plug } from 'lucide-react';
import type { KeyboardEvent, RefObject } from 'react';
import { slotLabelFor, slotSortAt, type SessionView, type TrackSort, type TrackView } from '@clever-drawer/core';
import { useStudio } from '../api/studio.tsx';

/** A slot: the track and the place on it. */
export interface At { readonly track: string; readonly index: number }

interface Props {
  readonly session: SessionView;
  readonly chosen: At | null;
  readonly box: RefObject<HTMLDivElement | null>;
  readonly onChoose: (at: At) => void;
  readonly onEmpty: (slot: string) => void;
}

const sortNames: Record<TrackSort, string> = { track: 'track', instrument: 'instrument', bus: 'bus', final: 'final' };

export function Session({ session, chosen, box, onChoose, onEmpty }: Props) {
  const onKeyDown = (event: KeyboardEvent): void => {
    const target = event.target as HTMLElement, steps: Record<string, readonly [number, number]> = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] };
    const step = steps[event.key], slot = target.dataset['slot'];
    if (event.key === 'Delete' && slot) onEmpty(slot);
    if (!step) return;
    event.preventDefault();
    const rows = [...(box.current?.querySelectorAll('.track-slots') ?? [])].map((row) => [...row.querySelectorAll<HTMLElement>('button')]);
    const row = rows.findIndex((r) => r.includes(target)), column = rows[row]?.indexOf(target) ?? 0;
    const to = rows[row + step[0]];
    to?.[Math.max(0, Math.min(to.length - 1, column + step[1]))]?.focus();
  };
  return (
    <section className="pane session" aria-labelledby="session-title">
      <div className="session-head"><h1 id="session-title">{session.name}</h1><span className="text-soft visually-quiet">stands in for a host <Plug size={14} aria-hidden /></span></div>
      <div ref={box} onKeyDown={onKeyDown}>
        {session.tracks.map((track) => <Track key={track.id} track={track} chosen={chosen?.track === track.id ? chosen.index : null} onChoose={onChoose} />)}
      </div>
    </section>
  );
}

function Track({ track, chosen, onChoose }: { track: TrackView; chosen: number | null; onChoose: (at: At) => void }) {
  const { pluginById, naming, nameOf } = useStudio();
  const names = track.slots.flatMap((slot) => { const plugin = pluginById.get(slot.plugin); return plugin ? [nameOf(plugin)] : []; });
  const labelOf = (id: string): readonly [label: string, name: string] => {
    const plugin = pluginById.get(id);
    return plugin ? [naming(id)?.slotLabel ?? slotLabelFor(nameOf(plugin), names), nameOf(plugin)] : ['?', 'a plugin that is no longer in the catalog'];
  };
  const at = track.slots.length;
  const wants = slotSortAt(track.sort, at) === 'instrument' ? 'instrument' : 'effect';
  return (
    <div className="track" role="group" aria-label={track.name}>
      <span className="track-name"><strong>{track.name}</strong><span>{sortNames[track.sort]}</span></span>
      <span className="track-slots">
        {track.slots.map((slot, index) => {
          const [label, name] = labelOf(slot.plugin);
          return <button key={slot.id} type="button" data-slot={slot.id} data-chosen={index === chosen} className={`slot ${slotSortAt(track.sort, index)}`} title={`${name}: press to replace, Delete to empty`} aria-label={`Slot ${index + 1}: ${name}`} onClick={() => { onChoose({ track: track.id, index }); }}>{index === chosen ? 'choosing …' : label}</button>;
        })}
        <button type="button" data-chosen={at === chosen} className={`slot free ${wants}`} aria-label={`Slot ${at + 1}: empty, for an ${wants}`} onClick={() => { onChoose({ track: track.id, index: at }); }}>{at === chosen ? 'choosing …' : <Plus size={15} aria-hidden />}</button>
      </span>
    </div>
  );
}
