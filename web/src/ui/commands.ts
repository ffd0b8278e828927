/** What keys do, as a table: the first command that has the key and may run does. */

export interface Command {
  /** Keys as `chord` names them: "Ctrl+B", "ArrowDown", "F". */
  readonly keys: readonly string[];
  /** Whether it may run now; where it is left out, always. */
  readonly when?: () => boolean;
  readonly run: () => void;
}

/** The command that a key runs; undefined when there is none, or none that may run now. */
export const commandFor = (commands: readonly Command[], key: string): Command | undefined =>
  commands.find((command) => command.keys.includes(key) && (command.when?.() ?? true));

/** Runs what the key of an event does, and keeps the browser and what lies around from hearing it. */
export function runCommand(
  commands: readonly Command[],
  key: string,
  event: Pick<Event, 'preventDefault' | 'stopPropagation'>,
): boolean {
  const command = commandFor(commands, key);
  if (!command) {
    return false;
  }
  event.preventDefault();
  event.stopPropagation();
  command.run();
  return true;
}
