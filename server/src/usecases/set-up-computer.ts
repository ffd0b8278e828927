/** A computer with what it needs from the start: a cabinet with favourites, and a practice session. */
import { randomUUID } from 'node:crypto';
import { asId, orderOf, perform, type ComputerView } from '@clever-drawer/core';
import { addComputer, listComputers } from '../database/computers.ts';
import { applyToTables } from '../database/order.ts';
import { addTracks } from '../database/session.ts';
import type { Parts } from '../parts.ts';

const tracks = [
  { name: 'Voice', sort: 'track' }, { name: 'Guitar', sort: 'track' }, { name: 'Percussion', sort: 'track' },
  { name: 'Keys', sort: 'instrument' }, { name: 'Bass', sort: 'instrument' }, { name: 'Voices', sort: 'bus' }, { name: 'Room', sort: 'bus' },
  { name: 'Final', sort: 'final' },
] as const;

/** The computers; the first one is made when there is none. */
export async function ensureComputer(parts: Parts, name: string): Promise<ComputerView[]> {
  return parts.database.transaction(async (manager) => {
    const known = await listComputers(manager);
    if (known.length > 0) return known.map((row) => ({ id: asId(row.id), name: row.name }));
    const computer = await addComputer(manager, name, parts.clock());
    const made = perform(orderOf([]), { act: 'add-cabinet', id: asId(randomUUID()), favourites: asId(randomUUID()), name: 'Everyday' }, () => undefined);
    if (made.ok) await applyToTables(manager, computer.id, made.value.change);
    await addTracks(manager, computer.id, tracks);
    return [{ id: asId(computer.id), name: computer.name }];
  });
}
