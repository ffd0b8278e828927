/** All texts of the frame around the screens: head, banner, find anything, keys, latest changes. */
import { oneOrMany, plural } from '@clever-drawer/core/text';
import { mainScreens } from '../studio/screens.ts';

// find-anything
export const findAnything = 'Find anything';
export const aPlugin = 'A plugin, setting, folder, cabinet, vendor, tag, screen or act';
export const folder = 'folder';

// latest-changes
export const latestChanges = 'Latest changes';
export const placesAndSlots = 'Places and slots, in this window';
export const undo = 'Undo';
export const theOrder = 'The order';
export const nothingWasChangedYet =
  'Nothing was changed yet. Whatever you file, name or settle will stand here, and can be undone, also tomorrow.';
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
      ['1 2 3', 'that answer'],
      ['Enter', 'the marked answer'],
      ['Space', 'it does several'],
      ['/', 'another type or vendor'],
      ['L', 'later'],
      ['H', 'hide from loading'],
    ],
  ],
  [
    'Sort: many at once',
    [
      ['↑ ↓', 'move'],
      ['Space', 'select'],
      ['Shift+↓', 'select a run'],
      ['Ctrl+A', 'all'],
      ['T', 'one answer for all'],
      ['Enter', 'its best answer for each'],
    ],
  ],
  [
    'File: the list',
    [
      ['/', 'narrow the list'],
      ['↑ ↓', 'move'],
      ['Space', 'into the tray, or out of it'],
      ['F', 'file in a folder'],
      ['Shift+F', 'file all of the tray'],
      ['B', 'favourite, or no longer'],
      ['N', 'nickname and slot label'],
      ['T', 'type'],
      ['H', 'hide from loading, or no longer'],
      ['I', 'all that is known of it'],
      ['G', 'suggested folders'],
      ['Shift+↓', 'a run into the tray'],
      ['Ctrl+A', 'all that match into the tray'],
      ['Alt+← Alt+→', 'fold this heading, unfold all'],
      ['Esc', 'show all again'],
    ],
  ],
  [
    'File: the chest',
    [
      ['D', 'to the folders'],
      ['← → ↑ ↓', 'move'],
      ['Enter', 'open or close'],
      ['Alt+← Alt+→', 'put before or behind its neighbour'],
      ['Alt+↑ Alt+↓', 'reorder the plugins of an open folder'],
      ['M', 'move a plugin of an open folder to another'],
      ['F2', 'rename'],
      ['Delete', 'remove (undo brings it back)'],
      ['Shift+N', 'new folder, in the open one'],
      ['Menu', 'all that can be done to a folder'],
    ],
  ],
  [
    'Load: finding',
    [
      ['letters', 'find'],
      ['↑ ↓', 'move'],
      ['Enter', 'load'],
      ['Alt+1 … Alt+9', 'load that one; with nothing typed, the screens'],
      ['Ctrl+F', 'file in a folder'],
      ['Alt+Enter', 'choose the copy'],
      ['F4', 'the cabinet, all that fit, the rest with reasons'],
      ['← →', 'walk the folders (with letters typed: Ctrl)'],
      ['Ctrl+G', 'something I forgot'],
      ['Ctrl+B', 'favourite, or no longer'],
      ['F2', 'nickname and slot label'],
      ['Ctrl+I', 'facts'],
      ['Ctrl+P', 'pictures on or off'],
      ['Esc', 'one step back, at last to the slots'],
    ],
  ],
  [
    'Load: the slots',
    [
      ['← → ↑ ↓', 'walk'],
      ['Enter', 'choose'],
      ['0', 'bypass, or no longer'],
      ['Alt+← Alt+→', 'move along the track'],
      ['Alt+↑ Alt+↓', 'move to the next track'],
      ['F', 'file in a folder'],
      ['Delete', 'empty'],
      ['/', 'back to the letters'],
    ],
  ],
];
export const allKeys = 'All keys';

// shell
/** Says whether what is on the screen is in the database. */
export const awayWords = {
  'database-away':
    'The database does not answer at the moment. Nothing is saved until it is back; it is being started again.',
  'server-away':
    'Clever Drawer does not answer. Nothing is saved until it is back; if you stopped it, start it again with ./start.',
} as const;
export const act = 'Act';
export const screen = 'Screen';
export const newFolder = 'New folder …';
export const redo = 'Redo';
export const openLatestChanges = 'Latest changes …';
export const allTags = 'All tags …';
export const renameATag = 'rename a tag';
export const orderOfFormatsAllPlugins = 'Order of formats (all plugins) …';
export const copyInFront = 'copy in front';
export const changeTo = (other: string): string => `Change to ${other}`;
export const darkTheme = 'dark theme';
export const lightTheme = 'light theme';
export const openAllKeys = 'All keys …';
export const helpShortcuts = 'help shortcuts';
export const thisScreen = 'This screen';
export const skipToTheContent = 'Skip to the content';
export const cleverDrawer = 'Clever Drawer';
export const latestChangesWithKey = (keys: string): string => `Latest changes (${keys})`;
export const allKeysWithKey = 'All keys (?)';
export const screens = 'Screens';
export const looking = 'looking';
export const questionsWait = (waiting: number): string =>
  `${plural(waiting, 'question')} ${oneOrMany(waiting, 'waits', 'wait')}`;
export const theComputerWhosePluginsTheseAre = 'The computer whose plugins these are';
export const computer = (computer: string): string => `Computer: ${computer}`;
export const notSaved = 'not saved';
export const somethingThatWasTypedIsKept =
  'Something that was typed is kept in this browser and not saved yet';
export const storedDraft = 'draft kept';
export const saving = 'saving';
export const saved = 'saved';
export const nothingTo = (direction: string): string => `Nothing to ${direction}`;

// app
export const opening = 'Opening …';
export const openingComputer = (computer: string): string => `Opening ${computer} …`;
