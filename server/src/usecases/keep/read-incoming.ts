/** What is to be read in, from the form it comes in to a document. */
import type { EntityManager } from 'typeorm';
import type { MergeMode } from '@clever-drawer/core/exchange';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { fold } from '@clever-drawer/core/text';
import { readDocument, readOutline, type ReadDocument } from '@clever-drawer/core/documents';
import { allCopies, readCatalog } from '../../database/catalog.ts';
import { findComputer } from '../../database/computers.ts';
import { readOrder } from '../../database/order/index.ts';
import type { Reach } from '../../reach.ts';
import { readTree } from '../../shelf/index.ts';
import { documentOfTree } from './tree-document.ts';
import { documentHere } from './export-documents.ts';

/**
 * What is to be read in: the text of a document, outline or table, the path of a tree of directories,
 * or the order of another computer here.
 */
export interface Incoming {
  readonly form?: 'document' | 'outline' | 'table' | 'tree' | undefined;
  readonly text?: string | undefined;
  readonly computer?: string | undefined;
  readonly how: MergeMode;
  /** What plugins of the document are here, where somebody said so; null leaves one out. */
  readonly choices: Readonly<Record<string, string | null>>;
  /** Whether loads and habits come along; they do unless somebody says no. */
  readonly hasLoads?: boolean | undefined;
}

/** The document that is to be read in, whatever form it comes in, or what is wrong with it. */
export async function readIncoming(
  reach: Reach,
  manager: EntityManager,
  here: string,
  { text, computer, form, hasLoads = true }: Incoming,
): Promise<Result<ReadDocument>> {
  if (text !== undefined && form === 'tree') {
    const detail = await reach.whyNotRead(text);
    if (detail !== null) {
      return failed({ code: 'directory-refused', at: text, detail });
    }
    const tree = await readTree(text);
    return tree.ok
      ? ok({ document: documentOfTree(tree.value, await allCopies(manager, here)), kept: {} })
      : tree;
  }
  if (text !== undefined && form === 'outline') {
    return readOutlineHere(manager, here, text);
  }
  if (text !== undefined) {
    return readDocument(text);
  }
  const other = computer === undefined ? null : await findComputer(manager, computer);
  return other
    ? ok({
        document: await documentHere(
          manager,
          other.id,
          await readOrder(manager, other.id),
          hasLoads,
        ),
        kept: {},
      })
    : failed({ code: 'unknown-record', at: 'computer', what: 'computer' });
}

async function readOutlineHere(
  manager: EntityManager,
  here: string,
  text: string,
): Promise<Result<ReadDocument>> {
  const names = new Set((await readCatalog(manager, here)).map(({ name }) => fold(name)));
  const read = readOutline(text, (name) => names.has(fold(name)));
  return read.ok ? ok({ document: read.value, kept: {} }) : read;
}
