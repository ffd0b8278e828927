/** What the screens show of the catalog, and the pictures that bundles ship. */
import { realpath, stat } from 'node:fs/promises';
import { extname, sep } from 'node:path';
import type { CatalogView, ComputerView } from '@clever-drawer/core/api';
import type { CatalogChange } from '@clever-drawer/core/catalog';
import { questionsOf, type Question } from '@clever-drawer/core/identify';
import type { Usage } from '@clever-drawer/core/loading';
import { memoizeByObject } from '@clever-drawer/core/memoize';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { uncertainOf, type SortChange, type SortView } from '@clever-drawer/core/studio';
import { countFailed, findCopy } from '../../database/catalog.ts';
import { findComputer, listComputers } from '../../database/computers.ts';
import { readUsage } from '../../database/session.ts';
import { changedSince } from '../../database/versions.ts';
import { readRegular } from '../../files/index.ts';
import type { Parts } from '../../parts.ts';
import type { StudioNow } from '../../studio/studios.ts';
import { computerView } from './set-up-computer.ts';

/** All computers. */
export async function viewComputers(parts: Parts): Promise<ComputerView[]> {
  return (await listComputers(parts.database.manager)).map(computerView);
}

/** Plugins that changed since a version that a window has; null where these are not known, or it has none. */
async function changedIn(
  { database }: Parts,
  computer: string,
  since: number | null,
): Promise<readonly string[] | null> {
  const changed = since === null ? null : await changedSince(database.manager, computer, since);
  return changed && changed.plugins;
}

/** The plugins of a computer: all, or what changed since a version. */
export async function viewCatalog(
  parts: Parts,
  computer: string,
  since: number | null,
): Promise<Result<CatalogView | CatalogChange>> {
  const row = await findComputer(parts.database.manager, computer);
  if (!row) {
    return failed({ code: 'unknown-record', at: 'computer', what: 'computer' });
  }
  const { version, catalog } = await parts.studios.of(computer);
  const changed = await changedIn(parts, computer, since);
  if (changed === null) {
    return ok({ version, computer: computerView(row), plugins: catalog });
  }
  const ids = new Set(changed);
  const plugins = ids.size === 0 ? [] : catalog.filter(({ id }) => ids.has(id));
  for (const { id } of plugins) {
    ids.delete(id);
  }
  return ok({ version, changed: plugins, removed: [...ids] });
}

/** What is uncertain: all of it, or what changed since a version. */
export async function viewSort(
  parts: Parts,
  computer: string,
  since: number | null,
): Promise<SortView | SortChange> {
  const { version, grounds, sort } = await parts.studios.of(computer);
  const changed = await changedIn(parts, computer, since);
  if (changed === null) {
    return { version, grounds: [...grounds.values()], ...sort };
  }
  return {
    version,
    changed: changed.flatMap((id) => grounds.get(id) ?? []),
    removed: changed.filter((id) => !grounds.has(id)),
    ...sort,
  };
}

/** The questions about a computer. */
const questionsAbout = memoizeByObject(
  ({ studio, order, grounds, sort }: StudioNow): readonly Question[] =>
    questionsOf(
      uncertainOf(studio.catalog.plugins, studio.catalog.answers, order, {
        grounds: [...grounds.values()],
        ...sort,
      }),
    ),
);

/** How many questions wait beside those that were put off, copies that failed among them. */
export async function countWaiting(
  parts: Parts,
  computer: string,
  later: readonly string[],
): Promise<number> {
  const now = await parts.studios.of(computer);
  const putOff = new Set(later);
  const asked = questionsAbout(now).filter(({ id }) => !putOff.has(id));
  return asked.length + (await countFailed(parts.database.manager, computer));
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
