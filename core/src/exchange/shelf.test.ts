import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { safeName, safeSiblings } from './safe-name.ts';

const bytes = (text: string): number => new TextEncoder().encode(text).length;

describe('safe names', () => {
  it.each([
    ['Room & hall', 'Room & hall'],
    ['AC/DC: what?', 'AC_DC_ what_'],
    ['CON', '_CON'],
    ['lpt1.txt', '_lpt1.txt'],
    ['ends with dots...', 'ends with dots'],
    ['..', '_'],
    ['.hidden', '_hidden'],
    ['', '_'],
    ['   ', '_'],
    ['Café', 'Café'],
    ['next\u0085line', 'next_line'],
    ['\u0080', '_'],
  ])('%s', (name, safe) => {
    expect(safeName(name)).toBe(safe);
  });
  it('are taken by every system, whatever somebody calls a folder', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 300 }), (name) => {
        const safe = safeName(name);
        expect(safe).not.toMatch(/[<>:"/\\|?*\p{Cc}]/u);
        expect(safe).not.toMatch(/^\.|[\s.]$|^$/);
        expect(safe).not.toMatch(/^(con|prn|aux|nul|com\d|lpt\d)(\.|$)/i);
        expect(bytes(safe)).toBeLessThanOrEqual(181);
        expect(safeName(safe)).toBe(safe);
      }),
      { numRuns: 500 },
    );
  });
  it('stand once where capitals do not count', () => {
    expect(safeSiblings(['Room', 'room', 'ROOM', 'Hall'])).toEqual([
      'Room',
      'room (2)',
      'ROOM (3)',
      'Hall',
    ]);
  });
});
