/** What a command writes to, and how it ends. */

/** Done, done but something failed, wrong use. */
export type ExitStatus = 0 | 1 | 2;

export interface Terminal {
  readonly out: (line: string) => void;
  readonly error: (line: string) => void;
}

/** Says the help, after what was wrong with the words where they were; empty words ask for help. */
export function sayHelp(wrong: string, help: string, terminal: Terminal): ExitStatus {
  terminal.error(wrong === '' ? help : `${wrong}\n${help}`);
  return wrong === '' ? 0 : 2;
}
