/** What a plugin is called and who made it, told from its copies, and what is known for classifying it. */
import type { Kind } from '../catalog/kind.ts';
import { readDeclared } from '../taxonomy/declared.ts';
import { compareTexts } from '../text/compare.ts';
import { makesSound, widthOf, withoutBits, withoutWidth } from './name-key.ts';
import { nameOfCopy, preferred } from '../catalog/plugin.ts';
import type { FoundCopy } from '../formats/found-copy.ts';
import type { SeriesShare, Subject } from './evidence.ts';

/** The name of a plugin as its copies give it. */
export interface NamedPlugin {
  readonly name: string;
  /** As the first copy that names one spells it. */
  readonly vendor: string | null;
}

/** Copies by preferred format and then path: the first that says something counts. */
export const inOrder = (copies: readonly FoundCopy[]): readonly FoundCopy[] =>
  copies.length < 2
    ? copies
    : copies.toSorted(
        (a, b) =>
          preferred.indexOf(a.format) - preferred.indexOf(b.format) || compareTexts(a.path, b.path),
      );

/** Of instruments "mono" is part of the name. */
const hasSeveralWidths = (copies: readonly FoundCopy[]): boolean =>
  copies.length > 1 &&
  new Set(copies.map((copy) => (makesSound(copy) ? null : widthOf(nameOfCopy(copy))))).size > 1;

/**
 * A name of its own goes before a file's; where there are several widths, none of them stands in
 * the name.
 */
export function nameOfCopies(copies: readonly FoundCopy[]): NamedPlugin {
  const ordered = inOrder(copies);
  const first = ordered[0];
  const own = ordered.filter((copy) => copy.name !== null);
  const vendor = ordered.find((copy) => copy.vendor !== null)?.vendor ?? null;
  const name = own[0]?.name ?? (first ? withoutBits(nameOfCopy(first).replaceAll('_', ' ')) : '');
  return { vendor, name: hasSeveralWidths(own) ? withoutWidth(name) : name };
}

/** A plugin before it is held against all others. */
export interface FirstSight extends NamedPlugin {
  readonly kind: Kind;
  readonly types: readonly string[];
}

/** What one copy says of its plugin, taken at its word until all are sorted. */
export function atFirstSight(copy: FoundCopy): FirstSight {
  const { kind, types } = readDeclared(copy.format, copy.declared);
  return { ...nameOfCopies([copy]), kind, types };
}

/** What is known of the plugin apart from its name: the first copy that says each. */
export function subjectOf(
  name: string,
  copies: readonly FoundCopy[],
  series: readonly SeriesShare[],
): Subject {
  const ordered = inOrder(copies);
  const withPorts = ordered.find((copy) => copy.audioIn !== null && copy.audioOut !== null);
  const declared = new Map(
    ordered
      .filter((copy) => copy.declared.length > 0)
      .map((copy) => [
        `${copy.format} ${copy.declared.join()}`,
        { format: copy.format, values: copy.declared },
      ]),
  );
  const description = ordered.find((copy) => copy.description !== undefined)?.description;
  const controls = ordered.find((copy) => copy.controls !== undefined)?.controls;
  return {
    name,
    series,
    ...(controls ? { controls } : {}),
    ...(description === undefined ? {} : { description }),
    declared: [...declared.values()],
    audioIn: withPorts?.audioIn ?? null,
    audioOut: withPorts?.audioOut ?? null,
    notesIn: ordered.find((copy) => copy.notesIn !== null)?.notesIn ?? null,
    notesOut: ordered.find((copy) => copy.notesOut !== null)?.notesOut ?? null,
  };
}
