/** Shelves on the disk: for the server and the command line. */
export {
  directoriesOf,
  shelfRecordName,
  writeShelf,
  type ShelfAction,
  type ShelfOptions,
  type ShelfOutcome,
} from './write-shelf.ts';
export { readTree, type Tree, type TreeLeaf } from './read-tree.ts';
