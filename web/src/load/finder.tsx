/** Finding what to load: letters, then Enter. Nothing typed shows the likely ones. */
import { Zap } from 'lucide-react';
import { memo, useCallback, useEffect, useRef } from 'react';
import { isPresent } from '@clever-drawer/core/catalog';
import {
  cabinetSlotAt,
  slotScopes,
  slotKindAt,
  slotParts,
  type SlotHit,
  type SlotPart,
  type SlotScope,
} from '@clever-drawer/core/loading';
import { printNumber } from '@clever-drawer/core/print-number';
import { FilePlugins, NameDialog, PluginMenu } from '../annotate/behind.ts';
import { isByPointer } from '../annotate/menu-target.ts';
import { isAmongFavourites } from '../annotate/filing.ts';
import { useArrangement, useCatalog, useComputer } from '../studio/contexts.ts';
import { KeysHint } from '../ui/keys-hint.tsx';
import { AskKind } from './ask-kind.tsx';
import { CabinetChoice } from './cabinet-choice.tsx';
import { Copies, Facts } from './details.tsx';
import { FolderChoice } from './folder-choice.tsx';
import { HitRow } from './hit-row.tsx';
import type { Finding, Slot } from './use-finding.ts';
import { TryAgain } from './try-again.tsx';
import { useLoader, type KindQuestion, type LoaderProps } from './use-loader.ts';
import * as texts from './texts.ts';

type Loader = ReturnType<typeof useLoader>;

/** Keys that are told of once there is something for them: what was forgotten, what was loaded. */
const forgottenKey = 'Ctrl+G';
const fileLastKey = 'Ctrl+Shift+F';

export function Finder(props: LoaderProps & { readonly question: KindQuestion }) {
  const { question, field, settings, track, index, before } = props;
  const loader = useLoader(props);
  const { typed, copyAt, naming, filing, refusal, where, finding, active } = loader;
  const { hits, scope } = finding;
  const onScroll = useInView(active?.plugin.id, copyAt, active === hits[0]);
  const isBlank = typed === '' && where.folder === null;
  return (
    <section className="finder" aria-labelledby="finder-title" onScrollCapture={onScroll}>
      <Head track={track} index={index} before={before} />
      <Field loader={loader} field={field} />
      <Places
        folders={finding.folders}
        counts={finding.scopeCounts}
        hasForgotten={finding.hasForgotten}
        scope={scope}
        folder={where.folder}
        goTo={where.goTo}
        changeScope={where.changeScope}
        askFolder={loader.setAskingFolder}
      />
      {question.asked && (
        <AskKind
          plugin={question.asked}
          onClose={() => {
            question.close();
            field.current?.focus();
          }}
        />
      )}
      {refusal !== null && (
        <p className="refusal" role="alert">
          {refusal}
        </p>
      )}
      {isBlank && hits.length > 0 && <h2 className="hits-title">{texts.scopeTitles[scope]}</h2>}
      <Hits loader={loader} settings={settings} />
      {isBlank && scope !== 'rest' && (
        <TryAgain
          whyNot={finding.whyNot}
          onLoad={(plugin) => {
            loader.load(plugin, null);
          }}
        />
      )}
      {hits.length === 0 && <Nothing scope={scope} finding={finding} />}
      <KeysHint
        keys={texts.finderKeys.filter(
          ([key]) =>
            (key !== forgottenKey || finding.hasForgotten) &&
            (key !== fileLastKey || loader.hasLoaded),
        )}
      />
      {loader.menu.target && <PluginMenu target={loader.menu.target} onClose={loader.menu.close} />}
      {loader.isAskingFolder && (
        <FolderChoice
          countIn={finding.countIn}
          goTo={where.goTo}
          onClose={() => {
            loader.setAskingFolder(false);
            field.current?.focus();
          }}
        />
      )}
      {filing && (
        <FilePlugins
          plugins={[filing.id]}
          onClose={() => {
            loader.setFiling(null);
            field.current?.focus();
          }}
        />
      )}
      {naming && (
        <NameDialog
          plugin={naming}
          onClose={() => {
            loader.setNaming(null);
            field.current?.focus();
          }}
        />
      )}
    </section>
  );
}

type SlotOnly = Pick<Slot, 'track' | 'index' | 'before'>;

/** What no letter changes is not drawn again for one. */
const Head = memo(function HeadOfFinder({ track, index, before }: SlotOnly) {
  const { computer } = useComputer();
  return (
    <div className="finder-head">
      <h1 id="finder-title">
        {texts.loadIntoSlot(texts.slotWants[slotKindAt(track.sort, index)], track.name, index + 1)}
      </h1>
      {computer.isElsewhere && (
        <p className="text-brick" role="note">
          {texts.thesePluginsAreOnYou(computer.name)}
        </p>
      )}
      <After before={before} />
      <CabinetChoice slot={cabinetSlotAt(track.sort, index)} />
    </div>
  );
});

function Field({ loader, field }: { loader: Loader; field: LoaderProps['field'] }) {
  const { typed, type, active, where, finding, onKeyDown } = loader;
  return (
    <div className="finder-field">
      <Zap size={19} aria-hidden />
      <input
        ref={field}
        type="text"
        value={typed}
        autoFocus
        autoComplete="off"
        spellCheck={false}
        placeholder={texts.searchPlugins}
        aria-label={texts.pluginToLoad}
        role="combobox"
        aria-expanded
        aria-controls="hits"
        aria-activedescendant={active ? `hit-${active.plugin.id}` : undefined}
        onKeyDown={onKeyDown}
        onContextMenu={(event) => {
          // By the key it is the menu of the marked plugin; by mouse that of the field.
          if (active && !isByPointer(event)) {
            event.preventDefault();
            loader.openMenu(active.plugin, event);
          }
        }}
        onChange={(event) => {
          type(event.target.value);
        }}
      />
      <span className="text-soft found" role="status">
        {texts.foundOfAmong(finding.found, finding.among)}
      </span>
      <span className="scope-hint text-soft">
        <kbd>F4</kbd> {scopeWords(where.kept, finding)}
      </span>
    </div>
  );
}

interface PlacesProps
  extends Pick<Finding, 'folders' | 'scope'>,
    Pick<Loader['where'], 'folder' | 'goTo' | 'changeScope'> {
  readonly counts: Finding['scopeCounts'];
  readonly askFolder: (isAsking: boolean) => void;
  readonly hasForgotten: boolean;
}

/** More folders than these do not stand in two rows: they can be asked for by letters, too. */
const fewFolders = 10;

/** Where to look: the scopes, then the folders that hold something for the slot. */
const Places = memo(function PlacesToLook({
  folders,
  counts,
  scope,
  folder,
  goTo,
  changeScope,
  askFolder,
  hasForgotten,
}: PlacesProps) {
  const { cabinet } = useArrangement();
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    box.current?.querySelector('[aria-pressed="true"]')?.scrollIntoView({ block: 'nearest' });
  }, [folder, scope]);
  return (
    <div className="where-to-look" role="group" aria-label={texts.whereToLook}>
      <div className="scopes">
        <Scopes
          scope={scope}
          folder={folder}
          counts={counts}
          cabinet={cabinet?.name ?? ''}
          hasForgotten={hasForgotten}
          onChange={changeScope}
        />
        {folders.length > fewFolders && (
          <button
            type="button"
            className="link-words"
            onClick={() => {
              askFolder(true);
            }}
          >
            {texts.foldersByLetters(folders.length)} <kbd>Ctrl+O</kbd>
          </button>
        )}
      </div>
      <div ref={box} className="scopes folders">
        {folders.map(({ folder: one, count, countBelow, depth, divider }) => (
          <span key={one.id} className="scope-place">
            {divider !== null && <span className="scope-divider">{divider}</span>}
            <button
              type="button"
              aria-pressed={one.id === folder}
              className={`scope ${one.form} ${depth > 0 ? 'lower' : ''}`}
              title={texts.thatCanBeLoadedHere(count, countBelow)}
              onClick={() => {
                goTo(one.id === folder ? null : one.id);
              }}
            >
              {one.name}
            </button>
          </span>
        ))}
      </div>
    </div>
  );
});

function Hits({ loader, settings }: { loader: Loader; settings: LoaderProps['settings'] }) {
  const rows = loader.finding.hits.map((hit, at) => ({ hit, at }));
  const rowsOf = (part: SlotPart) => rows.filter(({ hit }) => hit.part === part);
  return (
    <div
      id="hits"
      className="hits"
      role="listbox"
      aria-label={texts.pluginsThatFit}
      onMouseDown={(event) => {
        event.preventDefault();
      }}
    >
      {slotParts.map((part) => (
        <Part key={part} part={part} loader={loader}>
          {rowsOf(part).map(({ hit, at }) => (
            <Row key={at} hit={hit} at={at} loader={loader} settings={settings} />
          ))}
        </Part>
      ))}
    </div>
  );
}

interface PartProps {
  readonly part: SlotPart;
  readonly loader: Loader;
  readonly children: readonly React.ReactElement[];
}

/** Rows of one part of the list, below a line that says what they are; the first part has none. */
function Part({ part, loader: { finding, where }, children }: PartProps) {
  const { arrangement, cabinet } = useArrangement();
  if (part === 'here' || children.length === 0) {
    return children;
  }
  const place =
    where.folder === null
      ? (cabinet?.name ?? '')
      : (arrangement.folders.find((one) => one.id === where.folder)?.name ?? '');
  const words = part === 'elsewhere' ? texts.notIn(place) : texts.partWords[part];
  return (
    <div role="group" aria-label={words} className="part">
      <p className="part-line" aria-hidden>
        {words} <span className="text-soft">{printNumber(finding.counts[part])}</span>
      </p>
      {children}
    </div>
  );
}

interface RowProps {
  readonly hit: SlotHit;
  readonly at: number;
  readonly loader: Loader;
  readonly settings: LoaderProps['settings'];
}

function Row({ hit, at, loader, settings }: RowProps) {
  const { arrangement } = useArrangement();
  const { finding, active, typed, hasPlaceKey, hasPictures, load, wishFor } = loader;
  const { plugin } = hit;
  return (
    <HitRow
      hit={hit}
      typed={typed}
      isChosen={hit === active}
      digit={hasPlaceKey(at + 1) ? at + 1 : null}
      isFavourite={isAmongFavourites(arrangement.foldersOf.get(plugin.id))}
      hasPictures={hasPictures}
      accepts={settings}
      wish={wishFor(plugin)}
      whyNot={finding.whyNot(plugin.id)}
      onPress={() => {
        load(plugin, null);
      }}
      onMenu={(event) => {
        loader.openMenu(plugin, event);
      }}
    >
      {hit === active && <Below loader={loader} settings={settings} />}
    </HitRow>
  );
}

/**
 * What is shown below the active hit: its copies while one is chosen, else its facts where these
 * are wanted.
 */
function Below({ loader, settings }: { loader: Loader; settings: LoaderProps['settings'] }) {
  const { active, copyAt, hasFacts, finding, load, wishFor, folder } = loader;
  if (!active) {
    return null;
  }
  const { plugin } = active;
  if (copyAt !== null) {
    return (
      <Copies
        plugin={plugin}
        chosen={copyAt}
        settings={settings}
        wish={wishFor(plugin)}
        onPress={(copy) => {
          load(plugin, copy);
        }}
        folder={folder?.name ?? null}
        onPreferCopy={() => {
          loader.preferCopy(copyAt);
        }}
        onHold={() => {
          loader.hold(copyAt);
        }}
      />
    );
  }
  return hasFacts ? <Facts plugin={plugin} letters={finding.fewestLetters(plugin.id)} /> : null;
}

/**
 * Keeps the active hit in view. The first one is there unless something was scrolled: asking would
 * have the page laid out on every letter.
 */
function useInView(
  active: string | undefined,
  copyAt: number | null,
  isFirst: boolean,
): () => void {
  const isScrolled = useRef(false);
  useEffect(() => {
    const isAtTop = isFirst && copyAt === null;
    if (isAtTop && !isScrolled.current) {
      return;
    }
    document.getElementById(`hit-${active ?? ''}`)?.scrollIntoView({ block: 'nearest' });
    if (isAtTop) {
      isScrolled.current = false;
    }
  }, [active, copyAt, isFirst]);
  return useCallback(() => {
    isScrolled.current = true;
  }, []);
}

function After({ before }: Pick<Slot, 'before'>) {
  const { pluginById } = useCatalog();
  const { nameOf } = useArrangement();
  const plugin = pluginById.get(before ?? '');
  return plugin ? (
    <span className="text-soft after">
      {texts.after} <span className="label small">{nameOf(plugin)}</span>
    </span>
  ) : null;
}

const scopeWords = (scope: SlotScope, { scopeCounts: counts }: Finding): string => {
  if (scope === 'cabinet') {
    return texts.lookInAll(printNumber(counts.all));
  }
  if (scope === 'all') {
    return texts.theThatCannotBeLoadedHere(printNumber(counts.rest));
  }
  return texts.backToTheCabinet;
};

interface ScopesProps {
  readonly scope: SlotScope;
  readonly folder: string | null;
  readonly counts: Finding['scopeCounts'];
  readonly cabinet: string;
  readonly hasForgotten: boolean;
  readonly onChange: (scope: SlotScope) => void;
}

function Scopes({ scope, folder, counts, cabinet, hasForgotten, onChange }: ScopesProps) {
  const names: Record<SlotScope, string> = {
    cabinet: texts.cabinetIn(cabinet),
    all: texts.allThatFit,
    rest: texts.theRest,
    forgot: texts.forgotten,
  };
  return (
    <>
      {slotScopes.map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={folder === null && one === scope}
          className="scope where"
          title={texts.plugin(counts[one])}
          onClick={() => {
            onChange(one);
          }}
        >
          {names[one]}
        </button>
      ))}
      {(hasForgotten || scope === 'forgot') && (
        <button
          type="button"
          aria-pressed={scope === 'forgot'}
          className="scope where"
          title={texts.ctrlG}
          onClick={() => {
            onChange(scope === 'forgot' ? 'cabinet' : 'forgot');
          }}
        >
          {names.forgot}
        </button>
      )}
    </>
  );
}

function Nothing({ scope, finding }: { scope: SlotScope; finding: Finding }) {
  const { plugins } = useCatalog();
  const gone = plugins.filter((p) => !isPresent(p)).length;
  if (scope === 'forgot') {
    return <p className="empty">{texts.youHaveUsedAllYour}</p>;
  }
  if (finding.scopeCounts.all === 0) {
    return (
      <p className="empty">
        {texts.noPluginInTheCatalogCan}
        {gone > 0 && texts.areGoneFromTheDisk(gone)} <kbd>F4</kbd> {texts.showsTheOthers}
      </p>
    );
  }
  return (
    <p className="empty">
      {texts.aSlotTakesOnlyEffects(
        scope === 'rest' ? texts.noMatchAmongTheOthers : texts.noPluginThatFitsHasTheseLetters,
      )}
    </p>
  );
}
