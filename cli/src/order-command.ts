/** `order`: the document of an order made, checked, compared, and out of and into the application. */
import { readFile, writeFile } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import type { OrderPreview } from '@clever-drawer/core/api';
import {
  describeChange,
  diffRecords,
  mergeModes,
  type MergeMode,
} from '@clever-drawer/core/exchange';
import { orderOf } from '@clever-drawer/core/order';
import {
  documentCopy,
  documentName,
  documentVersion,
  foldersOfDocument,
  idsAsWritten,
  printDocument,
  recordsOf,
  type OrderDocument,
} from '@clever-drawer/core/documents';
import { documentIn } from './document-file.ts';
import { groupLines } from './grouped-copies.ts';
import { inputOf, readLines } from './lines.ts';
import {
  askRunning,
  computerNamed,
  runningAt,
  usualAddress,
  type NamedRunning,
} from './running.ts';
import { sayHelp, type ExitStatus, type Terminal } from './terminal.ts';

const help = `Use: ./clever-drawer order make [COPIES] [--folder NAME]
     ./clever-drawer order check FILE
     ./clever-drawer order diff A B
     ./clever-drawer order export [FILE] [--loads] [--computer NAME] [--to URL] [--key-file FILE]
     ./clever-drawer order import FILE [--how HOW] [--dry-run] [--computer NAME] [--to URL] [--key-file FILE]

The order as one document (docs/file-format.md).
  make    a document whose one folder holds every plugin of the copies, as scan writes them
  check   says what is wrong with a document, where, and what should stand there
  diff    a line of JSON for each difference: what (comes, goes, changes), about, name, words, plugins
  export  writes the order of a computer of the running application
  import  reads a document (or an outline .opml, a table .csv) into it, as one change that undo takes back
  --how HOW        add (what is not here), theirs (the document wins), mine (this order wins, what it
                   left open is filled), replace; add unless it is said
  --loads          writes loads, too, which habits are made of
  --dry-run        says what would change, and changes nothing
  --computer NAME  the computer; the first unless it is said
  --to URL         where the application runs (${usualAddress})
  --key-file FILE  where its key stands, when it was started with --private; - reads standard input
Exit status: 0 done, 1 done but something failed, or refused, 2 wrong use.`;

interface Wishes extends NamedRunning {
  readonly what: string;
  readonly files: readonly string[];
  readonly folder: string;
  readonly computer: string | undefined;
  readonly how: MergeMode;
  readonly isDry: boolean;
  readonly hasLoads: boolean;
}

/** What was asked for; a text when it makes no sense, empty for help. */
function readWishes(args: string[]): Wishes | string {
  const text = { type: 'string' } as const;
  try {
    const { values, positionals } = parseArgs({
      args,
      allowPositionals: true,
      options: {
        folder: text,
        computer: text,
        how: text,
        to: text,
        'key-file': text,
        'dry-run': { type: 'boolean' },
        loads: { type: 'boolean' },
        help: { type: 'boolean', short: 'h' },
      },
    });
    const [what, ...files] = positionals;
    const how = mergeModes.find((mode) => mode === (values.how ?? 'add'));
    const to = values.to ?? usualAddress;
    if (values.help) {
      return '';
    }
    if (what === undefined || !Object.hasOwn(counts, what)) {
      return `Say what to do: ${Object.keys(counts).join(', ')}.`;
    }
    const [least = 0, most = 0] = counts[what] ?? [];
    if (files.length < least || files.length > most) {
      return `order ${what} takes ${least === most ? least : `${least} to ${most}`} files.`;
    }
    if (!how) {
      return `--how is one of ${mergeModes.join(', ')}.`;
    }
    return URL.canParse(to)
      ? {
          what,
          files,
          folder: values.folder ?? 'All',
          computer: values.computer,
          how,
          isDry: values['dry-run'] ?? false,
          hasLoads: values.loads ?? false,
          to,
          keyFile: values['key-file'],
        }
      : `"${to}" is no address.`;
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}

/** How few and how many files each takes. */
const counts: Readonly<Record<string, readonly [least: number, most: number]>> = {
  make: [0, 1],
  check: [1, 1],
  diff: [2, 2],
  export: [0, 1],
  import: [1, 1],
};

export async function orderCommand(
  args: string[],
  terminal: Terminal,
  input?: NodeJS.ReadableStream,
): Promise<ExitStatus> {
  const wishes = readWishes(args);
  if (typeof wishes === 'string') {
    return sayHelp(wishes, help, terminal);
  }
  const [first = '', second = ''] = wishes.files;
  switch (wishes.what) {
    case 'make':
      return make(input ?? inputOf(wishes.files[0]), wishes.folder, terminal);
    case 'check':
      return check(first, terminal);
    case 'diff':
      return diff(first, second, terminal);
    case 'export':
      return exportTo(wishes, terminal);
    default:
      return importFrom(wishes, terminal);
  }
}

async function make(
  input: NodeJS.ReadableStream,
  folder: string,
  terminal: Terminal,
): Promise<ExitStatus> {
  const { lines, good } = await readLines(input, terminal);
  const grouped = groupLines(lines);
  const document: OrderDocument = {
    document: documentName,
    version: documentVersion,
    computer: '',
    cabinets: [
      {
        id: 'cabinet',
        name: 'Made from copies',
        folders: [
          { id: 'favourites', form: 'favourites', name: 'Favourites' },
          {
            id: 'folder',
            form: 'folder',
            name: folder,
            plugins: grouped.map(({ plugin }) => plugin.id),
          },
        ],
      },
    ],
    plugins: grouped.map(({ plugin: { id, name, vendor, kind, types }, copies }) => ({
      id,
      name,
      vendor,
      kind,
      types,
      copies: copies.map((copy) => documentCopy(copy, false)),
    })),
    chains: [],
    spellings: [],
  };
  terminal.out(printDocument(document).trimEnd());
  return good ? 0 : 1;
}

async function check(file: string, terminal: Terminal): Promise<ExitStatus> {
  const read = await documentIn(file, terminal);
  if (!read) {
    return 1;
  }
  const { document, kept } = read;
  const folders = foldersOfDocument(document);
  terminal.out(
    JSON.stringify({
      version: document.version,
      computer: document.computer,
      cabinets: document.cabinets.length,
      folders: folders.length,
      placements: folders.reduce((sum, { plugins }) => sum + (plugins?.length ?? 0), 0),
      plugins: document.plugins.length,
      chains: document.chains.length,
      settings: document.settings?.length ?? 0,
      unknownFieldsAt: Object.keys(kept).map((at) => (at === '' ? 'document' : at)),
    }),
  );
  return 0;
}

async function diff(fileA: string, fileB: string, terminal: Terminal): Promise<ExitStatus> {
  const a = await documentIn(fileA, terminal);
  const b = await documentIn(fileB, terminal);
  if (!a || !b) {
    return 1;
  }
  const [before, after] = [a, b].map(({ document }) =>
    orderOf(recordsOf(document, idsAsWritten())),
  );
  const names = new Map(
    [a, b].flatMap(({ document }) =>
      [...document.plugins, ...document.chains, ...(document.settings ?? [])].map(
        ({ id, name }) => [id, name] as const,
      ),
    ),
  );
  if (before && after) {
    const { lines } = describeChange(before, diffRecords(before, after), (id) => names.get(id));
    for (const line of lines) {
      terminal.out(JSON.stringify(line));
    }
  }
  return 0;
}

async function exportTo(wishes: Wishes, terminal: Terminal): Promise<ExitStatus> {
  const running = await runningAt(wishes, terminal);
  const computer = running && (await computerNamed(running, wishes.computer, terminal));
  const response =
    computer &&
    (await askRunning(
      running,
      `/api/computers/${computer.id}/document${wishes.hasLoads ? '?loads=yes' : ''}`,
      terminal,
    ));
  if (!response) {
    return 1;
  }
  const text = await response.text();
  const [file] = wishes.files;
  if (file === undefined) {
    terminal.out(text.trimEnd());
  } else {
    await writeFile(file, text);
  }
  return 0;
}

/** What a file is, by its ending. */
function formOf(file: string): 'document' | 'outline' | 'table' {
  if (/\.(?:opml|xml)$/i.test(file)) {
    return 'outline';
  }
  return /\.csv$/i.test(file) ? 'table' : 'document';
}

async function importFrom(wishes: Wishes, terminal: Terminal): Promise<ExitStatus> {
  const [file = ''] = wishes.files;
  const text = await readFile(file, 'utf8').catch(() => null);
  if (text === null) {
    terminal.error(`${file} cannot be read.`);
    return 1;
  }
  const running = await runningAt(wishes, terminal);
  const computer = running && (await computerNamed(running, wishes.computer, terminal));
  const what = wishes.isDry ? 'preview' : 'merge';
  const body = JSON.stringify({ form: formOf(file), text, how: wishes.how, choices: {} });
  const response =
    computer &&
    (await askRunning(running, `/api/computers/${computer.id}/document/${what}`, terminal, {
      method: 'POST',
      body,
      headers: { 'Content-Type': 'application/json' },
    }));
  if (!response) {
    return 1;
  }
  if (wishes.isDry) {
    const preview = (await response.json()) as OrderPreview;
    for (const line of preview.change.lines) {
      terminal.out(JSON.stringify(line));
    }
  } else {
    const { words } = (await response.json()) as { words: string };
    terminal.error(`${words}.`);
  }
  return 0;
}
