/** Reading one bundle or file from the disk with core's readers. Nothing of the plugin runs. */
import {
  closeSync,
  constants,
  openSync,
  readdirSync,
  readSync,
  realpathSync,
  statSync,
} from 'node:fs';
import { join, sep } from 'node:path';
import { failedCopy, type Format, type FoundCopy } from '@clever-drawer/core/formats';
import { failed, ok, type Problem, type Result } from '@clever-drawer/core/problem';
import {
  failedSetting,
  readAudioUnit,
  readAuPreset,
  readBinaryPlugin,
  readLadspaSettings,
  readLv2,
  readLv2Presets,
  readVst3,
  readVst3Preset,
  storableCopy,
  storableSetting,
  type BundleFiles,
  type FoundSetting,
  type LadspaDescriptions,
  type OpenFile,
} from '@clever-drawer/core/readers';
import { reasonOf, type FoundBundle } from './walk.ts';

/**
 * The copies of one bundle, with texts that can be kept. Whatever goes wrong becomes a failed copy.
 * `place` bounds what may be read.
 */
export const readBundle = (...asked: Parameters<typeof readCopies>): FoundCopy[] =>
  readCopies(...asked).map(storableCopy);

/**
 * The settings of one bundle or file, with texts that can be kept. Whatever goes wrong becomes a
 * failed setting. `place` bounds what may be read.
 */
export function readSettings(
  { format, path }: Pick<FoundBundle, 'format' | 'path'>,
  place: string,
): FoundSetting[] {
  try {
    return settingsIn(format, diskFiles(path, place)).map(storableSetting);
  } catch (error) {
    return [failedSetting(format, path, notUnderstood(path, error))];
  }
}

function settingsIn(format: Format, files: BundleFiles): FoundSetting[] {
  switch (format) {
    case 'LV2':
      return readLv2Presets(files);
    case 'VST3':
      return readVst3Preset(files);
    case 'AU':
      return readAuPreset(files);
    default:
      return readLadspaSettings(files);
  }
}

const notUnderstood = (path: string, error: unknown): Problem => ({
  code: 'damaged',
  at: path,
  line: null,
  detail: `it could not be understood (${String(error).slice(0, 120)}).`,
});

function readCopies(
  bundle: Pick<FoundBundle, 'format' | 'candidates' | 'path'>,
  place: string,
  descriptions: LadspaDescriptions,
): FoundCopy[] {
  const { format, path } = bundle;
  try {
    const files = diskFiles(path, place);
    if (format === 'LV2') {
      return readLv2(files);
    }
    if (format === 'AU') {
      return readAudioUnit(files);
    }
    if (format === 'VST3' && !files.isFile) {
      return readVst3(files);
    }
    return readBinaryPlugin(
      files,
      bundle.candidates.filter((c) => c !== 'LV2' && c !== 'AU'),
      descriptions,
    );
  } catch (error) {
    return [failedCopy(format, path, notUnderstood(path, error))];
  }
}

/**
 * Files of a bundle on the disk. Links to descriptions and settings are followed only inside the place
 * or the bundle, for what they say is shown. The program of a bundle may lie anywhere: of it only the
 * headers are read, which a host would open.
 */
export function diskFiles(root: string, place: string): BundleFiles {
  const bounds = [realpathSync.native(place), realpathSync.native(root)];
  const pathOf = (relative: string): string => (relative === '' ? root : join(root, relative));
  return {
    root,
    isFile: statSync(root).isFile(),
    read: (relative, limit) =>
      guarded(pathOf(relative), relative || root, bounds, (real, size) =>
        size > limit
          ? failed({ code: 'file-too-large', at: relative || root, got: size, limit })
          : ok(readUpTo(real, size)),
      ),
    open: (relative) =>
      guarded(pathOf(relative), relative || root, relative === '' ? bounds : null, (real, size) =>
        ok(openFile(real, size)),
      ),
    list: (relative) => {
      try {
        return readdirSync(pathOf(relative)).sort();
      } catch {
        return [];
      }
    },
  };
}

/** Works on a plain file inside the bounds, or anywhere with null; anything else is a Problem. */
function guarded<T>(
  path: string,
  at: string,
  bounds: readonly string[] | null,
  work: (real: string, size: number) => Result<T>,
): Result<T> {
  try {
    const real = realpathSync.native(path);
    const isInside = (bound: string): boolean =>
      real === bound || real.startsWith(bound.endsWith(sep) ? bound : bound + sep);
    if (bounds !== null && !bounds.some(isInside)) {
      return failed({ code: 'outside-place', at });
    }
    const facts = statSync(real);
    if (!facts.isFile()) {
      return failed({ code: 'file-unreadable', at, reason: 'it is not a file' });
    }
    return work(real, facts.size);
  } catch (error) {
    return failed(diskProblem(error, at));
  }
}

/** What has become a pipe since it was looked at is not waited for (open(2), O_NONBLOCK). */
const atOnce = constants.O_RDONLY | constants.O_NONBLOCK;

/** So many bytes are read at once where few are asked for: headers are read number by number. */
const windowSize = 4_096;

function openFile(path: string, size: number): OpenFile {
  const handle = openSync(path, atOnce);
  let window: { readonly at: number; readonly bytes: Uint8Array } = {
    at: 0,
    bytes: new Uint8Array(0),
  };
  const isInWindow = (offset: number, length: number): boolean =>
    offset >= window.at && offset + length <= window.at + window.bytes.length;
  return {
    size,
    read: (offset, length) => {
      if (offset < 0 || length < 0 || offset + length > size) {
        return null;
      }
      if (!isInWindow(offset, length)) {
        const most = Math.max(length, Math.min(windowSize, size - offset));
        window = { at: offset, bytes: bytesAt(handle, offset, most) };
      }
      return isInWindow(offset, length)
        ? window.bytes.subarray(offset - window.at, offset - window.at + length)
        : null;
    },
    close: () => {
      closeSync(handle);
    },
  };
}

/** At most `size` bytes, also when the file grows meanwhile. */
function readUpTo(path: string, size: number): Uint8Array {
  const handle = openSync(path, atOnce);
  try {
    return bytesAt(handle, 0, size);
  } finally {
    closeSync(handle);
  }
}

/** So many bytes of an open file from the offset, or as many as there are. */
function bytesAt(handle: number, offset: number, length: number): Uint8Array {
  const bytes = new Uint8Array(length);
  let filled = 0;
  for (let got = -1; got !== 0 && filled < bytes.length; filled += got) {
    got = readSync(handle, bytes, filled, bytes.length - filled, offset + filled);
  }
  return bytes.subarray(0, filled);
}

const diskProblem = (error: unknown, at: string): Problem =>
  (error as NodeJS.ErrnoException).code === 'ENOENT'
    ? { code: 'file-missing', at }
    : { code: 'file-unreadable', at, reason: reasonOf(error) };
