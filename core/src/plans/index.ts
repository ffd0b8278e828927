/** Cabinets made by plan, and suggestions. Nothing in core imports this file. */
export {
  countPlan,
  planByJob,
  planChecks,
  planLike,
  planOf,
  plans,
  type PlanName,
  type PlannedFolder,
} from './plan.ts';
export { planReady, type ReadyOptions, type ReadyPlan } from './ready.ts';
export { clearFrom, createSuggester, type FolderSuggestion } from './suggest.ts';
