import { describe as suite, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { describe, type Problem } from '../problem.ts';
import { bareCopy, describedBy, formats, type FoundCopy } from '../formats/found-copy.ts';
import { storableCopy } from '../formats/storable-copy.ts';
import { copyLineOf, readCopyLine } from './copy-line.ts';

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
    [
      line().slice(0, 60),
      'Line 7 is not a copy as the scanner writes it: it is not a JSON object.',
    ],
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
  it('that we wrote is read back as the copy it was, whatever it says and however it failed', () => {
    const text = fc.option(fc.string({ unit: 'grapheme', maxLength: 40 }));
    const list = fc.array(fc.string({ maxLength: 12 }), { maxLength: 4 });
    const count = fc.option(fc.nat(2_000));
    const flag = fc.option(fc.boolean());
    const problem: fc.Arbitrary<Problem | null> = fc.oneof(
      fc.constant(null),
      fc.record({ code: fc.constant('crashed' as const), at: fc.string(), detail: fc.string() }),
      fc.record({ code: fc.constant('timed-out' as const), at: fc.string(), seconds: fc.nat(60) }),
      fc.record({
        code: fc.constant('damaged' as const),
        at: fc.string(),
        line: fc.option(fc.nat()),
        detail: fc.string(),
      }),
    );
    const found = fc
      .record({
        ...{ format: fc.constantFrom(...formats), path: fc.string({ minLength: 1 }), problem },
        ...{ binary: text, identity: text, name: text, vendor: text, version: text },
        ...{ declared: list, replaces: list, architectures: fc.option(list), controls: list },
        ...{ audioIn: count, audioOut: count, notesIn: flag, notesOut: flag },
        ...{ uniqueId: fc.option(fc.maxSafeInteger()), description: fc.option(fc.string()) },
        examined: fc.constantFrom('read' as const, 'opened' as const),
      })
      .filter(({ path }) => path.trim() !== '')
      .map(({ description, ...drawn }): FoundCopy => {
        const bare = bareCopy(drawn.format, drawn.path);
        const copy = { ...bare, ...drawn, ...describedBy(description) };
        return storableCopy({ ...copy, status: drawn.problem ? 'failed' : 'ok', picture: null });
      });
    fc.assert(
      fc.property(found, (copy) => {
        const read = readCopyLine(JSON.stringify(copyLineOf(copy)), 1);
        const elsewhere = copy.problem && {
          ...{ code: 'wrong-elsewhere', at: copy.path, detail: describe(copy.problem) },
        };
        expect(read).toEqual({
          ok: true,
          value: { ...copy, mended: undefined, problem: elsewhere },
        });
      }),
    );
  });
});
