/** The tree of types. Nothing in core imports this file. */
export {
  groupOf,
  isType,
  isWithin,
  kindOfType,
  typeGroups,
  typeName,
  type TypeGroup,
} from './tree.ts';
export { declaredTypes, lv2Classes, readDeclared, vst3SubCategories } from './declared.ts';
export { isFiledNear, leavesOpen } from './filed-near.ts';
