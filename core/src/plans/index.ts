/** Cabinets made by plan, and suggestions. Nothing in core imports this file. */
export {
  countPlan,
  planByFormat,
  planByJob,
  planByType,
  planByVendor,
  planChecks,
  planLike,
  planOf,
  plans,
  type PlanName,
  type PlannedFolder,
} from './plan.ts';
export { clearFrom, createSuggester, type FolderSuggestion } from './suggest.ts';
