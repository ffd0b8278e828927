/** `take FILE --computer NAME`: another computer's scan, read into the running application. */
import { openAsBlob } from 'node:fs';
import { parseArgs } from 'node:util';
import { findingKinds, type Refusal, type TakenView } from '@clever-drawer/core';
import type { ExitStatus, Terminal } from './terminal.ts';

const help = `Use: ./clever-drawer take FILE --computer NAME [--to URL] [--key KEY]

Reads what the scanner wrote on another computer into the running application, as that computer's
scan. A file that is cut off or odd changes nothing.
  --computer NAME  the computer; it is made when there is none of that name
  --to URL         where the application runs (http://127.0.0.1:4747)
  --key KEY        its key, where it was started with --private
Exit status: 0 done, 1 refused, 2 wrong use.`;

interface Wishes {
  readonly file: string;
  readonly computer: string;
  readonly to: string;
  readonly key: string | undefined;
}

/** What was asked for; a text when it makes no sense, empty for help. */
function readWishes(args: string[]): Wishes | string {
  const text = { type: 'string' } as const;
  try {
    const { values, positionals } = parseArgs({
      args,
      allowPositionals: true,
      options: {
        computer: text,
        to: text,
        key: text,
        help: { type: 'boolean', short: 'h' },
      },
    });
    const [file, ...more] = positionals;
    if (values.help) {
      return '';
    }
    if (file === undefined || more.length > 0) {
      return 'Name one file.';
    }
    if (values.computer === undefined) {
      return 'Say which computer it is: --computer NAME.';
    }
    const to = values.to ?? 'http://127.0.0.1:4747';
    return URL.canParse(to)
      ? { file, computer: values.computer, to, key: values.key }
      : `"${to}" is no address.`;
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}

export async function takeCommand(args: string[], terminal: Terminal): Promise<ExitStatus> {
  const wishes = readWishes(args);
  if (typeof wishes === 'string') {
    terminal.error(wishes === '' ? help : `${wishes}\n${help}`);
    return wishes === '' ? 0 : 2;
  }
  const { file, computer, to, key } = wishes;
  const body = await openAsBlob(file).catch(() => null);
  if (!body) {
    terminal.error(`${file} cannot be read.`);
    return 2;
  }
  const url = new URL(`/api/take?computer=${encodeURIComponent(computer)}`, to);
  const headers: Record<string, string> =
    key === undefined ? {} : { Authorization: `Bearer ${key}` };
  const response = await fetch(url, { method: 'POST', body, headers }).catch(() => null);
  if (!response) {
    terminal.error(`Clever Drawer does not answer at ${to}. Start it with ./start, or say --to.`);
    return 1;
  }
  const answer: unknown = await response.json();
  if (!response.ok) {
    terminal.error((answer as Refusal).problems.map(({ message }) => message).join('\n'));
    return 1;
  }
  terminal.error(wordsOf(answer as TakenView));
  return 0;
}

function wordsOf({ computer, isNew, scan }: TakenView): string {
  const counts = findingKinds
    .filter((kind) => scan.counts[kind] > 0)
    .map((kind) => `${scan.counts[kind]} ${kind}`);
  const what = counts.join(', ') || 'nothing changed';
  return `${computer.name}${isNew ? ' (new)' : ''}: ${scan.looked} copies, ${what}.`;
}
