/**
 * VST3 bundles. Names, classes and categories stand in `moduleinfo.json` where the bundle ships
 * one; without it only the architectures are known by reading (from the directories below
 * `Contents`).
 */
import JSON5 from 'json5';
import { failed, ok, type Problem, type Result } from '../problem.ts';
import { machinesIn } from './binary.ts';
import { type BundleFiles, cleanText, limits, textOf } from './bundle-files.ts';
import { isDictionary, type Dictionary } from './dictionary.ts';
import { bareCopy, failedCopy, type FoundCopy } from './found-copy.ts';

const moduleInfo = 'moduleinfo.json';

/** What lies in `Contents` and in its `Resources`. What is not there is not asked for. */
interface Listed {
  readonly contents: readonly string[];
  readonly resources: readonly string[];
}

function listed(files: BundleFiles): Listed {
  const contents = files.list('Contents');
  return {
    contents,
    resources: contents.includes('Resources') ? files.list('Contents/Resources') : [],
  };
}

/** Newer kits write it among the resources, older ones beside them. */
function placeOfModuleInfo({ contents, resources }: Listed): string | null {
  if (resources.includes(moduleInfo)) {
    return `Contents/Resources/${moduleInfo}`;
  }
  return contents.includes(moduleInfo) ? `Contents/${moduleInfo}` : null;
}

/** Directories below `Contents` and what they hold (from memory of the published bundle layout). */
const machines: Readonly<Record<string, readonly string[]>> = {
  'x86_64-linux': ['x86_64'],
  'aarch64-linux': ['arm64'],
  'i386-linux': ['x86'],
  'i686-linux': ['x86'],
  'armv7l-linux': ['arm'],
  'x86_64-win': ['x86_64'],
  'x86-win': ['x86'],
  'arm64-win': ['arm64'],
  'arm64ec-win': ['arm64'],
  'arm64x-win': ['arm64'],
};

/** The plugins of one bundle: a copy for each audio class, or a nameless one where there is no moduleinfo. */
export function readVst3(files: BundleFiles): FoundCopy[] {
  const there = listed(files);
  const bare = { ...bareCopy('VST3', files.root), ...binaryOf(files, there) };
  const place = placeOfModuleInfo(there);
  if (place === null) {
    if (bare.binary !== null) {
      return [bare];
    }
    return [
      failedCopy('VST3', files.root, {
        code: 'not-a-plugin',
        at: files.root,
        detail: 'the bundle holds no program for any machine.',
      }),
    ];
  }
  const bytes = files.read(place, limits.moduleInfo);
  if (!bytes.ok) {
    return [failedCopy('VST3', files.root, bytes.problems[0] as Problem)];
  }
  const info = parseModuleInfo(textOf(bytes.value), place);
  if (!info.ok) {
    return [{ ...bare, status: 'failed', problem: info.problems[0] as Problem }];
  }
  const copies = classesOf(info.value)
    .filter((c) => text(c['Category']) === 'Audio Module Class')
    .map((c) => ({
      ...describeClass(bare, info.value, c),
      picture: snapshotOf(files, there, c),
    }));
  if (copies.length > 0) {
    return copies;
  }
  return [
    {
      ...bare,
      status: 'failed',
      problem: {
        code: 'not-a-plugin',
        at: place,
        detail: 'it lists no class of the category "Audio Module Class".',
      },
    },
  ];
}

const objects = (value: unknown): Dictionary[] =>
  Array.isArray(value) ? value.filter(isDictionary) : [];
const text = (value: unknown): string | null =>
  typeof value === 'string' ? cleanText(value) : null;
const hex = (value: unknown): string | null =>
  (typeof value === 'string' ? value.replace(/[^0-9a-f]/gi, '').toUpperCase() : null) || null;

function parseModuleInfo(source: string, at: string): Result<Dictionary> {
  try {
    const value: unknown = JSON5.parse(source);
    if (isDictionary(value)) {
      return ok(value);
    }
    return failed({ code: 'damaged', at, line: 1, detail: 'it should be one object in braces.' });
  } catch (error) {
    const line = (error as { lineNumber?: number }).lineNumber ?? null;
    const detail =
      error instanceof Error
        ? error.message.replace(/^JSON5: /, '').replace(/ at \d+:\d+$/, '')
        : 'unreadable';
    return failed({
      code: 'damaged',
      at,
      line,
      detail: `it is not valid JSON (${detail.slice(0, 120)}).`,
    });
  }
}

const classesOf = (info: Dictionary): Dictionary[] =>
  objects(info['Classes']).slice(0, limits.copiesInBundle);

function describeClass(bare: FoundCopy, info: Dictionary, entry: Dictionary): FoundCopy {
  const factory = isDictionary(info['Factory Info']) ? info['Factory Info'] : {};
  const identity = hex(entry['CID']);
  const name = text(entry['Name']) ?? text(info['Name']);
  const subCategories = Array.isArray(entry['Sub Categories'])
    ? entry['Sub Categories'].map(text)
    : [];
  const problem: Problem | null =
    identity === null || name === null
      ? {
          code: 'damaged',
          at: moduleInfo,
          line: null,
          detail: `a class has no ${name === null ? 'name' : 'CID'}.`,
        }
      : null;
  return {
    ...bare,
    identity,
    name,
    vendor: text(entry['Vendor']) ?? text(factory['Vendor']),
    declared: subCategories.filter((c) => c !== null),
    version: text(entry['Version']) ?? text(info['Version']),
    replaces: replacedBy(info, identity),
    status: problem ? 'failed' : 'ok',
    problem,
  };
}

/** Older identities that this class stands in for, by the module's `Compatibility` list. */
function replacedBy(info: Dictionary, identity: string | null): string[] {
  return objects(info['Compatibility'])
    .filter((entry) => identity !== null && hex(entry['New']) === identity)
    .flatMap((entry) => (Array.isArray(entry['Old']) ? entry['Old'].map(hex) : []))
    .filter((old) => old !== null);
}

function snapshotOf(files: BundleFiles, { resources }: Listed, entry: Dictionary): string | null {
  const declared = objects(entry['Snapshots'])
    .map((s) => text(s['Path']))
    .find((p) => p !== null && !p.split(/[\\/]/).includes('..'));
  if (declared) {
    return `${files.root}/Contents/Resources/${declared}`;
  }
  const identity = hex(entry['CID']);
  if (identity === null || !resources.includes('Snapshots')) {
    return null;
  }
  const byName = files
    .list('Contents/Resources/Snapshots')
    .find((f) => f.toUpperCase().startsWith(identity) && f.endsWith('.png'));
  return byName === undefined ? null : `${files.root}/Contents/Resources/Snapshots/${byName}`;
}

function binaryOf(
  files: BundleFiles,
  { contents }: Listed,
): Pick<FoundCopy, 'binary' | 'architectures'> {
  const found: string[] = [];
  let binary: string | null = null;
  for (const directory of contents) {
    const machine = machines[directory];
    if (!machine && directory !== 'MacOS') {
      continue;
    }
    const program = files.list(`Contents/${directory}`)[0];
    if (program === undefined) {
      continue;
    }
    binary ??= `${files.root}/Contents/${directory}/${program}`;
    // On macOS one directory holds programs for several machines: their header says which.
    found.push(...(machine ?? machinesIn(files, `Contents/${directory}/${program}`) ?? []));
  }
  return { binary, architectures: found.length > 0 ? [...new Set(found)] : null };
}
