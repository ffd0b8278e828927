/**
 * Readers of program files, property lists and descriptions on damaged real-shaped input: a value
 * or a Problem, never an exception.
 */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { FoundCopy } from '@clever-drawer/core/formats';
import {
  bytesSource,
  memoryFiles,
  readAudioUnit,
  readBinary,
  readBinaryPlugin,
  readLadspaRdf,
  noDescriptions,
} from '@clever-drawer/core/readers';
import { program } from './write-programs.ts';

/** Bytes with some of them overwritten, cut off or added. */
const damaged = (bytes: Uint8Array): fc.Arbitrary<Uint8Array> =>
  fc
    .tuple(
      fc.array(fc.tuple(fc.nat(bytes.length - 1), fc.nat(255)), { maxLength: 8 }),
      fc.option(fc.nat(bytes.length), { freq: 3 }),
    )
    .map(([edits, cut]) => {
      const copy = Uint8Array.from(bytes);
      for (const [at, value] of edits) {
        copy[at] = value;
      }
      return cut === null ? copy : copy.subarray(0, cut);
    });
const isSound = (copy: FoundCopy): boolean =>
  (copy.status === 'failed') === (copy.problem !== null);
const runs = { numRuns: 4000 };

const plist = `<?xml version="1.0"?><plist version="1.0"><dict><key>AudioComponents</key><array><dict><key>type</key><string>aufx</string><key>subtype</key><string>abcd</string>
<key>manufacturer</key><string>Quoi</string><key>name</key><string>Quoin: Gorse &amp; Line</string><key>version</key><integer>66051</integer></dict></array></dict></plist>`;
const rdf = `<?xml version='1.0' encoding='ISO-8859-1'?><!DOCTYPE rdf:RDF [<!ENTITY ladspa 'http://ladspa.org/ontology#'>]><rdf:RDF xmlns:ladspa="&ladspa;"><ladspa:DelayPlugin rdf:about="&ladspa;1407"><dc:title>Gorse</dc:title></ladspa:DelayPlugin></rdf:RDF>`;
const audioUnit = (text: string | Uint8Array): FoundCopy[] =>
  readAudioUnit(
    memoryFiles('/p/g.component', {
      'Contents/Info.plist': text,
      'Contents/MacOS/g': program('macos', 'AU'),
    }),
  );

describe('reading program files', () => {
  for (const [name, bytes] of [
    ['ELF', program('linux', 'LADSPA')],
    [
      'PE',
      program('windows', 'VST2', false, { product: 'Gorse', company: 'Quoin', version: '1.0' }),
    ],
    ['Mach-O', program('macos', 'CLAP')],
  ] as const) {
    it(`ends in a value or a problem for damaged ${name}`, () => {
      fc.assert(
        fc.property(damaged(bytes.subarray(0, 6000)), (input) => {
          expect(typeof readBinary(bytesSource(input), 'x').ok).toBe('boolean');
          expect(
            readBinaryPlugin(
              memoryFiles('/p/x.dll', { '': input }),
              ['VST2', 'LADSPA'],
              noDescriptions,
            ).every(isSound),
          ).toBe(true);
        }),
        runs,
      );
    });
  }
  it('takes the product, company and version of a Windows library, and calls a helper no plugin', () => {
    const dll = program('windows', 'VST2', false, {
      product: 'Gorse Line',
      company: 'Quoin',
      version: '1.2.0',
    });
    expect(
      readBinaryPlugin(memoryFiles('/p/g.dll', { '': dll }), ['VST2', 'LADSPA'], noDescriptions),
    ).toMatchObject([
      {
        format: 'VST2',
        name: 'Gorse Line',
        vendor: 'Quoin',
        version: '1.2.0',
        identity: 'g.dll',
        architectures: ['x86_64'],
      },
    ]);
    expect(
      readBinaryPlugin(
        memoryFiles('/p/h.so', { '': program('linux', 'LV2') }),
        ['LADSPA', 'VST2'],
        noDescriptions,
      ),
    ).toEqual([]);
    expect(
      readBinaryPlugin(
        memoryFiles('/p/h.clap', { '': program('linux', 'LV2') }),
        ['CLAP'],
        noDescriptions,
      )[0]?.problem?.code,
    ).toBe('not-a-plugin');
  });
});

describe('reading property lists', () => {
  it('takes vendor, name, identity, version and machines of a component', () =>
    expect(audioUnit(plist)).toMatchObject([
      {
        identity: 'aufx:abcd:Quoi',
        vendor: 'Quoin',
        name: 'Gorse & Line',
        version: '1.2.3',
        architectures: ['x86_64', 'arm64'],
        notesIn: false,
        status: 'ok',
      },
    ]));
  it('refuses entity tricks and says so', () => {
    const bomb = plist.replace(
      '<plist',
      '<!DOCTYPE p [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]><plist',
    );
    expect(audioUnit(bomb)[0]?.problem).toMatchObject({
      code: 'damaged',
      detail: 'it declares entities, which no property list needs.',
    });
  });
  it('ends in a value or a problem for damaged ones', () => {
    fc.assert(
      fc.property(damaged(new TextEncoder().encode(plist)), (input) => {
        expect(audioUnit(input).every(isSound)).toBe(true);
      }),
      runs,
    );
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 80 }), (tail) => {
        expect(
          audioUnit(Uint8Array.from([...Buffer.from('bplist00'), ...tail])).every(isSound),
        ).toBe(true);
      }),
      runs,
    );
  });
});

describe('reading LADSPA descriptions', () => {
  it('takes class and title by unique id', () =>
    expect(readLadspaRdf(Buffer.from(rdf), 'x')).toEqual({
      ok: true,
      value: [
        {
          id: '1407',
          title: 'Gorse',
          creator: null,
          declared: 'http://ladspa.org/ontology#DelayPlugin',
        },
      ],
    }));
  it('ends in a value or a problem for damaged ones', () => {
    fc.assert(
      fc.property(damaged(Buffer.from(rdf)), (input) => {
        expect(typeof readLadspaRdf(input, 'x').ok).toBe('boolean');
      }),
      runs,
    );
  });
});
