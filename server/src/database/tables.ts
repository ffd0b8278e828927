/** All tables, for TypeORM. */
import {
  ComputerTable,
  PluginTable,
  CopyTable,
  BundleTable,
  PictureTable,
} from './catalog-tables.ts';
import { PlaceTable, AsideTable, ScanTable, FindingTable } from './scan-tables.ts';
import {
  CabinetTable,
  FolderTable,
  PlacementTable,
  NamingTable,
  ChainTable,
  AnswerTable,
  BelongingTable,
  SpellingTable,
  PreferenceTable,
  SettingTable,
  ChangeTable,
} from './order-tables.ts';
import { JournalTable, PointTable } from './point-tables.ts';
import { SettingFileTable } from './setting-tables.ts';
import { PracticeTable, SavedSessionTable, LoadTable } from './session-tables.ts';

/** All tables. */
export const tables = [
  ComputerTable,
  PlaceTable,
  AsideTable,
  BundleTable,
  PluginTable,
  CopyTable,
  CabinetTable,
  FolderTable,
  PlacementTable,
  NamingTable,
  ChainTable,
  SettingTable,
  AnswerTable,
  BelongingTable,
  SpellingTable,
  PreferenceTable,
  PictureTable,
  ChangeTable,
  PointTable,
  JournalTable,
  ScanTable,
  FindingTable,
  PracticeTable,
  SavedSessionTable,
  LoadTable,
  SettingFileTable,
];
