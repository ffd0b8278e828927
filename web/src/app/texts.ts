/** All texts of the frame around the screens: head, banner, find anything, keys, latest changes. */
import { oneOrMany, plural } from '@clever-drawer/core/text';
import { mainScreens } from '../studio/screens.ts';

// find-anything
export const findAnything = 'Find anything';
export const whatCanBeFound = 'Plugin, setting, folder, cabinet, vendor, tag, screen or command';
export const folder = 'folder';

// latest-changes
export const latestChanges = 'Latest changes';
export const placesAndSlots = 'Places and slots in this window';
export const undo = 'Undo';
export const theOrder = 'The order';
export const noChangesYetEverythingYou =
  'No changes yet. Everything you file, name or answer appears here and can be undone, even tomorrow.';
export const undoThese = (back: number): string => oneOrMany(back, 'Undo', `Undo these ${back}`);
export const redoThese = (again: number): string => oneOrMany(again, 'Redo', `Redo these ${again}`);
export const undone = 'undone';

// help-keys
export const helpGroups: readonly (readonly [
  title: string,
  keys: readonly (readonly [string, string])[],
])[] = [
  [
    'Everywhere',
    [
      ['Ctrl+K', 'find anything'],
      ...mainScreens.map(({ key, name }) => [key, name] as const),
      ['Ctrl+Z', 'undo'],
      ['Ctrl+Shift+Z', 'redo'],
      ['Ctrl+H', 'latest changes'],
      ['?', 'these keys'],
    ],
  ],
  [
    'Sort: one at a time',
    [
      ['1 2 3', 'choose that answer'],
      ['Enter', 'accept the highlighted answer'],
      ['Space', 'choose several types'],
      ['/', 'another type or vendor'],
      ['L', 'later'],
      ['H', 'hide in Load'],
    ],
  ],
  [
    'Sort: many at once',
    [
      ['↑ ↓', 'move'],
      ['Space', 'select'],
      ['Shift+↓', 'select a range'],
      ['Ctrl+A', 'all'],
      ['T', 'one answer for all'],
      ['Enter', 'accept the likely answers'],
    ],
  ],
  [
    'File: the list',
    [
      ['/', 'filter the list'],
      ['↑ ↓', 'move'],
      ['Space', 'add to the tray or remove'],
      ['F', 'file in a folder'],
      ['Shift+F', 'file all of the tray'],
      ['B', 'toggle favourite'],
      ['N', 'nickname and slot label'],
      ['T', 'type'],
      ['L', 'tag'],
      ['H', 'toggle hidden in Load'],
      ['I', 'all facts about it'],
      ['F B T L H', 'in a row of the tray: for all of the tray'],
      ['G', 'suggested folders'],
      ['Shift+↓', 'add a range to the tray'],
      ['Ctrl+A', 'add all matches to the tray'],
      ['Alt+← Alt+→', 'collapse this heading, expand all'],
      ['Esc', 'show everything again'],
    ],
  ],
  [
    'File: the chest',
    [
      ['D', 'go to the folders'],
      ['← → ↑ ↓', 'move'],
      ['Enter', 'open or close'],
      ['Alt+← Alt+→', 'move earlier or later'],
      ['Shift+↑ Shift+↓', 'select plugins of an open folder'],
      ['Ctrl+A', 'select all of it'],
      ['Alt+↑ Alt+↓', 'reorder them'],
      ['M', 'move them to another folder'],
      ['F2', 'rename'],
      ['Delete', 'remove (undo brings it back)'],
      ['Shift+N', 'new folder, in the open one'],
      ['Menu', 'all actions for a folder'],
    ],
  ],
  [
    'Load: finding',
    [
      ['type', 'search'],
      ['↑ ↓', 'move'],
      ['Enter', 'load'],
      ['Alt+1 … Alt+9', 'load that match; with nothing typed, switch screens'],
      ['Ctrl+F', 'file in a folder'],
      ['Alt+Enter', 'choose the copy'],
      ['F4', 'the cabinet, all that fit, the rest with reasons'],
      ['← →', 'move through the folders (with text typed: Ctrl)'],
      ['Ctrl+G', 'favourites you haven’t used lately'],
      ['Ctrl+B', 'toggle favourite'],
      ['F2', 'nickname and slot label'],
      ['Ctrl+I', 'facts'],
      ['Ctrl+P', 'pictures on or off'],
      ['Esc', 'one step back, then to the slots'],
    ],
  ],
  [
    'Load: the slots',
    [
      ['← → ↑ ↓', 'walk'],
      ['Enter', 'choose'],
      ['0', 'toggle bypass'],
      ['Alt+← Alt+→', 'move along the track'],
      ['Alt+↑ Alt+↓', 'move to the next track'],
      ['F', 'file in a folder'],
      ['Delete', 'empty'],
      ['/', 'back to searching'],
    ],
  ],
];
export const allKeys = 'All keys';

// shell
/** Says whether what is on the screen is in the database. */
export const awayWords = {
  'database-away':
    'The database is not responding. Clever Drawer is restarting it; nothing is saved until then.',
  'server-away':
    'Clever Drawer is not responding. Nothing is saved until it is back. If you stopped it, run ./start.',
} as const;
export const act = 'Command';
export const screen = 'Screen';
export const newFolder = 'New folder …';
export const redo = 'Redo';
export const openLatestChanges = 'Latest changes …';
export const allTags = 'All tags …';
export const renameATag = 'rename a tag';
export const orderOfFormatsAllPlugins = 'Order of formats (all plugins) …';
export const formatOrderWords = 'copy used first format preference';
export const changeTo = (other: string): string => `Change to ${other}`;
export const darkTheme = 'dark theme';
export const lightTheme = 'light theme';
export const openAllKeys = 'All keys …';
export const helpShortcuts = 'help shortcuts keyboard';
export const thisScreen = 'This screen';
export const skipToTheContent = 'Skip to the content';
export const cleverDrawer = 'Clever Drawer';
export const latestChangesWithKey = (keys: string): string => `Latest changes (${keys})`;
export const allKeysWithKey = 'All keys (?)';
export const screens = 'Screens';
export const looking = 'looking';
export const questionsWait = (waiting: number): string =>
  `${plural(waiting, 'question')} ${oneOrMany(waiting, 'waits', 'wait')}`;
export const computerThesePluginsAreOn = 'Computer these plugins are on';
/** Two windows may show two computers. */
export const screenOn = (screen: string, computer: string): string => `${screen} · ${computer}`;
export const computer = (computer: string): string => `Computer: ${computer}`;
export const notSaved = 'not saved';
export const youHaveAnUnsavedDraft = 'You have an unsaved draft in this browser';
export const storedDraft = 'unsaved draft';
export const saving = 'saving';
export const saved = 'saved';
export const nothingTo = (direction: string): string => `Nothing to ${direction}`;

// app
export const opening = 'Opening …';
export const openingComputer = (computer: string): string => `Opening ${computer} …`;

// no such page
export const noSuchPage = 'No page here';
export const nothingIsAt = (address: string): string => `Nothing is at ${address}.`;
export const goToThePlugins = 'Go to your plugins';
