/** What a command writes to, and how it ends. */

/** Done, done but something failed, wrong use. */
export type ExitStatus = 0 | 1 | 2;

export interface Terminal {
  readonly out: (line: string) => void;
  readonly error: (line: string) => void;
}

/** Writes the help that was asked for (empty words), or says it after what was wrong with the words. */
export function sayHelp(wrong: string, help: string, terminal: Terminal): ExitStatus {
  if (wrong === '') {
    terminal.out(help);
    return 0;
  }
  terminal.error(`${wrong}\n${help}`);
  return 2;
}
