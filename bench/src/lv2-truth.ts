/**
 * Real plugins whose declared class is the truth: Debian's LV2 packages, and the descriptions of
 * swh-plugins.
 */
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { groupOf, readDeclared, type FoundCopy, type Subject } from '@clever-drawer/core';
import { readLadspaRdf } from '@clever-drawer/core/readers';
import { descriptionsFor, readBundle, walk } from '@clever-drawer/server/scanner';

export interface Known {
  readonly set: 'swh-lv2' | 'swh-plugins' | 'invada-studio-plugins-lv2' | 'lv2-examples';
  readonly subject: Subject;
  /** Groups of the declared classes; never empty. */
  readonly groups: ReadonlySet<string>;
  /** What was declared, for runs in which it is shown. */
  readonly declared: Subject['declared'];
}

const place = '/usr/lib/lv2';
const rdf = '/usr/share/ladspa/rdf/swh-plugins.rdf';
const groupsOf = (declared: Subject['declared']): Set<string> =>
  new Set(
    declared.flatMap(({ format, values }) => readDeclared(format, values).types.map(groupOf)),
  );
const lv2Sets = ['swh-lv2', 'invada-studio-plugins-lv2', 'lv2-examples'] as const;

/** Of each bundle that one of the packages installed, which one; other bundles are left out. */
function setsByBundle(): ReadonlyMap<string, Known['set']> {
  return new Map(lv2Sets.flatMap((set) => bundlesOf(set).map((bundle) => [bundle, set] as const)));
}

/** The LV2 bundles of a Debian package, as dpkg lists its files. */
const bundlesOf = (name: string): string[] =>
  execFileSync('dpkg', ['-L', name], { encoding: 'utf8' })
    .split('\n')
    .filter((path) => path.endsWith('/manifest.ttl'))
    .map(dirname);

function readLv2Plugins(): Known[] {
  const descriptions = descriptionsFor(place, process.env);
  const sets = setsByBundle();
  return walk(place, ['LV2'], () => false)
    .bundles.flatMap((bundle) => readBundle(bundle, place, descriptions))
    .flatMap((copy) => {
      const set = sets.get(copy.path);
      return set ? [knownOf(copy, set)] : [];
    });
}

function knownOf(copy: FoundCopy, set: Known['set']): Known {
  const declared = [{ format: copy.format, values: copy.declared }];
  return { set, declared, groups: groupsOf(declared), subject: subjectOf(copy) };
}

/** What of a copy speaks for its type, the class it declares left out. */
function subjectOf({ name, audioIn, audioOut, notesIn, notesOut }: FoundCopy): Subject {
  return { name: name ?? '', declared: [], audioIn, audioOut, notesIn, notesOut, series: [] };
}

function readDescribed(): Known[] {
  const described = readLadspaRdf(readFileSync(rdf), rdf);
  return (described.ok ? described.value : []).map((one): Known => {
    const declared = [{ format: 'LADSPA' as const, values: [one.declared] }];
    return {
      set: 'swh-plugins',
      declared,
      groups: groupsOf(declared),
      subject: {
        name: one.title ?? '',
        declared: [],
        audioIn: null,
        audioOut: null,
        notesIn: null,
        notesOut: null,
        series: [],
      },
    };
  });
}

export function readKnown(): Known[] {
  const known = [...readLv2Plugins(), ...readDescribed()].filter(
    ({ groups, subject }) => groups.size > 0 && subject.name !== '',
  );
  if (known.length < 150) {
    throw new Error(
      'the packages lv2-examples, swh-lv2, invada-studio-plugins-lv2 and swh-plugins have to be installed',
    );
  }
  return known;
}

/** The titles of swh-plugins as their descriptions give them. */
export function readLadspaTitles(): string[] {
  const described = readLadspaRdf(readFileSync(rdf), rdf);
  return (described.ok ? described.value : []).flatMap((one) => one.title ?? []);
}
