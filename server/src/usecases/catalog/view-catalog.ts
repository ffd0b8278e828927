/** What the screens show of the catalog, and the pictures that bundles ship. */
import { realpath, stat } from 'node:fs/promises';
import { extname, sep } from 'node:path';
import { failed, ok, type ComputerView, type Result, type Usage } from '@clever-drawer/core';
import { findCopy } from '../../database/catalog.ts';
import { findComputer, listComputers } from '../../database/computers.ts';
import { readUsage } from '../../database/session.ts';
import type { CatalogForm } from '../../jobs/held-catalogs.ts';
import { readRegular } from '../../files/index.ts';
import type { Parts } from '../../parts.ts';
import { computerView } from './set-up-computer.ts';

/** What is asked of a catalog: the revision that who asks has, and how a whole one is to be sent. */
export interface CatalogAsked {
  readonly since: string | undefined;
  readonly form: CatalogForm;
}

/** All computers. */
export async function viewComputers(parts: Parts): Promise<ComputerView[]> {
  return (await listComputers(parts.database.manager)).map(computerView);
}

/**
 * The plugins of a computer as JSON: the whole in the form that is asked for, or a `CatalogChange` for
 * who has the catalog of a revision since which it is known what changed.
 */
export async function viewCatalog(
  parts: Parts,
  computer: string,
  { since, form }: CatalogAsked,
): Promise<Result<string | Buffer>> {
  const row = await findComputer(parts.database.manager, computer);
  return row
    ? ok(await parts.catalogs.since(computerView(row), since, form))
    : failed({ code: 'unknown-record', at: 'computer', what: 'computer' });
}

/** How often and when plugins were loaded. */
export const viewUsage = (parts: Parts, computer: string): Promise<Usage[]> =>
  readUsage(parts.database.manager, computer, parts.clock());

const pictureTypes: Readonly<Record<string, string>> = {
  '.png': 'image/png',
  '.jpg': 'image/jpeg',
  '.jpeg': 'image/jpeg',
};
/** The largest picture that is shown, in bytes. */
const pictureLimit = 8 * 1_048_576;

/** The picture a copy's bundle ships. It has to lie inside the bundle itself. */
export async function readPicture(
  parts: Parts,
  computer: string,
  copyId: string,
): Promise<Result<{ bytes: Buffer; type: string }>> {
  const copy = await findCopy(parts.database.manager, computer, copyId);
  const picture = copy?.facts.picture ?? null;
  if (!copy || picture === null) {
    return failed({ code: 'unknown-record', at: 'picture', what: 'picture' });
  }
  const type = pictureTypes[extname(picture).toLowerCase()];
  if (type === undefined) {
    return failed({ code: 'file-unreadable', at: picture, reason: 'it is not a PNG or JPEG file' });
  }
  try {
    const [root, real] = await Promise.all([realpath(copy.path), realpath(picture)]);
    if (!real.startsWith(root + sep)) {
      return failed({ code: 'outside-place', at: picture });
    }
    const facts = await stat(real);
    if (!facts.isFile()) {
      return failed({ code: 'file-unreadable', at: picture, reason: 'it is not a file' });
    }
    if (facts.size > pictureLimit) {
      return failed({ code: 'file-too-large', at: picture, got: facts.size, limit: pictureLimit });
    }
    return ok({ bytes: await readRegular(real, pictureLimit), type });
  } catch {
    return failed({ code: 'file-missing', at: picture });
  }
}
