/** What is set aside. Setting aside and restoring are acts of the order. */
import type { AsideView } from '@clever-drawer/core/api';
import { nameOfCopy } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import { listAsides } from '../../database/asides.ts';
import type { Parts } from '../../parts.ts';

/** The copies that are set aside. */
export const viewAsides = async (parts: Parts, computer: string): Promise<AsideView[]> =>
  (await listAsides(parts.database.manager, computer)).map(({ id, facts, format, path }) => ({
    copy: asId(id),
    name: nameOfCopy(facts),
    format,
    path,
  }));
