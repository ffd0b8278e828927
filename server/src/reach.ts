/**
 * What requests may have read and written on the disk. Whoever can send a request speaks with the rights
 * of this program: so directories are named beforehand (home, the places, what was said at the command
 * line), paths are resolved to what they really are, and nothing is written where plugins, the data or
 * the system lie.
 */
import { isWithin, realPathOf } from './files/index.ts';

/** What is known about this computer. */
export interface Surroundings {
  /** The directory of the data. */
  readonly data: string;
  readonly home: string;
  /** What was said at the command line. */
  readonly allowed: readonly string[];
  /** Where plugins are looked for. */
  readonly places: () => Promise<readonly string[]>;
}

/** Directories of the system, in which something is written only where it was said at the command line. */
const systems = [
  ...[
    '/bin',
    '/boot',
    '/etc',
    '/lib',
    '/lib32',
    '/lib64',
    '/libx32',
    '/run',
    '/sbin',
    '/usr',
    '/var',
  ],
];
/** What looks like a directory and is none: never. */
const unreal = ['/dev', '/proc', '/sys'];

/** Why nothing is read or written there; null where it may be. */
export type WhyNot = string | null;

/** Why no program of ours writes there, whoever asks for it; `real` is the real path. */
function whyNeverWritten(real: string, places: readonly string[]): WhyNot {
  if (real === '/' || unreal.some((one) => isWithin(real, one))) {
    return `${real} belongs to the system.`;
  }
  const near = places.find((one) => isWithin(real, one) || isWithin(one, real));
  return near === undefined
    ? null
    : `Plugins lie in ${near}, and nothing is ever written there. Choose a directory of its own.`;
}

/** The same, with places as they are called and as they really are. */
export const whyNotNear = async (real: string, places: readonly string[]): Promise<WhyNot> =>
  whyNeverWritten(real, await asTheyAre(places));

async function asTheyAre(paths: readonly string[]): Promise<string[]> {
  const real = await Promise.all(paths.map((one) => realPathOf(one)));
  return [...new Set([...paths, ...real.filter((one) => one !== null)])];
}

/** Answers for one server. */
export class Reach {
  readonly #known: Surroundings;

  constructor(known: Surroundings) {
    this.#known = known;
  }

  /** Why the names in a directory are not told. */
  async whyNotRead(path: string): Promise<WhyNot> {
    const real = await realPathOf(path);
    const places = await this.#places();
    return real !== null && this.#isNamed(real, [...(await this.#named()), ...places])
      ? null
      : this.#notNamed(path);
  }

  /**
   * Why nothing is written in a directory, by its real path: what is opened afterwards has to be that
   * very path, without following a link.
   */
  async whyNotWritten(real: string): Promise<WhyNot> {
    const data = await realPathOf(this.#known.data);
    if (data !== null && (isWithin(real, data) || isWithin(data, real))) {
      return `Clever Drawer keeps its own data in ${data}. Choose a directory of its own.`;
    }
    const never = whyNeverWritten(real, await this.#places());
    if (never !== null) {
      return never;
    }
    return this.#isNamed(real, await this.#named()) ? null : this.#notNamed(real);
  }

  /** The same for backups; those beside the data always may be. */
  async whyNotBackups(real: string): Promise<WhyNot> {
    const data = await realPathOf(this.#known.data);
    return data !== null && real === `${data}/backups` ? null : this.whyNotWritten(real);
  }

  /** The places of plugins as they really are, and as they are called. */
  async #places(): Promise<string[]> {
    return asTheyAre(await this.#known.places());
  }

  /** Home, unless that is a directory of the system as services have it, and what was said. */
  async #named(): Promise<string[]> {
    const { home, allowed } = this.#known;
    const ownHome = await realPathOf(home);
    const isOfSystem = ownHome === null || systems.some((one) => isWithin(ownHome, one));
    const said = await Promise.all(allowed.map((one) => realPathOf(one)));
    const named = [isOfSystem ? null : ownHome, ...said].filter((one) => one !== null);
    return named.filter((one) => one !== '/');
  }

  /** Whether a path lies in one of them; in the system only where just that part of it was named. */
  #isNamed(real: string, named: readonly string[]): boolean {
    const system = systems.find((one) => isWithin(real, one));
    return named.some(
      (one) =>
        isWithin(real, one) && (system === undefined || (one !== system && isWithin(one, system))),
    );
  }

  #notNamed(path: string): string {
    return `${path} is not in a directory that Clever Drawer was told of: your home directory, and what ./start was given with --allow DIR. Choose another one, or start with --allow.`;
  }
}
