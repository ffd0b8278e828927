/** Points to return to. Nothing in core imports this file. */
export {
  dayOf,
  muchAtOnce,
  partOfChange,
  pointReasons,
  pointsToThin,
  sizeOf,
  squashAll,
  wayBack,
  type ChangePart,
  type PointReason,
} from './points.ts';
