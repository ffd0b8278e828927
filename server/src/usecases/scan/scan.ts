/**
 * Looking through the places of a computer: only what changed is examined, and every batch is saved
 * at once.
 */
import type { OpeningWish, ScanMode, ScanView } from '@clever-drawer/core/api';
import type { FoundCopy } from '@clever-drawer/core/formats';
import { grouped } from '@clever-drawer/core/grouped';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { compare, copyKey, type Comparison } from '@clever-drawer/core/scan';
import { storableValue } from '@clever-drawer/core/text';
import type { LadspaDescriptions } from '@clever-drawer/core/readers';
import { readAsides } from '../../database/asides.ts';
import { forgetBundles, hasUnsorted } from '../../database/catalog.ts';
import type { BundleRow, CopyRow, CopySummary } from '../../database/catalog-tables.ts';
import { findComputer } from '../../database/computers.ts';
import { listPlaces } from '../../database/places.ts';
import type { PlaceRow, ScanRow } from '../../database/scan-tables.ts';
import { addScan, saveScan } from '../../database/scans.ts';
import type { ScanJob } from '../../jobs/scan-jobs.ts';
import { loggable } from '../../log.ts';
import type { Parts } from '../../parts.ts';
import { descriptionsFor } from '../../scanner/index.ts';
import { identifyAfterScan } from '../identify/identify-computer.ts';
import { BundlesBefore } from './bundles-before.ts';
import { KnownCopies } from './known-copies.ts';
import { outOfReach } from './out-of-reach.ts';
import { saveBisected } from './save-bisected.ts';
import { pluginsAtFirstSight } from './save-findings.ts';
import { asKnown, newScan, viewOf } from './scan-rows.ts';
import { atTheStart, ScanTelling } from './scan-telling.ts';
import { settingsAfterScan } from './settings.ts';
import { walkPlaces, type Found, type WalkedPlaces } from './walk-places.ts';

/** Directories of which is kept that they could not be looked into. */
const mostProblems = 50;
/** Bundles examined between two savings. */
const readTogether = 200;
/** The same where each is opened, which takes long. */
const openedTogether = 50;
/** So many are read for each that is opened at a time. */
const openedAhead = 3;

/**
 * Starts a scan in the background. Its progress is told to every window; `parts.scans` knows when
 * it is done.
 */
export async function startScan(
  parts: Parts,
  computer: string,
  mode: ScanMode,
): Promise<Result<ScanView>> {
  if (parts.scans.of(computer)) {
    return failed({ code: 'scan-running', at: 'scan' });
  }
  const places = (await listPlaces(parts.database.manager, computer)).filter((place) => place.isOn);
  if (places.length === 0) {
    return failed({ code: 'no-places', at: 'scan' });
  }
  if (parts.scans.of(computer)) {
    return failed({ code: 'scan-running', at: 'scan' });
  }
  const scan = newScan(computer, parts.clock());
  const job: ScanJob = {
    stop: new SharedArrayBuffer(4),
    get stopped() {
      return Atomics.load(new Int32Array(this.stop), 0) !== 0;
    },
    progress: atTheStart(scan, places[0]?.path ?? ''),
    finished: Promise.resolve(),
  };
  parts.scans.start(computer, job);
  job.finished = new ScanRun(parts, scan, job, places, mode).run();
  return ok(viewOf(scan));
}

/** Asks the running scan to stop and waits until what it found so far is saved. */
export async function stopScan(parts: Parts, computer: string): Promise<Result<null>> {
  const job = parts.scans.of(computer);
  if (!job) {
    return failed({ code: 'no-scan-running', at: 'scan' });
  }
  Atomics.store(new Int32Array(job.stop), 0, 1);
  await job.finished;
  return ok(null);
}

/** Waits for all of these, also where one goes wrong, and throws the first error. */
async function allDone(works: readonly Promise<void>[]): Promise<void> {
  const ends = await Promise.allSettled(works);
  const broken = ends.find((end) => end.status === 'rejected');
  if (broken) {
    throw broken.reason;
  }
}

interface Examined extends Found {
  /** The fingerprint under which it was opened; null when it was only read. */
  readonly opened: string | null;
}

/** What a batch of bundles holds. */
interface ReadBatch {
  readonly copies: readonly FoundCopy[];
  readonly examined: readonly Examined[];
}

/** One scan from walking to its end. */
class ScanRun {
  readonly #parts: Parts;
  readonly #scan: ScanRow;
  readonly #job: ScanJob;
  readonly #places: readonly PlaceRow[];
  readonly #mode: ScanMode;
  readonly #telling: ScanTelling;
  #known = new KnownCopies([]);
  #wish: OpeningWish = 'ask';
  /** Bundles that were looked at before. */
  #bundles: BundlesBefore = new BundlesBefore([]);
  /** Ids of copies that are set aside. */
  #asides: ReadonlySet<string> = new Set();
  readonly #descriptions = new Map<string, LadspaDescriptions>();
  /** What may hold settings, and the places that were walked. */
  #settings: { readonly files: readonly Found[]; readonly reached: ReadonlySet<string> } = {
    files: [],
    reached: new Set(),
  };

  #plugins = new Map<string, string>();
  #hasChanged = false;
  /** Whether a path cannot be looked at now, so that what is missing there may still be there. */
  #isOutOfReach: (path: string) => boolean = () => false;

  constructor(
    parts: Parts,
    scan: ScanRow,
    job: ScanJob,
    places: readonly PlaceRow[],
    mode: ScanMode,
  ) {
    this.#mode = mode;
    this.#parts = parts;
    this.#telling = new ScanTelling(parts, scan.computerId, job);
    this.#scan = scan;
    this.#job = job;
    this.#places = places;
  }

  async run(): Promise<void> {
    const { database, log, scans, clock } = this.#parts;
    const computer = this.#scan.computerId;
    try {
      await addScan(database.manager, this.#scan);
      await this.#lookThrough();
      // Sorting takes one thread; the others read settings meanwhile.
      await allDone([
        this.#sort(),
        settingsAfterScan(this.#parts, computer, this.#settings, this.#job),
      ]);
      this.#scan.state = this.#job.stopped ? 'stopped' : 'done';
    } catch (error) {
      log.error({ error: loggable(error) }, 'a scan broke off');
      this.#scan.state = 'interrupted';
    }
    this.#scan.endedAt = clock();
    await saveScan(database.manager, this.#scan).catch((error: unknown) => {
      log.error({ error: loggable(error) }, 'the end of a scan could not be saved');
    });
    scans.end(computer);
    this.#telling.end(this.#scan.state);
  }

  async #lookThrough(): Promise<void> {
    const { manager } = this.#parts.database;
    const computer = this.#scan.computerId;
    // The places are walked while the database tells what was known.
    const [walked, known, bundles, setAside, owner] = await Promise.all([
      this.#walk(),
      KnownCopies.of(manager, computer),
      BundlesBefore.of(manager, computer),
      readAsides(manager, computer),
      findComputer(manager, computer),
    ]);
    this.#settings = {
      files: [...walked.settings, ...walked.found.filter(({ format }) => format === 'LV2')],
      reached: walked.reached,
    };
    this.#wish = owner?.opening ?? 'ask';
    this.#bundles = bundles;
    this.#known = known;
    this.#asides = new Set(setAside.map(({ id }) => id));
    const found = walked.found.filter(({ path }) => !this.#isSetAside(path));
    const { reached, lost } = walked;
    const blocked = walked.problems.map(({ at }) => at);
    this.#isOutOfReach = outOfReach(blocked, (path) => bundles.deviceAt(path));
    const toExamine = await this.#toExamine(found);
    const changed = found.filter((bundle) => toExamine.has(bundle));
    await this.#sayBack(found.filter((bundle) => !toExamine.has(bundle)).map(({ path }) => path));
    const walkedPaths = new Set(found.map((bundle) => bundle.path));
    const missing = known
      .all()
      .filter(
        (row) =>
          !this.#asides.has(row.id) &&
          !walkedPaths.has(row.path) &&
          (row.placeId === null || reached.has(row.placeId)) &&
          !this.#isOutOfReach(row.path),
      );
    this.#scan.looked = found.length - changed.length;
    this.#telling.begin(this.#scan.looked, {
      total: found.length,
      unchanged: this.#scan.counts.unchanged,
    });
    await this.#examine(changed, missing);
    if (this.#job.stopped || this.#mode === 'failed' || this.#mode === 'open') {
      return;
    }
    await this.#sayAway(lost, walkedPaths);
    await this.#sayGone(missing);
  }

  /** Sorts the catalog anew where anything changed, or where it never was. */
  async #sort(): Promise<void> {
    const { database } = this.#parts;
    const computer = this.#scan.computerId;
    if (this.#hasChanged || (await hasUnsorted(database.manager, computer))) {
      await identifyAfterScan(this.#parts, computer);
    }
  }

  /** Whether all that a file is known to hold is set aside: then it is not examined. */
  #isSetAside(path: string): boolean {
    const copies = this.#known.at([path]);
    return copies.length > 0 && copies.every(({ id }) => this.#asides.has(id));
  }

  #catalogued(copies: readonly CopySummary[]): CopySummary[] {
    return copies.filter(({ id }) => !this.#asides.has(id));
  }

  /** Which of these bundles are examined in this mode. */
  async #toExamine(found: readonly Found[]): Promise<ReadonlySet<Found>> {
    switch (this.#mode) {
      case 'failed': {
        const broken = this.#catalogued(this.#known.all()).filter((row) => row.status === 'failed');
        const paths = new Set(broken.map((row) => row.path));
        return new Set(found.filter((bundle) => paths.has(bundle.path)));
      }
      case 'open':
        return new Set(await this.#unopened(found));
      case 'everything':
        return new Set(found);
      case 'changed': {
        const changed = found.filter(
          (bundle) => this.#bundles.at(bundle)?.fingerprint !== bundle.fingerprint,
        );
        return new Set([
          ...changed,
          ...(this.#wish === 'always' ? await this.#unopened(found) : []),
        ]);
      }
    }
  }

  /** Bundles that were not opened as they are now, and hold something that can be. */
  async #unopened(found: readonly Found[]): Promise<Found[]> {
    const unopened = found.filter(
      (bundle) => this.#bundles.at(bundle)?.opened !== bundle.fingerprint,
    );
    const rows = await this.#whole(this.#known.at(unopened.map(({ path }) => path)));
    const byPath = grouped(rows.map(({ path, facts }) => [path, facts] as const));
    return unopened.filter(({ path }) => this.#parts.opener.canOpen(byPath.get(path) ?? []));
  }

  #whole(rows: readonly CopySummary[]): Promise<CopyRow[]> {
    return this.#known.whole(this.#parts.database.manager, rows);
  }

  /**
   * Whether a bundle that is examined is opened as well: where that is wanted, and again where it
   * was opened before, also at another place, and has changed since.
   */
  #isOpened(bundle: Found): boolean {
    const isWanted = this.#mode === 'open' || this.#wish === 'always';
    return isWanted || (this.#wish !== 'never' && this.#bundles.wasOpened(bundle));
  }

  /** Copies in unchanged bundles: counted, and back when they were away. */
  async #sayBack(unchanged: readonly string[]): Promise<void> {
    const rows = this.#catalogued(this.#known.at(unchanged));
    this.#scan.counts.unchanged += rows.filter((row) => row.state === 'present').length;
    const were = await this.#whole(rows.filter((row) => row.state === 'away'));
    const back = were.map(
      (row): Comparison => ({
        sort: 'returned',
        found: row.facts,
        known: row.key,
        from: null,
        to: row.facts.version,
      }),
    );
    if (back.length > 0) {
      await this.#save(back, []);
    }
  }

  /** Copies in places that cannot be reached are away, not gone. */
  async #sayAway(lost: ReadonlySet<string>, walked: ReadonlySet<string>): Promise<void> {
    const isAway = (row: CopySummary): boolean =>
      row.placeId !== null &&
      (lost.has(row.placeId) || (!walked.has(row.path) && this.#isOutOfReach(row.path)));
    const away = await this.#whole(
      this.#catalogued(this.#known.all()).filter((row) => row.state === 'present' && isAway(row)),
    );
    if (away.length > 0) {
      await this.#save(
        away.map(
          (row): Comparison => ({
            sort: 'away',
            found: null,
            known: row.key,
            from: row.path,
            to: null,
          }),
        ),
        [],
      );
    }
  }

  async #walk(): Promise<WalkedPlaces> {
    const walked = await walkPlaces(this.#parts.readers, this.#places, this.#job.stop);
    for (const problem of walked.problems) {
      this.#parts.log.warn({ problem }, 'a directory could not be looked into');
    }
    this.#scan.problems = walked.problems.slice(0, mostProblems).map(storableValue);
    return walked;
  }

  /** Batch by batch; while one is saved the next is read. */
  async #examine(bundles: readonly Found[], missing: readonly CopySummary[]): Promise<void> {
    if (bundles.length > 0) {
      const { manager } = this.#parts.database;
      this.#plugins = await pluginsAtFirstSight(manager, this.#scan.computerId);
    }
    let saving: Promise<void> = Promise.resolve();
    for (let at = 0; at < bundles.length && !this.#job.stopped; ) {
      const next = bundles.slice(at, at + readTogether);
      const size = next.some((bundle) => this.#isOpened(bundle)) ? openedTogether : readTogether;
      const read = await this.#read(next.slice(0, size));
      await saving;
      saving = this.#keep(read, missing);
      // What goes wrong is said when it is waited for; until then it is not unhandled.
      saving.catch(() => undefined);
      at += size;
    }
    await saving;
  }

  async #read(bundles: readonly Found[]): Promise<ReadBatch> {
    const copies: FoundCopy[] = [];
    const examined: Examined[] = [];
    const waiting = [...bundles];
    const readOn = async (): Promise<void> => {
      for (let bundle = waiting.shift(); bundle && !this.#job.stopped; bundle = waiting.shift()) {
        const isOpening = this.#isOpened(bundle);
        this.#telling.progress({
          place: bundle.place.path,
          examining: bundle.path.slice(bundle.place.path.length + 1),
          isOpening,
          done: this.#scan.looked,
        });
        const read = await this.#parts.readers.read(bundle, bundle.place.path);
        copies.push(...(isOpening ? await this.#open(read, bundle) : read));
        examined.push({ ...bundle, opened: isOpening ? bundle.fingerprint : null });
        this.#scan.looked += 1;
      }
    };
    const { opener, readers } = this.#parts;
    const isOpening = bundles.some((bundle) => this.#isOpened(bundle));
    const atOnce = isOpening ? openedAhead * opener.size : readers.size;
    await Promise.all(Array.from({ length: atOnce }, readOn));
    return { copies, examined };
  }

  async #keep({ copies, examined }: ReadBatch, missing: readonly CopySummary[]): Promise<void> {
    const before = await this.#whole(this.#known.at(examined.map((bundle) => bundle.path)));
    const elsewhere = await this.#whole(missing);
    const comparisons = compare([...before, ...elsewhere].map(asKnown), [
      ...new Map(copies.map((c) => [copyKey(c), c])).values(),
    ]);
    const isMissing = new Set(elsewhere.map((row) => row.key));
    const isAside = new Set(before.filter(({ id }) => this.#asides.has(id)).map(({ key }) => key));
    await this.#save(
      comparisons.filter(
        ({ sort, known }) =>
          !(sort === 'gone' && isMissing.has(known ?? '')) && !isAside.has(known ?? ''),
      ),
      examined,
    );
  }

  /** Descriptions of LADSPA plugins tell their classes; they are read once a place. */
  #open(read: readonly FoundCopy[], { place }: Found): Promise<FoundCopy[]> {
    const descriptions =
      this.#descriptions.get(place.path) ??
      descriptionsFor(place.path, this.#parts.machine.environment);
    this.#descriptions.set(place.path, descriptions);
    return this.#parts.opener.open(read, descriptions);
  }

  async #sayGone(missing: readonly CopySummary[]): Promise<void> {
    const left = await this.#whole(missing.filter(({ state }) => state !== 'gone'));
    const comparisons = compare(left.map(asKnown), []);
    if (comparisons.length > 0) {
      await this.#save(comparisons, []);
    }
    await forgetBundles(this.#parts.database.manager, this.#scan.computerId, [
      ...new Set(missing.map((row) => row.path)),
    ]);
  }

  async #save(comparisons: readonly Comparison[], bundles: readonly Examined[]): Promise<void> {
    this.#hasChanged = true;
    const rows = bundles.map(
      (b): BundleRow => ({
        computerId: this.#scan.computerId,
        format: b.format,
        path: b.path,
        placeId: b.place.id,
        fingerprint: b.fingerprint,
        device: b.device,
        opened: b.opened,
      }),
    );
    const placeOf = new Map(bundles.map((b) => [b.path, b.place.id]));
    await saveBisected(this.#parts, {
      scan: this.#scan,
      comparisons,
      known: this.#known,
      plugins: this.#plugins,
      placeOf,
      bundles: rows,
      now: this.#parts.clock(),
    });
    this.#telling.progress({ done: this.#scan.looked, failed: this.#scan.counts.failed }, true);
    this.#telling.saved();
  }
}
