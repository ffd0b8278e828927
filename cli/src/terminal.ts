/** What a command writes to, and how it ends. */

/** Done, done but something failed, wrong use. */
export type ExitStatus = 0 | 1 | 2;

export interface Terminal {
  readonly out: (line: string) => void;
  readonly error: (line: string) => void;
}
