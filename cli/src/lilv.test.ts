/** Every LV2 plugin of Debian's packages, field by field, against liblilv (bench/lilv-facts.c, compiled here). */
import { describe, expect, it } from '@jest/globals';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { run } from './main.ts';

interface Line {
  identity: string;
  name: string;
  vendor: string | null;
  declared: string[];
  audioIn: number;
  audioOut: number;
  notesIn: boolean;
  version: string | null;
}

function reference(): Map<string, Omit<Line, 'identity'>> {
  const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-lilv-'));
  const program = join(directory, 'lilv-facts');
  const flags = execFileSync('pkg-config', ['--cflags', '--libs', 'lilv-0'], { encoding: 'utf8' })
    .trim()
    .split(/\s+/);
  execFileSync('cc', [
    '-O2',
    resolve(import.meta.dirname, '../../bench/lilv-facts.c'),
    ...flags,
    '-o',
    program,
  ]);
  const text = execFileSync(program, {
    encoding: 'utf8',
    env: { ...process.env, LV2_PATH: '/usr/lib/lv2', LANG: 'C.UTF-8' },
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  rmSync(directory, { recursive: true });
  return new Map(
    text
      .trim()
      .split('\n')
      .map((line) => {
        const [uri = '', name = '', author = '', classes = '', audioIn, audioOut, midiIn, version] =
          line.split('\t');
        return [
          uri,
          {
            name,
            vendor: author || null,
            declared: classes.split(' '),
            audioIn: Number(audioIn),
            audioOut: Number(audioOut),
            notesIn: midiIn === '1',
            version: version === '-' ? null : (version ?? null),
          },
        ];
      }),
  );
}

describe('reading LV2', () => {
  it('gives the URI, name, author, classes, audio ports, MIDI input and version that liblilv gives, for every installed plugin', async () => {
    const wanted = reference();
    const lines: Line[] = [];
    await run(['scan', '/usr/lib/lv2', '--formats', 'lv2'], {
      out: (line) => lines.push(JSON.parse(line) as Line),
      error: () => undefined,
    });
    expect(wanted.size).toBeGreaterThan(100);
    expect(lines.map((line) => line.identity).sort()).toEqual([...wanted.keys()].sort());
    for (const { identity, name, vendor, declared, audioIn, audioOut, notesIn, version } of lines) {
      expect({
        identity,
        name,
        vendor,
        declared: [...declared].sort(),
        audioIn,
        audioOut,
        notesIn,
        version,
      }).toEqual({ identity, ...wanted.get(identity) });
    }
  });
});
