/** The screens, each fetched when it is opened; the one of the address at once, beside its data. */
import { createElement, type ComponentType, type ReactNode } from 'react';
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

const screens = {
  scan: screen(async () => (await import('../scan/scan-screen.tsx')).ScanScreen),
  sort: screen(async () => (await import('../sort/sort-screen.tsx')).SortScreen),
  file: screen(async () => (await import('../file/file-screen.tsx')).FileScreen),
  rule: screen(async () => (await import('../rule/rule-screen.tsx')).RuleScreen),
  load: screen(async () => (await import('../load/load-screen.tsx')).LoadScreen),
  review: screen(async () => (await import('../review/review-screen.tsx')).ReviewScreen),
  keep: screen(async () => (await import('../keep/keep-screen.tsx')).KeepScreen),
  chart: screen(async () => (await import('../keep/chart-page.tsx')).ChartPage),
  plugin: screen(async () => (await import('../plugin/plugin-page.tsx')).PluginPage),
} as const;

/** The screen that the address names: `load` for `/load`. */
export const [, named = ''] = window.location.pathname.split('/');

/** The screen of the address, on its way. What keeps it from coming is said where it is drawn. */
export const firstScreen: Promise<unknown> = Object.hasOwn(screens, named)
  ? screens[named as keyof typeof screens].fetch().catch(() => undefined)
  : Promise.resolve();

export const ScanScreen = screens.scan.Screen;
export const SortScreen = screens.sort.Screen;
export const FileScreen = screens.file.Screen;
export const RuleScreen = screens.rule.Screen;
export const LoadScreen = screens.load.Screen;
export const ReviewScreen = screens.review.Screen;
export const KeepScreen = screens.keep.Screen;
export const ChartPage = screens.chart.Screen;
export const PluginPage = screens.plugin.Screen;
