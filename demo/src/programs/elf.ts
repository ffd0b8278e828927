/**
 * A small valid ELF shared library that exports some names and does nothing (elf.h). 64-bit
 * little-endian.
 */

/** Layout: header (64) · .dynsym · .dynstr · .shstrtab · section headers. */
export function writeElf(names: readonly string[], machine: 62 | 183 = 62): Buffer {
  const { texts, offsets } = stringTable(names);
  const symbols = Buffer.alloc(24 * (names.length + 1));
  offsets.forEach((offset, i) => {
    const at = 24 * (i + 1);
    symbols.writeUInt32LE(offset, at);
    symbols.writeUInt8(0x12, at + 4); // a global function
    symbols.writeUInt16LE(1, at + 6);
    symbols.writeBigUInt64LE(0x1000n, at + 8);
  });
  const sectionNames = Buffer.from('\0.dynsym\0.dynstr\0.shstrtab\0');
  const symbolsAt = 64;
  const textsAt = symbolsAt + symbols.length;
  const namesAt = textsAt + texts.length;
  const headersAt = (namesAt + sectionNames.length + 7) & ~7;
  const header = Buffer.alloc(64);
  header.write('\x7fELF\x02\x01\x01', 0, 'latin1');
  header.writeUInt16LE(3, 16);
  header.writeUInt16LE(machine, 18);
  header.writeUInt32LE(1, 20);
  header.writeBigUInt64LE(BigInt(headersAt), 40);
  header.writeUInt16LE(64, 52);
  header.writeUInt16LE(64, 58);
  header.writeUInt16LE(4, 60);
  header.writeUInt16LE(3, 62);
  const section = (
    name: number,
    type: number,
    offset: number,
    size: number,
    link: number,
    info: number,
    entry: number,
  ): Buffer => {
    const row = Buffer.alloc(64);
    row.writeUInt32LE(name, 0);
    row.writeUInt32LE(type, 4);
    row.writeBigUInt64LE(BigInt(offset), 24);
    row.writeBigUInt64LE(BigInt(size), 32);
    row.writeUInt32LE(link, 40);
    row.writeUInt32LE(info, 44);
    row.writeBigUInt64LE(1n, 48);
    row.writeBigUInt64LE(BigInt(entry), 56);
    return row;
  };
  const padding = Buffer.alloc(headersAt - namesAt - sectionNames.length);
  return Buffer.concat([
    header,
    symbols,
    texts,
    sectionNames,
    padding,
    Buffer.alloc(64),
    section(1, 11, symbolsAt, symbols.length, 2, 1, 24),
    section(9, 3, textsAt, texts.length, 0, 0, 0),
    section(17, 3, namesAt, sectionNames.length, 0, 0, 0),
  ]);
}

/** Names one after the other, each ended by a zero byte, and where each begins. */
export function stringTable(names: readonly string[]): { texts: Buffer; offsets: number[] } {
  const offsets: number[] = [];
  let text = '\0';
  for (const name of names) {
    offsets.push(text.length);
    text += `${name}\0`;
  }
  return { texts: Buffer.from(text, 'latin1'), offsets };
}
