/** Opens copies in processes of their own, a few at a time, and gives what they told as facts. */
import { cpus } from 'node:os';
import type { FoundCopy } from '@clever-drawer/core/formats';
import { grouped } from '@clever-drawer/core/grouped';
import {
  noDescriptions,
  openedCopies,
  storableCopy,
  type LadspaDescriptions,
  type Opened,
} from '@clever-drawer/core/readers';
import { findConfinement, type Confinement } from './confinement.ts';
import { tidyHomes } from './home.ts';
import { OpenProcess, usualProgram, type OpenTask } from './open-process.ts';
import { programFor, type OpeningMachine } from './openable.ts';

/** How opening goes about it. */
export interface OpenerOptions {
  /** The longest that one file may take, in milliseconds. */
  readonly limit?: number;
  /** How many processes open at once. */
  readonly lanes?: number;
  readonly machine?: OpeningMachine;
  /** How processes are started; found out unless given. */
  readonly confinement?: Confinement;
  /** The script of a process and its arguments, where it is not the usual one. */
  readonly program?: readonly string[];
}

/** Ten seconds: slow plugins look for their licence or build tables while they are made. */
const usualLimit = 10_000;
/** How often a process is started for one task before it is given up. */
const tries = 3;

/** Opens copies; processes are started when first needed, and renewed. */
export class Opener {
  readonly #limit: number;
  readonly #lanes: number;
  readonly #machine: OpeningMachine;
  readonly #program: readonly string[];
  readonly #idle: OpenProcess[] = [];
  readonly #running = new Set<OpenProcess>();
  readonly #waiting: (() => void)[] = [];
  #busy = 0;
  /** However the program ends, nothing is left behind. */
  readonly #atExit = (): void => {
    this.close();
  };
  #confinement: Promise<Confinement> | null = null;

  constructor({ limit, lanes, machine, confinement, program }: OpenerOptions = {}) {
    this.#limit = limit ?? usualLimit;
    this.#lanes = lanes ?? Math.max(1, Math.min(2, cpus().length));
    this.#machine = machine ?? process;
    this.#program = program ?? usualProgram;
    this.#confinement = confinement ? Promise.resolve(confinement) : null;
    process.once('exit', this.#atExit);
  }

  /** How many are opened at once. */
  get size(): number {
    return this.#lanes;
  }

  /** What cannot be kept from opened plugins on this system, in words; null where all can. */
  async lacks(): Promise<string | null> {
    const { lacks } = await this.#confined();
    const isRoot = process.getuid?.() === 0;
    const asRoot = isRoot ? 'Clever Drawer runs as root, and so does what it opens.' : null;
    const said = [lacks, asRoot].filter((words) => words !== null).join(' ');
    return said === '' ? null : said;
  }

  /** Whether opening could tell more of some of these copies of one bundle. */
  canOpen(copies: readonly FoundCopy[]): boolean {
    return copies.some((copy) => programFor(copy, this.#machine) !== null);
  }

  /**
   * The copies of one bundle as opening tells them; copies for other machines stay as they were
   * read. Never rejects for what a plugin does.
   */
  async open(
    copies: readonly FoundCopy[],
    descriptions: LadspaDescriptions = noDescriptions,
  ): Promise<FoundCopy[]> {
    const byProgram = grouped(
      copies.map((copy) => [programFor(copy, this.#machine) ?? '', copy] as const),
    );
    const answers = await Promise.all(
      [...byProgram].map(async ([binary, read]) => {
        const [first] = read;
        if (binary === '' || !first) {
          return read;
        }
        const identities = read.flatMap(({ identity }) => identity ?? []);
        const { format, path } = first;
        const opened = await this.#openAlone({ format, path, binary, identities });
        return openedCopies(read, opened, descriptions).map(storableCopy);
      }),
    );
    return answers.flat();
  }

  /** Ends all processes. */
  close(): void {
    for (const each of this.#running) {
      each.kill();
    }
    this.#running.clear();
    this.#idle.length = 0;
    process.off('exit', this.#atExit);
  }

  /** What fails in a process that opened others before may be their fault: it is tried once alone. */
  async #openAlone(task: OpenTask): Promise<Opened> {
    await this.#turn();
    try {
      const first = await this.#tryOnce(task, this.#idle.pop() ?? null);
      if (first.wasFresh || !isFailure(first.opened)) {
        return first.opened;
      }
      return (await this.#tryOnce(task, null)).opened;
    } finally {
      this.#busy -= 1;
      this.#waiting.shift()?.();
    }
  }

  async #tryOnce(
    task: OpenTask,
    given: OpenProcess | null,
  ): Promise<{ opened: Opened; wasFresh: boolean }> {
    const worker = given ?? (await this.#start());
    if (typeof worker === 'string') {
      const detail = `the process for it could not be started (${worker})`;
      return {
        opened: { plugins: [], problem: { code: 'refused', at: task.path, detail } },
        wasFresh: true,
      };
    }
    const wasFresh = worker.isFresh;
    const { opened, isAlive } = await worker.open(task, this.#limit);
    if (isAlive && !worker.isWorn) {
      this.#idle.push(worker);
    } else {
      worker.kill();
      this.#running.delete(worker);
    }
    return { opened, wasFresh };
  }

  async #start(): Promise<OpenProcess | string> {
    let trouble = '';
    for (let at = 0; at < tries; at += 1) {
      const started = await OpenProcess.start(await this.#confined(), this.#program);
      if (typeof started !== 'string') {
        this.#running.add(started);
        return started;
      }
      trouble = started;
    }
    return trouble;
  }

  #confined(): Promise<Confinement> {
    if (!this.#confinement) {
      tidyHomes();
      this.#confinement = findConfinement(process.platform);
    }
    return this.#confinement;
  }

  async #turn(): Promise<void> {
    if (this.#busy >= this.#lanes) {
      await new Promise<void>((resolve) => {
        this.#waiting.push(resolve);
      });
    }
    this.#busy += 1;
  }
}

/** Ends that may be another plugin's fault. */
const isFailure = ({ problem }: Opened): boolean =>
  problem?.code === 'crashed' || problem?.code === 'timed-out';
