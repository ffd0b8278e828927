/**
 * Walking a place: which plugin files and bundles lie in it, and what tells whether each changed.
 * Only reads.
 */
import { hash } from 'node:crypto';
import { lstatSync, readdirSync, realpathSync, statSync, type Dirent, type Stats } from 'node:fs';
import { sep } from 'node:path';
import type { Format } from '@clever-drawer/core/formats';
import type { Problem } from '@clever-drawer/core/problem';

/** A file or bundle that may hold plugins, with its fingerprint. */
export interface FoundBundle {
  /** What it is, or the first of what it may be. */
  readonly format: Format;
  /** A `.so` may be of several formats: its exported names decide. */
  readonly candidates: readonly Format[];
  /** Absolute path as it was walked. */
  readonly path: string;
  /** Sizes, times and inodes of its files in one text; equal texts mean: unchanged. */
  readonly fingerprint: string;
  /** The number of the disk it lies on (st_dev), as a text. */
  readonly device: string;
  /** A file of settings; a bundle of LV2 may hold both and is none. */
  readonly isSettings: boolean;
}

/** All bundles below a place, and what of it could not be looked into. */
export interface Walked {
  readonly bundles: FoundBundle[];
  readonly problems: Problem[];
}

/** Directories below a place are entered this deep: vendors nest their folders, but not more than this. */
const maxDepth = 8;
/** Entries of directories that are looked at in one place; far above any studio. */
const maxEntries = 500_000;
/** The most bytes of a path that is kept: an index of the database takes no more than 2,704. */
const maxPath = 2_400;
/** Files of one bundle that are taken into its fingerprint. */
const maxFiles = 4_000;

/** Plugins, or files and bundles that may hold settings of them, or both. */
export type Sought = 'plugins' | 'settings' | 'both';

const directoryEndings: readonly (readonly [RegExp, Format])[] = [
  [/\.lv2$/i, 'LV2'],
  [/\.vst3$/i, 'VST3'],
  [/\.component$/i, 'AU'],
  [/\.clap$/i, 'CLAP'],
  [/\.vst$/i, 'VST2'],
];
type FileEndings = readonly (readonly [RegExp, readonly Format[]])[];
const settingEndings: FileEndings = [
  [/\.vstpreset$/i, ['VST3']],
  [/\.aupreset$/i, ['AU']],
  [/\.rdf$/i, ['LADSPA']],
];
const fileEndings: FileEndings = [
  [/\.vst3$/i, ['VST3']],
  [/\.clap$/i, ['CLAP']],
  [/\.dll$/i, ['VST2', 'LADSPA']],
  [/\.so$/i, ['LADSPA', 'VST2']],
];

/**
 * Finds what may be plugins of the wanted formats below a directory. Links are followed last, and
 * each real path is taken once.
 */
export function walk(
  place: string,
  wanted: readonly Format[],
  isStopped: () => boolean,
  what: Sought = 'plugins',
): Walked {
  const run = new Walk(place, wanted, isStopped, what);
  run.entered(place, 0);
  run.links();
  run.bundles.sort((a, b) => (a.path < b.path ? -1 : 1));
  return { bundles: run.bundles, problems: run.problems };
}

/** How deep a directory lies, and on which disk it has to be. */
interface Below {
  readonly depth: number;
  readonly device: number | null;
}

class Walk {
  readonly bundles: FoundBundle[] = [];
  readonly problems: Problem[] = [];
  readonly #wanted: readonly Format[];
  readonly #isStopped: () => boolean;
  readonly #what: Sought;
  readonly #seen = new Set<string>();
  readonly #links: { path: string; depth: number }[] = [];
  readonly #place: string;
  #entries = 0;

  constructor(place: string, wanted: readonly Format[], isStopped: () => boolean, what: Sought) {
    this.#place = realOf(place) ?? place;
    this.#wanted = wanted;
    this.#isStopped = isStopped;
    this.#what = what;
  }

  /** A place, or a directory that a link leads to: only here the real path has to be asked for. */
  entered(path: string, depth: number): void {
    const real = realOf(path);
    if (real !== null) {
      this.#directory(path, real, depth, null);
    }
  }

  /** Below a link, only the disk it leads to is looked at: `device` is its number. */
  #directory(path: string, real: string, depth: number, device: number | null): void {
    if (this.#isStopped() || this.#seen.has(real) || !this.#isOn(real, device)) {
      return;
    }
    this.#seen.add(real);
    const named = directoryEndings.find(([ending]) => ending.test(path))?.[1];
    if (named !== undefined) {
      // Of the bundles only those of LV2 hold settings.
      if (this.#what !== 'settings' || named === 'LV2') {
        this.#take([named], path, () => lookedAtBundle(path));
      }
      return;
    }
    const entries = this.#list(path);
    if (entries.some((entry) => entry.name === 'manifest.ttl')) {
      this.#take(['LV2'], path, () => lookedAtBundle(path));
    } else if (depth <= maxDepth) {
      this.#inside(path, real, entries, { depth: depth + 1, device });
    }
  }

  #isOn(real: string, device: number | null): boolean {
    return device === null || statOf(real)?.dev === device;
  }

  #inside(path: string, real: string, entries: readonly Dirent[], { depth, device }: Below): void {
    for (const entry of entries) {
      this.#entries += 1;
      if (this.#entries > maxEntries) {
        this.#tooMany();
        return;
      }
      const inside = below(path, entry.name);
      if (entry.isSymbolicLink()) {
        this.#links.push({ path: inside, depth });
      } else if (entry.isDirectory()) {
        this.#directory(inside, below(real, entry.name), depth, device);
      } else if (entry.isFile()) {
        this.#file(inside, below(real, entry.name));
      }
    }
  }

  /** Links, after all that is really there; a link may lead to further links. */
  links(): void {
    for (let link = this.#links.shift(); link && !this.#isStopped(); link = this.#links.shift()) {
      const real = realOf(link.path);
      const facts = real === null ? null : statOf(real);
      if (real === null || facts === null) {
        continue;
      }
      if (facts.isDirectory()) {
        this.#followed(link.path, real, link.depth, facts.dev);
      } else if (facts.isFile()) {
        this.#file(link.path, real);
      }
    }
  }

  /** A link to the root, or to what holds the place, would lead over the whole disk. */
  #followed(path: string, real: string, depth: number, device: number): void {
    const holdsPlace = real === sep || this.#place === real || this.#place.startsWith(real + sep);
    if (!holdsPlace) {
      this.#directory(path, real, depth, device);
    } else if (this.#place !== real) {
      this.problems.push({ code: 'link-too-wide', at: path, to: real });
    }
  }

  #tooMany(): void {
    const isSaid = this.problems.some((problem) => problem.code === 'too-much');
    if (!isSaid) {
      const got = this.#entries;
      const what = 'files and directories';
      this.problems.push({ code: 'too-much', at: this.#place, what, got, limit: maxEntries });
    }
  }

  #file(path: string, real: string): void {
    const matching = (endings: FileEndings): readonly Format[] | undefined =>
      endings.find(([ending]) => ending.test(path))?.[1];
    const ofPlugins = this.#what === 'settings' ? undefined : matching(fileEndings);
    const ofSettings = this.#what === 'plugins' ? undefined : matching(settingEndings);
    const candidates = ofPlugins ?? ofSettings;
    if (!candidates || this.#seen.has(real)) {
      return;
    }
    this.#seen.add(real);
    this.#take(candidates, path, () => lookedAtFile(real), ofPlugins === undefined);
  }

  #take(
    candidates: readonly Format[],
    path: string,
    look: () => LookedAt,
    isSettings = false,
  ): void {
    const possible = candidates.filter((format) => this.#wanted.includes(format));
    const first = possible[0];
    const got = Buffer.byteLength(path);
    if (first !== undefined && got > maxPath) {
      this.problems.push({ code: 'path-too-long', at: path.slice(0, 200), got, limit: maxPath });
    } else if (first !== undefined) {
      const { lines, device } = look();
      this.bundles.push({
        format: first,
        candidates: possible,
        path,
        fingerprint: hash('sha256', lines.sort().join('\n'), 'hex'),
        device: String(device ?? statOf(path)?.dev ?? ''),
        isSettings,
      });
    }
  }

  #list(directory: string): Dirent[] {
    try {
      return readdirSync(directory, { withFileTypes: true }).sort((a, b) =>
        a.name < b.name ? -1 : 1,
      );
    } catch (error) {
      this.problems.push({ code: 'file-unreadable', at: directory, reason: reasonOf(error) });
      return [];
    }
  }
}

/** A name below a directory, whose path is in its plain form already: `join` would look for dots. */
const below = (directory: string, name: string): string =>
  directory.endsWith(sep) ? directory + name : directory + sep + name;

const realOf = (path: string): string | null => {
  try {
    return realpathSync.native(path);
  } catch {
    return null;
  }
};

const statOf = (path: string) => {
  try {
    return statSync(path);
  } catch {
    return null;
  }
};

/** A system's error in words. */
export function reasonOf(error: unknown): string {
  const code = (error as NodeJS.ErrnoException).code ?? '';
  const reasons: Readonly<Record<string, string>> = {
    EACCES: 'no permission',
    EPERM: 'no permission',
    ELOOP: 'links in a circle',
    EISDIR: 'it is a directory',
    EIO: 'the disk does not answer',
  };
  return reasons[code] ?? (code || String(error));
}

/** What tells whether a file or bundle changed. */
interface LookedAt {
  /** A line for every file and directory. */
  readonly lines: string[];
  /** The disk that what was looked at first lies on; null where nothing was. */
  readonly device: number | null;
}

const fast = { throwIfNoEntry: false } as const;

const line = (name: string, facts: Stats | undefined): string =>
  facts ? `${name} ${facts.size} ${facts.mtimeMs} ${facts.ctimeMs} ${facts.ino}` : name;

function lookedAtFile(path: string): LookedAt {
  const facts = lstatSync(path, fast);
  return { lines: [line('', facts)], device: facts?.dev ?? null };
}

function lookedAtBundle(bundle: string): LookedAt {
  const lines: string[] = [];
  let device: number | null = null;
  const enter = (directory: string, depth: number): void => {
    let entries: Dirent[] = [];
    try {
      entries = readdirSync(directory, { withFileTypes: true });
    } catch (error) {
      lines.push(`${directory.slice(bundle.length)} ${reasonOf(error)}`);
    }
    for (const entry of entries) {
      if (lines.length >= maxFiles) {
        return;
      }
      const path = below(directory, entry.name);
      const facts = lstatSync(path, fast);
      device ??= facts?.dev ?? null;
      lines.push(line(path.slice(bundle.length), facts));
      if (entry.isDirectory() && depth < maxDepth) {
        enter(path, depth + 1);
      }
    }
  };
  enter(bundle, 0);
  return { lines, device };
}
