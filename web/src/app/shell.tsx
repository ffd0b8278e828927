/** The bar at the top: the screens in the order of the work, find anything, undo, theme. */
import {
  Archive,
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
import { useState } from 'react';
import { Dropdown } from 'react-bootstrap';
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { useQuestions } from '../studio/use-questions.ts';
import {
  useActs,
  useComputer,
  useOrder,
  useStanding,
  useScanProgress,
} from '../studio/contexts.ts';
import { useDraftCount } from '../ui/kept-text.ts';
import { useKeys } from '../ui/keys.ts';
import { ErrorBoundary } from '../ui/error-boundary.tsx';
import { useDocumentTitle } from '../ui/use-document-title.ts';
import { MenuItem } from '../ui/menu-item.tsx';
import { FindAnything } from './find-anything.tsx';
import { LatestChanges } from './latest-changes.tsx';
import { HelpKeys } from './help-keys.tsx';
import { useTheme, type Theme } from './theme.ts';
import type { ScanProgress } from '@clever-drawer/core';

const screens: readonly { path: string; name: string; Icon: LucideIcon; key: string }[] = [
  { path: '/scan', name: 'Scan', Icon: Radar, key: 'Alt+1' },
  { path: '/sort', name: 'Sort', Icon: Layers, key: 'Alt+2' },
  { path: '/file', name: 'File', Icon: Archive, key: 'Alt+3' },
  { path: '/load', name: 'Load', Icon: Zap, key: 'Alt+4' },
];

export function Shell() {
  const scan = useScanProgress();
  const { step } = useActs();
  const asked = useQuestions();
  const waiting = asked.questions.length + asked.failed.length;
  const navigate = useNavigate();
  const { pathname } = useLocation();
  // A plugin and a rule call the window after themselves.
  useDocumentTitle(screens.find(({ path }) => pathname.startsWith(path))?.name ?? null);
  const [isFinding, setFinding] = useState(false);
  const [isHelping, setHelping] = useState(false);
  const [isListing, setListing] = useState(false);
  useKeys({
    ...Object.fromEntries(
      screens.map(({ key, path }) => [
        key,
        () => {
          void navigate(path);
        },
      ]),
    ),
    'Ctrl+K': () => {
      setFinding(true);
    },
    'Ctrl+Z': () => {
      step('undo', true);
    },
    'Ctrl+Shift+Z': () => {
      step('redo');
    },
    'Ctrl+H': () => {
      setListing(true);
    },
    'Ctrl+Y': () => {
      step('redo');
    },
    '?': () => {
      setHelping(true);
    },
  });
  return (
    <div className="shell">
      <Bar
        pathname={pathname}
        scan={scan}
        waiting={waiting}
        setFinding={setFinding}
        setListing={setListing}
        setHelping={setHelping}
      />
      <StandingStrip />
      <ErrorBoundary at={pathname} what="This screen">
        <Outlet context={asked} />
      </ErrorBoundary>
      {isFinding && (
        <FindAnything
          onClose={() => {
            setFinding(false);
          }}
          screens={screens}
        />
      )}
      {isListing && (
        <LatestChanges
          onClose={() => {
            setListing(false);
          }}
        />
      )}
      {isHelping && (
        <HelpKeys
          onClose={() => {
            setHelping(false);
          }}
        />
      )}
    </div>
  );
}

interface BarProps {
  readonly pathname: string;
  readonly scan: ScanProgress | null;
  readonly waiting: number;
  readonly setFinding: React.Dispatch<React.SetStateAction<boolean>>;
  readonly setListing: React.Dispatch<React.SetStateAction<boolean>>;
  readonly setHelping: React.Dispatch<React.SetStateAction<boolean>>;
}

function Bar({ pathname, scan, waiting, setFinding, setListing, setHelping }: BarProps) {
  return (
    <header className="bar">
      <a href="#content" className="skip-link">
        Skip to the content
      </a>
      <NavLink to="/file" className="brand">
        <img src="/drawer.svg" width="22" height="22" alt="" />
        Clever Drawer
      </NavLink>
      <Screens pathname={pathname} scan={scan} waiting={waiting} />
      <BarEnd setFinding={setFinding} setListing={setListing} setHelping={setHelping} />
    </header>
  );
}

interface BarEndProps {
  readonly setFinding: React.Dispatch<React.SetStateAction<boolean>>;
  readonly setListing: React.Dispatch<React.SetStateAction<boolean>>;
  readonly setHelping: React.Dispatch<React.SetStateAction<boolean>>;
}

function BarEnd({ setFinding, setListing, setHelping }: BarEndProps) {
  return (
    <div className="right">
      <SavedMark />
      <ComputerChoice />
      <FindButton setFinding={setFinding} />
      <StepButton direction="undo" />
      <StepButton direction="redo" />
      <button
        type="button"
        className="bar-button"
        title="Latest changes (Ctrl+H)"
        aria-label="Latest changes"
        onClick={() => {
          setListing(true);
        }}
      >
        <History size={17} aria-hidden />
      </button>
      <ThemeButton />
      <button
        type="button"
        className="bar-button"
        title="All keys (?)"
        aria-label="All keys"
        onClick={() => {
          setHelping(true);
        }}
      >
        <HelpCircle size={17} aria-hidden />
      </button>
    </div>
  );
}

function FindButton({
  setFinding,
}: {
  readonly setFinding: React.Dispatch<React.SetStateAction<boolean>>;
}) {
  return (
    <button
      type="button"
      className="bar-button anything"
      onClick={() => {
        setFinding(true);
      }}
    >
      <span>
        <Search size={14} aria-hidden /> Find anything
      </span>{' '}
      <span>
        <kbd>Ctrl</kbd> <kbd>K</kbd>
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
    <nav aria-label="Screens">
      {screens.map(({ path, name, Icon, key }) => (
        <NavLink
          key={path}
          to={path}
          title={key}
          aria-keyshortcuts={key}
          className={({ isActive }) =>
            isActive || (path === '/file' && pathname.startsWith('/rule')) ? 'active' : ''
          }
        >
          <Icon size={16} aria-hidden /> {name}
          {path === '/scan' && scan && <span className="count">looking</span>}
          {path === '/sort' && waiting > 0 && (
            <span className="count" title={`${waiting} questions wait`}>
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
      <span className="computer" title="The computer whose plugins these are">
        <Monitor size={15} aria-hidden /> {computer.name}
      </span>
    );
  }
  return (
    <Dropdown
      onSelect={(id) => {
        if (id) {
          chooseComputer(id);
        }
      }}
    >
      <Dropdown.Toggle
        as="button"
        type="button"
        className="bar-button computer"
        aria-label={`Computer: ${computer.name}`}
      >
        <Monitor size={15} aria-hidden /> <span>{computer.name}</span>
      </Dropdown.Toggle>
      <Dropdown.Menu>
        {computers.map((c) => (
          <MenuItem key={c.id} eventKey={c.id} active={c.id === computer.id}>
            {c.name}
          </MenuItem>
        ))}
      </Dropdown.Menu>
    </Dropdown>
  );
}

/** Says whether what is on the screen is in the database. */
const awayWords = {
  'database-away':
    'The database does not answer at the moment. Nothing is saved until it is back; it is being started again.',
  'server-away':
    'Clever Drawer does not answer. Nothing is saved until it is back; if you stopped it, start it again with ./start.',
} as const;

/** Says what of the window's work is in the database. */
function SavedMark() {
  const { order } = useOrder();
  const standing = useStanding();
  const drafts = useDraftCount();
  if (standing !== 'there') {
    return (
      <span className="saved away" data-testid="saved">
        <CloudOff size={13} aria-hidden /> not saved
      </span>
    );
  }
  const isSaving = order.pending.length > 0;
  if (!isSaving && drafts > 0) {
    return (
      <span
        className="saved"
        role="status"
        data-testid="saved"
        title="Something that was typed is kept in this browser and not saved yet"
      >
        <PenLine size={13} aria-hidden /> draft kept
      </span>
    );
  }
  return (
    <span className="saved" role="status" data-testid="saved">
      {isSaving ? <LoaderCircle size={13} aria-hidden /> : <Check size={13} aria-hidden />}{' '}
      {isSaving ? 'saving' : 'saved'}
    </span>
  );
}

/** Below the bar, while nothing can be saved: why, and what happens next. */
function StandingStrip() {
  const standing = useStanding();
  return standing === 'there' ? null : (
    <div className="standing" role="alert">
      {awayWords[standing]}
    </div>
  );
}

function StepButton({ direction }: { direction: 'undo' | 'redo' }) {
  const { order } = useOrder();
  const { step } = useActs();
  const words = order[direction];
  const Icon = direction === 'undo' ? Undo2 : Redo2;
  const name = direction === 'undo' ? 'Undo' : 'Redo';
  const title =
    words === null
      ? `Nothing to ${direction}`
      : `${name}: ${words} (${direction === 'undo' ? 'Ctrl+Z' : 'Ctrl+Shift+Z'})`;
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
      title={`Change to ${other}`}
      aria-label={`Change to ${other}`}
      onClick={() => {
        change(other);
      }}
    >
      {theme === 'day' ? <Moon size={17} aria-hidden /> : <Sun size={17} aria-hidden />}
    </button>
  );
}
