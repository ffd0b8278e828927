/** A tree of directories as a document: directories are folders, what lies in them plugins. */
import { fold } from '@clever-drawer/core/text';
import {
  documentName,
  documentVersion,
  withFavourites,
  type DocumentFolder,
  type DocumentPlugin,
  type OrderDocument,
} from '@clever-drawer/core/documents';
import type { CopyRow } from '../../database/catalog-tables.ts';
import type { Tree, TreeLeaf } from '../../shelf/index.ts';

/**
 * What lies where a copy of here lies is that copy; all else is told by its name. The tree itself is a
 * cabinet.
 */
export function documentOfTree(tree: Tree, copies: readonly CopyRow[]): OrderDocument {
  const byPath = new Map(copies.map((copy) => [copy.path, copy]));
  const plugins = new Map<string, DocumentPlugin>();
  let made = 0;
  const newId = (): string => `tree ${(made += 1)}`;
  const pluginOf = (leaf: TreeLeaf): string => {
    const copy = byPath.get(leaf.path);
    const key = copy?.id ?? fold(leaf.name);
    const known = plugins.get(key) ?? {
      id: newId(),
      name: copy?.facts.name ?? leaf.name,
      vendor: copy?.facts.vendor ?? null,
      kind: 'unknown' as const,
      types: [],
      copies: copy ? [{ format: copy.format, path: copy.path, identity: copy.facts.identity }] : [],
    };
    plugins.set(key, known);
    return known.id;
  };
  const folderOf = ({ name, directories, leaves }: Tree): DocumentFolder => ({
    id: newId(),
    form: 'folder',
    name,
    plugins: [...new Set(leaves.map(pluginOf))],
    folders: directories.map(folderOf),
  });
  const loose = tree.leaves.length > 0 ? [folderOf({ ...tree, directories: [] })] : [];
  const cabinet = {
    id: newId(),
    name: tree.name,
    folders: [...tree.directories.map(folderOf), ...loose],
  };
  return withFavourites({
    document: documentName,
    version: documentVersion,
    computer: tree.name,
    cabinets: [cabinet],
    plugins: [...plugins.values()],
    chains: [],
    spellings: [],
  });
}
