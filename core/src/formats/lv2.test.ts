/**
 * Cases after https://lv2plug.in/ns/lv2core and the traps that real bundles have; the real ones
 * themselves are read in cli's tests.
 */
import { describe, expect, it } from '@jest/globals';
import { fileUri, readLv2 } from './lv2.ts';
import { memoryFiles } from './memory-files.ts';
import { descriptionLength, type FoundCopy } from './found-copy.ts';

const prefixes = `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .
@prefix doap: <http://usefulinc.com/ns/doap#> .
@prefix foaf: <http://xmlns.com/foaf/0.1/> .
@prefix rdfs: <http://www.w3.org/2000/01/rdf-schema#> .
@prefix atom: <http://lv2plug.in/ns/ext/atom#> .
`;
const read = (files: Record<string, string | Uint8Array>): FoundCopy[] =>
  readLv2(memoryFiles('/p/x y#1.lv2', files));
const manifest = (body: string): FoundCopy[] => read({ 'manifest.ttl': prefixes + body });

describe('reading an LV2 bundle', () => {
  it('follows seeAlso files, also with #, spaces and non-ASCII letters in the path', () => {
    const [copy] = read({
      'manifest.ttl': `${prefixes}<urn:a> a lv2:Plugin ; lv2:binary <a%20b.so> ; rdfs:seeAlso <d%C3%A9tail.ttl> .`,
      'détail.ttl': `${prefixes}<urn:a> doap:name "Far" ; lv2:minorVersion 2 ; lv2:microVersion 6 .`,
    });
    expect(copy).toMatchObject({
      status: 'ok',
      name: 'Far',
      version: '2.6',
      binary: '/p/x y#1.lv2/a b.so',
      identity: 'urn:a',
    });
  });
  it('holds each file to the limit of statements, and not all of a bundle together', () => {
    const long = (uri: string, statements: number): string =>
      `${prefixes}<${uri}> doap:name "Long" .\n${'<urn:x> <urn:y> <urn:z> .\n'.repeat(statements)}`;
    const copies = read({
      'manifest.ttl': `${prefixes}${['a', 'b', 'c'].map((n) => `<urn:${n}> a lv2:Plugin ; rdfs:seeAlso <${n}.ttl> .`).join('\n')}`,
      'a.ttl': long('urn:a', 210_000),
      'b.ttl': long('urn:b', 210_000),
      'c.ttl': long('urn:c', 400_000),
    });
    expect(copies.map(({ status, problem }) => [status, problem?.code])).toEqual([
      ['ok', undefined],
      ['ok', undefined],
      ['failed', 'too-much'],
    ]);
  });
  it('finds the author on the project', () => {
    const [copy] = manifest(
      '<urn:a> a lv2:Plugin ; doap:name "A" ; lv2:project <urn:p> . <urn:p> doap:developer [ foaf:name "Quoin" ] .',
    );
    expect(copy?.vendor).toBe('Quoin');
  });
  it('prefers the name without a language, else the English one', () => {
    expect(manifest('<urn:a> a lv2:Plugin ; doap:name "Ах"@ru , "Plain" .')[0]?.name).toBe('Plain');
    expect(manifest('<urn:a> a lv2:Plugin ; doap:name "Ах"@ru , "English"@en-gb .')[0]?.name).toBe(
      'English',
    );
  });
  it('counts audio ports and takes event ports for notes only when they support MIDI', () => {
    const port = (types: string, more = ''): string => `[ a ${types} ${more} ]`;
    const midi = '; atom:supports <http://lv2plug.in/ns/ext/midi#MidiEvent>';
    const [copy] = manifest(
      `<urn:a> a lv2:Plugin ; doap:name "A" ; lv2:port ${[
        port('lv2:InputPort , lv2:AudioPort'),
        port('lv2:OutputPort , lv2:AudioPort'),
        port('lv2:OutputPort , lv2:AudioPort'),
        port('lv2:InputPort , atom:AtomPort', midi),
        port('lv2:OutputPort , atom:AtomPort'),
        port('lv2:InputPort , lv2:ControlPort'),
      ].join(' , ')} .`,
    );
    expect(copy).toMatchObject({ audioIn: 1, audioOut: 2, notesIn: true, notesOut: false });
  });
  it('keeps what describes a plugin in the fewest words, in one line and cut', () => {
    const described = (facts: string): string | undefined =>
      manifest(`<urn:a> a lv2:Plugin ; doap:name "A" ${facts} .`)[0]?.description;
    const long = `"${'word '.repeat(200)}"`;
    expect(described(`; rdfs:comment ${long} ; doap:shortdesc "A small\\n gate"`)).toBe(
      'A small gate',
    );
    expect(described(`; rdfs:comment ${long}`)).toHaveLength(descriptionLength);
    expect(described('')).toBeUndefined();
  });
  it('knows what a plugin replaces', () =>
    expect(
      manifest(
        '<urn:a> a lv2:Plugin ; doap:name "A" ; <http://purl.org/dc/terms/replaces> <urn:ladspa:1190> .',
      )[0]?.replaces,
    ).toEqual(['urn:ladspa:1190']));
  it('holds nothing where there are only presets or a vocabulary', () =>
    expect(manifest('<urn:v> a rdfs:Class .')).toEqual([]));
  it('takes a byte-order mark, CRLF and a base', () => {
    const [copy] = read({
      'manifest.ttl':
        `\u00ef\u00bb\u00bf${prefixes}@base <urn:base:> .\r\n<a> a lv2:Plugin ;\r\n doap:name "A" .`
          .replaceAll('\n', '\r\n')
          .replaceAll('\r\r', '\r'),
    });
    expect(copy).toMatchObject({ identity: 'urn:base:a', name: 'A' });
  });
  it('fails with the reason when a file is damaged, missing or outside', () => {
    expect(manifest('<urn:a> a lv2:Plugin ;;; <<')[0]?.problem).toMatchObject({
      code: 'damaged',
      at: 'manifest.ttl',
      line: 6,
    });
    expect(read({})[0]?.problem).toMatchObject({ code: 'file-missing' });
    expect(manifest('<urn:a> a lv2:Plugin ; rdfs:seeAlso <gone.ttl> .')[0]?.problem).toEqual({
      code: 'file-missing',
      at: 'gone.ttl',
    });
    expect(
      manifest('<urn:a> a lv2:Plugin ; rdfs:seeAlso <../../etc/passwd.ttl> .')[0]?.problem?.code,
    ).toBe('outside-place');
    expect(manifest('<urn:a> a lv2:Plugin .')[0]?.problem).toMatchObject({
      code: 'damaged',
      detail: 'it says no name.',
    });
  });
  it('cleans names of control characters', () =>
    expect(manifest('<urn:a> a lv2:Plugin ; doap:name "A\\u0007\\n  b" .')[0]?.name).toBe('A b'));
});

describe('a file URI', () => {
  it('escapes what a path may hold and a URI may not', () => {
    expect(fileUri('/a b/#1?.lv2/')).toBe('file:///a%20b/%231%3F.lv2/');
    expect(fileUri('C:\\LV2\\x')).toBe('file:///C:/LV2/x');
  });
});
