/** One plugin as a row of the list, and as a card with its picture. */
import { Check } from 'lucide-react';
import { memo, type MouseEvent, type ReactNode } from 'react';
import { faceOf, isPresent, type Plugin } from '@clever-drawer/core/catalog';
import type { Folder } from '@clever-drawer/core/order';
import type { Row } from '@clever-drawer/core/search';
import { typeName } from '@clever-drawer/core/taxonomy';
import { day } from '@clever-drawer/core/time';
import { Faceplate } from '../../ui/faceplate.tsx';
import { MoreDots } from '../../ui/more-dots.tsx';
import { ofWhat } from '../../annotate/of-what.ts';
import { isTakenFrom, useDragRole, useDrag } from '../drag/drag-store.ts';
import * as texts from '../texts.ts';

export interface RowProps {
  readonly row: Row;
  readonly slotLabel: string | null;
  readonly folders: readonly Folder[];
  readonly isActive: boolean;
  readonly isInTray: boolean;
  readonly isFavourite: boolean;
  readonly ago: string;
  readonly picture: string | null;
  readonly tags: readonly string[];
  /** Not offered while loading. */
  readonly isHidden: boolean;
  readonly onPress: (id: string, isRun: boolean, isOneMore: boolean) => void;
  readonly onTray: (id: string) => void;
  readonly onMenu: (id: string, event: MouseEvent) => void;
  readonly onFile: () => void;
}

interface OptionProps {
  readonly props: RowProps;
  readonly className: string;
  readonly children: ReactNode;
}

function Option({ props, className, children }: OptionProps) {
  const { plugin } = props.row;
  const ref = useDragRole<HTMLDivElement>({ dragged: { kind: 'plugins', plugin: plugin.id } });
  const isDragging = useDrag((drag) => isTakenFrom(drag, plugin.id, undefined));
  return (
    <div
      ref={ref}
      id={`option-${plugin.id}`}
      role="option"
      aria-selected={props.isInTray}
      data-testid="plugin"
      className={`${className} ${props.isActive ? 'active' : ''} ${props.isInTray ? 'in-tray' : ''} ${isDragging ? 'dragged' : ''} ${isPresent(plugin) ? '' : 'is-gone'}`}
      onClick={(event) => {
        props.onPress(plugin.id, event.shiftKey, event.ctrlKey || event.metaKey);
      }}
      onDoubleClick={props.onFile}
      onContextMenu={(event) => {
        event.preventDefault();
        event.stopPropagation();
        props.onMenu(plugin.id, event);
      }}
    >
      <span
        className={`tick ${props.isInTray ? 'on' : ''}`}
        title={texts.addToTheTraySpace}
        onClick={(event) => {
          event.stopPropagation();
          props.onTray(plugin.id);
        }}
      >
        {props.isInTray && <Check size={13} aria-hidden />}
      </span>
      {children}
      <MoreDots
        onPress={(event) => {
          props.onMenu(plugin.id, event);
        }}
      />
    </div>
  );
}

export const PluginRow = memo(function RowOfPlugin(props: RowProps) {
  const { plugin, nickname } = props.row;
  return (
    <Option props={props} className="plugin-row">
      <Faceplate seed={faceOf(plugin)} picture={props.picture} />
      <span className="names">
        <span className="name">
          {props.isFavourite && <span className="ribbon" role="img" aria-label={texts.favourite} />}
          <span className="cut" title={nickname ?? plugin.name}>
            {nickname ?? plugin.name}
          </span>
          {nickname !== null && <span className="original">{plugin.name}</span>}
          {props.slotLabel !== null && <span className="label small">{props.slotLabel}</span>}
          {props.tags.map((tag) => (
            <span key={tag} className="tag-mark">
              {tag}
            </span>
          ))}
          {props.isHidden && <span className="original">{texts.hiddenInLoad}</span>}
        </span>
        <span className="vendor">{ofWhat(plugin)}</span>
      </span>
      <span className="types">
        {plugin.types.length > 0 ? (
          plugin.types.slice(0, 2).map((t) => (
            <span key={t} className="chip">
              {typeName(t)}
            </span>
          ))
        ) : (
          <span className="text-faint">{texts.withoutType}</span>
        )}
      </span>
      <span className="formats">
        <Whereabouts plugin={plugin} />
      </span>
      <InFolders props={props} />
      <span className="ago">{props.ago}</span>
    </Option>
  );
});

/** Two lines, whole: the first two folders, and how many more. */
function InFolders({ props: { folders } }: { readonly props: RowProps }) {
  const [first, second] = folders;
  if (!first) {
    return (
      <span className="in-folders">
        <span className="text-faint">{texts.unfiled}</span>
      </span>
    );
  }
  return (
    <span className="in-folders" title={folders.map(({ name }) => name).join(', ')}>
      <span className="in-folder">
        <span className="hand">{first.name}</span>
      </span>
      {second && (
        <span className="in-folder">
          <span className="hand">{second.name}</span>
          {folders.length > 2 && <span className="text-soft">+{folders.length - 2}</span>}
        </span>
      )}
    </span>
  );
}

export const PluginCard = memo(function CardOfPlugin(props: RowProps) {
  const { plugin, nickname } = props.row;
  return (
    <Option props={props} className="plugin-card">
      <Faceplate seed={faceOf(plugin)} picture={props.picture} width={140} />
      <span className="name">
        {props.isFavourite && <span className="ribbon" role="img" aria-label={texts.favourite} />}
        {nickname ?? plugin.name}
      </span>
      <span className="vendor">{ofWhat(plugin)}</span>
      <span className="text-soft">
        {plugin.types[0] === undefined ? texts.withoutType : typeName(plugin.types[0])}
      </span>
    </Option>
  );
});

/** So many letters of formats stand side by side; the rest is counted, and told on hovering. */
const formatLetters = 8;

function Formats({ formats }: { formats: readonly string[] }) {
  const shown = formats.filter(
    (_, at) => at === 0 || formats.slice(0, at + 1).join('').length <= formatLetters,
  );
  return (
    <>
      {shown.map((f) => (
        <span key={f} className={`chip format ${f.endsWith(' 32') ? 'old' : ''}`}>
          {f}
        </span>
      ))}
      {shown.length < formats.length && (
        <span className="text-soft" title={formats.join(', ')}>
          +{formats.length - shown.length}
        </span>
      )}
    </>
  );
}

/** Formats of the copies that are there, each once; those of 32 bits say so. */
export const formatsOf = (plugin: Plugin): string[] =>
  [
    ...new Set(
      plugin.copies
        .filter((c) => c.state === 'present')
        .map((c) => (c.is32Bit ? `${c.format} 32` : c.format)),
    ),
  ].sort((a, b) => Number(a.endsWith(' 32')) - Number(b.endsWith(' 32')));

/** "today", "3 d", "2 w", "4 mo", "never". `now` in milliseconds. */
export function ago(time: string | undefined, now: number): string {
  if (time === undefined) {
    return texts.never;
  }
  const days = Math.floor((now - Date.parse(time)) / day);
  if (days < 1) {
    return texts.today;
  }
  if (days < 14) {
    return texts.daysD(days);
  }
  return days < 60 ? texts.daysW(Math.floor(days / 7)) : texts.months(Math.floor(days / 30.5));
}

/** The formats of what is there, or why it is not. */
function Whereabouts({ plugin }: { plugin: Plugin }) {
  if (plugin.chain) {
    return <span className="chip format">{texts.chainOf(plugin.chain.length)}</span>;
  }
  if (plugin.setting && isPresent(plugin)) {
    return <span className="chip format">{texts.setting(plugin.setting.format)}</span>;
  }
  const present = plugin.copies.filter(({ state }) => state === 'present');
  if (present.length > 0 && present.every(({ lacksProgram }) => lacksProgram)) {
    return <span className="chip gone">{texts.programMissing}</span>;
  }
  if (isPresent(plugin)) {
    return <Formats formats={formatsOf(plugin)} />;
  }
  const isAway = plugin.copies.some((copy) => copy.state === 'away');
  return <span className="chip gone">{isAway ? texts.outOfReach : texts.gone}</span>;
}
