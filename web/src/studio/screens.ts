/**
 * The screens of the work, in its order, and the pages beside them. The bar, the router, the keys and
 * their list, finding anything, titles and undo read this table.
 */
import * as texts from './texts.ts';

/** What is known of a screen. */
export interface ScreenRow {
  /** As the router takes it; its first part is the screen's own. */
  readonly path: string;
  readonly name: string;
  /** The key that leads there from everywhere; null for a page that is opened from a screen. */
  readonly key: string | null;
  /**
   * Whose acts undo by a key takes back there without asking: its own, or those of the screen it leads
   * back to. Null for a page that is opened from any screen: those of all.
   */
  readonly undoes: string | null;
}

/** All of them. */
export const screens = {
  scan: { path: '/scan', name: texts.scan, key: 'Alt+1', undoes: 'scan' },
  sort: { path: '/sort', name: texts.sort, key: 'Alt+2', undoes: 'sort' },
  file: { path: '/file', name: texts.file, key: 'Alt+3', undoes: 'file' },
  load: { path: '/load', name: texts.load, key: 'Alt+4', undoes: 'load' },
  review: { path: '/review', name: texts.review, key: 'Alt+5', undoes: 'review' },
  keep: { path: '/keep', name: texts.keep, key: 'Alt+6', undoes: 'keep' },
  rule: { path: '/rule/:folder', name: texts.rule, key: null, undoes: null },
  plugin: { path: '/plugin/:plugin', name: texts.plugin, key: null, undoes: null },
  chart: { path: '/chart', name: texts.chart, key: null, undoes: null },
} as const satisfies Readonly<Record<string, ScreenRow>>;

/** The first part of a screen's address. */
export type ScreenId = keyof typeof screens;

/** The screens that the bar leads to. */
export type MainScreenId = {
  [Id in ScreenId]: (typeof screens)[Id]['key'] extends null ? never : Id;
}[ScreenId];

/** The same in the order of the work, each with its id. */
export const mainScreens = (Object.keys(screens) as ScreenId[])
  .filter((id): id is MainScreenId => screens[id].key !== null)
  .map((id) => ({ id, ...screens[id] }));

/** The screen that an address leads to; null where it leads to none. */
export function screenOf(pathname: string): ScreenId | null {
  const [, first = ''] = pathname.split('/');
  return Object.hasOwn(screens, first) ? (first as ScreenId) : null;
}

/** Whose acts undo takes back at an address without asking; empty for those of all. */
export function undoneAt(pathname: string): string {
  const id = screenOf(pathname);
  return id === null ? '' : (screens[id].undoes ?? '');
}
