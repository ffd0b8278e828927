/**
 * Reading in the copies of a computer elsewhere, as `scan` wrote them there: that computer's scan.
 * Everything is understood before anything is saved.
 */
import type { ScanView, TakenView } from '@clever-drawer/core/api';
import { readCopiesFrame, readCopyLine } from '@clever-drawer/core/exchange';
import type { FoundCopy } from '@clever-drawer/core/formats';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { compare, copyKey, type Comparison } from '@clever-drawer/core/scan';
import { storableCopy } from '@clever-drawer/core/readers';
import { readAsides } from '../../database/asides.ts';
import { allCopies } from '../../database/catalog.ts';
import type { ComputerRow, CopyRow } from '../../database/catalog-tables.ts';
import { findComputerByName } from '../../database/computers.ts';
import { addScan, saveScan } from '../../database/scans.ts';
import { loggable } from '../../log.ts';
import type { Parts } from '../../parts.ts';
import { computerName } from '../catalog/name-computer.ts';
import { computerView, setUpComputer } from '../catalog/set-up-computer.ts';
import { identifyAfterScan } from '../identify/identify-computer.ts';
import { saveBisected } from './save-bisected.ts';
import { pluginsAtFirstSight } from './save-findings.ts';
import { asKnown, newScan, viewOf } from './scan-rows.ts';

/** Far above any studio. */
const mostLines = 200_000;
/** Comparisons saved together. */
const batchSize = 500;

/**
 * Takes lines of copies into the computer of that name, which is made when there is none. A wrong
 * line, none at all, or a file that is cut off changes nothing; nor does one that lacks more than a
 * tenth of what is known there, unless `mayGo` says that this is meant.
 */
export async function takeCopies(
  parts: Parts,
  name: string,
  lines: AsyncIterable<string>,
  mayGo = false,
): Promise<Result<TakenView>> {
  const copies = await readCopies(lines);
  if (!copies.ok) {
    return copies;
  }
  const called = computerName(name);
  if (!called.ok) {
    return called;
  }
  // Two at once would make two computers of one name.
  return parts.turns.take('take', () => takeInto(parts, called.value, copies.value, mayGo));
}

async function takeInto(
  parts: Parts,
  name: string,
  copies: readonly FoundCopy[],
  mayGo: boolean,
): Promise<Result<TakenView>> {
  const known = await findComputerByName(parts.database.manager, name);
  if (known && !known.isElsewhere) {
    return failed({ code: 'computer-here', at: 'computer', name });
  }
  const rows = known ? await allCopies(parts.database.manager, known.id) : [];
  const comparisons = compare(rows.map(asKnown), copies);
  const gone = comparisons.filter(({ sort }) => sort === 'gone').length;
  const present = rows.filter(({ state }) => state === 'present').length;
  if (!mayGo && areMany(gone, present)) {
    return failed({ code: 'many-gone', at: name, gone, known: present, copies: copies.length });
  }
  const computer = known ? computerView(known) : await setUpComputer(parts, { name }, true);
  const scan = await scanOf(parts, computer.id, { rows, copies, comparisons });
  parts.events.tell(computer.id, { event: 'catalog' });
  return ok({ computer, isNew: known === null, scan });
}

/** One or two copies go in the course of things; more than a tenth rather say that a file is not whole. */
const areMany = (gone: number, present: number): boolean => gone > 2 && gone * 10 > present;

async function readCopies(lines: AsyncIterable<string>): Promise<Result<FoundCopy[]>> {
  const copies = new Map<string, FoundCopy>();
  let number = 0;
  let got = 0;
  let wanted: number | null = null;
  let isWhole = false;
  for await (const line of lines) {
    number += 1;
    if (number > mostLines) {
      const what = 'lines';
      return failed({ code: 'too-much', at: 'copies', what, got: number, limit: mostLines });
    }
    const frame = readCopiesFrame(line);
    if (frame && 'copies' in frame) {
      wanted = frame.copies;
    } else if (frame) {
      isWhole = frame.end === got;
    }
    const read = frame || line.trim() === '' ? null : readCopyLine(line, number);
    if (read && !read.ok) {
      return read;
    }
    if (read) {
      got += 1;
      const copy = storableCopy(read.value);
      copies.set(copyKey(copy), copy);
    }
  }
  if (wanted !== null && (!isWhole || got !== wanted)) {
    return failed({ code: 'copies-cut', at: 'copies', got, copies: wanted });
  }
  return copies.size === 0 ? failed({ code: 'no-copies', at: 'copies' }) : ok([...copies.values()]);
}

/** The copies of a file held against those that were known of its computer. */
interface Compared {
  readonly rows: readonly CopyRow[];
  readonly copies: readonly FoundCopy[];
  readonly comparisons: readonly Comparison[];
}

/** Saves what came of the comparison. */
async function scanOf(
  parts: Parts,
  computer: ComputerRow['id'],
  { rows, copies, comparisons: all }: Compared,
): Promise<ScanView> {
  const { database, clock, log } = parts;
  const scan = newScan(computer, clock());
  await addScan(database.manager, scan);
  try {
    const known = new Map(rows.map((row) => [row.key, row]));
    const plugins = await pluginsAtFirstSight(database.manager, computer);
    const isAside = new Set((await readAsides(database.manager, computer)).map(({ key }) => key));
    const comparisons = all.filter(({ known: key }) => !isAside.has(key ?? ''));
    scan.looked = copies.length;
    for (let at = 0; at < comparisons.length; at += batchSize) {
      await saveBisected(parts, {
        scan,
        comparisons: comparisons.slice(at, at + batchSize),
        known,
        plugins,
        placeOf: new Map(),
        bundles: [],
        now: clock(),
      });
    }
    await identifyAfterScan(parts, computer);
    scan.state = 'done';
  } catch (error) {
    log.error({ error: loggable(error) }, 'copies could not be read in');
    scan.state = 'interrupted';
    throw error;
  } finally {
    scan.endedAt = clock();
    await saveScan(database.manager, scan);
  }
  return viewOf(scan);
}
