/** The screens, each fetched when it is opened; the one of the address at once, beside its data. */
import { createElement, type ComponentType, type ReactNode } from 'react';
import { screenOf, type ScreenId } from '../studio/screens.ts';
import { fetchedOnce } from '../ui/fetched-once.ts';

/** A screen, and the act that fetches it. */
function screen(bring: () => Promise<ComponentType>) {
  const { fetch, usePart } = fetchedOnce(bring);
  const Screen = (): ReactNode => createElement(usePart() ?? Fetching);
  return { Screen, fetch };
}

/** Stands where a screen is being fetched. */
const Fetching = (): ReactNode =>
  createElement('main', { id: 'content', tabIndex: -1, 'aria-busy': true });

const parts: Readonly<Record<ScreenId, ReturnType<typeof screen>>> = {
  scan: screen(async () => (await import('../scan/scan-screen.tsx')).ScanScreen),
  sort: screen(async () => (await import('../sort/sort-screen.tsx')).SortScreen),
  file: screen(async () => (await import('../file/file-screen.tsx')).FileScreen),
  rule: screen(async () => (await import('../rule/rule-screen.tsx')).RuleScreen),
  load: screen(async () => (await import('../load/load-screen.tsx')).LoadScreen),
  review: screen(async () => (await import('../review/review-screen.tsx')).ReviewScreen),
  keep: screen(async () => (await import('../keep/keep-screen.tsx')).KeepScreen),
  chart: screen(async () => (await import('../keep/chart-page.tsx')).ChartPage),
  plugin: screen(async () => (await import('../plugin/plugin-page.tsx')).PluginPage),
};

/** The screen that the address names: `load` for `/load`. */
export const named = screenOf(window.location.pathname);

/** The screen of the address, on its way. What keeps it from coming is said where it is drawn. */
export const firstScreen: Promise<unknown> =
  named === null ? Promise.resolve() : parts[named].fetch().catch(() => undefined);

/** Draws a screen. */
export const screenPart = (id: ScreenId): (() => ReactNode) => parts[id].Screen;
