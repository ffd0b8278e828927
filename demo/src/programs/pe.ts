/**
 * A small valid PE library that exports some names and does nothing, with a version resource when
 * asked (winnt.h; built with pe-library and resedit).
 */
import { Format, NtExecutable, NtExecutableResource } from 'pe-library';
import { Resource } from 'resedit';

export interface VersionFacts {
  readonly product: string;
  readonly company: string | null;
  readonly version: string;
}

export function writePe(
  names: readonly string[],
  is32Bit: boolean,
  version: VersionFacts | null,
): Buffer {
  const file = NtExecutable.createEmpty(is32Bit, true);
  addExports(file, names);
  if (version) {
    addVersion(file, version);
  }
  return Buffer.from(file.generate());
}

const exportEntry = Format.ImageDirectoryEntry.Export;

/** The section's address is known only once it stands: it is set, then filled. */
function addExports(file: NtExecutable, names: readonly string[]): void {
  const sorted = [...names].sort();
  const size = exportTable(sorted, 0).length;
  const set = (data: Buffer): void => {
    file.setSectionByEntry(exportEntry, {
      info: {
        name: '.edata',
        virtualSize: size,
        virtualAddress: 0,
        sizeOfRawData: 0x200,
        pointerToRawData: 0,
        pointerToRelocations: 0,
        pointerToLineNumbers: 0,
        numberOfRelocations: 0,
        numberOfLineNumbers: 0,
        characteristics: 0x40000040,
      },
      data: data.buffer.slice(data.byteOffset, data.byteOffset + data.length) as ArrayBuffer,
    });
  };
  set(exportTable(sorted, 0));
  set(exportTable(sorted, file.getSectionByEntry(exportEntry)?.info.virtualAddress ?? 0));
}

/** Directory (40) · addresses · name pointers · ordinals · names, for a section loaded at `base`. */
function exportTable(names: readonly string[], base: number): Buffer {
  const count = names.length;
  const functions = 40;
  const pointers = functions + 4 * count;
  const ordinals = pointers + 4 * count;
  const texts = ordinals + 2 * count;
  const strings = ['plugin.dll', ...names].map((name) => Buffer.from(`${name}\0`, 'latin1'));
  const table = Buffer.concat([Buffer.alloc(texts), ...strings]);
  [
    0,
    0,
    0,
    base + texts,
    1,
    count,
    count,
    base + functions,
    base + pointers,
    base + ordinals,
  ].forEach((value, i) => table.writeUInt32LE(value, i * 4));
  let at = base + texts + (strings[0]?.length ?? 0);
  names.forEach((_, i) => {
    table.writeUInt32LE(base, functions + 4 * i);
    table.writeUInt32LE(at, pointers + 4 * i);
    table.writeUInt16LE(i, ordinals + 2 * i);
    at += strings[i + 1]?.length ?? 0;
  });
  return table;
}

function addVersion(file: NtExecutable, { product, company, version }: VersionFacts): void {
  const resources = NtExecutableResource.from(file);
  const info = Resource.VersionInfo.createEmpty();
  const language = { lang: 0x409, codepage: 1200 };
  info.setStringValues(language, {
    ProductName: product,
    ProductVersion: version,
    ...(company === null ? {} : { CompanyName: company }),
  });
  info.outputToResourceEntries(resources.entries);
  resources.outputResource(file);
}
