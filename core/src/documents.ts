/** The order as files: for the server, the command line and tests. The browser never holds them. */
export {
  copyFound,
  documentName,
  documentVersion,
  foldersOfDocument,
  identityOf,
  withFavourites,
  type DocumentCabinet,
  type DocumentCopy,
  type DocumentFolder,
  type DocumentLoad,
  type DocumentPicture,
  type DocumentPlugin,
  type ForeignFields,
  type OrderDocument,
} from './exchange/document.ts';
export { documentSchema } from './exchange/document-schema.data.ts';
export { idsAsWritten, recordsOf, type IdsHere } from './exchange/document-records.ts';
export { documentLimits, readDocument, type ReadDocument } from './exchange/read-document.ts';
export {
  documentCopy,
  documentOf,
  given,
  printDocument,
  type DocumentSource,
} from './exchange/write-document.ts';
export { readOutline, writeOutline } from './exchange/outline.ts';
export { withUnsaid } from './exchange/outline-unsaid.ts';
export { readTable, tableColumns, writeTable } from './exchange/table.ts';
export { matchFolders, type FoldersHere } from './exchange/match-folders.ts';
