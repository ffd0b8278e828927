/** Formats of which reading sees only the program file: CLAP, VST2 and LADSPA (and VST3 as a single file). */
import { fileNameOf } from './file-name.ts';
import type { Problem } from '../problem.ts';
import type { Binary } from './binary-facts.ts';
import { readBinary } from './binary.ts';
import type { BundleFiles } from './bundle-files.ts';
import { bareCopy, failedCopy, type Format, type FoundCopy } from './found-copy.ts';
import { describeLadspa, type LadspaDescriptions } from './ladspa-rdf.ts';
import { readVersionResource } from './version-resource.ts';

/**
 * Names of which a plugin of the format exports at least one (clap/entry.h, pluginterfaces/base,
 * ladspa.h; VST2 from memory).
 */
const entryPoints: Readonly<Record<'CLAP' | 'VST2' | 'VST3' | 'LADSPA', readonly string[]>> = {
  CLAP: ['clap_entry'],
  VST2: ['VSTPluginMain', 'main', 'main_macho'],
  VST3: ['GetPluginFactory'],
  LADSPA: ['ladspa_descriptor'],
};

/**
 * The copy in one program file or bundle, for the first of the given formats that it is. Empty for
 * a sound library that is none of them (a helper beside plugins); a failed copy for a file that
 * cannot be understood.
 */
export function readBinaryPlugin(
  files: BundleFiles,
  candidates: readonly (keyof typeof entryPoints)[],
  descriptions: LadspaDescriptions,
): FoundCopy[] {
  const program = programOf(files);
  const first = candidates[0];
  if (first === undefined) {
    return [];
  }
  if (program === null) {
    return [
      failedCopy(first, files.root, {
        code: 'not-a-plugin',
        at: files.root,
        detail: 'the bundle holds no program.',
      }),
    ];
  }
  const source = files.open(program);
  if (!source.ok) {
    return [failedCopy(first, files.root, source.problems[0] as Problem)];
  }
  const binary = readBinary(source.value, program === '' ? fileNameOf(files.root) : program);
  source.value.close();
  if (!binary.ok) {
    return [failedCopy(first, files.root, binary.problems[0] as Problem)];
  }
  const format = candidates.find((c) => isPlugin(binary.value, c));
  if (format === undefined) {
    return isSure(files.root)
      ? [
          failedCopy(first, files.root, {
            code: 'not-a-plugin',
            at: fileNameOf(files.root),
            detail: `it has no entry point of ${first}.`,
          }),
        ]
      : [];
  }
  const copy: FoundCopy = {
    ...bareCopy(format, files.root),
    architectures: binary.value.architectures,
    binary: program === '' ? files.root : `${files.root}/${program}`,
    identity: format === 'VST2' ? fileNameOf(files.root) : null,
  };
  if (format === 'LADSPA') {
    return describeLadspa(copy, descriptions);
  }
  return [
    format === 'VST2' && binary.value.system === 'windows'
      ? withVersion(copy, files, program)
      : copy,
  ];
}

const isPlugin = (binary: Binary, format: Format): boolean =>
  binary.exports === null ||
  entryPoints[format as 'CLAP'].some((name) => binary.exports?.has(name));

/** Endings that only one format uses: such a file says what it is. */
const isSure = (path: string): boolean => /\.(clap|vst|vst3)$/i.test(path);

/** The program: the file itself (`''`), or the one inside a bundle. */
function programOf(files: BundleFiles): string | null {
  if (files.isFile) {
    return '';
  }
  for (const directory of ['Contents/MacOS', '']) {
    const name = files.list(directory).find((n) => directory !== '' || /\.(so|dll)$/i.test(n));
    if (name !== undefined) {
      return directory === '' ? name : `${directory}/${name}`;
    }
  }
  return null;
}

function withVersion(copy: FoundCopy, files: BundleFiles, program: string): FoundCopy {
  const source = files.open(program);
  if (!source.ok) {
    return copy;
  }
  const { product, company, version } = readVersionResource(source.value);
  source.value.close();
  return { ...copy, name: product, vendor: company, version };
}
