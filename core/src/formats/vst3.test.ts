import { describe, expect, it } from '@jest/globals';
import { memoryFiles } from './memory-files.ts';
import { readVst3 } from './vst3.ts';
import type { FoundCopy } from './found-copy.ts';

const id = '56535441726D6E61676172206D6F6465';
const old = '56535441726D6E6F6C64000000000001';
const info = (over = ''): string => `{
  "Name": "Bundle", "Version": "3.1.0",
  "Factory Info": { "Vendor": "Quoin", "URL": "", "E-Mail": "", "Flags": { "Unicode": true, }, },
  "Compatibility": [ { "New": "${id}", "Old": [ "${old}", ], }, ],
  "Classes": [
    { "CID": "${id}", "Category": "Audio Module Class", "Name": "Gorse Line", "Vendor": "", "Version": "3.1.0", "Sub Categories": [ "Fx", "Delay", ], "Snapshots": [ ], },
    { "CID": "00000000000000000000000000000001", "Category": "Component Controller Class", "Name": "Gorse Line", },
  ],${over}
}`;
const program = { 'Contents/x86_64-linux/g.so': '', 'Contents/arm64ec-win/g.vst3': '' };
const read = (files: Record<string, string>): FoundCopy[] =>
  readVst3(memoryFiles('/p/g.vst3', files));

describe('reading a VST3 bundle', () => {
  it('takes audio classes from moduleinfo, at either of its places', () => {
    for (const place of ['Contents/Resources/moduleinfo.json', 'Contents/moduleinfo.json']) {
      const copies = read({ ...program, [place]: info() });
      expect(copies).toHaveLength(1);
      expect(copies[0]).toMatchObject({
        identity: id,
        name: 'Gorse Line',
        vendor: 'Quoin',
        version: '3.1.0',
        declared: ['Fx', 'Delay'],
        replaces: [old],
        status: 'ok',
      });
      expect(copies[0]?.architectures).toEqual(['arm64', 'x86_64']);
    }
  });
  it('finds the picture by the class id', () =>
    expect(
      read({
        ...program,
        'Contents/Resources/moduleinfo.json': info(),
        [`Contents/Resources/Snapshots/${id}_snapshot.png`]: '',
      })[0]?.picture,
    ).toBe(`/p/g.vst3/Contents/Resources/Snapshots/${id}_snapshot.png`));
  it('knows nothing but the machines where there is no moduleinfo', () =>
    expect(read(program)[0]).toMatchObject({
      name: null,
      vendor: null,
      identity: null,
      audioIn: null,
      status: 'ok',
      binary: '/p/g.vst3/Contents/arm64ec-win/g.vst3',
    }));
  it('fails with place and line where moduleinfo is damaged, and with a reason where nothing is inside', () => {
    expect(
      read({ ...program, 'Contents/moduleinfo.json': '{\n "Name": ,\n}' })[0]?.problem,
    ).toMatchObject({ code: 'damaged', at: 'Contents/moduleinfo.json', line: 2 });
    expect(read({ ...program, 'Contents/moduleinfo.json': '[]' })[0]?.problem?.code).toBe(
      'damaged',
    );
    expect(
      read({ ...program, 'Contents/moduleinfo.json': '{ "Classes": [] }' })[0]?.problem?.code,
    ).toBe('not-a-plugin');
    expect(read({ 'Contents/Info.plist': '' })[0]?.problem?.code).toBe('not-a-plugin');
  });
});
