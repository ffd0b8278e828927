/** What can be done to the order. Nothing in core imports this file. */
export {
  actSize,
  nameLength,
  stateLength,
  type SettingFields,
  type Act,
  type ActOf,
  type ActName,
  type NewFolder,
  type Owner,
  type Said,
} from './act.ts';
export { perform, pluginsOfAct } from './perform.ts';
export type { NameOfPlugin, OrderChange, ActResult } from './act-result.ts';
export { fitChange, isSameChange, stepOf, type Direction, type WhereNow } from './undo.ts';
