/**
 * A tree of directories as somebody keeps it: of links, of plugin files, of files that are called like
 * plugins. Only read; no link to a directory is followed.
 */
import { lstat, readdir, realpath } from 'node:fs/promises';
import { basename, join, resolve } from 'node:path';
import { failed, ok, type Result } from '@clever-drawer/core/problem';

/** Something in a directory that is no directory of the tree. */
export interface TreeLeaf {
  /** Its name without figures in front and endings behind. */
  readonly name: string;
  /** Where it lies, or where its link leads. */
  readonly path: string;
}

/** A directory of the tree. */
export interface Tree {
  readonly name: string;
  readonly directories: readonly Tree[];
  readonly leaves: readonly TreeLeaf[];
}

/** How deep it is looked into, and how much. */
const limits = { depth: 12, entries: 20_000 } as const;

/** Bundles are directories that are one plugin. */
const bundle = /\.(?:vst3|lv2|clap|component|vst)$/i;
const ending = /\.(?:vst3|lv2|clap|component|vst|dll|so|txt|lnk)$/i;
const digits = /^\d{1,4}[\s._-]+/;

const plainName = (name: string): string => name.replace(ending, '').replace(digits, '') || name;

/** Reads a tree. Hidden entries are passed over. */
export async function readTree(directory: string): Promise<Result<Tree>> {
  const root = resolve(directory);
  const stat = await lstat(root).catch(() => null);
  if (!stat) {
    return failed({ code: 'place-missing', at: directory });
  }
  if (!stat.isDirectory()) {
    return failed({ code: 'place-is-file', at: directory });
  }
  const count = { entries: 0 };
  const tree = await treeOf(root, 0, count);
  return count.entries > limits.entries
    ? failed({
        code: 'too-much',
        at: directory,
        what: 'entries',
        got: count.entries,
        limit: limits.entries,
      })
    : ok(tree);
}

async function treeOf(path: string, depth: number, count: { entries: number }): Promise<Tree> {
  const entries = await readdir(path, { withFileTypes: true }).catch(() => []);
  const directories: Tree[] = [];
  const leaves: TreeLeaf[] = [];
  const shown = entries.filter(({ name }) => !name.startsWith('.'));
  for (const entry of shown.sort((a, b) => (a.name < b.name ? -1 : 1))) {
    count.entries += 1;
    if (count.entries > limits.entries) {
      break;
    }
    const at = join(path, entry.name);
    if (entry.isDirectory() && !bundle.test(entry.name)) {
      if (depth < limits.depth) {
        directories.push(await treeOf(at, depth + 1, count));
      }
    } else {
      const leads = await realpath(at).catch(() => at);
      leaves.push({ name: plainName(entry.name), path: leads });
    }
  }
  return { name: plainName(basename(path)), directories, leaves };
}
