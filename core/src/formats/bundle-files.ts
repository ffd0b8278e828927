/** How a reader gets at the files of one bundle: given by the caller, which keeps it inside the place. */
import type { Result } from '../problem.ts';
import { cutText } from '../text/storable.ts';
import type { ByteSource } from './byte-source.ts';

/** Bytes of a file that is open; close it when done. */
export interface OpenFile extends ByteSource {
  close(): void;
}

/** The files of one bundle, by paths relative to it. */
export interface BundleFiles {
  /** Absolute path of the bundle, without a trailing slash. */
  readonly root: string;
  /**
   * The bytes of a file below the root, at most `limit` of them; a Problem when missing, larger or
   * out of bounds.
   */
  read(relative: string, limit: number): Result<Uint8Array>;
  /** Whether the root is a file itself; it is then read as `''`. */
  readonly isFile: boolean;
  /** A file to be read piecewise. Close it. */
  open(relative: string): Result<OpenFile>;
  /** Names in a directory below the root; empty when there is none. */
  list(relative: string): string[];
}

/** Limits of the readers, far above anything real. Bytes. */
export const limits = {
  turtleFile: 16 * 1_048_576,
  turtleFiles: 256,
  moduleInfo: 4 * 1_048_576,
  plist: 2 * 1_048_576,
  presetPlist: 32 * 1_048_576,
  presetFiles: 10_000,
  settingsInBundle: 20_000,
  ladspaRdf: 16 * 1_048_576,
  statements: 400_000,
  copiesInBundle: 2_000,
  textLength: 500,
} as const;

const decoder = new TextDecoder('utf-8');

/** UTF-8 text without byte-order mark; bytes that are not UTF-8 become U+FFFD. */
export const textOf = (bytes: Uint8Array): string => decoder.decode(bytes);

/** One line for the screen: control characters become spaces, the length is bounded; empty becomes null. */
export function cleanText(text: string | null | undefined): string | null {
  if (text === null || text === undefined) {
    return null;
  }
  const line = cutText(text, 4 * limits.textLength)
    .replace(/[\p{Cc}\p{Cf}\p{Zl}\p{Zp}\s]+/gu, ' ')
    .trim();
  return line === '' ? null : cutText(line, limits.textLength);
}
