/** Copies and settings as bytes tell of them; its readers stand in `readers`. Nothing in core imports this file. */
export {
  bareCopy,
  failedCopy,
  formats,
  mostControls,
  stemOfPath,
  type Format,
  type FoundCopy,
  describedBy,
} from './found-copy.ts';
