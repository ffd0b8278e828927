/** Files and directories that somebody else may change under our hands. */
export { piecesOf, writePieces } from './descriptor.ts';
export { diskTrouble } from './disk-trouble.ts';
export { Directory, halfName, isMissing, replaceIn } from './directory.ts';
export {
  NotRegularError,
  openRegular,
  readRegular,
  readSmallText,
  type OpenOptions,
} from './regular-file.ts';
export { isWithin, leadsNowhere, realPathOf } from './whereabouts.ts';
