/** All tables, for TypeORM. */
import {
  ComputerTable,
  PluginTable,
  CopyTable,
  BundleTable,
  PictureTable,
} from './catalog-tables.ts';
import { PlaceTable, ScanTable, FindingTable } from './scan-tables.ts';
import { ChangeTable, recordTables } from './order/index.ts';
import { JournalTable, PointTable } from './point-tables.ts';
import { SettingFileTable } from './setting-tables.ts';
import { PracticeTable, SavedSessionTable, SessionStepTable, LoadTable } from './session-tables.ts';

/** All tables. */
export const tables = [
  ComputerTable,
  PlaceTable,
  BundleTable,
  PluginTable,
  CopyTable,
  ...Object.values(recordTables).map(({ schema }) => schema),
  PictureTable,
  ChangeTable,
  PointTable,
  JournalTable,
  ScanTable,
  FindingTable,
  PracticeTable,
  SavedSessionTable,
  SessionStepTable,
  LoadTable,
  SettingFileTable,
];
