import { describe as suite, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { describe } from '../problem.ts';
import { readCopyLine } from './copy-line.ts';

const line = (more: object = {}): string =>
  JSON.stringify({
    format: 'VST3',
    path: 'C:\\Program Files\\Common Files\\VST3\\Tide.vst3',
    identity: '0123456789ABCDEF0123456789ABCDEF',
    name: 'Tide',
    vendor: 'Quoin',
    declared: ['Fx', 'Delay'],
    audioIn: 2,
    audioOut: 2,
    notesIn: false,
    notesOut: null,
    examined: 'opened',
    status: 'ok',
    picture: 'C:\\secret.png',
    kind: 'effect',
    ...more,
  });
const faultOf = (text: string): string => {
  const read = readCopyLine(text, 7);
  const [problem] = read.ok ? [] : read.problems;
  return problem ? describe(problem) : 'none';
};

suite('a line of another computer’s copies', () => {
  it('is a copy with its own paths, and never a picture', () => {
    const read = readCopyLine(line(), 1);
    expect(read).toMatchObject({
      ok: true,
      value: {
        path: 'C:\\Program Files\\Common Files\\VST3\\Tide.vst3',
        name: 'Tide',
        examined: 'opened',
        notesOut: null,
        picture: null,
      },
    });
  });
  it('keeps in its own words why a copy failed there', () => {
    const read = readCopyLine(
      line({ status: 'failed', problem: { code: 'crashed', message: 'It crashed.' } }),
      1,
    );
    expect(read).toMatchObject({ value: { status: 'failed', problem: { detail: 'It crashed.' } } });
  });
  it.each([
    [line().slice(0, 60), 'Line 7 is no copy as the scanner writes them: it is not a JSON object.'],
    [line({ format: 'XYZ' }), 'format must be one of'],
    [line({ path: '' }), 'path must be a path'],
    [line({ path: 'x'.repeat(3_000) }), 'path must be a path'],
    [line({ audioIn: -1 }), 'audioIn must be a count or null'],
    [line({ declared: [1] }), 'declared must be a list of texts'],
    [line({ status: 'failed' }), 'problem must tell why it failed'],
    ['[]', 'it is not a JSON object'],
    ['x'.repeat(2_000_000), 'longer than any copy'],
  ])('that is wrong is refused with its number: %.60s', (text, words) => {
    expect(faultOf(text)).toContain(words);
  });
  it('of anything ends in a copy or in words', () => {
    fc.assert(
      fc.property(fc.json(), (text) => {
        const read = readCopyLine(text, 1);
        return read.ok || read.problems.length === 1;
      }),
    );
  });
});
