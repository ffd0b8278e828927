/**
 * The note in a shelf of what was written there. Somebody else may put one anywhere: so it counts only
 * where it is signed with our key, for this very directory.
 */
import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import type { ShelfEntry } from '@clever-drawer/core/exchange';
import { Directory } from '../files/index.ts';

/** The file in which a shelf notes what it wrote. */
export const shelfRecordName = '.clever-drawer-shelf.json';

/** What was written at a path, so that it is known again: a link's target, a card's hash. */
export interface Written {
  readonly kind: ShelfEntry['kind'];
  readonly mark: string;
}

/** What was written, by path below the shelf. */
export type ShelfRecord = ReadonlyMap<string, Written>;

const noteLimit = 64 * 2 ** 20;
const keyName = 'shelf-key';
const keySize = 32;
const onlyOwner = 0o600;
const forAll = 0o644;

/** The key that shelves are signed with, in a directory of ours that is there; made when there is none. */
export async function shelfKey(real: string): Promise<Buffer> {
  const directory = await Directory.open(real);
  try {
    const known = await directory.read(keyName, keySize).catch(() => null);
    if (known?.length === keySize) {
      return known;
    }
    const key = randomBytes(keySize);
    await directory.replace(keyName, key, onlyOwner);
    return key;
  } finally {
    await directory.close();
  }
}

/** The note as JSON has it. */
interface Note {
  readonly version: 2;
  readonly entries: Readonly<Record<string, Written>>;
  readonly signature: string;
}

async function sign(directory: Directory, key: Buffer, entries: string): Promise<string> {
  const { dev, ino } = await directory.stat();
  return createHmac('sha256', key).update(`${dev} ${ino} ${entries}`).digest('hex');
}

/** What was written in a shelf; null where no note of ours is there. */
export async function readRecord(directory: Directory, key: Buffer): Promise<ShelfRecord | null> {
  try {
    const text = (await directory.read(shelfRecordName, noteLimit)).toString('utf8');
    const { entries, signature } = JSON.parse(text) as Note;
    const right = await sign(directory, key, JSON.stringify(entries));
    return timingSafeEqual(Buffer.from(right), Buffer.from(signature))
      ? new Map(Object.entries(entries))
      : null;
  } catch {
    return null;
  }
}

/** Notes what was written. */
export async function writeRecord(
  directory: Directory,
  key: Buffer,
  record: ShelfRecord,
): Promise<void> {
  const entries = Object.fromEntries(record);
  const signature = await sign(directory, key, JSON.stringify(entries));
  const note: Note = { version: 2, entries, signature };
  await directory.replace(shelfRecordName, JSON.stringify(note), forAll);
}
