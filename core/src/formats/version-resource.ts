/**
 * The version resource of a Windows file (VS_VERSIONINFO, winver.h). Read here and not by a
 * package: the usual one (resedit) never ended on damaged resources, as the fuzz test found.
 *
 *   resource directory: 16 bytes, then entries { id, offset } · three levels: type (16: version) →
 *   name → language
 *   block: length · value length · text? · key in UTF-16, zero · padding to 4 · value · padding ·
 *   child blocks …
 */
import { cleanText } from './bundle-files.ts';
import type { ByteSource } from './byte-source.ts';
import { offsetOf, peImage } from './pe.ts';

/** What the version resource of a Windows program says. */
export interface VersionResource {
  readonly product: string | null;
  readonly company: string | null;
  readonly version: string | null;
}

const nothing: VersionResource = { product: null, company: null, version: null };
const versionType = 16;
/** Larger resources are not read; real ones have some hundred bytes. */
const mostBytes = 65_536;
const isDirectory = 0x8000_0000;

/** All null where the file has no such resource or it cannot be understood. */
export function readVersionResource(source: ByteSource): VersionResource {
  try {
    const data = findResource(source);
    if (!data) {
      return nothing;
    }
    const texts = new Map<string, string>();
    collect(data, 0, data.byteLength, 0, texts);
    const text = (key: string): string | null => cleanText(texts.get(key));
    return {
      product: text('ProductName'),
      company: text('CompanyName'),
      version: text('ProductVersion') ?? text('FileVersion'),
    };
  } catch {
    return nothing;
  }
}

/** The bytes of the first version resource. */
function findResource(source: ByteSource): DataView | null {
  const { view, sections, directories } = peImage(source);
  const root = directories[2] ?? 0;
  if (root === 0) {
    return null;
  }
  const base = offsetOf(sections, root);
  const entry = (directory: number, wanted: number | null): number | null => {
    const count = view.u16(base + directory + 12) + view.u16(base + directory + 14);
    const table = view.piece(base + directory + 16, count * 8);
    for (let i = 0; i < count; i += 1) {
      if (wanted === null || table.getUint32(i * 8, true) === wanted) {
        return table.getUint32(i * 8 + 4, true);
      }
    }
    return null;
  };
  let at = entry(0, versionType);
  for (let level = 0; level < 2 && at !== null && at >= isDirectory; level += 1) {
    at = entry(at - isDirectory, null);
  }
  if (at === null || at >= isDirectory) {
    return null;
  }
  return view.piece(
    offsetOf(sections, view.u32(base + at)),
    Math.min(mostBytes, view.u32(base + at + 4)),
  );
}

/**
 * Gathers the strings of a block and of those in it: version info → StringFileInfo → string table →
 * string.
 */
function collect(
  data: DataView,
  start: number,
  end: number,
  depth: number,
  texts: Map<string, string>,
): void {
  for (let at = start; at + 6 <= end; ) {
    const length = data.getUint16(at, true);
    const valueLength = data.getUint16(at + 2, true);
    const isText = data.getUint16(at + 4, true) === 1;
    const stop = Math.min(end, at + length);
    if (length < 8) {
      return;
    }
    const key = utf16(data, at + 6, stop);
    const value = aligned(at + 6 + 2 * (key.length + 1));
    if (depth === 3) {
      if (!texts.has(key)) {
        texts.set(key, utf16(data, value, Math.min(stop, value + 2 * valueLength)));
      }
    } else if (depth === 0 || key === 'StringFileInfo' || depth === 2) {
      collect(
        data,
        aligned(value + (isText ? 2 * valueLength : valueLength)),
        stop,
        depth + 1,
        texts,
      );
    }
    at = aligned(at + length);
  }
}

const aligned = (offset: number): number => (offset + 3) & ~3;

/** UTF-16 text up to a zero or the end. */
function utf16(data: DataView, from: number, end: number): string {
  let text = '';
  for (let at = from; at + 2 <= Math.min(end, data.byteLength); at += 2) {
    const unit = data.getUint16(at, true);
    if (unit === 0) {
      break;
    }
    text += String.fromCharCode(unit);
  }
  return text;
}
