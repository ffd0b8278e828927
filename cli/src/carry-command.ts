/** `carry ORDER [COPIES]`: which plugins of a document are which of another computer. */
import { parseArgs } from 'node:util';
import { matchPlugins, type ToMatch } from '@clever-drawer/core/exchange';
import { copyFound, identityOf } from '@clever-drawer/core/documents';
import { documentIn } from './document-file.ts';
import { groupLines } from './grouped-copies.ts';
import { inputOf, readLines } from './lines.ts';
import { sayHelp, type ExitStatus, type Terminal } from './terminal.ts';

const help = `Use: ./clever-drawer carry ORDER [COPIES]

Reads a document of an order and another computer's copies, as scan writes them, and writes a line of
JSON for each plugin of the document: from {name, vendor, identities}, to (what it is there, as
"format identity"; empty when it is missing), how (same, likely, ask, missing), probability, because,
and choices where it is asked.
Exit status: 0 done, 1 a file could not be read or some line was no JSON object, 2 wrong use.`;

function readWishes(args: string[]): { order: string; copies: string | undefined } | string {
  try {
    const { values, positionals } = parseArgs({
      args,
      allowPositionals: true,
      options: { help: { type: 'boolean', short: 'h' } },
    });
    const [order, copies, ...more] = positionals;
    if (values.help) {
      return '';
    }
    return order === undefined || more.length > 0
      ? 'Name a document, and at most one file of copies.'
      : { order, copies };
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}

export async function carryCommand(
  args: string[],
  terminal: Terminal,
  input?: NodeJS.ReadableStream,
): Promise<ExitStatus> {
  const wishes = readWishes(args);
  if (typeof wishes === 'string') {
    return sayHelp(wishes, help, terminal);
  }
  const read = await documentIn(wishes.order, terminal);
  if (!read) {
    return 1;
  }
  const { lines, good } = await readLines(input ?? inputOf(wishes.copies), terminal);
  const here = groupLines(lines).map(
    ({ plugin: { id, name, vendor }, copies }): ToMatch => ({ id, name, vendor, copies }),
  );
  const wanted = read.document.plugins.map(
    ({ id, name, vendor, copies }): ToMatch => ({
      id,
      name,
      vendor,
      copies: copies.map(copyFound),
    }),
  );
  for (const line of carried(wanted, here)) {
    terminal.out(JSON.stringify(line));
  }
  return good ? 0 : 1;
}

function carried(wanted: readonly ToMatch[], here: readonly ToMatch[]): object[] {
  const byId = new Map(here.map((plugin) => [plugin.id, plugin]));
  const identities = (plugin: string): string[] => (byId.get(plugin)?.copies ?? []).map(identityOf);
  const matches = matchPlugins(wanted, here);
  return wanted.map((plugin, at) => {
    const { how, choices } = matches[at] ?? { how: 'missing', choices: [] };
    const [best] = choices;
    return {
      from: {
        name: plugin.name,
        vendor: plugin.vendor,
        identities: plugin.copies.map(identityOf),
      },
      to: best ? identities(best.plugin) : [],
      how,
      probability: best?.probability ?? 0,
      because: best?.because ?? 'nothing here is like it',
      ...(how === 'ask'
        ? {
            choices: choices.map((choice) => ({
              name: byId.get(choice.plugin)?.name,
              vendor: byId.get(choice.plugin)?.vendor,
              to: identities(choice.plugin),
              probability: choice.probability,
              because: choice.because,
            })),
          }
        : {}),
    };
  });
}
