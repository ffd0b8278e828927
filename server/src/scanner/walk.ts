/** Walking a place: which bundles lie in it, and what tells whether each changed. Only reads. */
import { createHash } from 'node:crypto';
import type { Dirent, Stats } from 'node:fs';
import { lstat, readdir, realpath, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Format, Problem } from '@clever-drawer/core';

export interface FoundBundle {
  readonly format: Format;
  /** Absolute path as it was walked. */
  readonly path: string;
  /** Sizes, times and inodes of the bundle's files in one text; equal texts mean: unchanged. */
  readonly fingerprint: string;
}

export interface Walked {
  readonly bundles: FoundBundle[];
  readonly problems: Problem[];
}

/** Directories below a place are entered this deep. */
const maxDepth = 8;
/** Files of one bundle that are taken into its fingerprint. */
const maxFiles = 4_000;

/** Finds the bundles of the wanted formats below a directory. Links are followed, each real directory once. */
export async function walk(place: string, formats: readonly Format[], isStopped: () => boolean): Promise<Walked> {
  const walked: Walked = { bundles: [], problems: [] };
  const seen = new Set<string>();
  const enter = async (directory: string, depth: number): Promise<void> => {
    if (isStopped()) return;
    const real = await realpath(directory).catch(() => null);
    if (real === null || seen.has(real)) return;
    seen.add(real);
    const entries = await list(directory, walked.problems);
    const format = bundleFormat(directory, entries);
    if (format !== null) {
      if (formats.includes(format)) walked.bundles.push({ format, path: directory, fingerprint: await fingerprint(directory) });
      return;
    }
    if (depth >= maxDepth) return;
    for (const entry of entries.sort((a, b) => (a.name < b.name ? -1 : 1)))
      if (await isDirectory(directory, entry)) await enter(join(directory, entry.name), depth + 1);
  };
  await enter(place, 0);
  return walked;
}

async function list(directory: string, problems: Problem[]): Promise<Dirent[]> {
  try {
    return await readdir(directory, { withFileTypes: true });
  } catch (error) {
    problems.push({ code: 'file-unreadable', at: directory, reason: (error as NodeJS.ErrnoException).code ?? String(error) });
    return [];
  }
}

async function isDirectory(parent: string, entry: Dirent): Promise<boolean> {
  if (!entry.isSymbolicLink()) return entry.isDirectory();
  return stat(join(parent, entry.name)).then((s) => s.isDirectory(), () => false);
}

/** A bundle by its ending, or an LV2 bundle by its manifest: the ending may be missing. */
function bundleFormat(directory: string, entries: readonly Dirent[]): Format | null {
  if (/\.lv2$/i.test(directory) || entries.some((e) => e.name === 'manifest.ttl')) return 'LV2';
  return /\.vst3$/i.test(directory) ? 'VST3' : null;
}

/** Every file below the bundle with size, modification and change time and inode. Sorted, so that order does not matter. */
async function fingerprint(bundle: string): Promise<string> {
  const lines: string[] = [];
  const enter = async (directory: string, depth: number): Promise<void> => {
    const entries = await readdir(directory, { withFileTypes: true }).catch(() => []);
    for (const entry of entries) {
      if (lines.length >= maxFiles) return;
      const path = join(directory, entry.name);
      const facts: Stats | null = await lstat(path).catch(() => null);
      if (facts === null) continue;
      lines.push(`${path.slice(bundle.length)} ${facts.size} ${facts.mtimeMs} ${facts.ctimeMs} ${facts.ino}`);
      if (entry.isDirectory() && depth < maxDepth) await enter(path, depth + 1);
    }
  };
  await enter(bundle, 0);
  return hash(lines.sort().join('\n'));
}

/** SHA-256 in hex: short enough for the database, long enough never to collide. */
function hash(text: string): string {
  return createHash('sha256').update(text).digest('hex');
}
