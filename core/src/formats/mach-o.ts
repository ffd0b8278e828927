/**
 * Mach-O, single and fat (BinaryFormat/MachO.h of llvm).
 *
 *   fat:  0xcafebabe · count · { cpu type, subtype, offset, size, align } …   (always big-endian)
 *   thin: magic · cpu type · subtype · file type · commands · size of commands · flags [· reserved]
 *   · commands …
 *   LC_SYMTAB (2): command, size · symbol offset · symbols · string offset · string size
 */
import { exportLimit, type Binary } from './binary-facts.ts';
import { Truncated, View, zeroEnded, type ByteSource } from './byte-source.ts';

const cpus: Readonly<Record<number, string>> = {
  7: 'x86',
  0x01000007: 'x86_64',
  12: 'arm',
  0x0100000c: 'arm64',
};
const LC_SYMTAB = 2;
const N_EXT = 0x01;
const N_TYPE = 0x0e;
const N_STAB = 0xe0;
/** A fat file with more parts than this is a Java class file, which begins alike. */
const mostParts = 30;

/**
 * Reads the headers of a Mach-O file, thin or fat. Throws where it is damaged; the caller turns
 * that into a Problem.
 */
export function readMachO(source: ByteSource): Binary {
  const parts = partsOf(source);
  return {
    system: 'macos',
    architectures: machinesOf(parts),
    exports: new Set(parts.flatMap((part) => [...exportsOf(part)])),
  };
}

/** The machines a Mach-O file is for. Throws where a header is damaged. */
export const machinesOfMachO = (source: ByteSource): readonly string[] =>
  machinesOf(partsOf(source));

const machinesOf = (parts: readonly Part[]): readonly string[] => [
  ...new Set(parts.map(({ machine }) => machine)),
];

function partsOf(source: ByteSource): Part[] {
  const big = new View(source, false);
  const magic = big.u32(0);
  const offsets =
    magic === 0xcafebabe || magic === 0xcafebabf ? fatParts(big, magic === 0xcafebabf) : [0];
  return offsets.map((offset) => thinPart(source, offset));
}

/** The program for one machine. */
interface Part {
  readonly view: View;
  /** Where it begins. */
  readonly offset: number;
  readonly is64: boolean;
  readonly machine: string;
}

function fatParts(view: View, is64: boolean): number[] {
  const count = view.u32(4);
  const size = is64 ? 32 : 20;
  if (count === 0 || count > mostParts) {
    throw new Truncated(`${count} parts`);
  }
  const table = view.piece(8, count * size);
  return Array.from({ length: count }, (_, i) =>
    is64 ? Number(table.getBigUint64(i * size + 8)) : table.getUint32(i * size + 8),
  );
}

function thinPart(source: ByteSource, offset: number): Part {
  const magic = new View(source, false).u32(offset);
  const isLittle = magic === 0xcefaedfe || magic === 0xcffaedfe;
  const is64 = magic === 0xfeedfacf || magic === 0xcffaedfe;
  if (!isLittle && !is64 && magic !== 0xfeedface) {
    throw new Truncated('a part that is no program');
  }
  const view = new View(source, isLittle);
  const cpu = view.u32(offset + 4);
  return { view, offset, is64, machine: cpus[cpu] ?? `machine ${cpu}` };
}

function exportsOf({ view, offset, is64 }: Part): Set<string> {
  const isLittle = view.littleEndian;
  const commands = view.piece(offset + (is64 ? 32 : 28), view.u32(offset + 20));
  const count = view.u32(offset + 16);
  for (let i = 0, at = 0; i < count && at + 8 <= commands.byteLength; i += 1) {
    const size = commands.getUint32(at + 4, isLittle);
    if (commands.getUint32(at, isLittle) === LC_SYMTAB) {
      return symbolNames(view, offset, commands, at, is64);
    }
    if (size < 8) {
      throw new Truncated('a load command without a size');
    }
    at += size;
  }
  return new Set();
}

/** External, defined names, without the underscore that C names carry. */
function symbolNames(
  view: View,
  part: number,
  commands: DataView,
  at: number,
  is64: boolean,
): Set<string> {
  const little = view.littleEndian;
  const field = (n: number): number => commands.getUint32(at + 8 + 4 * n, little);
  const entry = is64 ? 16 : 12;
  const count = Math.min(exportLimit, field(1));
  const symbols = view.piece(part + field(0), count * entry);
  const texts = view.piece(part + field(2), field(3));
  const names = new Set<string>();
  for (let i = 0; i < count; i += 1) {
    const type = symbols.getUint8(i * entry + 4);
    if ((type & N_STAB) === 0 && (type & N_EXT) !== 0 && (type & N_TYPE) !== 0) {
      names.add(zeroEnded(texts, symbols.getUint32(i * entry, little)).replace(/^_/, ''));
    }
  }
  return names;
}
