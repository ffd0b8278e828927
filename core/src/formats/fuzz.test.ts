/** Whatever the bytes are, a reader ends in copies, each with a value or a Problem: never in an exception. */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { FoundCopy } from './found-copy.ts';
import { damaged } from './damaged.test-data.ts';
import { readLv2 } from './lv2.ts';
import { memoryFiles } from './memory-files.ts';
import { readVst3 } from './vst3.ts';

const turtle =
  '@prefix lv2: <http://lv2plug.in/ns/lv2core#> . <urn:a> a lv2:Plugin ; <http://usefulinc.com/ns/doap#name> "A"@en ; lv2:port [ a lv2:AudioPort, lv2:InputPort ] .';
const json =
  '{ "Name": "A", "Classes": [ { "CID": "00", "Category": "Audio Module Class", "Name": "A", "Sub Categories": [ "Fx", ], }, ], }';

const isSound = (copy: FoundCopy): boolean =>
  (copy.status === 'failed') === (copy.problem !== null);

describe('readers', () => {
  it('end in a value or a problem for damaged Turtle', () => {
    fc.assert(
      fc.property(damaged(turtle), fc.option(damaged(turtle), { nil: undefined }), (a, b) => {
        const copies = readLv2(
          memoryFiles('/p', { 'manifest.ttl': a, ...(b === undefined ? {} : { 'b.ttl': b }) }),
        );
        expect(copies.every(isSound)).toBe(true);
      }),
      { numRuns: 3000 },
    );
  });
  it('end in a value or a problem for damaged moduleinfo', () => {
    fc.assert(
      fc.property(damaged(json), (text) => {
        const copies = readVst3(
          memoryFiles('/p', { 'Contents/moduleinfo.json': text, 'Contents/x86_64-linux/a.so': '' }),
        );
        expect(copies.length).toBeGreaterThan(0);
        expect(copies.every(isSound)).toBe(true);
      }),
      { numRuns: 3000 },
    );
  });
  it('end in a value or a problem for any bytes', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => {
        expect(readLv2(memoryFiles('/p', { 'manifest.ttl': bytes })).every(isSound)).toBe(true);
        expect(
          readVst3(
            memoryFiles('/p', {
              'Contents/moduleinfo.json': bytes,
              'Contents/x86_64-linux/a.so': '',
            }),
          ).every(isSound),
        ).toBe(true);
      }),
      { numRuns: 3000 },
    );
  });
});
