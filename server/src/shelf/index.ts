/** Shelves on the disk: for the server and the command line. */
export {
  directoriesOf,
  writeShelf,
  type ShelfAction,
  type ShelfOptions,
  type ShelfOutcome,
} from './write-shelf.ts';
export { shelfKey, shelfRecordName } from './shelf-record.ts';
export { readTree, type Tree, type TreeLeaf } from './read-tree.ts';
export { whyNotNear, type WhyNot } from '../reach.ts';
export { usualDirectory } from '../database/usual-data.ts';
