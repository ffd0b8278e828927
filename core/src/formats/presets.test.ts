/**
 * VST 3 and AU preset files. They are written here by the published descriptions of the containers,
 * byte by byte, with a property list by `plist`'s own XML form; nothing of the readers is used.
 */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { describe as wordsOf } from '../problem.ts';
import { readAuPreset } from './au-preset.ts';
import type { FoundSetting } from './found-setting.ts';
import { readLadspaSettings } from './ladspa-settings.ts';
import { readLv2Presets } from './lv2-presets.ts';
import { memoryFiles } from './memory-files.ts';
import { placeOfPreset } from './preset-place.ts';
import { readVst3Preset } from './vst3-preset.ts';

const classId = '0123456789ABCDEF0123456789abcdef';

/** A container: header of 48 bytes, the chunks, then their list. */
function container(
  chunks: Readonly<Record<string, Buffer>>,
  change: (bytes: Buffer, list: number) => void = () => undefined,
): Buffer {
  const parts = Object.entries(chunks);
  const header = Buffer.alloc(48);
  header.write('VST3', 0, 'latin1');
  header.writeInt32LE(1, 4);
  header.write(classId, 8, 'latin1');
  const bodies = Buffer.concat(parts.map(([, body]) => body));
  const list = 48 + bodies.length;
  header.writeBigInt64LE(BigInt(list), 40);
  const entries = Buffer.alloc(8 + 20 * parts.length);
  entries.write('List', 0, 'latin1');
  entries.writeInt32LE(parts.length, 4);
  let offset = 48;
  parts.forEach(([id, body], n) => {
    entries.write(id, 8 + 20 * n, 'latin1');
    entries.writeBigInt64LE(BigInt(offset), 12 + 20 * n);
    entries.writeBigInt64LE(BigInt(body.length), 20 + 20 * n);
    offset += body.length;
  });
  const whole = Buffer.concat([header, bodies, entries]);
  change(whole, list);
  return whole;
}

const info = Buffer.from(
  `\ufeff<?xml version="1.0" encoding="utf-8"?>
<MetaInfo>
<Attribute id="MediaType" value="VstPreset" type="string" flags="writeProtected"/>
<Attribute id="PlugInName" value="Bosunmark Plate" type="string"/>
<Attribute id="PlugInVendor" value="Saltglass &amp; Daughters" type="string"/>
</MetaInfo>`,
);
const sound = { Comp: Buffer.from('state of the processor'), Cont: Buffer.from('x'), Info: info };
const windows =
  'C:\\Users\\rig\\Documents\\VST3 Presets\\Saltglass\\Bosunmark Plate\\Rooms\\Small\\Net loft.vstpreset';

const vst3 = (bytes: Uint8Array, path = windows): FoundSetting[] =>
  readVst3Preset(memoryFiles(path, { '': bytes }));

describe('a VST 3 preset', () => {
  it('tells its class id, its name, and who made the plugin', () => {
    expect(vst3(container(sound))).toEqual([
      {
        format: 'VST3',
        path: windows,
        plugin: '0123456789ABCDEF0123456789ABCDEF',
        name: 'Net loft',
        bank: 'Rooms / Small',
        comment: null,
        identity: null,
        values: null,
        vendor: 'Saltglass & Daughters',
        pluginName: 'Bosunmark Plate',
        status: 'ok',
        problem: null,
      },
    ]);
    const [bare] = vst3(container({ Comp: Buffer.from('x') }));
    expect([bare?.vendor, bare?.pluginName]).toEqual(['Saltglass', 'Bosunmark Plate']);
  });
  const wrong = (bytes: Uint8Array): string => {
    const [setting] = vst3(bytes);
    return setting?.problem ? wordsOf(setting.problem) : '';
  };
  it.each([
    ['cut in its header', container(sound).subarray(0, 30), /ends in the middle/],
    ['cut in its list', container(sound).subarray(0, -7), /ends in the middle|outside/],
    ['another file', Buffer.from(`RIFF${'x'.repeat(100)}`), /does not begin with VST3/],
    ['an empty file', Buffer.alloc(0), /ends in the middle/],
    ['no hex', container(sound, (b) => b.write('zz', 8, 'latin1')), /not 32 hex digits/],
    [
      'a list far away',
      container(sound, (b) => b.writeBigInt64LE(2n ** 62n, 40)),
      /outside of the file/,
    ],
    ['a million chunks', container(sound, (b, at) => b.writeInt32LE(1e6, at + 4)), /is none/],
    [
      'a chunk beyond the end',
      container(sound, (b, at) => b.writeBigInt64LE(9_000n, at + 20)),
      /chunks lies outside/,
    ],
  ])('says what is wrong: %s', (_, bytes, expected) => {
    expect(wrong(bytes)).toMatch(expected);
  });
  it('takes no harm from XML that swells or is none', () => {
    const entities = `<!DOCTYPE a [<!ENTITY b "${'c'.repeat(99)}">]><MetaInfo><Attribute id="PlugInName" value="&b;&b;"/></MetaInfo>`;
    for (const text of [entities, '<MetaInfo', '', '<MetaInfo><Attribute/></MetaInfo>']) {
      expect(vst3(container({ Info: Buffer.from(text) }))[0]?.pluginName).toBe('Bosunmark Plate');
    }
  });
});

describe('where a preset lies', () => {
  it.each([
    ['/home/rig/.vst3/presets/Saltglass/Plate/Net loft.vstpreset', 'Saltglass', 'Plate', null],
    ['/usr/share/vst3/presets/Saltglass/Plate/A/B.vstpreset', 'Saltglass', 'Plate', 'A'],
    [
      '/Users/rig/Library/Audio/Presets/Saltglass/Plate/Wet/X.aupreset',
      'Saltglass',
      'Plate',
      'Wet',
    ],
    ['/tmp/somewhere/else/X.vstpreset', null, null, null],
  ])('%s', (path, vendor, pluginName, bank) => {
    expect(placeOfPreset(path)).toMatchObject({ vendor, pluginName, bank });
  });
});

const code = (text: string): number => Buffer.from(text, 'latin1').readInt32BE();
const plist = (entries: string): string =>
  `<?xml version="1.0" encoding="UTF-8"?><!DOCTYPE plist PUBLIC "-//Apple//DTD PLIST 1.0//EN" "http://www.apple.com/DTDs/PropertyList-1.0.dtd"><plist version="1.0"><dict>${entries}</dict></plist>`;
const codes = `<key>type</key><integer>${code('aufx')}</integer><key>subtype</key><integer>${code('plat')}</integer><key>manufacturer</key><integer>${code('Salt')}</integer>`;
const au = (text: string): FoundSetting[] =>
  readAuPreset(
    memoryFiles('/Library/Audio/Presets/Saltglass/Plate/Deep/Net loft.aupreset', { '': text }),
  );

describe('an AU preset', () => {
  it('tells the component, its name, and where it lies', () => {
    expect(au(plist(`${codes}<key>name</key><string>Loft &amp; sea</string>`))).toMatchObject([
      {
        plugin: 'aufx:plat:Salt',
        name: 'Loft & sea',
        vendor: 'Saltglass',
        pluginName: 'Plate',
        bank: 'Deep',
        status: 'ok',
      },
    ]);
    expect(au(plist(codes))[0]?.name).toBe('Net loft');
  });
  it('says what is wrong', () => {
    expect(au(plist('<key>type</key><integer>7</integer>'))[0]?.problem).toMatchObject({
      detail: 'it does not say its type, subtype and manufacturer.',
    });
    expect(au('no list')[0]?.status).toBe('failed');
  });
});

describe('damaged settings', () => {
  it('become a problem, never an exception', () => {
    const readers: readonly ((bytes: Uint8Array) => FoundSetting[])[] = [
      (bytes) => vst3(bytes),
      (bytes) => readAuPreset(memoryFiles('/p/x.aupreset', { '': bytes })),
      (bytes) => readLadspaSettings(memoryFiles('/p/x.rdf', { '': bytes })),
      (bytes) => readLv2Presets(memoryFiles('/p/x.lv2', { 'manifest.ttl': bytes })),
    ];
    const samples = [
      container(sound),
      Buffer.from(plist(codes)),
      Buffer.from('<rdf:RDF><ladspa:Plugin rdf:about="#1"/></rdf:RDF>'),
      Buffer.from('<urn:a> a <http://lv2plug.in/ns/ext/presets#Preset> .'),
    ];
    fc.assert(
      fc.property(
        fc.nat(3),
        fc.array(fc.tuple(fc.nat(600), fc.nat(255)), { maxLength: 6 }),
        fc.option(fc.nat(600)),
        (which, edits, cut) => {
          const bytes = Uint8Array.from(samples[which] ?? []);
          for (const [at, value] of edits) {
            bytes[at % bytes.length] = value;
          }
          const settings = readers[which]?.(cut === null ? bytes : bytes.subarray(0, cut)) ?? [];
          for (const { status, problem } of settings) {
            expect(status === 'failed').toBe(problem !== null);
          }
        },
      ),
      { numRuns: 3000 },
    );
  });
});
