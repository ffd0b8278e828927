/** Below the chosen plugin: its facts, or the choice of one of its copies. */
import {
  copiesInOrder,
  isForOldSessions,
  type CopyCard,
  type CopyWish,
  type Plugin,
} from '@clever-drawer/core/catalog';
import { whyNotCopy, type HostSettings, widthWords } from '@clever-drawer/core/loading';
import { typeName } from '@clever-drawer/core/taxonomy';
import { useArrangement, useCatalog } from '../studio/contexts.ts';
import { Kbd } from '../ui/kbd.tsx';
import { sayTime } from '../ui/time-words.ts';
import * as texts from './texts.ts';

/** "mono in, stereo out" where the ports are known. */
const portsOf = ({ audioIn, audioOut }: CopyCard): string => {
  if (audioIn === null && audioOut === null) {
    return '';
  }
  if (audioIn === audioOut) {
    return widthWords(audioIn ?? 0);
  }
  return texts.inOut(widthWords(audioIn ?? 0), widthWords(audioOut ?? 0));
};

/** Those that the session takes first, the one that would be loaded in front. */
export function copiesToChoose(plugin: Plugin, settings: HostSettings, wish: CopyWish): CopyCard[] {
  const isRefused = (copy: CopyCard): number => Number(whyNotCopy(copy, settings) !== null);
  return copiesInOrder(plugin, wish).sort((a, b) => isRefused(a) - isRefused(b));
}

interface CopiesProps {
  readonly plugin: Plugin;
  readonly chosen: number;
  readonly settings: HostSettings;
  readonly wish: CopyWish;
  readonly onPress: (copy: CopyCard) => void;
  /** The name of the open folder that can hold a copy; null without one. */
  readonly folder: string | null;
  /** Of the chosen copy: it is used first from now on, or held by the folder; or no longer. */
  readonly onPreferCopy: () => void;
  readonly onHold: () => void;
}

export function Copies({
  plugin,
  chosen,
  settings,
  wish,
  onPress,
  folder,
  onPreferCopy,
  onHold,
}: CopiesProps) {
  const { formatOrder } = useCatalog();
  const { first, folderCopies = [] } = wish;
  const copies = copiesToChoose(plugin, settings, wish);
  const marked = copies[chosen]?.id;
  return (
    <span className="copies-choice" role="group" aria-label={texts.copiesOf(plugin.name)}>
      {copies.map((copy, at) => {
        const reason = whyNotCopy(copy, settings);
        return (
          <span
            key={copy.id}
            className={`copy ${at === chosen ? 'chosen' : ''}`}
            data-testid="copy"
            aria-current={at === chosen}
            onClick={(event) => {
              event.stopPropagation();
              onPress(copy);
            }}
          >
            <kbd>{at + 1}</kbd> <span className="chip format">{copy.format}</span>
            <span>
              {[copy.version, copy.is32Bit ? '32 bit' : '64 bit', portsOf(copy)]
                .filter(Boolean)
                .join(' · ')}
              {copy.id === first && <span className="text-soft"> {texts.usedFirst}</span>}
              {folderCopies.includes(copy.id) && (
                <span className="text-soft"> {texts.usedInFolder}</span>
              )}
              {isForOldSessions(plugin, copy, formatOrder) && (
                <span className="text-soft"> {texts.forOldSessions}</span>
              )}
              {reason !== null && <span className="text-brick"> · {reason}</span>}
            </span>
            <span className="mono text-soft path">
              <bdi>{copy.path}</bdi>
            </span>
          </span>
        );
      })}
      <span className="keys-hint">
        <CopyAct
          keys="Ctrl+Enter"
          words={marked === first ? texts.useUsual : texts.useFirst}
          onPress={onPreferCopy}
        />
        {folder !== null && (
          <CopyAct
            keys="Shift+Enter"
            words={
              marked && folderCopies.includes(marked)
                ? texts.holdAnyIn(folder)
                : texts.holdIn(folder)
            }
            onPress={onHold}
          />
        )}
      </span>
    </span>
  );
}

/** Something that is done with the chosen copy, by its key or a press. */
function CopyAct({
  keys,
  words,
  onPress,
}: {
  readonly keys: string;
  readonly words: string;
  readonly onPress: () => void;
}) {
  return (
    <span
      className="copy-act"
      onClick={(event) => {
        event.stopPropagation();
        onPress();
      }}
    >
      <Kbd keys={keys} /> {words}
    </span>
  );
}

export function Facts({
  plugin,
  letters,
}: {
  plugin: Plugin;
  /** The fewest for which it stands first. */ letters: string | null;
}) {
  const { usage, answers, pluginById } = useCatalog();
  const { arrangement, nameOf } = useArrangement();
  const members = plugin.chain?.flatMap((id) => pluginById.get(id) ?? []);
  const used = usage.get(plugin.id);
  const said = answers.get(plugin.id);
  const folders = arrangement.foldersOf.get(plugin.id) ?? [];
  const facts: readonly (readonly [string, string])[] = [
    [texts.types, plugin.types.map(typeName).join(', ') || 'none'],
    ...(plugin.setting?.bank ? [[texts.bank, plugin.setting.bank] as const] : []),
    members
      ? [texts.chain, members.map(nameOf).join(' → ')]
      : [
          texts.copies,
          plugin.copies
            .map((copy) => `${copy.format}${copy.version === null ? '' : ` ${copy.version}`}`)
            .join(', '),
        ],
    [texts.folders, folders.map((folder) => folder.name).join(', ') || texts.none],
    [texts.loaded, used ? texts.last(used.loads, sayTime(used.lastLoaded)) : 'never'],
    ...(letters === null ? [] : [[texts.shortestSearch, letters] as const]),
    ...(said && said.tags.length > 0 ? [[texts.tags, said.tags.join(', ')] as const] : []),
    ...(said && said.notes !== '' ? [[texts.notes, said.notes] as const] : []),
  ];
  return (
    <span className="peek" data-testid="peek">
      {facts.map(([name, text]) => (
        <span key={name}>
          <span className="text-soft">{name}</span> {text}
        </span>
      ))}
    </span>
  );
}
