/**
 * A small valid Mach-O bundle that exports some names and does nothing (MachO.h). One part a
 * machine; fat when several.
 */
import { stringTable } from './elf.ts';

const cpus = { x86_64: [0x01000007, 3], arm64: [0x0100000c, 0] } as const;
export type MacMachine = keyof typeof cpus;

export function writeMachO(names: readonly string[], machines: readonly MacMachine[]): Buffer {
  const parts = machines.map((machine) => thin(names, machine));
  const [only] = parts;
  if (parts.length === 1 && only) {
    return only;
  }
  const header = Buffer.alloc(4096);
  header.writeUInt32BE(0xcafebabe, 0);
  header.writeUInt32BE(parts.length, 4);
  let offset = 4096;
  const padded = parts.map((part, i) => {
    const [type, subtype] = cpus[machines[i] as MacMachine];
    const at = 8 + i * 20;
    const room = (part.length + 4095) & ~4095;
    [type, subtype, offset, part.length, 12].forEach((value, f) =>
      header.writeUInt32BE(value, at + f * 4),
    );
    offset += room;
    return Buffer.concat([part, Buffer.alloc(room - part.length)]);
  });
  return Buffer.concat([header, ...padded]);
}

/** Header (32) · LC_SYMTAB (24) · symbols of 16 bytes · names. */
function thin(names: readonly string[], machine: MacMachine): Buffer {
  const { texts, offsets } = stringTable(names.map((name) => `_${name}`));
  const symbols = Buffer.alloc(16 * names.length);
  offsets.forEach((offset, i) => {
    symbols.writeUInt32LE(offset, i * 16);
    symbols.writeUInt8(0x0f, i * 16 + 4); // external, in a section
    symbols.writeUInt8(1, i * 16 + 5);
    symbols.writeBigUInt64LE(0x1000n, i * 16 + 8);
  });
  const [type, subtype] = cpus[machine];
  const header = Buffer.alloc(56);
  [
    0xfeedfacf,
    type,
    subtype,
    8,
    1,
    24,
    0,
    0,
    2,
    24,
    56,
    names.length,
    56 + symbols.length,
    texts.length,
  ].forEach((value, i) => header.writeUInt32LE(value, i * 4));
  return Buffer.concat([header, symbols, texts]);
}
