/**
 * The practice session: tracks and buses with their slots. Arrow keys walk them, Enter chooses,
 * Delete empties, 0 bypasses, Alt with an arrow moves.
 */
import { ChevronDown, LoaderCircle, Plus, Plug } from 'lucide-react';
import { useState, type KeyboardEvent, type MouseEvent, type RefObject } from 'react';
import type { SessionView, SlotView, TrackView } from '@clever-drawer/core/api';
import {
  channelsThrough,
  commonWidths,
  misfitsWidth,
  slotKindAt,
  type SlotKind,
  widthWords,
} from '@clever-drawer/core/loading';
import { slotLabelFor } from '@clever-drawer/core/order';
import { useArrangement, useCatalog } from '../studio/contexts.ts';
import { FilePlugins, PluginMenu } from '../annotate/behind.ts';
import { spotOf, useMenuTarget, type MenuEntry } from '../annotate/menu-target.ts';
import { chord } from '../ui/keys.ts';
import { Menu } from '../ui/menu.tsx';
import { MenuItem } from '../ui/menu-item.tsx';
import { KeepChain } from './keep-chain.tsx';
import { KeepSetting } from './keep-setting.tsx';
import { KeysPerLoad } from './keys-per-load.tsx';
import { Repairs } from './repairs.tsx';
import { SessionMenu } from './session-menu.tsx';
import {
  copyInSlot,
  otherWidth,
  widthOfSlot,
  type At,
  type Opening,
  type SlotActs,
} from './model/slots.ts';
import { Kbd } from '../ui/kbd.tsx';
import * as texts from './texts.ts';

interface Props {
  readonly session: SessionView;
  readonly chosen: At | null;
  readonly opening: readonly Opening[];
  readonly box: RefObject<HTMLDivElement | null>;
  readonly acts: SlotActs;
}

export function Session({ session, chosen, opening, box, acts }: Props) {
  const [isOpen, setOpen] = useState(false);
  const [filing, setFiling] = useState<SlotView | null>(null);
  const menu = useMenuTarget();
  const openMenu = (event: MouseEvent<HTMLElement>): void => {
    const from = (event.target as HTMLElement).closest<HTMLElement>('[data-slot]');
    const slot = session.tracks
      .flatMap(({ slots }) => slots)
      .find(({ id }) => id === from?.dataset['slot']);
    if (from && slot?.plugin) {
      event.preventDefault();
      menu.open({
        ...spotOf(event, from),
        plugins: [slot.asked.setting?.id ?? slot.plugin],
        keys: { file: 'F' },
        entries: slotEntries(slot, acts),
        from,
      });
    }
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const target = event.target as HTMLElement;
    const id = target.dataset['slot'];
    const track = session.tracks.find((one) => one.id === target.dataset['track']);
    const at = track?.slots.findIndex((slot) => slot.id === id) ?? -1;
    const slot = track?.slots[at];
    const rows = [...(box.current?.querySelectorAll('.track-slots') ?? [])].map((row) => [
      ...row.querySelectorAll<HTMLElement>('button'),
    ]);
    const row = rows.findIndex((r) => r.includes(target));
    const column = rows[row]?.indexOf(target) ?? 0;
    const walk = (down: number, across: number) => (): void => {
      const to = rows[row + down];
      to?.[Math.max(0, Math.min(to.length - 1, column + across))]?.focus();
    };
    const moveTo = (down: number, across: number) => (): void => {
      const to = session.tracks[session.tracks.findIndex((one) => one.id === track?.id) + down];
      const index = across === 0 ? (to?.slots.length ?? 0) : at + across;
      if (slot && to && index >= 0 && (across === 0 || index < to.slots.length)) {
        acts.move(slot.id, to.id, index);
        setTimeout(() => {
          box.current?.querySelector<HTMLElement>(`[data-slot="${slot.id}"]`)?.focus();
        }, 150);
      }
    };
    const does: Record<string, () => void> = {
      ArrowLeft: walk(0, -1),
      ArrowRight: walk(0, 1),
      ArrowUp: walk(-1, 0),
      ArrowDown: walk(1, 0),
      W: () => {
        if (track) {
          acts.widen(track.id, otherWidth(track.width));
        }
      },
      'Alt+ArrowLeft': moveTo(0, -1),
      'Alt+ArrowRight': moveTo(0, 1),
      'Alt+ArrowUp': moveTo(-1, 0),
      'Alt+ArrowDown': moveTo(1, 0),
      ...(slot
        ? {
            Delete: () => {
              acts.empty(slot.id);
            },
            F: () => {
              setFiling(slot);
            },
            0: () => {
              acts.bypass(slot.id, !slot.isBypassed);
            },
          }
        : {}),
    };
    const wish = does[chord(event)];
    if (!wish) {
      return;
    }
    event.preventDefault();
    wish();
  };
  return (
    <section className={`pane session ${isOpen ? 'open' : ''}`} aria-labelledby="session-title">
      <SessionHead session={session} isOpen={isOpen} setOpen={setOpen} acts={acts} />
      <Repairs session={session} acts={acts} />
      <div ref={box} onKeyDown={onKeyDown} onContextMenu={openMenu}>
        {session.tracks.map((track) => (
          <Track
            key={track.id}
            track={track}
            chosen={chosen?.track === track.id ? chosen.index : null}
            opening={opening.filter((one) => one.track === track.id)}
            acts={acts}
          />
        ))}
      </div>
      <SlotKeys />
      <KeysPerLoad />
      {menu.target && <PluginMenu target={menu.target} onClose={menu.close} />}
      {filing?.plugin && (
        <FilePlugins
          plugins={[filing.asked.setting?.id ?? filing.plugin]}
          onClose={() => {
            setFiling(null);
            box.current?.querySelector<HTMLElement>(`[data-slot="${filing.id}"]`)?.focus();
          }}
        />
      )}
    </section>
  );
}

/** What only a filled slot offers. */
const slotEntries = (slot: SlotView, acts: SlotActs): MenuEntry[] => [
  {
    words: texts.emptyTheSlot,
    keys: 'Delete',
    run: () => {
      acts.empty(slot.id);
    },
  },
  {
    words: slot.isBypassed ? texts.stopBypassing : texts.bypassIt,
    keys: '0',
    run: () => {
      acts.bypass(slot.id, !slot.isBypassed);
    },
  },
];

function SlotKeys() {
  return (
    <p className="keys-hint slots-keys">
      <span>
        <kbd>F</kbd> {texts.file}
      </span>
      <span>
        <Kbd keys="Delete" /> {texts.empty}
      </span>
      <span>
        <kbd>0</kbd> {texts.bypass}
      </span>
      <span>
        <kbd>W</kbd> {texts.monoOrStereo}
      </span>
      <span>
        <Kbd keys="Alt" />
        <kbd>←</kbd> {texts.move}
      </span>
    </p>
  );
}

interface SessionHeadProps {
  readonly session: SessionView;
  readonly isOpen: boolean;
  readonly setOpen: React.Dispatch<React.SetStateAction<boolean>>;
  readonly acts: SlotActs;
}

function SessionHead({ session, isOpen, setOpen, acts }: SessionHeadProps) {
  return (
    <div className="session-head">
      <h2 id="session-title">{session.name}</h2>
      <button
        type="button"
        className="link-words fold"
        aria-expanded={isOpen}
        onClick={() => {
          setOpen(!isOpen);
        }}
      >
        {texts.allSlots} <ChevronDown size={14} aria-hidden />
      </button>
      <SessionMenu session={session} acts={acts} />
      <span className="text-soft visually-quiet stand-in">
        {texts.practiceHost} <Plug size={14} aria-hidden />
      </span>
    </div>
  );
}

/** Of a setting its own name; who hears it, hears whose it is. */
const settingLabel = (
  setting: string,
  plugin: string,
  names: readonly string[],
): readonly [label: string, name: string] => [
  slotLabelFor(setting, names),
  texts.settingOf(setting, plugin),
];

interface TrackProps {
  readonly track: TrackView;
  readonly chosen: number | null;
  readonly opening: readonly Opening[];
  readonly acts: SlotActs;
}

function Track({ track, chosen, opening, acts }: TrackProps) {
  const { pluginById } = useCatalog();
  const { namesOf, nameOf } = useArrangement();
  const names = track.slots.flatMap((slot) => {
    const plugin = pluginById.get(slot.plugin ?? '');
    return plugin ? [nameOf(plugin)] : [];
  });
  const labelOf = ({ plugin: id, asked }: SlotView): readonly [label: string, name: string] => {
    const plugin = pluginById.get(id ?? '');
    if (asked.setting) {
      return settingLabel(asked.setting.name, plugin ? nameOf(plugin) : asked.name, names);
    }
    return plugin
      ? [namesOf(plugin.id)?.slotLabel ?? slotLabelFor(nameOf(plugin), names), nameOf(plugin)]
      : [slotLabelFor(asked.name, names), asked.name];
  };
  const at = track.slots.length;
  const wants = slotKindAt(track.sort, at);
  const waiting = opening.filter((one) => one.index >= at);
  return (
    <div
      className={`track ${chosen === null ? '' : 'current'} ${track.sort}`}
      role="group"
      aria-label={track.name}
    >
      <span className="track-name">
        <strong>{track.name}</strong>
        <span>
          {texts.trackKinds[track.sort]}{' '}
          {track.sort !== 'notes' && <TrackWidth track={track} acts={acts} />}
        </span>
      </span>
      <TrackSlots
        track={track}
        labelOf={labelOf}
        chosen={chosen}
        opening={opening}
        acts={acts}
        waiting={waiting}
        names={names}
        at={at}
        wants={wants}
      />
    </div>
  );
}

/** The width of a track, and the menu that changes it. */
function TrackWidth({ track, acts }: Pick<TrackProps, 'track' | 'acts'>) {
  return (
    <Menu
      as="span"
      className="link-words"
      label={texts.widthOf(track.name, widthWords(track.width))}
      onSelect={(width) => {
        acts.widen(track.id, Number(width));
      }}
      items={commonWidths.map((width) => (
        <MenuItem key={width} eventKey={String(width)} active={width === track.width}>
          {widthWords(width)}
        </MenuItem>
      ))}
    >
      {widthWords(track.width)}
    </Menu>
  );
}

interface TrackSlotsProps {
  readonly track: TrackView;
  readonly labelOf: (slot: SlotView) => readonly [label: string, name: string];
  readonly chosen: number | null;
  readonly opening: readonly Opening[];
  readonly acts: SlotActs;
  readonly waiting: Opening[];
  readonly names: string[];
  readonly at: number;
  readonly wants: SlotKind;
}

function TrackSlots({
  track,
  labelOf,
  chosen,
  opening,
  acts,
  waiting,
  names,
  at,
  wants,
}: TrackSlotsProps) {
  const { pluginById } = useCatalog();
  return (
    <span className="track-slots">
      {track.slots.map((slot, index) => {
        const [label, name] = labelOf(slot);
        const shown = index === chosen ? texts.choosing : label;
        const coming = opening.find((one) => one.index === index);
        const copy = copyInSlot(slot, pluginById);
        const width = widthOfSlot(track, index, pluginById);
        const isMisfit = copy !== undefined && misfitsWidth(copy, width);
        const channels = copy && (isMisfit ? channelsThrough(copy) : copy.audioOut);
        const state = `${texts.copyOf(
          slot.asked.format,
          channels ? widthWords(channels) : '',
        )}${isMisfit ? ` ${texts.inASlotOf(widthWords(width))}` : ''}${texts.slotState(
          slot.isBypassed,
          slot.problem ? texts.notOpen(slot.problem.message) : '',
        )}`;
        return (
          <SlotButton
            key={slot.id}
            slot={slot}
            track={track}
            index={index}
            chosen={chosen}
            name={name}
            state={state}
            width={isMisfit ? widthWords(channels ?? 0) : null}
            acts={acts}
            coming={coming}
            shown={shown}
          />
        );
      })}
      {waiting.map((one) => (
        <span key={one.id} className="slot opening" role="status">
          <LoaderCircle size={12} aria-hidden /> {slotLabelFor(one.name, names)}
        </span>
      ))}
      <button
        type="button"
        data-track={track.id}
        data-chosen={chosen !== null && chosen >= at}
        className={`slot free ${wants}`}
        aria-label={texts.slotEmpty(at + 1, texts.slotWants[wants])}
        onClick={() => {
          acts.choose({ track: track.id, index: at });
        }}
      >
        {chosen !== null && chosen >= at ? texts.choosing : <Plus size={15} aria-hidden />}
      </button>
      {chosen !== null && <KeepSetting slot={track.slots[chosen]} trackName={track.name} />}
      {chosen !== null && <KeepChain track={track} />}
    </span>
  );
}

interface SlotButtonProps {
  readonly slot: SlotView;
  readonly track: TrackView;
  readonly index: number;
  readonly chosen: number | null;
  readonly name: string;
  readonly state: string;
  /** What the copy is, where it does not fit the slot. */
  readonly width: string | null;
  readonly acts: SlotActs;
  readonly coming: Opening | undefined;
  readonly shown: string;
}

function SlotButton({
  slot,
  track,
  index,
  chosen,
  name,
  state,
  width,
  acts,
  coming,
  shown,
}: SlotButtonProps) {
  return (
    <button
      type="button"
      data-slot={slot.id}
      data-track={track.id}
      data-chosen={index === chosen}
      className={`slot ${slotKindAt(track.sort, index)} ${slot.isBypassed ? 'bypassed' : ''} ${slot.problem ? 'silent' : ''}`}
      title={texts.enterReplaces(name, state)}
      aria-label={texts.slot(index + 1, name, state)}
      onClick={() => {
        acts.choose({ track: track.id, index });
      }}
    >
      {coming ? texts.opening : shown}
      {width !== null && <span className="slot-width">{width}</span>}
    </button>
  );
}
