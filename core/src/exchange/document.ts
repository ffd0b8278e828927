/**
 * The order as a document: one JSON file that says everything by names and identities, so that it can
 * be read on another computer, by another program, in ten years. docs/file-format.md says the same in
 * words, docs/schema/order-1.json as JSON Schema.
 */
import type { AnswerFacts } from '../catalog/answer.ts';
import type { Kind } from '../catalog/kind.ts';
import { bareCopy, type Format, type FoundCopy } from '../formats/found-copy.ts';
import type { TrackKind } from '../loading/loadability.ts';
import type { CabinetSlot, FolderForm, FolderSorting } from '../order/records.ts';

/** What the field `document` of every such file says. */
export const documentName = 'clever-drawer order';
/** The version that is written. */
export const documentVersion = 1;

/** Fields that this version does not know; they are kept, and written back where they stood. */
export type UnknownFields = Readonly<Record<string, unknown>>;

/** What a copy is, as far as the document tells it; what is not known is left out. */
export interface DocumentCopy
  extends Partial<
    Pick<
      FoundCopy,
      | 'identity'
      | 'name'
      | 'vendor'
      | 'declared'
      | 'version'
      | 'architectures'
      | 'audioIn'
      | 'audioOut'
      | 'notesIn'
      | 'notesOut'
      | 'replaces'
      | 'uniqueId'
      | 'controls'
      | 'description'
    >
  > {
  readonly format: Format;
  readonly path: string;
  /** The user said that it belongs to this plugin. */
  readonly belongs?: true;
  /** It is used first. */
  readonly isFirst?: true;
}

/** A copy by where it is. */
export type DocumentCopyPath = Pick<DocumentCopy, 'format' | 'path' | 'identity'>;

/** What the user says of a plugin; what nothing was said of is left out. */
export type DocumentSaid = Partial<Omit<AnswerFacts, 'firstCopy'>>;

/** A plugin to which the order refers. */
export interface DocumentPlugin {
  /** Any text, once in the document. */
  readonly id: string;
  readonly name: string;
  readonly vendor: string | null;
  readonly kind: Kind;
  readonly types: readonly string[];
  readonly nickname?: string;
  readonly slotLabel?: string;
  readonly said?: DocumentSaid;
  readonly copies: readonly DocumentCopy[];
}

/** Several plugins under one name. */
export interface DocumentChain {
  readonly id: string;
  readonly name: string;
  readonly kind: Kind;
  readonly nickname?: string;
  readonly slotLabel?: string;
  readonly said?: DocumentSaid;
  /** Ids, one behind the other. */
  readonly plugins: readonly string[];
}

/** A saved setting of which something was made. */
export interface DocumentSetting {
  readonly id: string;
  readonly name: string;
  /** Id of the plugin that it is a setting of. */
  readonly plugin: string;
  readonly format: Format;
  readonly bank?: string;
  /** Where it stands; of an LV2 preset the bundle. */
  readonly path?: string;
  /** The URI of an LV2 preset. */
  readonly identity?: string;
  /** Of one of the user's own: what the host gave. */
  readonly state?: string;
  readonly nickname?: string;
  readonly slotLabel?: string;
  readonly said?: DocumentSaid;
}

/** A folder with all that stands in it. */
export interface DocumentFolder {
  readonly id: string;
  readonly form: FolderForm;
  readonly name: string;
  /** Of a smart folder: its rule as text (docs/file-format.md). */
  readonly rule?: string;
  readonly sortedBy?: FolderSorting;
  readonly isPinned?: true;
  readonly notes?: string;
  /** The folder of another cabinet that is shown here. */
  readonly shows?: string;
  readonly alwaysIn?: readonly string[];
  readonly alwaysOut?: readonly string[];
  readonly atMost?: number;
  readonly firstFormat?: Format;
  readonly firstCopies?: readonly DocumentCopyPath[];
  /** Ids of plugins, chains and settings in the user's own order. */
  readonly plugins?: readonly string[];
  readonly folders?: readonly DocumentFolder[];
}

/** One whole arrangement of folders. */
export interface DocumentCabinet {
  readonly id: string;
  readonly name: string;
  readonly opensFor?: readonly CabinetSlot[];
  readonly sortedBy?: 'name';
  readonly folders: readonly DocumentFolder[];
}

/** A picture of the user's own. */
export interface DocumentPicture {
  readonly id: string;
  /** A WebP, PNG or JPEG file in Base64 (RFC 4648). */
  readonly data: string;
}

/** Whose a spelling is. */
export interface DocumentSpelling {
  readonly spelling: string;
  readonly vendor: string;
}

/** One load, as it was remembered. */
export interface DocumentLoad {
  /** Id of the plugin. */
  readonly plugin: string;
  /** ISO 8601, UTC. */
  readonly at: string;
  readonly track: TrackKind;
  /** Id of the plugin in the slot before. */
  readonly after?: string;
  readonly typed?: string;
  readonly keys?: number;
  /** Milliseconds from the first key to the last. */
  readonly took?: number;
}

/** The whole file. */
export interface OrderDocument {
  readonly document: typeof documentName;
  readonly version: typeof documentVersion;
  /** The computer it was written on, by its name. */
  readonly computer: string;
  readonly formatOrder?: readonly Format[];
  readonly cabinets: readonly DocumentCabinet[];
  readonly plugins: readonly DocumentPlugin[];
  readonly chains: readonly DocumentChain[];
  /** Only where there are any. */
  readonly settings?: readonly DocumentSetting[];
  readonly spellings: readonly DocumentSpelling[];
  readonly pictures?: readonly DocumentPicture[];
  /** Only where they were asked for: what habits are made of. */
  readonly loads?: readonly DocumentLoad[];
}

/**
 * Fields of others' by the place where they stand: empty for the document itself, `cabinet ID`,
 * `folder ID`, `plugin ID`, `chain ID`, `setting ID`.
 */
export type ForeignFields = Readonly<Record<string, UnknownFields>>;

/** The folder and all below it, parents first. */
export const foldersWithin = (folders: readonly DocumentFolder[]): DocumentFolder[] =>
  folders.flatMap((folder) => [folder, ...foldersWithin(folder.folders ?? [])]);

/** All folders of a document, parents first. */
export const foldersOfDocument = (document: OrderDocument): DocumentFolder[] =>
  document.cabinets.flatMap(({ folders }) => foldersWithin(folders));

/** The folders of a document as rules name them. */
export function namedFoldersOf(
  document: Pick<OrderDocument, 'cabinets'>,
): { id: string; path: string[] }[] {
  const named = (
    folders: readonly DocumentFolder[],
    above: readonly string[],
  ): { id: string; path: string[] }[] =>
    folders.flatMap(({ id, name, form, shows, folders: below = [] }) => [
      ...(form === 'divider' || shows !== undefined ? [] : [{ id, path: [...above, name] }]),
      ...named(below, [...above, name]),
    ]);
  return document.cabinets.flatMap(({ folders }) => named(folders, []));
}

/** The document with favourites in every cabinet, which each has, in front where none are. */
export const withFavourites = (document: OrderDocument): OrderDocument => ({
  ...document,
  cabinets: document.cabinets.map((cabinet) =>
    cabinet.folders.some(({ form }) => form === 'favourites')
      ? cabinet
      : {
          ...cabinet,
          folders: [
            { id: `favourites of ${cabinet.id}`, form: 'favourites', name: 'Favourites' },
            ...cabinet.folders,
          ],
        },
  ),
});

/** A copy of a document as one that was found. */
export function copyFound(copy: DocumentCopy): FoundCopy {
  const facts: Partial<FoundCopy> & { belongs?: true } = { ...copy };
  delete facts.belongs;
  return { ...bareCopy(copy.format, copy.path), ...facts };
}

/** What a copy is called across computers: its format, and its identity or else its path. */
export const identityOf = ({
  format,
  identity,
  path,
}: Pick<FoundCopy, 'format' | 'path'> & { readonly identity?: string | null }): string =>
  `${format} ${identity ?? path}`;
