/** Finding what to load: letters, then Enter. Nothing typed shows the likely ones. */
import { Zap } from 'lucide-react';
import {
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  type KeyboardEvent,
  type RefObject,
} from 'react';
import {
  cabinetSlotAt,
  isPresent,
  slotSortAt,
  type CabinetSlot,
  type CopyCard,
  type Plugin,
} from '@clever-drawer/core';
import { useActs, useArrangement, useCatalog, useComputer } from '../studio/contexts.ts';
import { favouriteAct } from '../annotate/filing.ts';
import { NameDialog } from '../annotate/name-dialog.tsx';
import { chord } from '../ui/keys.ts';
import { KeysHint } from '../ui/keys-hint.tsx';
import { CabinetChoice } from './cabinet-choice.tsx';
import { Copies, copiesToChoose, Facts } from './details.tsx';
import { HitRow } from './hit-row.tsx';
import { scopes, useFinding, type Finding, type Scope, type Slot } from './use-finding.ts';
import { useRemembered } from './use-remembered.ts';

const hints = [
  ['Enter', 'load'],
  ['Alt+Enter', 'choose the copy'],
  ['↑ ↓', 'move'],
  ['Ctrl+B', 'favourite'],
  ['F2', 'nickname'],
  ['Ctrl+I', 'facts'],
  ['Ctrl+P', 'pictures'],
  ['Ctrl+G', 'something I forgot'],
  ['Esc', 'back to the slots'],
] as const;
const wants = {
  instrument: 'an instrument',
  'note-effect': 'a note effect',
  effect: 'an effect',
} as const;

/** How a plugin was chosen. */
export interface Chosen {
  readonly plugin: Plugin;
  readonly copy: CopyCard | null;
  readonly typed: string;
  readonly keys: number;
  readonly took: number;
}

interface Props extends Slot {
  readonly field: RefObject<HTMLInputElement | null>;
  /** Ends with what the host says when it refuses, else with null. */
  readonly onLoad: (chosen: Chosen) => Promise<string | null>;
  readonly onLeave: () => void;
}

/** Everything the finder does, apart from how it looks. */
function useLoader({ onLoad, onLeave, field, ...slot }: Props) {
  const { formatOrder } = useCatalog();
  const { act } = useActs();
  const { arrangement } = useArrangement();
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const [copyAt, setCopyAt] = useState<number | null>(null);
  const [naming, setNaming] = useState<Plugin | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [pictures, setPictures] = useRemembered('load.pictures', 'yes');
  const [facts, setFacts] = useRemembered('load.facts', 'no');
  const where = useWhere(cabinetSlotAt(slot.track.sort, slot.index), () => {
    setAt(0);
    field.current?.focus();
  });
  const keys = useKeyCount();
  const finding = useFinding(slot, typed, where);
  const { hits } = finding;
  const active = hits[Math.min(at, hits.length - 1)];
  const startAgain = (): void => {
    setTyped('');
    setAt(0);
    setCopyAt(null);
    where.setForgot(false);
    keys.clear();
  };
  const load = (plugin: Plugin | undefined, copy: CopyCard | null): void => {
    if (!plugin) {
      return;
    }
    const reason = copy === null ? finding.whyNot(plugin.id) : null;
    if (reason !== null) {
      setRefusal(`${plugin.name} cannot be loaded here: ${reason}.`);
      return;
    }
    const letters = typed;
    const answer = onLoad({ plugin, copy, typed: letters.trim(), ...keys.taken() });
    startAgain();
    setRefusal(null);
    void answer.then((message) => {
      if (message !== null) {
        setRefusal(message);
        setTyped((now) => (now === '' ? letters : now));
      }
    });
  };
  const isFigure = (n: number): boolean =>
    n > 1 && n <= hits.length && n <= 9 && !/\s$/.test(typed) && !finding.figures.has(String(n));
  const inCopies = (plugin: Plugin, now: number, key: string): (() => void) | undefined => {
    const copies = copiesToChoose(plugin, slot.settings, formatOrder);
    const wishes: Record<string, () => void> = {
      ArrowDown: () => {
        setCopyAt(Math.min(copies.length - 1, now + 1));
      },
      ArrowUp: () => {
        setCopyAt(Math.max(0, now - 1));
      },
      Enter: () => {
        load(active?.plugin, copies[now] ?? null);
      },
      Escape: () => {
        setCopyAt(null);
      },
      'Alt+Enter': () => {
        setCopyAt(null);
      },
    };
    return /^[1-9]$/.test(key) && copies[Number(key) - 1]
      ? () => {
          load(active?.plugin, copies[Number(key) - 1] ?? null);
        }
      : wishes[key];
  };
  const wishes: Readonly<Record<string, () => void>> = {
    Enter: () => {
      load(active?.plugin, null);
    },
    'Alt+Enter': () => {
      if (active && active.plugin.copies.length > 0) {
        setCopyAt(0);
      }
    },
    ArrowDown: () => {
      setAt(Math.min(hits.length - 1, at + 1));
    },
    ArrowUp: () => {
      setAt(Math.max(0, at - 1));
    },
    Tab: () => {
      where.tab(1);
    },
    'Shift+Tab': () => {
      where.tab(-1);
    },
    'Ctrl+ArrowLeft': () => {
      where.walk(-1, finding);
    },
    'Ctrl+ArrowRight': () => {
      where.walk(1, finding);
    },
    'Ctrl+B': () => {
      const wish = active && favouriteAct(arrangement, active.plugin.id);
      if (wish) {
        act(wish);
      }
    },
    F2: () => {
      setNaming(active?.plugin ?? null);
    },
    'Ctrl+P': () => {
      setPictures(pictures === 'yes' ? 'no' : 'yes');
    },
    'Ctrl+I': () => {
      setFacts(facts === 'yes' ? 'no' : 'yes');
    },
    'Ctrl+G': () => {
      where.changeScope(where.scope === 'forgot' ? where.kept : 'forgot');
    },
    Escape: () => {
      if (where.scope === 'forgot') {
        where.setForgot(false);
      } else if (typed !== '') {
        startAgain();
      } else if (where.folder !== null) {
        where.goTo(null);
      } else {
        onLeave();
      }
    },
  };
  const does = (key: string): (() => void) | undefined =>
    (copyAt !== null && active ? inCopies(active.plugin, copyAt, key) : undefined) ??
    (/^[2-9]$/.test(key) && isFigure(Number(key))
      ? () => {
          load(hits[Number(key) - 1]?.plugin, null);
        }
      : undefined) ??
    (typed === '' && (key === 'ArrowLeft' || key === 'ArrowRight')
      ? wishes[`Ctrl+${key}`]
      : wishes[key]);
  const onKeyDown = (event: KeyboardEvent): void => {
    if (['Shift', 'Control', 'Alt', 'Meta'].includes(event.key)) {
      return;
    }
    keys.press();
    const wish = does(chord(event));
    if (!wish) {
      return;
    }
    event.preventDefault();
    wish();
  };
  const type = (text: string): void => {
    setTyped(text);
    setAt(0);
    setCopyAt(null);
    setRefusal(null);
  };
  return {
    typed,
    type,
    copyAt,
    naming,
    setNaming,
    refusal,
    hasPictures: pictures === 'yes',
    hasFacts: facts === 'yes',
    where,
    finding,
    active,
    load,
    isFigure,
    onKeyDown,
  };
}

/** Keys since the finder was empty, and since when. */
function useKeyCount() {
  const held = useRef({ count: 0, since: 0 });
  return useMemo(
    () => ({
      press: (): void => {
        if (held.current.count === 0) {
          held.current.since = performance.now();
        }
        held.current.count += 1;
      },
      taken: (): { keys: number; took: number } => ({
        keys: Math.max(1, held.current.count),
        took: held.current.count === 0 ? 0 : Math.round(performance.now() - held.current.since),
      }),
      clear: (): void => {
        held.current = { count: 0, since: 0 };
      },
    }),
    [],
  );
}

/** Where is looked: kept for each sort of slot. */
function useWhere(slotName: CabinetSlot, onChange: () => void) {
  const { client } = useComputer();
  const { arrangement, cabinet } = useArrangement();
  const [scopeHeld, setScope] = useRemembered(`load.scope.${slotName}`, 'cabinet');
  const [folderHeld, setFolder] = useRemembered(
    `load.folder.${client.computer}.${cabinet?.id ?? ''}.${slotName}`,
    '',
  );
  const [isForgot, setForgot] = useState(false);
  const kept = scopes.find((one) => one === scopeHeld) ?? 'cabinet';
  const folder = arrangement.folders.some((one) => one.id === folderHeld) ? folderHeld : null;
  const goTo = (next: string | null): void => {
    setFolder(next ?? '');
    setForgot(false);
    if (next !== null && kept === 'rest') {
      setScope('cabinet');
    }
    onChange();
  };
  const changeScope = (next: Scope): void => {
    setForgot(next === 'forgot');
    if (next !== 'forgot') {
      setScope(next);
      setFolder('');
    }
    onChange();
  };
  const tab = (step: 1 | -1): void => {
    changeScope(
      folder !== null || isForgot
        ? kept
        : (scopes[(scopes.indexOf(kept) + step + scopes.length) % scopes.length] ?? 'cabinet'),
    );
  };
  const walk = (step: 1 | -1, { folders }: Finding): void => {
    const ids = [null, ...folders.map((one) => one.folder.id as string)];
    goTo(ids[(ids.indexOf(folder) + step + ids.length) % ids.length] ?? null);
  };
  return {
    scope: isForgot ? ('forgot' as const) : kept,
    kept,
    folder,
    setForgot,
    goTo,
    changeScope,
    tab,
    walk,
  };
}

export function Finder(props: Props) {
  const { field, track, index, settings } = props;
  const { arrangement, cabinet } = useArrangement();
  const {
    typed,
    type,
    copyAt,
    naming,
    setNaming,
    refusal,
    hasPictures,
    hasFacts,
    where,
    finding,
    active,
    load,
    isFigure,
    onKeyDown,
  } = useLoader(props);
  const { folder, goTo, changeScope } = where;
  const { hits, scope } = finding;
  const onScroll = useInView(active?.plugin.id, copyAt, active === hits[0]);
  const isFavourite = (plugin: string): boolean =>
    arrangement.foldersOf.get(plugin)?.some((one) => one.form === 'favourites') ?? false;
  return (
    <section className="finder" aria-labelledby="finder-title" onScrollCapture={onScroll}>
      <div className="finder-head">
        <h1 id="finder-title">
          Load {wants[slotSortAt(track.sort, index)]} into {track.name}, slot {index + 1}
        </h1>
        <After slot={props} />
        <CabinetChoice slot={cabinetSlotAt(track.sort, index)} />
      </div>
      <div className="finder-field">
        <Zap size={19} aria-hidden />
        <input
          ref={field}
          type="text"
          value={typed}
          autoFocus
          autoComplete="off"
          spellCheck={false}
          placeholder="A few letters …"
          aria-label="Letters of the plugin to load"
          role="combobox"
          aria-expanded
          aria-controls="hits"
          aria-activedescendant={active ? `hit-${active.plugin.id}` : undefined}
          onKeyDown={onKeyDown}
          onChange={(event) => {
            type(event.target.value);
          }}
        />
        <span className="text-soft found" role="status">
          {finding.isReady ? `${finding.found} of ${finding.among}` : 'getting ready …'}
        </span>
        <span className="tab-hint text-soft">
          <kbd>Tab</kbd> {tabWords(where.kept, finding)}
        </span>
      </div>
      <div className="scopes" role="group" aria-label="Where to look">
        <Scopes
          scope={scope}
          folder={folder}
          counts={finding.counts}
          cabinet={cabinet?.name ?? ''}
          onChange={changeScope}
        />
        {finding.folders.map(({ folder: one, count, depth }) => (
          <button
            key={one.id}
            type="button"
            aria-pressed={one.id === folder}
            className={`scope ${one.form} ${depth > 0 ? 'lower' : ''}`}
            title={`${count} that can be loaded here`}
            onClick={() => {
              goTo(one.id === folder ? null : one.id);
            }}
          >
            {one.name}
          </button>
        ))}
      </div>
      {refusal !== null && (
        <p className="refusal" role="alert">
          {refusal}
        </p>
      )}
      {finding.isWidened && (
        <p className="text-soft widened" role="status">
          None of these in{' '}
          {folder === null
            ? cabinet?.name
            : arrangement.folders.find((one) => one.id === folder)?.name}
          : found in all.
        </p>
      )}
      {typed === '' && folder === null && hits.length > 0 && (
        <h2 className="hits-title">{titles[scope]}</h2>
      )}
      <ul
        id="hits"
        className="hits"
        role="listbox"
        aria-label="Plugins that fit"
        onMouseDown={(event) => {
          event.preventDefault();
        }}
      >
        {hits.map((hit, n) => (
          <HitRow
            key={hit.plugin.id}
            hit={hit}
            typed={typed}
            isChosen={hit === active}
            figure={isFigure(n + 1) ? n + 1 : null}
            isFavourite={isFavourite(hit.plugin.id)}
            hasPictures={hasPictures}
            accepts={settings}
            whyNot={finding.whyNot(hit.plugin.id)}
            onPress={() => {
              load(hit.plugin, null);
            }}
          >
            {hit === active && copyAt !== null ? (
              <Copies
                plugin={hit.plugin}
                chosen={copyAt}
                settings={settings}
                onPress={(copy) => {
                  load(hit.plugin, copy);
                }}
              />
            ) : (
              hit === active &&
              hasFacts && (
                <Facts plugin={hit.plugin} letters={finding.fewestLetters(hit.plugin.id)} />
              )
            )}
          </HitRow>
        ))}
      </ul>
      {finding.isReady && hits.length === 0 && <Nothing scope={scope} finding={finding} />}
      <KeysHint keys={hints} />
      {naming && (
        <NameDialog
          plugin={naming}
          onClose={() => {
            setNaming(null);
            field.current?.focus();
          }}
        />
      )}
    </section>
  );
}

/** Keeps the active hit in view. The first one is there unless something was scrolled: asking would have the page laid out on every letter. */
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

function After({ slot: { track, index } }: { slot: Slot }) {
  const { pluginById } = useCatalog();
  const { nameOf } = useArrangement();
  const before = pluginById.get(track.slots[index - 1]?.plugin ?? '');
  return before ? (
    <span className="text-soft after">
      after <span className="label small">{nameOf(before)}</span>
    </span>
  ) : null;
}

const tabWords = (scope: Scope, { counts }: Finding): string => {
  if (scope === 'cabinet') {
    return `look in all ${counts.all.toLocaleString('en')}`;
  }
  if (scope === 'all') {
    return `the ${counts.rest.toLocaleString('en')} that cannot be loaded here`;
  }
  return 'back to the cabinet';
};

function Scopes({
  scope,
  folder,
  counts,
  cabinet,
  onChange,
}: {
  scope: Scope;
  folder: string | null;
  counts: Finding['counts'];
  cabinet: string;
  onChange: (scope: Scope) => void;
}) {
  const names: Record<Scope, string> = {
    cabinet: `In ${cabinet}`,
    all: 'All that fit',
    rest: 'The rest',
    forgot: 'Forgotten',
  };
  return scopes
    .map((one) => (
      <button
        key={one}
        type="button"
        aria-pressed={folder === null && one === scope}
        className="scope where"
        title={`${counts[one]} plugins`}
        onClick={() => {
          onChange(one);
        }}
      >
        {names[one]}
      </button>
    ))
    .concat(
      <button
        key="forgot"
        type="button"
        aria-pressed={scope === 'forgot'}
        className="scope where"
        title="Ctrl+G"
        onClick={() => {
          onChange(scope === 'forgot' ? 'cabinet' : 'forgot');
        }}
      >
        {names.forgot}
      </button>,
    );
}

function Nothing({ scope, finding }: { scope: Scope; finding: Finding }) {
  const { plugins } = useCatalog();
  const gone = plugins.filter((p) => !isPresent(p)).length;
  if (scope === 'forgot') {
    return (
      <p className="empty">
        Nothing that is filed, a favourite or was loaded has lain idle for three months.
      </p>
    );
  }
  if (finding.counts.all === 0) {
    return (
      <p className="empty">
        No plugin in the catalog can be loaded here.{gone > 0 && ` ${gone} are gone from the disk.`}{' '}
        <kbd>Tab</kbd> shows the others, each with the reason.
      </p>
    );
  }
  return (
    <p className="empty">
      {scope === 'rest'
        ? 'None of the others has these letters.'
        : 'No plugin that fits this slot has these letters.'}{' '}
      Effects, instruments and note effects are never looked for together: is it the right slot?
    </p>
  );
}

const titles: Readonly<Record<Scope, string>> = {
  forgot: 'Well thought of, and not loaded for long',
  rest: 'Cannot be loaded here',
  cabinet: 'Likely now',
  all: 'Likely now',
};
