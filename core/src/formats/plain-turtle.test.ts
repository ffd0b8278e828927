/**
 * The plain reader against the n3 package, which reads all of Turtle: on the files of real LV2
 * packages and of the LV2 specifications themselves (lv2-dev), on made-up graphs that n3 wrote, and
 * on damaged ones. Where the plain reader does not give up, both give the same statements in the
 * same order.
 */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { DataFactory, Writer } from 'n3';
import { filesOfPackage, lv2Packages } from './debian-packages.test-data.ts';
import { readPlainTurtle } from './plain-turtle.ts';
import type { Asked, Statement, TurtleFile } from './statement.ts';
import { readAnyTurtle } from './turtle.ts';

const base = 'file:///p/x%20y.lv2/manifest.ttl';
type Statements = readonly Statement<string>[];
/** Every predicate, called as it is. */
const everything: Asked<string> = { get: (predicate) => predicate };
const fileOf = (asked: Asked<string>, most = 100_000): TurtleFile<string> => ({
  base,
  file: 1,
  most,
  asked,
});
const plain = (text: string, most?: number): Statements | null =>
  readPlainTurtle(text, fileOf(everything, most))?.statements ?? null;
const whole = (text: string): Statements | null => {
  const read = readAnyTurtle(text, fileOf(everything), 'x.ttl');
  return read.ok ? read.value.statements : null;
};
const real = [...lv2Packages, 'zam-plugins', 'lv2-dev']
  .flatMap((name) => filesOfPackage(name, '.ttl'))
  .map((path) => ({ path, text: readFileSync(path, 'utf8') }));

const prefixes = '@prefix a: <urn:a#> .\n@prefix : <urn:none/> .\n';

describe('reading plain Turtle', () => {
  it('gives what the library gives for real bundles, and gives up on few of them', () => {
    expect(real.length).toBeGreaterThan(250);
    const left = real.filter(({ text }) => {
      const statements = plain(text);
      if (statements) {
        expect(statements).toEqual(whole(text));
      }
      return statements === null;
    });
    expect(left.length / real.length).toBeLessThan(0.1);
  });

  it('gives what the library gives for graphs that were written by it', () => {
    const iri = fc
      .tuple(
        fc.constantFrom('urn:x:', 'http://lv2plug.in/ns/lv2core#', 'file:///p/'),
        fc.stringMatching(/^[A-Za-z0-9_.~%-]{0,8}$/),
      )
      .map((parts) => parts.join(''));
    const text = fc.oneof(
      fc.string({ unit: 'grapheme', maxLength: 12 }),
      fc.stringMatching(/^["\\\n\r\t#.;a]{0,6}$/),
    );
    const object = fc.oneof(
      iri.map((value) => DataFactory.namedNode(value)),
      text.map((value) => DataFactory.literal(value)),
      fc
        .tuple(text, fc.constantFrom('en', 'en-GB', 'de'))
        .map(([value, language]) => DataFactory.literal(value, language)),
      fc.integer().map((value) => DataFactory.literal(value)),
      fc
        .boolean()
        .map((value) =>
          DataFactory.literal(
            String(value),
            DataFactory.namedNode('http://www.w3.org/2001/XMLSchema#boolean'),
          ),
        ),
      fc
        .double({ noNaN: true, noDefaultInfinity: true })
        .map((value) => DataFactory.literal(value)),
    );
    let read = 0;
    fc.assert(
      fc.property(fc.array(fc.tuple(iri, iri, object), { maxLength: 8 }), (list) => {
        const writer = new Writer({ prefixes: { lv2: 'http://lv2plug.in/ns/lv2core#' } });
        for (const [s, p, o] of list) {
          writer.addQuad(DataFactory.namedNode(s), DataFactory.namedNode(p), o);
        }
        let written = '';
        writer.end((_, result: string) => {
          written = result;
        });
        const statements = plain(written);
        if (statements) {
          read += 1;
          expect(statements).toEqual(whole(written));
        }
      }),
      { numRuns: 1500 },
    );
    expect(read).toBeGreaterThan(300);
  });

  it('gives what the library gives, or nothing, for damaged files', () => {
    const short = real.map(({ text }) => text.slice(0, 1_500));
    let read = 0;
    fc.assert(
      fc.property(
        fc.constantFrom(...short),
        fc.array(
          fc.tuple(
            fc.nat(1_500),
            fc.nat(3),
            fc.constantFrom(
              '',
              '.',
              ';',
              ',',
              '[',
              ']',
              '"',
              '"""',
              '\\',
              '#',
              '<',
              '>',
              ':',
              'a ',
              'a::b ',
              '1.',
              '@en',
              '^^',
              '\u0000',
              '_',
              '-',
              '(',
              ' . ',
            ),
          ),
          { maxLength: 3 },
        ),
        fc.boolean(),
        (text, edits, isCut) => {
          const damaged = edits.reduce(
            (now, [at, remove, insert]) => now.slice(0, at) + insert + now.slice(at + remove),
            isCut ? text : text.slice(0, text.lastIndexOf(' .\n') + 3),
          );
          const statements = plain(damaged);
          if (statements) {
            read += 1;
            expect(statements).toEqual(whole(damaged));
          }
        },
      ),
      { numRuns: 4_000 },
    );
    expect(read).toBeGreaterThan(200);
  });

  it('leaves out what is not asked for, as the library does, and counts it', () => {
    const asked = new Map([
      ['http://www.w3.org/1999/02/22-rdf-syntax-ns#type', 'type'],
      ['http://lv2plug.in/ns/lv2core#port', 'port'],
      ['http://lv2plug.in/ns/lv2core#name', 'name'],
    ]);
    const calledBy = (all: Statements): Statements =>
      all.flatMap(([subject, predicate, object]) => {
        const called = asked.get(predicate);
        return called === undefined ? [] : [[subject, called, object] as const];
      });
    let leftOut = 0;
    for (const { text } of real) {
      const said = readPlainTurtle(text, fileOf(asked));
      const all = plain(text);
      expect(said).toEqual(all && { statements: calledBy(all), count: all.length });
      const library = readAnyTurtle(text, fileOf(asked), 'x.ttl');
      expect(library).toEqual({ ok: true, value: said ?? expect.anything() });
      leftOut += said ? said.count - said.statements.length : 0;
    }
    expect(leftOut).toBeGreaterThan(10_000);
  });

  it('counts nodes as they begin, and says what is in them first', () => {
    const text = `${prefixes}<urn:p> a:port [ a:of [ a:x 1 ] ; ] , [ ] ; a a:P .`;
    expect(plain(text)).toEqual([
      ['_:f1_b2', 'urn:a#x', { kind: 'literal', value: '1', language: '' }],
      ['_:f1_b1', 'urn:a#of', { kind: 'resource', value: '_:f1_b2', language: '' }],
      ['urn:p', 'urn:a#port', { kind: 'resource', value: '_:f1_b1', language: '' }],
      ['urn:p', 'urn:a#port', { kind: 'resource', value: '_:f1_b3', language: '' }],
      [
        'urn:p',
        'http://www.w3.org/1999/02/22-rdf-syntax-ns#type',
        { kind: 'resource', value: 'urn:a#P', language: '' },
      ],
    ]);
    expect(plain(text)).toEqual(whole(text));
  });

  it('gives up on what is not plain, and on more statements than may be', () => {
    const others = [
      '<urn:a> a:b ( 1 2 ) .',
      '_:x a:b 1 .',
      "<urn:a> a:b 'x' .",
      '@base <urn:b/> . <c> a:b 1 .',
      'PREFIX x: <urn:x> <urn:a> a:b 1 .',
      '<urn:a> a:b <../up.ttl> .',
      '<urn:a> a:b a:c\\~d .',
      '<urn:a> a:b "\\u0041" .',
      '<urn:a> a:b a:c.d .',
      '<urn:a> other:b 1 .',
      '<urn:a> a:b 1',
      '[ a:b 1 ] a:c 2 .',
      `<urn:a> a:b ${'[ a:b '.repeat(40)}1${']'.repeat(40)} .`,
    ];
    expect(others.filter((text) => plain(prefixes + text) !== null)).toEqual([]);
    expect(plain(`${prefixes}<urn:a> a:b 1 , 2 , 3 .`, 2)).toBeNull();
    expect(plain(`${prefixes}<urn:a> a:b 1 , 2 .`, 2)).toHaveLength(2);
  });
});
