/** The bar at the top: the screens in the order of the work, find anything, undo, theme. */
import {
  Archive,
  BookmarkCheck,
  ChartColumn,
  Check,
  HelpCircle,
  History,
  Layers,
  CloudOff,
  LoaderCircle,
  Monitor,
  Moon,
  PenLine,
  Radar,
  Redo2,
  Search,
  Sun,
  Undo2,
  Zap,
  type LucideIcon,
} from 'lucide-react';
import { createElement, memo, useState } from 'react';
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import type { Direction } from '@clever-drawer/core/acts';
import {
  useActs,
  useComputer,
  useOrder,
  useConnection,
  useScanProgress,
  useWaiting,
} from '../studio/contexts.ts';
import { useDraftCount } from '../ui/draft-text.ts';
import { keyWords } from '../ui/key-words.ts';
import { useKeys } from '../ui/keys.ts';
import { ErrorBoundary } from '../ui/error-boundary.tsx';
import { useDocumentTitle } from '../ui/use-document-title.ts';
import { mainScreens, screenOf, type MainScreenId } from '../studio/screens.ts';
import { useNextStep } from '../studio/use-next-step.ts';
import {
  AllTags,
  ComputerItems,
  FindAnything,
  FormatOrder,
  HelpKeys,
  LatestChanges,
  useDialogsBehind,
} from './behind.ts';
import { Menu } from '../ui/menu.tsx';
import { newFolderState } from '../file/new-folder-state.ts';
import type { Doable } from './find-anything.tsx';
import { useTheme, type Theme } from './theme.ts';
import type { ScanProgress } from '@clever-drawer/core/api';
import { Kbd } from '../ui/kbd.tsx';
import * as texts from './texts.ts';

const icons: Readonly<Record<MainScreenId, LucideIcon>> = {
  scan: Radar,
  sort: Layers,
  file: Archive,
  load: Zap,
  review: ChartColumn,
  keep: BookmarkCheck,
};

/** What opens over any screen. */
type ShellDialog = 'find' | 'changes' | 'keys' | 'tags' | 'formats';

/** Screens, and what can be done from every one. */
function useDoable(open: (dialog: ShellDialog) => void): Doable[] {
  const navigate = useNavigate();
  const { step } = useActs();
  const { theme, change } = useTheme();
  const other: Theme = theme === 'day' ? 'dusk' : 'day';
  const act = (text: string, does: () => void, keys?: string, ...keywords: string[]): Doable => ({
    sort: texts.act,
    text,
    does,
    keywords,
    ...(keys === undefined ? {} : { keys }),
  });
  const next = { undo: useNextStep('undo'), redo: useNextStep('redo') };
  const stepAct = (direction: Direction, name: string, keys: string): Doable[] =>
    next[direction] === null
      ? []
      : [
          act(
            `${name}: ${next[direction]}`,
            () => {
              step(direction);
            },
            keys,
          ),
        ];
  const opened = (dialog: ShellDialog) => (): void => {
    open(dialog);
  };
  return [
    ...mainScreens.map(
      ({ name, key, path }): Doable => ({
        sort: texts.screen,
        text: name,
        keys: key,
        does: () => {
          void navigate(path);
        },
      }),
    ),
    act(
      texts.newFolder,
      () => {
        void navigate('/file', { state: newFolderState });
      },
      'Shift+N',
    ),
    ...stepAct('undo', texts.undo, 'Ctrl+Z'),
    ...stepAct('redo', texts.redo, 'Ctrl+Shift+Z'),
    act(texts.openLatestChanges, opened('changes'), 'Ctrl+H', 'history'),
    act(texts.allTags, opened('tags'), undefined, texts.renameATag),
    act(texts.orderOfFormatsAllPlugins, opened('formats'), undefined, texts.formatOrderWords),
    act(
      texts.changeTo(other),
      () => {
        change(other);
      },
      undefined,
      other === 'dusk' ? texts.darkTheme : texts.lightTheme,
    ),
    act(texts.openAllKeys, opened('keys'), '?', texts.helpShortcuts),
  ];
}

export function Shell() {
  useDialogsBehind();
  const scan = useScanProgress();
  const { step } = useActs();
  const { pathname } = useLocation();
  const { waiting } = useWaiting();
  const navigate = useNavigate();
  // A plugin and a rule call the window after themselves.
  const { computer, computers } = useComputer();
  const screen = mainScreens.find(({ id }) => id === screenOf(pathname))?.name ?? null;
  useDocumentTitle(
    screen !== null && computers.length > 1 ? texts.screenOn(screen, computer.name) : screen,
  );
  const [dialog, setDialog] = useState<ShellDialog | null>(null);
  const close = (): void => {
    setDialog(null);
  };
  const doable = useDoable(setDialog);
  useKeys({
    ...Object.fromEntries(
      mainScreens.map(({ key, path }) => [
        key,
        () => {
          void navigate(path);
        },
      ]),
    ),
    'Ctrl+K': () => {
      setDialog('find');
    },
    'Ctrl+Z': () => {
      step('undo', true);
    },
    'Ctrl+Shift+Z': () => {
      step('redo', true);
    },
    'Ctrl+H': () => {
      setDialog('changes');
    },
    'Ctrl+Y': () => {
      step('redo', true);
    },
    '?': () => {
      setDialog('keys');
    },
  });
  return (
    <div className="shell">
      <Bar pathname={pathname} scan={scan} waiting={waiting} open={setDialog} />
      <ConnectionStrip />
      <ErrorBoundary at={pathname} what={texts.thisScreen}>
        <Outlet />
      </ErrorBoundary>
      {dialog === 'find' && <FindAnything onClose={close} doable={doable} />}
      {dialog === 'changes' && <LatestChanges onClose={close} />}
      {dialog === 'keys' && <HelpKeys onClose={close} />}
      {dialog === 'tags' && <AllTags onClose={close} />}
      {dialog === 'formats' && <FormatOrder onClose={close} />}
    </div>
  );
}

interface BarProps {
  readonly pathname: string;
  readonly scan: ScanProgress | null;
  readonly waiting: number;
  readonly open: (dialog: ShellDialog) => void;
}

/** Not drawn again with each letter, which changes the address behind the question mark. */
const Bar = memo(function BarOfShell({ pathname, scan, waiting, open }: BarProps) {
  return (
    <header className="bar">
      <a href="#content" className="skip-link">
        {texts.skipToTheContent}
      </a>
      <NavLink to="/file" className="brand">
        <img src="/drawer.svg" width="22" height="22" alt="" />
        {texts.cleverDrawer}
      </NavLink>
      <Screens pathname={pathname} scan={scan} waiting={waiting} />
      <BarEnd open={open} />
    </header>
  );
});

interface BarEndProps {
  readonly open: (dialog: ShellDialog) => void;
}

function BarEnd({ open }: BarEndProps) {
  return (
    <div className="right">
      <SavedMark />
      <ComputerChoice />
      <FindButton open={open} />
      <StepButton direction="undo" />
      <StepButton direction="redo" />
      <button
        type="button"
        className="bar-button"
        title={texts.latestChangesWithKey(keyWords('Ctrl+H'))}
        aria-label={texts.latestChanges}
        onClick={() => {
          open('changes');
        }}
      >
        <History size={17} aria-hidden />
      </button>
      <ThemeButton />
      <button
        type="button"
        className="bar-button"
        title={texts.allKeysWithKey}
        aria-label={texts.allKeys}
        onClick={() => {
          open('keys');
        }}
      >
        <HelpCircle size={17} aria-hidden />
      </button>
    </div>
  );
}

function FindButton({ open }: { readonly open: (dialog: ShellDialog) => void }) {
  return (
    <button
      type="button"
      className="bar-button anything"
      onClick={() => {
        open('find');
      }}
    >
      <span>
        <Search size={14} aria-hidden /> {texts.findAnything}
      </span>{' '}
      <span>
        <Kbd keys="Ctrl" /> <kbd>K</kbd>
      </span>
    </button>
  );
}

interface ScreensProps {
  readonly pathname: string;
  readonly scan: ScanProgress | null;
  readonly waiting: number;
}

function Screens({ pathname, scan, waiting }: ScreensProps) {
  return (
    <nav aria-label={texts.screens}>
      {mainScreens.map(({ id, path, name, key }) => (
        <NavLink
          key={path}
          to={path}
          title={keyWords(key)}
          aria-keyshortcuts={key}
          className={({ isActive }) =>
            isActive || (path === '/file' && pathname.startsWith('/rule')) ? 'active' : ''
          }
        >
          {createElement(icons[id], { size: 16, 'aria-hidden': true })} {name}
          {path === '/scan' && scan && <span className="count">{texts.looking}</span>}
          {path === '/sort' && waiting > 0 && (
            <span className="count" title={texts.questionsWait(waiting)}>
              {waiting}
            </span>
          )}
        </NavLink>
      ))}
    </nav>
  );
}

/** The computer whose plugins are shown; a menu when there are several. */
function ComputerChoice() {
  const { computer, computers, chooseComputer } = useComputer();
  if (computers.length < 2) {
    return (
      <span className="computer" title={texts.computerThesePluginsAreOn}>
        <Monitor size={15} aria-hidden /> {computer.name}
      </span>
    );
  }
  return (
    <Menu
      className="bar-button computer"
      label={texts.computer(computer.name)}
      onSelect={chooseComputer}
      items={<ComputerItems />}
    >
      <Monitor size={15} aria-hidden /> <span>{computer.name}</span>
    </Menu>
  );
}

/** Says what of the window's work is in the database. */
function SavedMark() {
  const { order } = useOrder();
  const connection = useConnection();
  const drafts = useDraftCount();
  if (connection !== 'there') {
    return (
      <span className="saved away" data-testid="saved">
        <CloudOff size={13} aria-hidden /> {texts.notSaved}
      </span>
    );
  }
  const isSaving = order.pending.length > 0;
  if (!isSaving && drafts > 0) {
    return (
      <span className="saved" role="status" data-testid="saved" title={texts.youHaveAnUnsavedDraft}>
        <PenLine size={13} aria-hidden /> {texts.storedDraft}
      </span>
    );
  }
  return (
    <span className="saved" role="status" data-testid="saved">
      {isSaving ? <LoaderCircle size={13} aria-hidden /> : <Check size={13} aria-hidden />}{' '}
      {isSaving ? texts.saving : texts.saved}
    </span>
  );
}

/** Below the bar, while nothing can be saved: why, and what happens next. */
function ConnectionStrip() {
  const connection = useConnection();
  return connection === 'there' ? null : (
    <div className="connection" role="alert">
      {texts.awayWords[connection]}
    </div>
  );
}

function StepButton({ direction }: { direction: Direction }) {
  const { step } = useActs();
  const words = useNextStep(direction);
  const Icon = direction === 'undo' ? Undo2 : Redo2;
  const name = direction === 'undo' ? texts.undo : texts.redo;
  const title =
    words === null
      ? texts.nothingTo(direction)
      : `${name}: ${words} (${keyWords(direction === 'undo' ? 'Ctrl+Z' : 'Ctrl+Shift+Z')})`;
  return (
    <button
      type="button"
      className="bar-button"
      title={title}
      aria-label={title}
      onClick={() => {
        step(direction);
      }}
    >
      <Icon size={17} aria-hidden />
    </button>
  );
}

function ThemeButton() {
  const { theme, change } = useTheme();
  const other: Theme = theme === 'day' ? 'dusk' : 'day';
  return (
    <button
      type="button"
      className="bar-button"
      title={texts.changeTo(other)}
      aria-label={texts.changeTo(other)}
      onClick={() => {
        change(other);
      }}
    >
      {theme === 'day' ? <Moon size={17} aria-hidden /> : <Sun size={17} aria-hidden />}
    </button>
  );
}
