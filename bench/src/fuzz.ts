/**
 * A million damaged inputs over all readers: each ends in a value or a Problem. Says how long an
 * input takes; throws at the first exception.
 */
import fc from 'fast-check';
import {
  bytesSource,
  memoryFiles,
  noDescriptions,
  readAudioUnit,
  readBinary,
  readBinaryPlugin,
  readLadspaRdf,
  readLv2,
  readVst3,
} from '@clever-drawer/core/readers';
import { writeStudio } from '@clever-drawer/demo';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { measured, type Measured } from './measure.ts';

const total = 1_000_000;

const damaged = (bytes: Uint8Array): fc.Arbitrary<Uint8Array> =>
  fc
    .tuple(
      fc.array(fc.tuple(fc.nat(bytes.length - 1), fc.nat(255)), { maxLength: 6 }),
      fc.option(fc.nat(bytes.length), { freq: 4 }),
    )
    .map(([edits, cut]) => {
      const copy = Uint8Array.from(bytes);
      for (const [at, value] of edits) {
        copy[at] = value;
      }
      return cut === null ? copy : copy.subarray(0, cut);
    });

export function benchFuzz(): Promise<Measured[]> {
  const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-fuzz-'));
  writeStudio(directory, 120);
  const find = (ending: string, not = /^$/): Uint8Array => {
    const found = readdirSync(directory, { recursive: true, encoding: 'utf8' }).find(
      (path) => path.endsWith(ending) && !not.test(path),
    );
    return found === undefined ? new Uint8Array(1) : readFileSync(join(directory, found));
  };
  const plist = Buffer.from(
    '<plist version="1.0"><dict><key>AudioComponents</key><array><dict><key>type</key><string>aufx</string></dict></array></dict></plist>',
  );
  const rdf = Buffer.from(
    '<!DOCTYPE rdf:RDF [<!ENTITY l \'http://ladspa.org/ontology#\'>]><rdf:RDF><ladspa:DelayPlugin rdf:about="&l;1"><dc:title>G</dc:title></ladspa:DelayPlugin></rdf:RDF>',
  );
  const readers: readonly (readonly [
    name: string,
    seed: Uint8Array,
    read: (bytes: Uint8Array) => unknown,
  ])[] = [
    ['LV2', find('manifest.ttl'), (bytes) => readLv2(memoryFiles('/p', { 'manifest.ttl': bytes }))],
    [
      'VST3',
      find('moduleinfo.json'),
      (bytes) =>
        readVst3(
          memoryFiles('/p', {
            'Contents/moduleinfo.json': bytes,
            'Contents/x86_64-win/a.vst3': '',
          }),
        ),
    ],
    ['AU', plist, (bytes) => readAudioUnit(memoryFiles('/p', { 'Contents/Info.plist': bytes }))],
    ['LADSPA descriptions', rdf, (bytes) => readLadspaRdf(bytes, 'x')],
    [
      'PE',
      find('.dll', /lobster|lv2/),
      (bytes) => readBinaryPlugin(memoryFiles('/p/x.dll', { '': bytes }), ['VST2'], noDescriptions),
    ],
    [
      'ELF and Mach-O',
      readFileSync('/usr/lib/lv2/eg-amp.lv2/amp.so'),
      (bytes) => readBinary(bytesSource(bytes), 'x'),
    ],
  ];
  const rows = readers.map(([name, seed, read]) => {
    const times: number[] = [];
    fc.assert(
      fc.property(damaged(seed), (bytes) => {
        const start = performance.now();
        read(bytes);
        times.push(performance.now() - start);
      }),
      { numRuns: Math.ceil(total / readers.length) },
    );
    return measured(
      `one damaged ${name} (of ${times.length.toLocaleString('en')}; slowest ${(times.toSorted((a, b) => b - a)[0] ?? 0).toFixed(0)} ms)`,
      times,
    );
  });
  rmSync(directory, { recursive: true });
  return Promise.resolve(rows);
}
