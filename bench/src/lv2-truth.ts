/**
 * Real plugins whose declared class is the truth: Debian's LV2 packages, and the descriptions of
 * swh-plugins.
 */
import { readFileSync } from 'node:fs';
import { groupOf, readDeclared, type Subject } from '@clever-drawer/core';
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
const setOf = (path: string): Known['set'] => {
  if (path.endsWith('invada.lv2')) {
    return 'invada-studio-plugins-lv2';
  }
  if (/\/eg-[^/]+$/.test(path)) {
    return 'lv2-examples';
  }
  return 'swh-lv2';
};

function readLv2Plugins(): Known[] {
  const descriptions = descriptionsFor(place, process.env);
  return walk(place, ['LV2'], () => false)
    .bundles.flatMap((bundle) => readBundle(bundle, place, descriptions))
    .map((copy): Known => {
      const declared = [{ format: copy.format, values: copy.declared }];
      const { audioIn, audioOut, notesIn, notesOut } = copy;
      return {
        set: setOf(copy.path),
        declared,
        groups: groupsOf(declared),
        subject: {
          name: copy.name ?? '',
          declared: [],
          audioIn,
          audioOut,
          notesIn,
          notesOut,
          series: [],
        },
      };
    });
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
