/**
 * What the header of a program file tells, whichever system it is for: machines, and which names it
 * exports.
 */
import type { Problem, Result } from '../problem.ts';
import { failed, ok } from '../problem.ts';
import type { Binary } from './binary-facts.ts';
import type { BundleFiles } from './bundle-files.ts';
import { Truncated, View, type ByteSource } from './byte-source.ts';
import { machinesOfElf, readElf } from './elf.ts';
import { machinesOfMachO, readMachO } from './mach-o.ts';
import { machinesOfPe, readPe } from './pe.ts';

/** What is asked of a program file, as each system's is read. */
interface Readers<T> {
  readonly elf: (source: ByteSource) => T;
  readonly pe: (source: ByteSource) => T;
  readonly machO: (source: ByteSource) => T;
}

/** Reads the header of an ELF, PE or Mach-O library. A Problem for anything else, and for a damaged one. */
export const readBinary = (source: ByteSource, at: string): Result<Binary> =>
  readProgram(source, at, { elf: readElf, pe: readPe, machO: readMachO });

/**
 * The machines an ELF, PE or Mach-O library is for, as `architectures` of `Binary` says them; its
 * tables are not looked at. A Problem for anything else, and where the header is damaged.
 */
export const readMachines = (source: ByteSource, at: string): Result<readonly string[]> =>
  readProgram(source, at, { elf: machinesOfElf, pe: machinesOfPe, machO: machinesOfMachO });

/** The machines that a program of a bundle is for; null where that cannot be read. */
export function machinesIn(files: BundleFiles, relative: string): readonly string[] | null {
  const source = files.open(relative);
  if (!source.ok) {
    return null;
  }
  const read = readMachines(source.value, relative);
  source.value.close();
  return read.ok ? read.value : null;
}

function readProgram<T>(source: ByteSource, at: string, { elf, pe, machO }: Readers<T>): Result<T> {
  try {
    if (source.size === 0) {
      return failed({ code: 'damaged', at, line: null, detail: 'the file is empty.' });
    }
    const magic = new View(source, false).u32(0);
    if (magic === 0x7f454c46) {
      return ok(elf(source));
    }
    if (magic >>> 16 === 0x4d5a) {
      return ok(pe(source));
    }
    if ([0xfeedface, 0xfeedfacf, 0xcefaedfe, 0xcffaedfe, 0xcafebabe, 0xcafebabf].includes(magic)) {
      return ok(machO(source));
    }
    return failed({
      code: 'not-a-plugin',
      at,
      detail: 'it is no program for Linux, Windows or macOS.',
    });
  } catch (error) {
    return failed(binaryProblem(error, at));
  }
}

/** Whatever a header parser throws, as a Problem. */
function binaryProblem(error: unknown, at: string): Problem {
  const detail = error instanceof Truncated ? error.message : 'its tables contradict each other';
  return {
    code: 'damaged',
    at,
    line: null,
    detail: `its header cannot be read (${detail}). Installing the plugin again usually mends this.`,
  };
}
