/** C and C++ of the tests, compiled into plugins and programs with the system's own compiler. */
import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

const sources = join(import.meta.dirname, 'test-plugins');
/** Published headers of VST3, of Debian's juce-modules-source-data. */
const vst3Headers = '/usr/share/juce/modules/juce_audio_processors/format_types/VST3_SDK';

/** Compiles a source into a library; `defined` are its macros. Gives the library's path. */
export function compile(
  source: string,
  to: string,
  defined: Readonly<Record<string, string | number>> = {},
): string {
  mkdirSync(dirname(to), { recursive: true });
  const macros = Object.entries(defined).map(([name, value]) => `-D${name}=${value}`);
  const isPlusPlus = source.endsWith('.cpp');
  execFileSync(isPlusPlus ? 'g++' : 'gcc', [
    '-w',
    '-shared',
    '-fPIC',
    ...macros,
    ...(isPlusPlus ? ['-DRELEASE', `-DHEADERS=${vst3Namespace()}`, `-I${vst3Headers}`] : []),
    '-o',
    to,
    join(sources, source),
    '-lpthread',
    '-lm',
  ]);
  return to;
}

/** The namespace in which the published headers stand, as they name it. */
function vst3Namespace(): string {
  const text = readFileSync(join(vst3Headers, 'pluginterfaces/base/ftypes.h'), 'utf8');
  return /^namespace (\w+)/m.exec(text)?.[1] ?? '';
}

/** Compiles a source into a program. */
export function compileProgram(source: string, to: string): string {
  execFileSync('gcc', ['-w', '-o', to, join(sources, source), '-ldl']);
  return to;
}

/** A library that needs another one, which is not there. */
export function compileNeedy(to: string): string {
  const missing = join(dirname(to), 'libnowhere-to-be-found.so');
  mkdirSync(dirname(to), { recursive: true });
  execFileSync('gcc', ['-shared', '-fPIC', '-x', 'c', '/dev/null', '-o', missing]);
  execFileSync('gcc', [
    '-w',
    '-shared',
    '-fPIC',
    '-DHOW=0',
    '-Wl,--no-as-needed',
    '-o',
    to,
    join(sources, 'misbehave-ladspa.c'),
    missing,
  ]);
  execFileSync('rm', [missing]);
  return to;
}
