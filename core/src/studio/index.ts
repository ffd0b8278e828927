/** A computer as its user has it. Nothing in core imports this file. */
export { createStudio, type Studio, type StudioCatalog, type StudioFacts } from './studio.ts';
export { changeSort, uncertainOf, type SortChange, type SortView } from './uncertain.ts';
