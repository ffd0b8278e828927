/**
 * Reading in the copies of a computer elsewhere, as `scan` wrote them there: that computer's scan.
 * Everything is understood before anything is saved.
 */
import { nameLength } from '@clever-drawer/core/acts';
import type { ScanView, TakenView } from '@clever-drawer/core/api';
import { readCopiesFrame, readCopyLine } from '@clever-drawer/core/exchange';
import type { FoundCopy } from '@clever-drawer/core/formats';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { compare, copyKey, type Comparison } from '@clever-drawer/core/scan';
import { storableCopy } from '@clever-drawer/core/readers';
import { readAsides } from '../../database/asides.ts';
import { allCopies } from '../../database/catalog.ts';
import type { ComputerRow } from '../../database/catalog-tables.ts';
import { findComputerByName } from '../../database/computers.ts';
import { addScan, saveScan } from '../../database/scans.ts';
import { loggable } from '../../log.ts';
import type { Parts } from '../../parts.ts';
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
  const trimmed = name.trim();
  if (trimmed === '' || trimmed.length > nameLength) {
    return failed({ code: 'name-empty', at: 'computer' });
  }
  // Two at once would make two computers of one name.
  return parts.turns.take('take', () => takeInto(parts, trimmed, copies.value, mayGo));
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
  const refusal = known && !mayGo ? await manyGone(parts, known, copies) : null;
  if (refusal) {
    return refusal;
  }
  const computer = known ? computerView(known) : await setUpComputer(parts, { name }, true);
  const scan = await scanOf(parts, computer.id, copies);
  parts.events.tell(computer.id, { event: 'catalog' });
  return ok({ computer, isNew: known === null, scan });
}

/** One or two copies go in the course of things; more than a tenth rather say that a file is not whole. */
async function manyGone(
  { database }: Parts,
  { id, name }: ComputerRow,
  copies: readonly FoundCopy[],
): Promise<Result<TakenView> | null> {
  const rows = await allCopies(database.manager, id);
  const known = rows.filter(({ state }) => state === 'present').length;
  const gone = compare(rows.map(asKnown), copies).filter(({ sort }) => sort === 'gone').length;
  return gone > 2 && gone * 10 > known
    ? failed({ code: 'many-gone', at: name, gone, known, copies: copies.length })
    : null;
}

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

/** Holds them against what was known of the computer, and saves what came of it. */
async function scanOf(
  parts: Parts,
  computer: ComputerRow['id'],
  copies: readonly FoundCopy[],
): Promise<ScanView> {
  const { database, clock, log } = parts;
  const scan = newScan(computer, clock());
  await addScan(database.manager, scan);
  try {
    const rows = await allCopies(database.manager, computer);
    const known = new Map(rows.map((row) => [row.key, row]));
    const plugins = await pluginsAtFirstSight(database.manager, computer);
    const isAside = new Set((await readAsides(database.manager, computer)).map(({ key }) => key));
    const comparisons: Comparison[] = compare(rows.map(asKnown), copies).filter(
      ({ known: key }) => !isAside.has(key ?? ''),
    );
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
