/** What reading one installed plugin tells. Null means: reading cannot know. */
import { fileNameOf } from './file-name.ts';
import type { Problem } from '../problem.ts';
import { cutText, storable } from '../text/storable.ts';

/** All formats that are read. */
export const formats = ['VST2', 'VST3', 'AU', 'CLAP', 'LV2', 'LADSPA'] as const;
/** One of the plugin formats. */
export type Format = (typeof formats)[number];

/** One copy as reading or opening found it. What cannot be known is null. */
export interface FoundCopy {
  readonly format: Format;
  /** The bundle directory or file, absolute. */
  readonly path: string;
  /** The executable inside a bundle, absolute. */
  readonly binary: string | null;
  /** LV2: the URI; VST3: the class id, 32 hex digits in capitals. */
  readonly identity: string | null;
  readonly name: string | null;
  readonly vendor: string | null;
  /** Categories as found: class URIs, sub-categories. */
  readonly declared: readonly string[];
  readonly version: string | null;
  readonly architectures: readonly string[] | null;
  /** Audio channels or ports in and out. */
  readonly audioIn: number | null;
  readonly audioOut: number | null;
  readonly notesIn: boolean | null;
  readonly notesOut: boolean | null;
  /** Names of what can be set on it, where it tells them; shortened to the first ones. */
  readonly controls?: readonly string[];
  /** What it says of itself in a sentence or a few, where it does; cut after `descriptionLength`. */
  readonly description?: string;
  /** Identities this copy says it stands in for. */
  readonly replaces: readonly string[];
  /** The number that tells LADSPA and VST2 plugins apart, where opening told it. */
  readonly uniqueId?: number | null;
  /** A picture of its window that the bundle ships, absolute. */
  readonly picture: string | null;
  readonly examined: 'read' | 'opened';
  readonly status: 'ok' | 'failed';
  readonly problem: Problem | null;
  /** What it says that could not be kept as it stands, in words; absent where all could. */
  readonly mended?: readonly string[];
}

/** The most controls whose names are kept: more say nothing more about what a plugin is. */
export const mostControls = 40;

/** The most characters of a description that are kept: what something is stands at its beginning. */
export const descriptionLength = 400;

/** A description as it is kept: one line, cut; nothing where nothing is said. */
export function describedBy(text: string | null | undefined): Pick<FoundCopy, 'description'> {
  const line = storable(text ?? '')
    .replace(/\s+/g, ' ')
    .trim();
  return line === '' ? {} : { description: cutText(line, descriptionLength) };
}

/** A copy of which only the format and path are known. */
export function bareCopy(format: Format, path: string): FoundCopy {
  return {
    format,
    path,
    binary: null,
    identity: null,
    name: null,
    vendor: null,
    declared: [],
    version: null,
    architectures: null,
    audioIn: null,
    audioOut: null,
    notesIn: null,
    notesOut: null,
    replaces: [],
    picture: null,
    examined: 'read',
    status: 'ok',
    problem: null,
  };
}

/** A copy that could not be read, with the reason. */
export const failedCopy = (format: Format, path: string, problem: Problem): FoundCopy => ({
  ...bareCopy(format, path),
  status: 'failed',
  problem,
});

/** A file's name without directories and ending. */
export function stemOfPath(path: string): string {
  const name = fileNameOf(path);
  return name.replace(/\.(vst3|lv2|clap|component|vst|dll|so)$/i, '');
}
