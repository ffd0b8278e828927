/**
 * AU bundles: `Contents/Info.plist`, XML or binary, lists the components
 * (https://developer.apple.com AudioComponents; from memory).
 */
import type { Problem } from '../problem.ts';
import { machinesIn } from './binary.ts';
import { cleanText, limits, type BundleFiles } from './bundle-files.ts';
import { isDictionary, type Dictionary } from './dictionary.ts';
import { bareCopy, failedCopy, type FoundCopy } from './found-copy.ts';
import { parsePlist } from './plist.ts';

const text = (value: unknown): string | null =>
  typeof value === 'string' ? cleanText(value) : null;
const at = 'Contents/Info.plist';

/** The components of one bundle; a bundle that is damaged gives one failed copy. */
export function readAudioUnit(files: BundleFiles): FoundCopy[] {
  const bytes = files.read(at, limits.plist);
  if (!bytes.ok) {
    return [failedCopy('AU', files.root, bytes.problems[0] as Problem)];
  }
  const plist = parsePlist(bytes.value, at);
  if ('code' in plist) {
    return [failedCopy('AU', files.root, plist)];
  }
  const components = Array.isArray(plist.value['AudioComponents'])
    ? plist.value['AudioComponents'].filter(isDictionary).slice(0, limits.copiesInBundle)
    : [];
  if (components.length === 0) {
    return [
      failedCopy('AU', files.root, {
        code: 'not-a-plugin',
        at,
        detail: 'it lists no AudioComponents.',
      }),
    ];
  }
  const program = text(plist.value['CFBundleExecutable']);
  const machine = machineOf(files, program);
  return components.map((component) =>
    describeComponent({ ...bareCopy('AU', files.root), ...machine }, component),
  );
}

function machineOf(
  files: BundleFiles,
  program: string | null,
): Pick<FoundCopy, 'binary' | 'architectures'> {
  const names = files.list('Contents/MacOS');
  const name = names.find((n) => n === program) ?? names[0];
  if (name === undefined) {
    return { binary: null, architectures: null };
  }
  const binary = `Contents/MacOS/${name}`;
  return { binary: `${files.root}/${binary}`, architectures: machinesIn(files, binary) };
}

/** Kinds whose type says whether they take notes. */
const takesNotes: Readonly<Record<string, boolean>> = {
  aumu: true,
  aumf: true,
  aumi: true,
  aufx: false,
  aupn: false,
  aumx: false,
};

function describeComponent(copy: FoundCopy, component: Dictionary): FoundCopy {
  const type = text(component['type']);
  const subtype = text(component['subtype']);
  const manufacturer = text(component['manufacturer']);
  const full = text(component['name']);
  const colon = full?.indexOf(':') ?? -1;
  const problem: Problem | null =
    type && subtype && manufacturer
      ? null
      : {
          code: 'damaged',
          at,
          line: null,
          detail: 'a component lacks its type, subtype or manufacturer.',
        };
  return {
    ...copy,
    identity: problem ? null : `${type ?? ''}:${subtype ?? ''}:${manufacturer ?? ''}`,
    name: full === null ? null : cleanText(full.slice(colon + 1)),
    vendor: full === null || colon < 0 ? null : cleanText(full.slice(0, colon)),
    declared: [
      ...(type ? [type] : []),
      ...(Array.isArray(component['tags'])
        ? component['tags'].map(text).filter((t) => t !== null)
        : []),
    ],
    version: versionOf(component['version']),
    notesIn: type ? (takesNotes[type] ?? null) : null,
    notesOut: type === 'aumi' ? true : null,
    status: problem ? 'failed' : 'ok',
    problem,
  };
}

/** major « 16 | minor « 8 | patch. */
function versionOf(value: unknown): string | null {
  const number = typeof value === 'bigint' ? Number(value) : value;
  return typeof number === 'number' && Number.isInteger(number) && number >= 0 && number < 2 ** 32
    ? `${number >>> 16}.${(number >>> 8) & 0xff}.${number & 0xff}`
    : null;
}
