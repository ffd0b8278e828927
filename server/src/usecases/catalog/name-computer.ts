/** Renaming, removing and restoring computers. */
import { nameLength } from '@clever-drawer/core/acts';
import type { ComputerView } from '@clever-drawer/core/api';
import { failed, ok, type Problem, type Result } from '@clever-drawer/core/problem';
import {
  findComputer,
  findComputerByName,
  listRemoved,
  saveComputerName,
  saveRemoved,
} from '../../database/computers.ts';
import type { Parts } from '../../parts.ts';
import { forgetKnown } from './known-computers.ts';
import { computerView } from './set-up-computer.ts';

/** A computer's name as it is kept: on one line, without spaces around it. */
export function computerName(name: string): Result<string> {
  const tidy = name.replace(/\s+/g, ' ').trim();
  if (tidy === '') {
    return failed({ code: 'name-empty', at: 'computer' });
  }
  return tidy.length > nameLength
    ? failed({ code: 'name-too-long', at: 'computer', most: nameLength })
    : ok(tidy);
}

const unknown: Problem = { code: 'unknown-record', at: 'computer', what: 'computer' };

/** Names are changed one at a time, so that no two computers get the same one. */
const oneAtATime = <T>(parts: Parts, work: () => Promise<T>): Promise<T> =>
  parts.turns.take('take', work);

/** Gives a computer another name, which no other one has. */
export function renameComputer(
  parts: Parts,
  computer: string,
  wanted: string,
): Promise<Result<ComputerView>> {
  const { manager } = parts.database;
  return oneAtATime(parts, async () => {
    const name = computerName(wanted);
    const row = await findComputer(manager, computer);
    if (!name.ok || !row) {
      return name.ok ? failed(unknown) : name;
    }
    const other = await findComputerByName(manager, name.value);
    if (other && other.id !== computer) {
      return failed({
        code: 'computer-name-taken',
        at: 'name',
        name: other.name,
        isRemoved: false,
      });
    }
    await saveComputerName(manager, computer, name.value);
    return ok(computerView({ ...row, name: name.value }));
  });
}

/** Takes a computer whose copies were read in out of sight; the one the program runs on stays. */
export async function removeComputer(
  parts: Parts,
  computer: string,
): Promise<Result<ComputerView>> {
  const row = await findComputer(parts.database.manager, computer);
  if (!row) {
    return failed(unknown);
  }
  if (!row.isElsewhere) {
    return failed({ code: 'computer-stays', at: 'computer', name: row.name });
  }
  await saveRemoved(parts.database.manager, computer, parts.clock());
  forgetKnown(parts, computer);
  return ok(computerView(row));
}

/** Computers that were removed and can be restored. */
export const viewRemoved = async (parts: Parts): Promise<ComputerView[]> =>
  (await listRemoved(parts.database.manager)).map(computerView);

/** Brings a removed computer back with all that was known of it. */
export function restoreComputer(parts: Parts, computer: string): Promise<Result<ComputerView>> {
  const { manager } = parts.database;
  return oneAtATime(parts, async () => {
    const row = (await listRemoved(manager)).find(({ id }) => id === computer);
    if (!row) {
      return failed(unknown);
    }
    if (await findComputerByName(manager, row.name)) {
      return failed({ code: 'computer-name-taken', at: 'name', name: row.name, isRemoved: true });
    }
    await saveRemoved(manager, computer, null);
    return ok(computerView(row));
  });
}
