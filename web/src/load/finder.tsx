/** Finding what to load: letters, then Enter. Nothing typed shows the likely ones. */
import { CornerDownLeft, Zap } from 'lucide-react';
import { useMemo, useState, type KeyboardEvent, type RefObject } from 'react';
import { canLoad, copyInFront, entryOf, find, isPresent, slotSortAt, typeName, type Hit, type TrackView } from '@clever-drawer/core';
import { useStudio } from '../api/studio.tsx';
import { Faceplate } from '../ui/faceplate.tsx';
import { chord } from '../ui/keys.ts';
import { KeysHint } from '../ui/keys-hint.tsx';

const scopes = ['all', 'lately', 'favourites'] as const;
type Scope = (typeof scopes)[number];
const scopeNames: Record<Scope, string> = { all: 'All that fit', lately: 'Lately loaded', favourites: 'Favourites' };
const keys = [['Enter', 'load'], ['↑ ↓', 'choose'], ['Tab', 'lately, favourites, all'], ['Esc', 'back to the slots']] as const;

/** Hits shown; the rest is counted. */
const shown = 9;

interface Props {
  readonly track: TrackView;
  readonly index: number;
  readonly field: RefObject<HTMLInputElement | null>;
  readonly onLoad: (plugin: string, typed: string, keys: number) => void;
  readonly onLeave: () => void;
}

export function Finder({ track, index, field, onLoad, onLeave }: Props) {
  const [typed, setTyped] = useState('');
  const [scope, setScope] = useState<Scope>('all');
  const [chosen, setChosen] = useState(0);
  const [pressed, setPressed] = useState(0);
  const { hits, found, among, entries } = useHits(track, index, typed, scope);
  const load = (hit: Hit | undefined): void => {
    if (!hit) return;
    onLoad(hit.plugin.id, typed, pressed + 1);
    setTyped('');
    setChosen(0);
    setPressed(0);
  };
  const change = (next: Scope): void => { setScope(next); setChosen(0); };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (!['Shift', 'Control', 'Alt', 'Meta'].includes(event.key)) setPressed((n) => n + 1);
    const at = scopes.indexOf(scope);
    const does: Record<string, () => void> = {
      Enter: () => { load(hits[chosen]); }, ArrowDown: () => { setChosen((n) => Math.min(hits.length - 1, n + 1)); }, ArrowUp: () => { setChosen((n) => Math.max(0, n - 1)); },
      Tab: () => { change(scopes[(at + 1) % scopes.length] ?? 'all'); },
      Escape: () => { if (typed === '') onLeave(); else { setTyped(''); setChosen(0); } },
    };
    const act = does[chord(event)];
    if (!act) return;
    event.preventDefault();
    act();
  };
  const wants = slotSortAt(track.sort, index) === 'instrument' ? 'an instrument' : 'an effect';
  const active = hits[Math.min(chosen, hits.length - 1)];
  return (
    <section className="finder" aria-labelledby="finder-title">
      <div className="finder-head"><h1 id="finder-title">Load {wants} into {track.name}, slot {index + 1}</h1></div>
      <div className="finder-field">
        <Zap size={19} aria-hidden />
        <input ref={field} type="text" value={typed} autoFocus autoComplete="off" spellCheck={false} placeholder="A few letters …" aria-label="Letters of the plugin to load" role="combobox" aria-expanded aria-controls="hits"
          aria-activedescendant={active ? `hit-${active.plugin.id}` : undefined} onKeyDown={onKeyDown} onChange={(event) => { setTyped(event.target.value); setChosen(0); }} />
        <span className="text-soft" role="status">{found} of {among}</span>
      </div>
      <div className="scopes" role="group" aria-label="Where to look">
        {scopes.map((s) => <button key={s} type="button" aria-pressed={s === scope} className="scope" onClick={() => { change(s); field.current?.focus(); }}>{scopeNames[s]}</button>)}
      </div>
      <ul id="hits" className="hits" role="listbox" aria-label="Plugins that fit">
        {hits.map((hit, at) => <HitRow key={hit.plugin.id} hit={hit} isChosen={hit === active} number={at} onPress={() => { load(hit); }} />)}
      </ul>
      {hits.length === 0 && <Nothing typed={typed} scope={scope} entries={entries} onAll={() => { change('all'); field.current?.focus(); }} />}
      <KeysHint keys={keys} />
    </section>
  );
}

function useHits(track: TrackView, index: number, typed: string, scope: Scope) {
  const { plugins, answers, arrangement, usage } = useStudio();
  const sort = slotSortAt(track.sort, index);
  const { namings } = arrangement;
  const entries = useMemo(() => plugins.filter((p) => canLoad(p, sort, answers.get(p.id))).map((p) => {
    const naming = namings.get(p.id);
    return entryOf(p, naming?.nickname ?? null, naming?.slotLabel ?? null);
  }), [plugins, answers, sort, namings]);
  const habits = useMemo(() => {
    const favourites = arrangement.folders.filter((f) => f.form === 'favourites').flatMap((f) => arrangement.members.get(f.id) ?? []);
    return { warmth: new Map([...usage].map(([id, u]) => [id, u.warmth])), favourites: new Set<string>(favourites) };
  }, [arrangement, usage]);
  const scoped = useMemo(() => {
    if (scope === 'favourites') return entries.filter((e) => habits.favourites.has(e.plugin.id));
    if (scope === 'lately') return entries.filter((e) => usage.has(e.plugin.id)).sort((a, b) => ((usage.get(a.plugin.id)?.lastLoaded ?? '') < (usage.get(b.plugin.id)?.lastLoaded ?? '') ? 1 : -1));
    return entries;
  }, [entries, habits, usage, scope]);
  return useMemo(() => {
    const all = scope === 'lately' && typed.trim() === ''
      ? scoped.map((e): Hit => ({ plugin: e.plugin, score: 0, because: 'loaded lately' }))
      : find(scoped, typed, habits, scoped.length);
    return { hits: all.slice(0, shown), found: all.length, among: scoped.length, entries };
  }, [scoped, typed, habits, scope, entries]);
}

function HitRow({ hit, isChosen, number, onPress }: { hit: Hit; isChosen: boolean; number: number; onPress: () => void }) {
  const { arrangement, formatOrder, nameOf, naming, pictureOf } = useStudio();
  const { plugin, because } = hit;
  const copy = copyInFront(plugin, formatOrder), label = naming(plugin.id)?.slotLabel, name = nameOf(plugin);
  const folder = arrangement.foldersOf.get(plugin.id)?.find((f) => f.form !== 'favourites');
  return (
    <li id={`hit-${plugin.id}`} role="option" aria-selected={isChosen} className={`hit ${isChosen ? 'chosen' : ''}`} onClick={onPress} data-testid="hit">
      <span className="hit-key">{isChosen ? <CornerDownLeft size={15} aria-hidden /> : <span className="text-faint">{number + 1}</span>}</span>
      <Faceplate seed={plugin.id} width={56} picture={pictureOf(plugin)} />
      <span className="names"><span className="name">{name}{name !== plugin.name && <span className="original">{plugin.name}</span>}{label && <span className="label small">{label}</span>}</span><span className="vendor">{plugin.vendor ?? 'no vendor named'}{because !== '' && <span className="because"> · {because}</span>}</span></span>
      <span className="types">{plugin.types.slice(0, 2).map((t) => <span key={t} className="chip">{typeName(t)}</span>)}</span>
      <span>{copy && <span className="chip format">{copy.format}</span>}</span>
      <span className="hand">{folder?.name}</span>
    </li>
  );
}

function Nothing({ typed, scope, entries, onAll }: { typed: string; scope: Scope; entries: readonly unknown[]; onAll: () => void }) {
  const { plugins } = useStudio();
  const gone = plugins.filter((p) => !isPresent(p)).length;
  if (scope !== 'all') return <p className="empty">{typed === '' ? `Nothing in ${scopeNames[scope].toLowerCase()} fits this slot yet.` : `Nothing in ${scopeNames[scope].toLowerCase()} has these letters.`} <button type="button" className="link-words" onClick={onAll}>Look in all that fit</button></p>;
  if (entries.length === 0) return <p className="empty">No plugin in the catalog fits this slot.{gone > 0 && ` ${gone} are gone from the disk.`}</p>;
  return <p className="empty">No plugin that fits this slot has these letters. Effects and instruments are never looked for together: is it the right slot?</p>;
}
