/**
 * PE (winnt.h of mingw-w64-common).
 *
 *   0x00 'M' 'Z' … 0x3c offset of: 'P' 'E' 0 0 · machine · sections · … · size of optional header
 *   optional header: magic (0x10b: PE32, 0x20b: PE32+) … · data directories [export, import,
 *   resource, …] · section table
 */
import { exportLimit, type Binary } from './binary-facts.ts';
import { longestName, Truncated, View, zeroEnded, type ByteSource } from './byte-source.ts';

const machines: Readonly<Record<number, string>> = {
  0x014c: 'x86',
  0x8664: 'x86_64',
  0xaa64: 'arm64',
  0x01c4: 'arm',
};

interface Section {
  readonly address: number;
  readonly size: number;
  readonly offset: number;
}

/** The parts of an image that the readers of its tables need. */
export interface PeImage {
  readonly view: View;
  readonly machine: string;
  readonly sections: readonly Section[];
  /** Addresses of the data directories (0: exports, 2: resources); 0 where there is none. */
  readonly directories: readonly number[];
}

/** Where the header begins. */
function headerOf(view: View): number {
  const header = view.u32(0x3c);
  if (view.u32(header) !== 0x00004550) {
    throw new Truncated('no PE header');
  }
  return header;
}

const machineAt = (view: View, header: number): string => {
  const machine = view.u16(header + 4);
  return machines[machine] ?? `machine ${machine}`;
};

/** The machine a PE file is for. Throws where its header is damaged. */
export function machinesOfPe(source: ByteSource): readonly string[] {
  const view = new View(source, true);
  return [machineAt(view, headerOf(view))];
}

/** Throws Truncated where the header is damaged. */
export function peImage(source: ByteSource): PeImage {
  const view = new View(source, true);
  const header = headerOf(view);
  const sectionCount = view.u16(header + 6);
  const optionalSize = view.u16(header + 20);
  const optional = header + 24;
  const start = optional + (view.u16(optional) === 0x20b ? 112 : 96);
  const count = Math.min(
    16,
    view.u32(start - 4),
    Math.floor((optional + optionalSize - start) / 8),
  );
  const table = view.piece(optional + optionalSize, sectionCount * 40);
  const sections = Array.from(
    { length: sectionCount },
    (_, i): Section => ({
      address: table.getUint32(i * 40 + 12, true),
      size: Math.max(table.getUint32(i * 40 + 8, true), table.getUint32(i * 40 + 16, true)),
      offset: table.getUint32(i * 40 + 20, true),
    }),
  );
  return {
    view,
    machine: machineAt(view, header),
    sections,
    directories: Array.from({ length: Math.max(0, count) }, (_, i) => view.u32(start + 8 * i)),
  };
}

/**
 * Reads the headers and export directory of a PE file. Throws where it is damaged; the caller turns
 * that into a Problem.
 */
export function readPe(source: ByteSource): Binary {
  const { view, machine, sections, directories } = peImage(source);
  const exportTable = directories[0] ?? 0;
  return {
    system: 'windows',
    architectures: [machine],
    exports: exportTable === 0 ? new Set() : exportedNames(view, sections, exportTable),
  };
}

/** Where an address of the loaded image stands in the file. */
export function offsetOf(sections: readonly Section[], address: number): number {
  const section = sections.find((s) => address >= s.address && address < s.address + s.size);
  if (!section) {
    throw new Truncated('an address outside of all sections');
  }
  return address - section.address + section.offset;
}

function exportedNames(
  view: View,
  sections: readonly Section[],
  exportTable: number,
): ReadonlySet<string> {
  const directory = view.piece(offsetOf(sections, exportTable), 40);
  const count = Math.min(exportLimit, directory.getUint32(24, true));
  if (count === 0) {
    return new Set();
  }
  const addresses = view.piece(offsetOf(sections, directory.getUint32(32, true)), count * 4);
  const names = new Set<string>();
  for (let i = 0; i < count; i += 1) {
    names.add(nameAt(view, offsetOf(sections, addresses.getUint32(i * 4, true))));
  }
  return names;
}

/** A name may stand at the very end of the file. */
const nameAt = (view: View, offset: number): string =>
  zeroEnded(view.piece(offset, Math.max(1, Math.min(longestName, view.size - offset))), 0);
