/** Odd texts and files. */
import { randomBytes } from 'node:crypto';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Texts that have broken programs: what cannot be stored, what is long, what means something elsewhere. */
export const oddTexts: readonly string[] = [
  '',
  ' ',
  '\0',
  'a\0b',
  '\ud800',
  'x\udfff',
  '\u001b[2J',
  '\u202egnp.exe',
  'é'.normalize('NFD'),
  '🌿'.repeat(200),
  'x'.repeat(100_000),
  "'; DROP TABLE folder; --",
  '<script>alert(1)</script>',
  '%00%ff',
  '../../etc/passwd',
  '__proto__',
  'constructor',
  'null',
  '1e999',
  'NaN',
  '9'.repeat(400),
  '2026-02-31',
  '+275760-09-13T00:00:00.000Z',
  '{"a":1}',
  '\\u0000',
  '\r\n\r\nHTTP/1.1 200 OK',
  '\ufeffname',
  '\ufffe\uffff',
  String.fromCharCode(...Array.from({ length: 32 }, (_, at) => at)),
];

/** Writes some bundles and files that are wrong in many ways; gives how many. */
export function writeOddFiles(place: string): number {
  const head =
    '@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix doap: <http://usefulinc.com/ns/doap#> .\n';
  const plugin = (uri: string, name: string): string =>
    `${head}<${uri}> a lv2:Plugin ; doap:name "${name}" .\n`;
  const turtles = [
    plugin('urn:a', 'Ec\\u0000ho'),
    plugin('urn:b', 'half \\uD83C'),
    plugin('urn:\\u0000c', 'Echo'),
    plugin(`urn:${'long'.repeat(200_000)}`, 'Echo'),
    plugin('urn:e', 'E'.repeat(2_000_000)),
    plugin('urn:f', `${'e'.repeat(499)}🌿`),
    `${head}${'<a> <b> <c> .\n'.repeat(500_000)}`,
    `${head}<urn:g> a lv2:Plugin ; doap:name """${'"'.repeat(2)}`,
    randomBytes(4_000).toString('latin1'),
    `${head}${'[ a '.repeat(20_000)}`,
  ];
  for (const [at, text] of turtles.entries()) {
    const bundle = join(place, `odd-${at}.lv2`);
    mkdirSync(bundle, { recursive: true });
    writeFileSync(join(bundle, 'manifest.ttl'), text);
  }
  const binaries: Record<string, Uint8Array> = {
    'cut.so': Buffer.concat([Buffer.from('\x7fELF\x02\x01\x01', 'latin1'), randomBytes(300)]),
    'cut.dll': Buffer.concat([Buffer.from('MZ'), randomBytes(600)]),
    'empty.vst3': Buffer.alloc(0),
    'noise.clap': randomBytes(100_000),
    'e\u0001\u001b.so': randomBytes(64),
  };
  for (const [name, bytes] of Object.entries(binaries)) {
    writeFileSync(join(place, name), bytes);
  }
  const component = join(place, 'bomb.component/Contents');
  mkdirSync(component, { recursive: true });
  writeFileSync(join(component, 'Info.plist'), plistBomb());
  return turtles.length + Object.keys(binaries).length + 1;
}

/** A binary property list of lists of ten lists of ten lists …, in a few hundred bytes. */
function plistBomb(): Buffer {
  const body = [...Buffer.from('bplist00')];
  const offsets: number[] = [];
  for (let level = 0; level < 12; level += 1) {
    offsets.push(body.length);
    body.push(0xaa, ...Array<number>(10).fill(level + 1));
  }
  offsets.push(body.length);
  body.push(0x10, 7);
  const wide = (value: number): number[] => [0, 0, 0, 0, 0, 0, value >> 8, value & 0xff];
  const table = offsets.flatMap((at) => [at >> 8, at & 0xff]);
  const trailer = [
    0,
    0,
    0,
    0,
    0,
    0,
    2,
    1,
    ...wide(offsets.length),
    ...wide(0),
    ...wide(body.length),
  ];
  return Buffer.from([...body, ...table, ...trailer]);
}
