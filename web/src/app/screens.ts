/** The screens, each fetched when it is opened; the one of the address at once, beside its data. */
import { lazy } from 'react';

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

const [, first = ''] = window.location.pathname.split('/');
if (Object.hasOwn(fetching, first)) {
  void fetching[first as keyof typeof fetching]();
}

export const ScanScreen = lazy(async () => ({ default: (await fetching.scan()).ScanScreen }));
export const SortScreen = lazy(async () => ({ default: (await fetching.sort()).SortScreen }));
export const FileScreen = lazy(async () => ({ default: (await fetching.file()).FileScreen }));
export const RuleScreen = lazy(async () => ({ default: (await fetching.rule()).RuleScreen }));
export const LoadScreen = lazy(async () => ({ default: (await fetching.load()).LoadScreen }));
export const ReviewScreen = lazy(async () => ({ default: (await fetching.review()).ReviewScreen }));
export const KeepScreen = lazy(async () => ({ default: (await fetching.keep()).KeepScreen }));
export const ChartPage = lazy(async () => ({ default: (await fetching.chart()).ChartPage }));
export const PluginPage = lazy(async () => ({ default: (await fetching.plugin()).PluginPage }));
