/** Copies, plugins and what is said of them. Nothing in core imports this file. */
export {
  changeCatalog,
  comparePlaces,
  type CatalogChange,
  type CatalogState,
} from './catalog-change.ts';
export { kinds, kindWords, whichIsUnknown, type Kind } from './kind.ts';
export {
  copiesInOrder,
  copyInFront,
  type CopyWish,
  differsInWidth,
  isForOldSessions,
  preferred,
  isOnly32Bit,
  isAwaited,
  isGone,
  isPresent,
  faceOf,
  withoutAwaited,
  type SettingFacts,
  nameOfCopy,
  usualWidth,
  type CopyCard,
  type CopyState,
  type Plugin,
} from './plugin.ts';
export { isNewer } from './version.ts';
export {
  allTags,
  answerLimits,
  licenceStates,
  nobody,
  nothingSaid,
  saysNothing,
  withAnswer,
  type Answer,
  type AnswerFacts,
  type Licence,
  type LicenceState,
} from './answer.ts';
