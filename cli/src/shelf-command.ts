/** `shelf ORDER DIR`: a cabinet of a document written out as directories. */
import { existsSync } from 'node:fs';
import { mkdir, realpath } from 'node:fs/promises';
import { parseArgs } from 'node:util';
import type { Plugin } from '@clever-drawer/core/catalog';
import { planShelf } from '@clever-drawer/core/exchange';
import { asId, type CopyId, type PluginId } from '@clever-drawer/core/id';
import { orderOf } from '@clever-drawer/core/order';
import { describe } from '@clever-drawer/core/problem';
import { idsAsWritten, recordsOf, type OrderDocument } from '@clever-drawer/core/documents';
import {
  directoriesOf,
  shelfKey,
  whyNotNear,
  usualDirectory,
  writeShelf,
} from '@clever-drawer/server/shelf';
import { documentIn } from './document-file.ts';
import { sayHelp, type ExitStatus, type Terminal } from './terminal.ts';

const help = `Use: ./clever-drawer shelf ORDER DIR [--cabinet NAME] [--figures] [--cards] [--dry-run]

Writes a cabinet of a document as directories: one for each folder, in it a link to the copy in front
of each plugin, or a text card where that copy is not on this disk. DIR is made, or was empty, or was
written by this command before; then it is brought into step. Nothing else in it is touched.
  --cabinet NAME  the cabinet; the first unless it is said
  --figures       keeps the order of folders and plugins by figures in front
  --cards         text cards instead of links
  --dry-run       says what would be done, and does nothing
Writes a line of JSON for each thing done: does (make, replace, remove, leave), kind, path, to, because.
Exit status: 0 done, 1 refused, or something lay in the way, 2 wrong use.`;

interface Wishes {
  readonly order: string;
  readonly directory: string;
  readonly cabinet: string | undefined;
  readonly hasFigures: boolean;
  readonly hasLinks: boolean;
  readonly isDry: boolean;
}

function readWishes(args: string[]): Wishes | string {
  const flag = { type: 'boolean', default: false } as const;
  try {
    const { values, positionals } = parseArgs({
      args,
      allowPositionals: true,
      options: {
        cabinet: { type: 'string' },
        figures: flag,
        cards: flag,
        'dry-run': flag,
        help: { type: 'boolean', short: 'h' },
      },
    });
    const [order, directory, ...more] = positionals;
    if (values.help) {
      return '';
    }
    return order === undefined || directory === undefined || more.length > 0
      ? 'Name a document and a directory.'
      : {
          order,
          directory,
          cabinet: values.cabinet,
          hasFigures: values.figures,
          hasLinks: !values.cards,
          isDry: values['dry-run'],
        };
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}

export async function shelfCommand(args: string[], terminal: Terminal): Promise<ExitStatus> {
  const wishes = readWishes(args);
  if (typeof wishes === 'string') {
    return sayHelp(wishes, help, terminal);
  }
  const read = await documentIn(wishes.order, terminal);
  if (!read) {
    return 1;
  }
  const { document } = read;
  const cabinet = document.cabinets.find(
    ({ name }) => wishes.cabinet === undefined || name === wishes.cabinet,
  );
  if (!cabinet) {
    const known = document.cabinets.map(({ name }) => name).join(', ');
    terminal.error(`There is no cabinet ${wishes.cabinet ?? ''}. There is ${known}.`);
    return 1;
  }
  const plugins = pluginsOf(document);
  const plan = planShelf({
    order: orderOf(recordsOf(document, idsAsWritten())),
    plugins,
    cabinet: cabinet.id,
    formatOrder: document.formatOrder,
    hasFigures: wishes.hasFigures,
    hasLinks: wishes.hasLinks,
  });
  const never = directoriesOf(plugins.flatMap(({ copies }) => copies.map(({ path }) => path)));
  const key = await ownKey();
  const whyNot = (real: string): Promise<string | null> => whyNotNear(real, never);
  const written = await writeShelf(wishes.directory, plan, { key, isDry: wishes.isDry, whyNot });
  if (!written.ok) {
    terminal.error(written.problems.map(describe).join('\n'));
    return 1;
  }
  const { actions, kept } = written.value;
  for (const action of actions) {
    terminal.out(JSON.stringify(action));
  }
  const left = actions.filter(({ does }) => does === 'leave').length;
  const would = wishes.isDry ? ' would be' : '';
  terminal.error(`${actions.length - left}${would} done, ${kept} as they should be, ${left} left.`);
  return left > 0 ? 1 : 0;
}

/** What shelves of this command are known by again; it is kept where Clever Drawer keeps its data. */
async function ownKey(): Promise<Buffer> {
  const directory = usualDirectory(process.env);
  await mkdir(directory, { recursive: true, mode: 0o755 });
  return shelfKey(await realpath(directory));
}

/** The plugins of a document as a catalog has them; a copy that is not on this disk is gone. */
const pluginsOf = (document: OrderDocument): Plugin[] =>
  document.plugins.map(({ id, name, vendor, kind, types, copies }) => ({
    id: asId<PluginId>(id),
    name,
    vendor,
    kind,
    types,
    arrived: new Date(0).toISOString(),
    copies: copies.map((copy) => ({
      id: asId<CopyId>(`${copy.format} ${copy.path}`),
      format: copy.format,
      path: copy.path,
      state: existsSync(copy.path) ? 'present' : 'gone',
      version: copy.version ?? null,
      hasPicture: false,
      is32Bit: false,
      isFailed: false,
      audioIn: copy.audioIn ?? null,
      audioOut: copy.audioOut ?? null,
    })),
  }));
