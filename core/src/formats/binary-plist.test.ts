import { describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import { boundsOfBinaryPlist } from './binary-plist.ts';

/** Objects one after the other, with references of a byte, as the layout has it. */
function plistOf(objects: readonly (readonly number[])[]): Uint8Array {
  const body = [...new TextEncoder().encode('bplist00')];
  const offsets = objects.map((object) => {
    const at = body.length;
    body.push(...object);
    return at;
  });
  const table = body.length;
  const wide = (value: number): number[] => [0, 0, 0, 0, 0, 0, value >> 8, value & 0xff];
  const trailer = [0, 0, 0, 0, 0, 0, 2, 1, ...wide(objects.length), ...wide(0), ...wide(table)];
  return new Uint8Array([...body, ...offsets.flatMap((at) => [at >> 8, at & 0xff]), ...trailer]);
}
const list = (...objects: number[]): number[] => [0xa0 | objects.length, ...objects];
const number = [0x10, 7];

/** Written by Python's plistlib, which is not ours. */
const byPython = (value: string): Uint8Array =>
  execFileSync('python3', [
    '-c',
    `import plistlib, sys; sys.stdout.buffer.write(plistlib.dumps(${value}, fmt=plistlib.FMT_BINARY))`,
  ]);

describe('a binary property list', () => {
  it('as Python writes it is small enough', () => {
    const value = `{'AudioComponents': [{'name': 'Quoin: Silt', 'type': 'aufx', 'tags': ['a'] * 40}] * 30}`;
    expect(boundsOfBinaryPlist(byPython(value))).toBeNull();
  });
  it('of lists of ten lists of ten lists … is not', () => {
    const levels = Array.from({ length: 12 }, (_, at) => list(...Array<number>(10).fill(at + 1)));
    expect(boundsOfBinaryPlist(plistOf([...levels, number]))).toMatch(/comes to more than/);
  });
  it('that holds itself is not', () => {
    expect(boundsOfBinaryPlist(plistOf([list(1), list(0)]))).toMatch(/circle/);
  });
  it('that is too deep is not', () => {
    const levels = Array.from({ length: 100 }, (_, at) => list(at + 1));
    expect(boundsOfBinaryPlist(plistOf([...levels, number]))).toMatch(/deep/);
  });
  it('that refers to what is not there is not', () => {
    expect(boundsOfBinaryPlist(plistOf([list(9)]))).toMatch(/outside/);
  });
  it('cut anywhere ends in words or is taken', () => {
    const whole = byPython(`{'a': [1, 2, {'b': 'c'}]}`);
    for (let length = 0; length < whole.length; length += 1) {
      const said = boundsOfBinaryPlist(whole.subarray(0, length));
      expect(said === null || said.length > 0).toBe(true);
    }
  });
});
