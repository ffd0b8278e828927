import { describe as suite, expect, it } from '@jest/globals';
import type { Problem } from '../problem.ts';
import { bareCopy, type Format, type FoundCopy } from './found-copy.ts';
import { noDescriptions, readLadspaRdf } from './ladspa-rdf.ts';
import { endInWords, loaderWords, openedCopies, type Opened } from './opened.ts';

const read = (format: Format, path: string, more: Partial<FoundCopy> = {}): FoundCopy => ({
  ...bareCopy(format, path),
  binary: path,
  architectures: ['x86_64'],
  ...more,
});
const crashed: Problem = { code: 'crashed', at: '/x', detail: 'it touched memory' };
const open = (copies: readonly FoundCopy[], opened: Opened): FoundCopy[] =>
  openedCopies(copies, opened, noDescriptions);

suite('what opening told', () => {
  it('makes a copy of each plugin of a LADSPA file, named by file and label', () => {
    const plugins = ['hall', 'room'].map((identity, at) => ({
      identity,
      uniqueId: 10 + at,
      name: identity.toUpperCase(),
      audioIn: 1,
      isWhole: true,
    }));
    const copies = open([read('LADSPA', '/l/verbs.so')], { plugins, problem: null });
    expect(copies).toMatchObject([
      { identity: 'verbs.so:hall', uniqueId: 10, name: 'HALL', examined: 'opened', status: 'ok' },
      { identity: 'verbs.so:room', uniqueId: 11, name: 'ROOM', architectures: ['x86_64'] },
    ]);
  });
  it('finds a LADSPA plugin’s class by its unique id', () => {
    const described = new Map([
      [
        '10',
        { id: '10', title: 'T', creator: 'C', declared: 'http://ladspa.org/ontology#ReverbPlugin' },
      ],
    ]);
    const plugins = [{ identity: 'hall', uniqueId: 10, name: 'Hall', isWhole: true }];
    const [copy] = openedCopies(
      [read('LADSPA', '/l/verbs.so')],
      { plugins, problem: null },
      described,
    );
    expect(copy?.declared).toEqual(['http://ladspa.org/ontology#ReverbPlugin']);
  });
  it('finds the class of a LADSPA plugin that is described by its label, in a program of that name only', () => {
    const rdf = `<rdf:RDF>
      <ladspa:SimulatorPlugin rdf:about='http://example.org/quay.html#Plate'/>
      <ladspa:ReverbPlugin rdf:about='http://ladspa.org/ontology#77'/>
      <ladspa:DelayPlugin rdf:about='http://example.org/nothing'/>
    </rdf:RDF>`;
    const parsed = readLadspaRdf(Buffer.from(rdf), 'quay.rdf');
    const all = new Map((parsed.ok ? parsed.value : []).map((one) => [one.id, one]));
    const plugins = [{ identity: 'Plate', uniqueId: 12, name: 'Plate', isWhole: true }];
    const declaredIn = (path: string): readonly string[] | undefined =>
      openedCopies([read('LADSPA', path)], { plugins, problem: null }, all)[0]?.declared;
    expect([...all.keys()]).toEqual(['quay:Plate', '77']);
    expect(declaredIn('/l/quay.so')).toEqual(['http://ladspa.org/ontology#SimulatorPlugin']);
    expect(declaredIn('/l/other.so')).toEqual([]);
  });
  it('keeps what was told before a crash, and of several the whole ones', () => {
    const plugins = [
      { identity: 'a', name: 'A', audioOut: 2, isWhole: true },
      { identity: 'b', name: 'B', isWhole: false },
    ];
    expect(open([read('CLAP', '/c/two.clap')], { plugins, problem: crashed })).toMatchObject([
      { name: 'A', audioOut: 2, status: 'ok', problem: null },
      { name: 'B', status: 'failed', problem: { code: 'crashed' } },
    ]);
  });
  it('keeps all that reading told where opening told nothing', () => {
    const copy = read('VST3', '/v/a.vst3', { name: 'A', vendor: 'Q' });
    expect(open([copy], { plugins: [], problem: crashed })).toMatchObject([
      { name: 'A', vendor: 'Q', examined: 'opened', status: 'failed' },
    ]);
  });
  it('matches what reading told by identity', () => {
    const copies = [
      read('VST3', '/v/two.vst3', { identity: 'AA', name: 'A', picture: '/v/a.png' }),
      read('VST3', '/v/two.vst3', { identity: 'BB', name: 'B', vendor: 'Quoin' }),
    ];
    const plugins = [
      { identity: 'BB', name: 'B2', vendor: null, isWhole: true },
      { identity: 'AA', name: 'A2', isWhole: true },
    ];
    expect(open(copies, { plugins, problem: null })).toMatchObject([
      { identity: 'BB', name: 'B2', vendor: 'Quoin', picture: null },
      { identity: 'AA', name: 'A2', picture: '/v/a.png' },
    ]);
  });
  it('tells a VST2 synth, and its unique id unless that is 0', () => {
    const copy = read('VST2', '/v/s.so', { identity: 's.so' });
    const openedAs = (uniqueId: number): Opened => ({
      plugins: [{ uniqueId, name: 'S', isSynth: true, isWhole: true }],
      problem: null,
    });
    expect(open([copy], openedAs(77))).toMatchObject([{ identity: '77', declared: ['synth'] }]);
    expect(open([copy], openedAs(0))).toMatchObject([{ identity: 's.so' }]);
  });
  it('of LV2 changes nothing but whether its program gives it', () => {
    const copies = [
      read('LV2', '/l/x.lv2', { identity: 'urn:a', name: 'A' }),
      read('LV2', '/l/x.lv2', { identity: 'urn:b', name: 'B' }),
    ];
    const plugins = [{ identity: 'urn:a', name: 'other', isWhole: true }];
    expect(open(copies, { plugins, problem: null })).toMatchObject([
      { name: 'A', status: 'ok', examined: 'opened' },
      { name: 'B', status: 'failed', problem: { code: 'refused' } },
    ]);
  });
});

suite('words', () => {
  it.each([
    [
      'libtide.so.1: cannot open shared object file: No such file or directory',
      'the library libtide.so.1 that it needs is not installed',
    ],
    ['/p/x.so: wrong ELF class: ELFCLASS32', 'made for another architecture'],
    ['/p/x.so: file too short', 'it is damaged'],
    ["/lib/libc.so.6: version `GLIBC_2.99' not found (required by /p/x.so)", 'GLIBC_2.99'],
    ['/p/x.so: undefined symbol: fftwf_execute', 'it needs fftwf_execute'],
    ['error 126 of Windows', 'a library that it needs is not installed'],
    ['something new', 'the loader says: something new'],
  ])('of the loader: %s', (message, words) => {
    expect(loaderWords(message)).toContain(words);
  });
  it('of how a process ended', () => {
    expect(endInWords('SIGSEGV', null)).toContain('memory that is not its own');
    expect(endInWords('SIGXYZ', null)).toContain('SIGXYZ');
    expect(endInWords(null, 0)).toContain('exit status 0');
  });
});
