/** A computer with what it needs from the start: a cabinet with favourites, and a practice session. */
import { randomUUID } from 'node:crypto';
import { perform } from '@clever-drawer/core/acts';
import type { ComputerView } from '@clever-drawer/core/api';
import { asId } from '@clever-drawer/core/id';
import type { TrackKind } from '@clever-drawer/core/loading';
import { cabinetSlots, orderOf } from '@clever-drawer/core/order';
import type { ComputerRow } from '../../database/catalog-tables.ts';
import { addComputer, listComputers } from '../../database/computers.ts';
import { applyToTables } from '../../database/order/index.ts';
import { newSession, writeSession } from '../../database/session.ts';
import type { Parts } from '../../parts.ts';

/** Tracks of a new practice session. */
const usualTracks: NonNullable<NewComputer['tracks']> = [
  { name: 'Voice', sort: 'track' },
  { name: 'Guitar', sort: 'track' },
  { name: 'Percussion', sort: 'track' },
  { name: 'Keys', sort: 'instrument' },
  { name: 'Keys · notes', sort: 'notes' },
  { name: 'Bass', sort: 'instrument' },
  { name: 'Voices', sort: 'bus' },
  { name: 'Room', sort: 'bus' },
  { name: 'Final', sort: 'final' },
];

/** What the first computer is called, and what its practice session holds when it is not the usual. */
export interface NewComputer {
  readonly name: string;
  readonly tracks?: undefined | readonly { readonly name: string; readonly sort: TrackKind }[];
}

/** A computer as it is shown. */
export const computerView = ({ id, name, isElsewhere }: ComputerRow): ComputerView => ({
  id: asId(id),
  name,
  isElsewhere,
});

/** The computers; the first one is made when there is none. */
export async function ensureComputer(parts: Parts, first: NewComputer): Promise<ComputerView[]> {
  const known = await listComputers(parts.database.manager);
  return known.length > 0 ? known.map(computerView) : [await setUpComputer(parts, first)];
}

/** A new computer with a cabinet that holds its favourites, and a session. */
export function setUpComputer(
  parts: Parts,
  wanted: NewComputer,
  isElsewhere = false,
): Promise<ComputerView> {
  return parts.database.transaction(async (manager) => {
    const computer = await addComputer(manager, wanted.name, parts.clock(), isElsewhere);
    const made = perform(
      orderOf([]),
      {
        act: 'add-cabinet',
        id: asId(randomUUID()),
        favourites: asId(randomUUID()),
        name: 'Everyday',
        opensFor: [...cabinetSlots],
        folders: [],
      },
      () => undefined,
    );
    if (made.ok) {
      await applyToTables(manager, computer.id, made.value.change);
    }
    await writeSession(manager, computer.id, newSession(wanted.tracks ?? usualTracks));
    return computerView(computer);
  });
}
