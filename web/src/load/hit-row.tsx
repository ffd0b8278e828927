/** One plugin that was found: what it is, which letters met it, and why it is here. */
import { CornerDownLeft, Star } from 'lucide-react';
import type { MouseEvent } from 'react';
import {
  copyInFront,
  differsInWidth,
  faceOf,
  type CopyCard,
  type CopyWish,
  type Plugin,
} from '@clever-drawer/core/catalog';
import {
  channelsThrough,
  copyToLoad,
  misfitsWidth,
  type TakenBySession,
  widthWords,
} from '@clever-drawer/core/loading';
import type { Folder } from '@clever-drawer/core/order';
import { highlightedSpans, type Hit } from '@clever-drawer/core/search';
import { typeName } from '@clever-drawer/core/taxonomy';
import { useArrangement, useCatalog } from '../studio/contexts.ts';
import { Faceplate } from '../ui/faceplate.tsx';
import { MoreDots } from '../ui/more-dots.tsx';
import { ofWhat } from '../annotate/of-what.ts';
import * as texts from './texts.ts';

interface Props {
  readonly hit: Hit;
  readonly typed: string;
  readonly isChosen: boolean;
  /** The figure that loads it, where one does. */
  readonly digit: number | null;
  readonly isFavourite: boolean;
  readonly hasPictures: boolean;
  /** What the session takes: the copy that it would load is told. */
  readonly accepts: TakenBySession;
  /** What decides which of its copies is loaded. */
  readonly wish: CopyWish & { readonly width: number };
  readonly whyNot: string | null;
  readonly onPress: () => void;
  readonly onMenu: (event: MouseEvent) => void;
  readonly children?: React.ReactNode;
}

export function HitRow({
  hit,
  typed,
  isChosen,
  digit,
  isFavourite,
  hasPictures,
  accepts,
  wish,
  whyNot,
  onPress,
  onMenu,
  children,
}: Props) {
  const { arrangement, nameOf, namesOf } = useArrangement();
  const { plugin, because } = hit;
  const copy = copyToLoad(plugin, accepts, wish) ?? copyInFront(plugin, wish);
  const label = namesOf(plugin.id)?.slotLabel;
  const name = nameOf(plugin);
  const folders = arrangement.foldersOf.get(plugin.id);
  const folder =
    folders?.find((f) => f.form === 'folder') ?? folders?.find((f) => f.form === 'smart');
  return (
    <div
      id={`hit-${plugin.id}`}
      role="option"
      aria-selected={isChosen}
      className={`hit ${isChosen ? 'chosen' : ''} ${whyNot === null ? '' : 'barred'}`}
      onClick={onPress}
      onContextMenu={(event) => {
        event.preventDefault();
        onMenu(event);
      }}
      data-testid="hit"
    >
      <HitFacts
        isChosen={isChosen}
        digit={digit}
        hasPictures={hasPictures}
        plugin={plugin}
        name={name}
        typed={typed}
        label={label}
        isFavourite={isFavourite}
        whyNot={whyNot}
        because={because}
        copy={copy}
        width={wish.width}
        folder={folder}
      />
      {children}
      <MoreDots onPress={onMenu} />
    </div>
  );
}

interface HitFactsProps {
  readonly isChosen: boolean;
  readonly digit: number | null;
  readonly hasPictures: boolean;
  readonly plugin: Plugin;
  readonly name: string;
  readonly typed: string;
  readonly label: string | null | undefined;
  readonly isFavourite: boolean;
  readonly whyNot: string | null;
  readonly because: string;
  readonly copy: CopyCard | undefined;
  readonly width: number;
  readonly folder: Folder | undefined;
}

function HitFacts({
  isChosen,
  digit,
  hasPictures,
  plugin,
  name,
  typed,
  label,
  isFavourite,
  whyNot,
  because,
  copy,
  width,
  folder,
}: HitFactsProps) {
  const { pictureOf } = useCatalog();
  return (
    <span className="hit-row">
      <span className="hit-key">
        {isChosen ? <CornerDownLeft size={15} aria-hidden /> : digit !== null && <kbd>{digit}</kbd>}
      </span>
      {hasPictures && <Faceplate seed={faceOf(plugin)} width={56} picture={pictureOf(plugin)} />}
      <HitNames
        name={name}
        typed={typed}
        plugin={plugin}
        label={label}
        isFavourite={isFavourite}
        whyNot={whyNot}
        misfit={misfitWords(copy, width)}
        because={because}
      />
      <span className="types">
        {plugin.types.slice(0, 2).map((t) => (
          <span key={t} className="chip">
            {typeName(t)}
          </span>
        ))}
      </span>
      <span className="format-of">
        {copy ? (
          <>
            <span className="chip format">{copy.format}</span>
            <CopyWidth plugin={plugin} copy={copy} />
          </>
        ) : (
          plugin.chain && <span className="chip format">{texts.inARow(plugin.chain.length)}</span>
        )}
      </span>
      <span className="hand">{folder?.name}</span>
    </span>
  );
}

/** Of a copy its width, where another copy has another one. */
function CopyWidth({ plugin, copy }: { readonly plugin: Plugin; readonly copy: CopyCard }) {
  return copy.audioOut !== null && differsInWidth(plugin) ? (
    <span className="width text-soft">{widthWords(copy.audioOut)}</span>
  ) : null;
}

/** What is the matter with a copy in a slot of so many channels; null where it fits. */
function misfitWords(copy: CopyCard | undefined, width: number): string | null {
  return copy && misfitsWidth(copy, width)
    ? `${widthWords(channelsThrough(copy) ?? 0)} ${texts.inASlotOf(widthWords(width))}`
    : null;
}

interface HitNamesProps {
  readonly name: string;
  readonly typed: string;
  readonly plugin: Plugin;
  readonly label: string | null | undefined;
  readonly isFavourite: boolean;
  readonly whyNot: string | null;
  /** What of its copy does not fit the slot. */
  readonly misfit: string | null;
  readonly because: string;
}

function HitNames({
  name,
  typed,
  plugin,
  label,
  isFavourite,
  whyNot,
  misfit,
  because,
}: HitNamesProps) {
  return (
    <span className="names">
      <span className="name">
        <Marked text={name} typed={typed} />
        {name !== plugin.name && <span className="original">{plugin.name}</span>}
        {label && <span className="label small">{label}</span>}
        {isFavourite && <Star size={13} className="hit-star" aria-label={texts.favourite} />}
      </span>
      <span className="vendor">
        {misfit !== null && <span className="text-brick">{misfit} · </span>}
        {ofWhat(plugin)}
        {whyNot !== null ? (
          <span className="text-brick"> · {whyNot}</span>
        ) : (
          because !== '' && <span className="because"> · {because}</span>
        )}
      </span>
    </span>
  );
}

function Marked({ text, typed }: { text: string; typed: string }) {
  const spans = highlightedSpans(text, typed);
  const pieces: React.ReactNode[] = [];
  let at = 0;
  for (const { start, end } of [...spans].sort((a, b) => a.start - b.start)) {
    if (start < at) {
      continue;
    }
    pieces.push(text.slice(at, start), <mark key={start}>{text.slice(start, end)}</mark>);
    at = end;
  }
  return (
    <span className="cut">
      {pieces}
      {text.slice(at)}
    </span>
  );
}
