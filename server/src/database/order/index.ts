/** The order in the database. */
export { answers } from './answer.ts';
export { ChangeTable, type ChangeRow } from './change-table.ts';
export { chains } from './chain.ts';
export { copyAssignments } from './copy-assignment.ts';
export { addToCatalog, applyToTables, readOrder, recordTables } from './order.ts';
export { folders } from './folder.ts';
export { pluginNames } from './plugin-names.ts';
export { preferences } from './preference.ts';
export { findRecord, readRecords } from './record-table.ts';
export { setAside } from './set-aside.ts';
export { settings } from './setting.ts';
export { spellings } from './spelling.ts';
