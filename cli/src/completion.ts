/** `completion`: what a shell needs to complete commands and their options. */
import type { Terminal } from './terminal.ts';

/** The options that a text of help tells of, each once. */
const optionsIn = (help: string): string[] => [
  ...new Set([...help.matchAll(/(?<![\w-])--[a-z][a-z-]*/g)].map(([option]) => option)),
];

/**
 * A script for bash (its manual, “Programmable Completion”); zsh takes it after `bashcompinit`.
 * `helpOf` gives the help of each command by its name.
 */
export function completionScript(helpOf: Readonly<Record<string, string>>): string {
  const cases = Object.entries(helpOf).map(
    ([name, help]) => `    ${name}) words="${[...optionsIn(help), '--help'].join(' ')}" ;;`,
  );
  return `# Completion of clever-drawer for bash:  eval "$(./clever-drawer completion)"
_clever_drawer() {
  local words current="\${COMP_WORDS[COMP_CWORD]}"
  case "\${COMP_WORDS[1]}" in
${cases.join('\n')}
  esac
  [ "$COMP_CWORD" -eq 1 ] && words="${Object.keys(helpOf).join(' ')} --help --version"
  COMPREPLY=()
  case "$current" in -*) ;; *) [ "$COMP_CWORD" -gt 1 ] && COMPREPLY=($(compgen -f -- "$current")) && return ;; esac
  COMPREPLY=($(compgen -W "$words" -- "$current"))
}
complete -o filenames -F _clever_drawer clever-drawer ./clever-drawer`;
}

/** What every command says of itself, by its name. */
export async function helpOfEach(
  names: readonly string[],
  run: (args: readonly string[], terminal: Terminal) => Promise<unknown>,
): Promise<Record<string, string>> {
  const helps: Record<string, string> = {};
  for (const name of names) {
    const said: string[] = [];
    const hear = (line: string): void => {
      said.push(line);
    };
    await run([name, '--help'], { out: hear, error: hear });
    helps[name] = said.join('\n');
  }
  return helps;
}
