/** Reading one bundle from the disk with core's readers. Nothing of the plugin runs. */
import { closeSync, openSync, readdirSync, readSync, realpathSync, statSync } from 'node:fs';
import { join, sep } from 'node:path';
import { failed, failedCopy, ok, readLv2, readVst3, type BundleFiles, type Format, type FoundCopy, type Problem, type Result } from '@clever-drawer/core';

const readers: Partial<Record<Format, (files: BundleFiles) => FoundCopy[]>> = { LV2: readLv2, VST3: readVst3 };

/** The copies of one bundle. Whatever goes wrong becomes a failed copy. `place` bounds what may be read. */
export function readBundle(format: Format, path: string, place: string): FoundCopy[] {
  const reader = readers[format];
  if (!reader) return [];
  try {
    return reader(diskFiles(path, place));
  } catch (error) {
    return [failedCopy(format, path, { code: 'damaged', at: path, line: null, detail: `it could not be understood (${String(error).slice(0, 120)}).` })];
  }
}

/** Files of a bundle on the disk; links are followed only inside the place. */
export function diskFiles(root: string, place: string): BundleFiles {
  const inside = realpathSync(place);
  return {
    root,
    read: (relative, limit) => readInside(join(root, relative), relative, inside, limit),
    list: (relative) => {
      try {
        return readdirSync(join(root, relative)).sort();
      } catch {
        return [];
      }
    },
  };
}

function readInside(path: string, at: string, inside: string, limit: number): Result<Uint8Array> {
  try {
    const real = realpathSync(path);
    if (real !== inside && !real.startsWith(inside.endsWith(sep) ? inside : inside + sep)) return failed({ code: 'outside-place', at });
    const facts = statSync(real);
    if (!facts.isFile()) return failed({ code: 'file-unreadable', at, reason: 'it is not a file' });
    if (facts.size > limit) return failed({ code: 'file-too-large', at, got: facts.size, limit });
    return ok(readUpTo(real, facts.size));
  } catch (error) {
    return failed(diskProblem(error, at));
  }
}

/** At most `size` bytes, also when the file grows meanwhile. */
function readUpTo(path: string, size: number): Uint8Array {
  const handle = openSync(path, 'r');
  try {
    const bytes = new Uint8Array(size);
    let filled = 0;
    for (let got = -1; got !== 0 && filled < size; filled += got) got = readSync(handle, bytes, filled, size - filled, filled);
    return bytes.subarray(0, filled);
  } finally {
    closeSync(handle);
  }
}

function diskProblem(error: unknown, at: string): Problem {
  const code = (error as NodeJS.ErrnoException).code;
  if (code === 'ENOENT') return { code: 'file-missing', at };
  const reasons: Record<string, string> = { EACCES: 'no permission', EPERM: 'no permission', ELOOP: 'links in a circle', EISDIR: 'it is a directory' };
  return { code: 'file-unreadable', at, reason: reasons[code ?? ''] ?? code ?? String(error) };
}
