/**
 * Folders as a table names them: "Folder / Subfolder", with the cabinet first where there are several.
 * A name's own signs that would be read as signs of the table have a backslash before them.
 */
import { groupedBy } from '../grouped.ts';
import { allFolders, cabinetsOf, type Folder, type Order } from '../order/records.ts';
import { fold } from '../text/fold.ts';

/** Between several values of a cell, and between a folder and what is in it. */
export const between = '; ';
const below = ' / ';

/** A name in a cell of several: semicolons, slashes beside a space, and backslashes that would hide one. */
export const escaped = (name: string): string =>
  name.replace(/\\(?=[\\;/]|$)|;|(?<=^|\s)\/|\/(?=\s|$)/g, '\\$&');

const unescaped = (text: string): string => text.replace(/\\([\\;/])/g, '$1');

/** The pieces of a cell between its semicolons, trimmed and still escaped; empty ones are left out. */
const piecesOf = (cell: string): string[] =>
  (cell.match(/(?:\\.?|[^\\;])+/gs) ?? []).map((piece) => piece.trim()).filter(Boolean);

/** The values of a cell. */
export const valuesOf = (cell: string): string[] => piecesOf(cell).map(unescaped);

/** A folder named in a cell. */
export interface NamedFolder {
  /** As it is written. */
  readonly path: string;
  /** Ids of the folders that this may be: the table can't tell them apart. */
  readonly folders: readonly string[];
}

/** The folders of an order that hold plugins filed by hand. */
export interface TableFolders {
  /** How each is written, by its id. */
  readonly paths: ReadonlyMap<string, string>;
  /** The folders that a cell names. */
  readonly read: (cell: string) => NamedFolder[];
}

const keyOf = (names: readonly string[]): string => names.map(fold).join('\n');

/** Folders and favourites of all cabinets, and how they are written and read. */
export function tableFolders(order: Order): TableFolders {
  const folders = allFolders(order);
  const byId = new Map(folders.map((folder) => [folder.id as string, folder]));
  const cabinets = new Map(cabinetsOf(order).map(({ id, name }) => [id as string, name]));
  const namesOf = (folder: Folder): string[] => {
    const parent = folder.parent === null ? undefined : byId.get(folder.parent);
    return [...(parent ? namesOf(parent) : []), folder.name];
  };
  const named = folders
    .filter(
      ({ form, shortcutTo }) => (form === 'folder' || form === 'favourites') && shortcutTo === null,
    )
    .map((folder) => {
      const names = namesOf(folder);
      return {
        id: folder.id,
        names,
        whole: [cabinets.get(folder.cabinet) ?? '', ...names],
      };
    });
  const isOneCabinet = cabinets.size < 2;
  const written = ({ names, whole }: (typeof named)[number]): readonly string[] =>
    isOneCabinet ? names : whole;
  const byNames = groupedBy(named, ({ names }) => keyOf(names));
  const byWhole = groupedBy(named, ({ whole }) => keyOf(whole));
  const [first, second] = isOneCabinet ? [byNames, byWhole] : [byWhole, byNames];
  return {
    paths: new Map(named.map((one) => [one.id, written(one).map(escaped).join(below)])),
    read: (cell) =>
      piecesOf(cell).map((path) => {
        const key = keyOf(path.split(below).map((name) => unescaped(name.trim())));
        const found = first.get(key) ?? second.get(key) ?? [];
        return { path, folders: found.map(({ id }) => id) };
      }),
  };
}
