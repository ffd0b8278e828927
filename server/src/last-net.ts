/**
 * The last net under the program: an error that nobody caught is written down and said by `/health`,
 * and the program goes on. It is a fault of ours each time: whoever starts something has to end it.
 */
import type { Logger } from 'pino';
import { loggable } from './log.ts';

/** What hears of errors that nobody caught: the process. */
export type Uncaught = Pick<NodeJS.Process, 'on' | 'off'>;

const kinds = ['uncaughtException', 'unhandledRejection'] as const;
/** So many are kept, the latest last. */
const mostErrors = 5;

/** Catches what nobody caught, from when it is spread until it is taken away. */
export class LastNet {
  readonly #uncaught: Uncaught | null;
  readonly #log: Logger;
  readonly #words: string[] = [];
  readonly #hear = (error: unknown): void => {
    this.#log.error({ error: loggable(error) }, 'an error that nobody caught');
    this.#words.push(error instanceof Error ? error.message : String(error));
    this.#words.splice(0, this.#words.length - mostErrors);
  };

  constructor(uncaught: Uncaught | null, log: Logger) {
    this.#uncaught = uncaught;
    this.#log = log;
    for (const kind of kinds) {
      uncaught?.on(kind, this.#hear);
    }
  }

  /** What was caught, in words. */
  get words(): readonly string[] {
    return this.#words;
  }

  remove(): void {
    for (const kind of kinds) {
      this.#uncaught?.off(kind, this.#hear);
    }
  }
}
