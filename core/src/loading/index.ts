/** What can be loaded where. Nothing in core imports this file. */
export { forgotten, isForgotten, type Forgotten, type Regard } from './forgotten.ts';
export {
  countScopes,
  createSlotSearch,
  loadableWithin,
  scopeFor,
  slotFolders,
  slotParts,
  type SlotHit,
  type SlotPart,
  slotScopes,
  type ScopeCounts,
  type SlotFolder,
  type SlotReasons,
  type SlotResult,
  type SlotScope,
  type SlotSearch,
} from './slot-search.ts';
export {
  acceptsAll,
  cabinetSlotAt,
  copyToLoad,
  copyWishOf,
  isLoadable,
  slotNames,
  slotKindAt,
  trackKinds,
  trackWords,
  whyNot,
  whyNotCopy,
  whyNotHere,
  type TakenBySession,
  type SlotKind,
  type TrackKind,
} from './loadability.ts';
export {
  changeSlot,
  moveSlot,
  putSlot,
  removeSlot,
  slotLimit,
  trackOfSlot,
  widenTrack,
  type HostCopy,
  type HostSetting,
  type HostSession,
  type HostSettings,
  type HostSlot,
  type HostTrack,
} from './host-session.ts';
export {
  channelsThrough,
  commonWidths,
  misfitsWidth,
  widthBehind,
  widthLimit,
  widthOfTrack,
  widthWords,
  type Ports,
} from './track-width.ts';
export { misbehaviours, type Misbehaviour } from './misbehaviour.ts';
export { createRepairer, type Known, type Repair, type RepairFor } from './repair.ts';
export { halfLifeDays, warmth, weightOfAge, type Usage } from './warmth.ts';
