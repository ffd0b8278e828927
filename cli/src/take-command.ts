/** `take FILE --computer NAME`: another computer's scan, read into the running application. */
import { openAsBlob } from 'node:fs';
import { parseArgs } from 'node:util';
import type { TakenView } from '@clever-drawer/core/api';
import { findingKinds } from '@clever-drawer/core/scan';
import { askRunning, runningAt, usualAddress } from './running.ts';
import { sayHelp, type ExitStatus, type Terminal } from './terminal.ts';

const help = `Use: ./clever-drawer take FILE --computer NAME [--accept-gone] [--to URL] [--key-file FILE]

Reads what the scanner wrote on another computer into the running application, as that computer's
scan. A file that is cut off or odd changes nothing.
  --computer NAME  the computer; it is made when there is none of that name
  --accept-gone    also where the file lacks more than a tenth of what is known of it
  --to URL         where the application runs (${usualAddress})
  --key-file FILE  where its key stands, when it was started with --private; - reads standard input
Exit status: 0 done, 1 refused, 2 wrong use.`;

interface Wishes {
  readonly file: string;
  readonly computer: string;
  readonly mayGo: boolean;
  readonly to: string;
  readonly keyFile: string | undefined;
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
        'accept-gone': { type: 'boolean', default: false },
        to: text,
        'key-file': text,
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
    const to = values.to ?? usualAddress;
    return URL.canParse(to)
      ? {
          file,
          computer: values.computer,
          mayGo: values['accept-gone'],
          to,
          keyFile: values['key-file'],
        }
      : `"${to}" is no address.`;
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}

export async function takeCommand(args: string[], terminal: Terminal): Promise<ExitStatus> {
  const wishes = readWishes(args);
  if (typeof wishes === 'string') {
    return sayHelp(wishes, help, terminal);
  }
  const { file, computer, mayGo, to, keyFile } = wishes;
  const body = await openAsBlob(file).catch(() => null);
  if (!body) {
    terminal.error(`${file} cannot be read.`);
    return 2;
  }
  const path = `/api/take?computer=${encodeURIComponent(computer)}${mayGo ? '&gone=accept' : ''}`;
  const running = await runningAt({ to, keyFile }, terminal);
  const response = running && (await askRunning(running, path, terminal, { method: 'POST', body }));
  if (!response) {
    return 1;
  }
  terminal.error(wordsOf((await response.json()) as TakenView));
  return 0;
}

function wordsOf({ computer, isNew, scan }: TakenView): string {
  const counts = findingKinds
    .filter((kind) => scan.counts[kind] > 0)
    .map((kind) => `${scan.counts[kind]} ${kind}`);
  const what = counts.join(', ') || 'nothing changed';
  return `${computer.name}${isNew ? ' (new)' : ''}: ${scan.looked} copies, ${what}.`;
}
