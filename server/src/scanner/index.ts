/** What the scanner offers to the server and to the command line. */
export { descriptionsFor } from './descriptions.ts';
export { ReaderPool } from './pool.ts';
export { diskFiles, readBundle, readSettings } from './read.ts';
export { shareTexts } from './shared-texts.ts';
export type { CopiesToSort } from './worker.ts';
export {
  thisMachine,
  usualPlaces,
  usualSettingPlaces,
  type Machine,
  type UsualPlace,
} from './usual-places.ts';
export { walk, type FoundBundle, type Walked } from './walk.ts';
