/** The screens, each fetched when it is opened; the one of the address at once, beside its data. */
import { createElement, lazy, useState, type ComponentType, type ReactNode } from 'react';

const fetching = {
  scan: () => import('../scan/scan-screen.tsx'),
  sort: () => import('../sort/sort-screen.tsx'),
  file: () => import('../file/file-screen.tsx'),
  rule: () => import('../rule/rule-screen.tsx'),
  load: () => import('../load/load-screen.tsx'),
  review: () => import('../review/review-screen.tsx'),
  keep: () => import('../keep/keep-screen.tsx'),
  chart: () => import('../keep/chart-page.tsx'),
  plugin: () => import('../plugin/plugin-page.tsx'),
} as const;

type Name = keyof typeof fetching;
type Part = ComponentType<object>;

/** What was fetched already is drawn at once: React would hold back what it had waited for. */
function screen<N extends Name>(
  name: N,
  pick: (fetched: Awaited<ReturnType<(typeof fetching)[N]>>) => Part,
): { readonly Screen: Part; readonly fetch: () => Promise<Part> } {
  let there: Part | null = null;
  const fetch = async (): Promise<Part> => {
    const fetched = (await fetching[name]()) as Awaited<ReturnType<(typeof fetching)[N]>>;
    return (there ??= pick(fetched));
  };
  const Fetched = lazy(async () => ({ default: await fetch() }));
  const Screen = (): ReactNode => {
    const [Now] = useState<Part>(() => there ?? Fetched);
    return createElement(Now);
  };
  return { Screen, fetch };
}

const screens = {
  scan: screen('scan', ({ ScanScreen: part }) => part),
  sort: screen('sort', ({ SortScreen: part }) => part),
  file: screen('file', ({ FileScreen: part }) => part),
  rule: screen('rule', ({ RuleScreen: part }) => part),
  load: screen('load', ({ LoadScreen: part }) => part),
  review: screen('review', ({ ReviewScreen: part }) => part),
  keep: screen('keep', ({ KeepScreen: part }) => part),
  chart: screen('chart', ({ ChartPage: part }) => part),
  plugin: screen('plugin', ({ PluginPage: part }) => part),
} satisfies Record<Name, unknown>;

const [, first = ''] = window.location.pathname.split('/');
if (Object.hasOwn(screens, first)) {
  void screens[first as Name].fetch();
}

export const ScanScreen = screens.scan.Screen;
export const SortScreen = screens.sort.Screen;
export const FileScreen = screens.file.Screen;
export const RuleScreen = screens.rule.Screen;
export const LoadScreen = screens.load.Screen;
export const ReviewScreen = screens.review.Screen;
export const KeepScreen = screens.keep.Screen;
export const ChartPage = screens.chart.Screen;
export const PluginPage = screens.plugin.Screen;
