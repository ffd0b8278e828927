/**
 * The command line: the same core as the application, without a database. NDJSON out, messages to
 * standard error.
 */
import packageFacts from '../package.json' with { type: 'json' };
import { completionScript, helpOfEach } from './completion.ts';
import type { ExitStatus, Terminal } from './terminal.ts';

type Command = (args: string[], terminal: Terminal) => Promise<ExitStatus>;

/** Each is fetched when it is asked for: help waits for none of them. */
const commands: Readonly<Record<string, () => Promise<Command>>> = {
  scan: async () => {
    const { scanCommand } = await import('./scan-command.ts');
    return (args, terminal) => scanCommand(args, terminal);
  },
  classify: async () => (await import('./sort-commands.ts')).classifyCommand,
  group: async () => (await import('./sort-commands.ts')).groupCommand,
  match: async () => (await import('./match-command.ts')).matchCommand,
  find: async () => (await import('./find-command.ts')).findCommand,
  settings: async () => (await import('./settings-command.ts')).settingsCommand,
  order: async () => (await import('./order-command.ts')).orderCommand,
  carry: async () => (await import('./carry-command.ts')).carryCommand,
  shelf: async () => (await import('./shelf-command.ts')).shelfCommand,
  backup: async () => (await import('./backup-command.ts')).backupCommand,
  restore: async () => (await import('./backup-command.ts')).restoreCommand,
  take: async () => (await import('./take-command.ts')).takeCommand,
};

const { version } = packageFacts;

const help = `Use: ./clever-drawer COMMAND …

  scan DIR…          a line of JSON for each copy found below the directories; opened, with --open
  classify [FILE]    plugins with their likely types and kind, and the reasons
  group [FILE]       copies gathered into plugins, with the reasons
  match RULE [FILE]  the plugins that a rule takes in, with the reasons
  find QUERY [FILE]  plugins found by a few letters, best first, with the reasons
  settings DIR…      a line of JSON for each saved setting of a plugin below the directories
  order WHAT …       the order as a document: make, check, diff, export, import
  carry ORDER [FILE] which plugins of a document are which of another computer's copies
  shelf ORDER DIR    a cabinet written out as directories
  backup FILE        everything of the studio in one file; restore FILE brings it back
  take FILE          another computer's scan, read into the running application
  completion         what bash needs to complete commands and options

./clever-drawer COMMAND --help tells more, ./clever-drawer --version which one this is.`;

export async function run(args: readonly string[], terminal: Terminal): Promise<ExitStatus> {
  const [name, ...rest] = args;
  if (name === undefined) {
    terminal.error(help);
    return 2;
  }
  if (name === '--help' || name === '-h') {
    terminal.out(help);
    return 0;
  }
  if (name === '--version') {
    terminal.out(version);
    return 0;
  }
  if (name === 'completion') {
    terminal.out(completionScript(await helpOfEach(Object.keys(commands), run)));
    return 0;
  }
  const command = Object.hasOwn(commands, name) ? commands[name] : undefined;
  if (command) {
    return (await command())(rest, terminal);
  }
  terminal.error(`There is no command "${name}".\n${help}`);
  return 2;
}

if (process.argv[1] === import.meta.filename) {
  process.stdout.on('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'EPIPE') {
      process.exit(0);
    }
  });
  process.exitCode = await run(process.argv.slice(2), {
    out: (line) => {
      process.stdout.write(`${line}\n`);
    },
    error: (line) => {
      process.stderr.write(`${line}\n`);
    },
  });
}
