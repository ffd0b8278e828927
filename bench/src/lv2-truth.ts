/**
 * Real plugins whose declared class is the truth: Debian's LV2 packages, and the descriptions of
 * swh-plugins.
 */
import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { FoundCopy } from '@clever-drawer/core/formats';
import { foldVendor, gatherPrefixes, subjectOf, type Subject } from '@clever-drawer/core/identify';
import { declaredTypes, groupOf } from '@clever-drawer/core/taxonomy';
import { readLadspaRdf } from '@clever-drawer/core/readers';
import { descriptionsFor, readBundle, walk } from '@clever-drawer/server/scanner';

export interface Known {
  /** The Debian package; each of them is of one maker. */
  readonly set: string;
  readonly subject: Subject;
  /** Groups of the declared classes; never empty. */
  readonly groups: ReadonlySet<string>;
  /** What was declared, for runs in which it is shown. */
  readonly declared: Subject['declared'];
}

const place = '/usr/lib/lv2';
const rdf = '/usr/share/ladspa/rdf/swh-plugins.rdf';
const groupsOf = (declared: Subject['declared']): Set<string> =>
  new Set(declaredTypes(declared).map(groupOf));
const lv2Sets = ['swh-lv2', 'invada-studio-plugins-lv2', 'lv2-examples', 'zam-plugins'] as const;

/** Of each bundle that one of the packages installed, which one; other bundles are left out. */
function setsByBundle(): ReadonlyMap<string, string> {
  return new Map(lv2Sets.flatMap((set) => bundlesOf(set).map((bundle) => [bundle, set] as const)));
}

/** The LV2 bundles of a Debian package, as dpkg lists its files. */
const bundlesOf = (name: string): string[] =>
  execFileSync('dpkg', ['-L', name], { encoding: 'utf8' })
    .split('\n')
    .filter((path) => path.endsWith('/manifest.ttl'))
    .map(dirname);

function readLv2Plugins(): Known[] {
  const sets = setsByBundle();
  const copies = copiesIn(place).flatMap((copy) => {
    const set = sets.get(copy.path);
    return set === undefined ? [] : [{ copy, set }];
  });
  return knownOf(copies);
}

/**
 * Plugins of packages that were unpacked (`dpkg-deb -x`) and not installed: each directory below
 * `root` is named after its package.
 */
export function readUnpacked(root: string): Known[] {
  const libraries = ['usr/lib/lv2', 'usr/lib/x86_64-linux-gnu/lv2'];
  const places = readdirSync(root).flatMap((set) =>
    libraries
      .map((library) => ({ set, at: join(root, set, library) }))
      .filter(({ at }) => existsSync(at)),
  );
  const copies = places.flatMap(({ set, at }) => copiesIn(at).map((copy) => ({ copy, set })));
  return knownOf(copies).filter(isJudged);
}

const copiesIn = (at: string): FoundCopy[] => {
  const descriptions = descriptionsFor(at, process.env);
  return walk(at, ['LV2'], () => false).bundles.flatMap((bundle) =>
    readBundle(bundle, at, descriptions),
  );
};

interface OfSet {
  readonly copy: FoundCopy;
  readonly set: string;
}

function knownOf(copies: readonly OfSet[]): Known[] {
  const named = copies.map(({ copy }) => ({
    name: copy.name ?? '',
    vendor: foldVendor(copy.vendor),
  }));
  const bareName = gatherPrefixes(named);
  return copies.map(({ copy, set }, at) => {
    const declared = [{ format: copy.format, values: copy.declared }];
    const name = bareName(named[at] ?? { name: '', vendor: '' });
    const subject = subjectOf(name, [{ ...copy, declared: [] }], []);
    return { set, declared, groups: groupsOf(declared), subject };
  });
}

const isJudged = ({ groups, subject }: Known): boolean => groups.size > 0 && subject.name !== '';

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
  const known = [...readLv2Plugins(), ...readDescribed()].filter(isJudged);
  if (known.length < 150) {
    throw new Error(
      'the packages lv2-examples, swh-lv2, invada-studio-plugins-lv2, zam-plugins and swh-plugins have to be installed',
    );
  }
  return known;
}

/** The titles of swh-plugins as their descriptions give them. */
export function readLadspaTitles(): string[] {
  const described = readLadspaRdf(readFileSync(rdf), rdf);
  return (described.ok ? described.value : []).flatMap((one) => one.title ?? []);
}
