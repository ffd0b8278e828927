/**
 * ELF (elf.h of libc6-dev; System V ABI, chapter 4 and 5).
 *
 *   0x00 7f 'E' 'L' 'F' · class (1: 32 bit, 2: 64) · data (1: little) …
 *   0x10 type (3: shared) · 0x12 machine · … · section header offset, entry size, count
 */
import { exportLimit, type Binary } from './binary-facts.ts';
import { Truncated, View, zeroEnded, type ByteSource } from './byte-source.ts';

const machines: Readonly<Record<number, string>> = {
  3: 'x86',
  62: 'x86_64',
  40: 'arm',
  183: 'arm64',
};
const SHT_DYNSYM = 11;
const SHN_UNDEF = 0;
const STB_LOCAL = 0;

interface ElfHeader {
  readonly view: View;
  readonly is64: boolean;
  readonly machine: string;
}

function headerOf(source: ByteSource): ElfHeader {
  const ident = new View(source, false).piece(0, 20);
  const is64 = ident.getUint8(4) === 2;
  const isLittle = ident.getUint8(5) !== 2;
  if (!is64 && ident.getUint8(4) !== 1) {
    throw new Truncated('an unknown class');
  }
  const view = new View(source, isLittle);
  const machine = view.u16(0x12);
  return { view, is64, machine: machines[machine] ?? `machine ${machine}` };
}

/** The machine an ELF file is for. Throws where its header is damaged. */
export const machinesOfElf = (source: ByteSource): readonly string[] => [headerOf(source).machine];

/**
 * Reads the header and dynamic symbols of an ELF file. Throws where it is damaged; the caller turns
 * that into a Problem.
 */
export function readElf(source: ByteSource): Binary {
  const { view, is64, machine } = headerOf(source);
  return { system: 'linux', architectures: [machine], exports: exportedNames(view, is64) };
}

interface Section {
  readonly type: number;
  readonly link: number;
  readonly offset: number;
  readonly size: number;
  readonly entrySize: number;
}

/** An address-sized number; those beyond 2⁵³ cannot be file offsets. */
const word = (piece: DataView, at: number, is64: boolean, isLittle: boolean): number =>
  is64 ? Number(piece.getBigUint64(at, isLittle)) : piece.getUint32(at, isLittle);

function sectionsOf(view: View, is64: boolean): Section[] {
  const header = view.piece(0, is64 ? 64 : 52);
  const little = view.littleEndian;
  const offset = word(header, is64 ? 0x28 : 0x20, is64, little);
  const size = header.getUint16(is64 ? 0x3a : 0x2e, little);
  const count = header.getUint16(is64 ? 0x3c : 0x30, little);
  if (offset === 0 || count === 0 || size < (is64 ? 64 : 40)) {
    return [];
  }
  const table = view.piece(offset, size * count);
  return Array.from({ length: count }, (_, i) => {
    const at = i * size;
    const field = (f64: number, f32: number): number =>
      word(table, at + (is64 ? f64 : f32), is64, little);
    return {
      type: table.getUint32(at + 4, little),
      link: table.getUint32(at + (is64 ? 0x28 : 0x18), little),
      offset: field(0x18, 0x10),
      size: field(0x20, 0x14),
      entrySize: field(0x38, 0x24),
    };
  });
}

/** Defined, non-local names of the dynamic symbol table; null where there is none. */
function exportedNames(view: View, is64: boolean): ReadonlySet<string> | null {
  const sections = sectionsOf(view, is64);
  const symbols = sections.find((s) => s.type === SHT_DYNSYM);
  const strings = symbols && sections[symbols.link];
  if (!symbols || !strings || symbols.entrySize < (is64 ? 24 : 16)) {
    return null;
  }
  const table = view.piece(symbols.offset, symbols.size);
  const texts = view.piece(strings.offset, strings.size);
  const little = view.littleEndian;
  const names = new Set<string>();
  const count = Math.min(exportLimit, Math.floor(symbols.size / symbols.entrySize));
  for (let i = 1; i < count; i += 1) {
    const at = i * symbols.entrySize;
    const binding = table.getUint8(at + (is64 ? 4 : 12)) >> 4;
    const section = table.getUint16(at + (is64 ? 6 : 14), little);
    if (section !== SHN_UNDEF && binding !== STB_LOCAL) {
      names.add(zeroEnded(texts, table.getUint32(at, little)));
    }
  }
  return names;
}
