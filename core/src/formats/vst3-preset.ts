/**
 * VST 3 preset files (VST 3 SDK, `vstpresetfile.h` and “Preset Format” of the developer portal; from
 * memory): `VST3`, version, class id as 32 hex digits, offset of the list of chunks; there `List`, their
 * number, and for each its id, offset and size. The chunk `Info` is XML. Numbers are little-endian.
 */
import { XMLParser } from 'fast-xml-parser';
import type { Problem } from '../problem.ts';
import { Truncated, View, type ByteSource } from './byte-source.ts';
import { cleanText, textOf, type BundleFiles } from './bundle-files.ts';
import { isDictionary, type Dictionary } from './dictionary.ts';
import { bareSetting, failedSetting, type FoundSetting } from './found-setting.ts';
import { placeOfPreset } from './preset-place.ts';

const headerSize = 48;
const entrySize = 20;
/** The most chunks of a list; `kMaxEntries` of the SDK is 128. */
const most = 128;
const infoLimit = 1_048_576;

interface Chunk {
  readonly id: string;
  readonly offset: number;
  readonly size: number;
}

/** What the container says. */
interface Container {
  readonly classId: string;
  readonly chunks: readonly Chunk[];
}

const damaged = (detail: string): Problem => ({ code: 'damaged', at: '', line: null, detail });

const letters = (view: DataView, at: number, length: number): string =>
  Array.from({ length }, (_, n) => String.fromCharCode(view.getUint8(at + n))).join('');

/** A 64-bit offset, which no file of today exceeds as a number. */
const offsetAt = (view: DataView, at: number): number => Number(view.getBigInt64(at, true));

function containerOf(source: ByteSource): Container | Problem {
  const view = new View(source, true);
  const header = view.piece(0, headerSize);
  if (letters(header, 0, 4) !== 'VST3') {
    return damaged('it is no VST 3 preset: it does not begin with VST3.');
  }
  const classId = letters(header, 8, 32).toUpperCase();
  if (!/^[0-9A-F]{32}$/.test(classId)) {
    return damaged('the class id in its header is not 32 hex digits.');
  }
  const list = offsetAt(header, 40);
  if (list < headerSize || list + 8 > source.size) {
    return damaged('its list of chunks lies outside of the file.');
  }
  const head = view.piece(list, 8);
  const count = head.getInt32(4, true);
  if (letters(head, 0, 4) !== 'List' || count < 0 || count > most) {
    return damaged('its list of chunks is none.');
  }
  const entries = view.piece(list + 8, count * entrySize);
  const chunks = Array.from(
    { length: count },
    (_, n): Chunk => ({
      id: letters(entries, n * entrySize, 4),
      offset: offsetAt(entries, n * entrySize + 4),
      size: offsetAt(entries, n * entrySize + 12),
    }),
  );
  const isInside = ({ offset, size }: Chunk): boolean =>
    offset >= headerSize && size >= 0 && offset + size <= source.size;
  return chunks.every(isInside)
    ? { classId, chunks }
    : damaged('one of its chunks lies outside of the file.');
}

const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '',
  parseAttributeValue: false,
  processEntities: { enabled: true, maxEntityCount: 0 },
  isArray: (_, path) => typeof path === 'string' && path.endsWith('Attribute'),
});

/** `<MetaInfo><Attribute id="…" value="…"/>…`: what it says of each id; nothing where it is no such XML. */
function infoOf(source: ByteSource, chunks: readonly Chunk[]): ReadonlyMap<string, string> {
  const chunk = chunks.find(({ id, size }) => id === 'Info' && size <= infoLimit);
  const bytes = chunk && source.read(chunk.offset, chunk.size);
  try {
    const text = bytes ? textOf(bytes) : '';
    // No preset declares a document type; hostile ones do.
    const isPlain = text !== '' && !text.includes('<!');
    const meta = isPlain ? (parser.parse(text) as Dictionary)['MetaInfo'] : null;
    const attributes = isDictionary(meta) ? meta['Attribute'] : null;
    return new Map(
      (Array.isArray(attributes) ? attributes : [])
        .filter(isDictionary)
        .flatMap(({ id, value }) => {
          const said = typeof value === 'string' ? cleanText(value) : null;
          return typeof id === 'string' && said !== null ? [[id, said] as const] : [];
        }),
    );
  } catch {
    return new Map();
  }
}

/** The setting of one `.vstpreset` file; a failed one when it is damaged. */
export function readVst3Preset(files: BundleFiles): FoundSetting[] {
  const opened = files.open('');
  if (!opened.ok) {
    return [failedSetting('VST3', files.root, opened.problems[0] as Problem)];
  }
  const source = opened.value;
  try {
    const container = containerOf(source);
    if ('code' in container) {
      return [failedSetting('VST3', files.root, { ...container, at: files.root })];
    }
    const info = infoOf(source, container.chunks);
    const place = placeOfPreset(files.root);
    return [
      {
        ...bareSetting('VST3', files.root),
        ...place,
        plugin: container.classId,
        name: place.name,
        vendor: info.get('PlugInVendor') ?? place.vendor,
        pluginName: info.get('PlugInName') ?? place.pluginName,
        comment: info.get('Comment') ?? null,
      },
    ];
  } catch (error) {
    if (error instanceof Truncated) {
      const detail = 'it ends in the middle.';
      return [failedSetting('VST3', files.root, { ...damaged(detail), at: files.root })];
    }
    throw error;
  } finally {
    source.close();
  }
}
