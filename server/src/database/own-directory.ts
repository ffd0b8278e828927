/**
 * The directory of the data, before anything in it is touched: made, or found to be ours, by handle. As
 * root it is given to the user of the database, and with it only what nobody but root can have put there.
 */
import type { Stats } from 'node:fs';
import { basename, dirname } from 'node:path';
import { Directory, isMissing, isWithin, realPathOf } from '../files/index.ts';
import type { SystemUser } from './programs.ts';
import { explain, SetupError } from './setup-error.ts';

/** What programs of ours have ever put beside the data, and what a disk of its own begins with. */
const ours =
  /^(?:cluster(?:-password|\.new|\.restoring|\.unfinished-\d+|-\d+-\d+)?|lock|key|shelf-key|running\.json(?:\.new)?|backups(?:\.json)?|seeding|studio|\.[\w-]+\.half|lost\+found)$/;

/** Directories of the system, which nobody's data is. */
const systems = [
  '/bin',
  '/boot',
  '/dev',
  '/etc',
  '/lib',
  '/lib64',
  '/proc',
  '/sbin',
  '/sys',
  '/usr',
];
const homes = new Set([
  '/',
  '/home',
  '/mnt',
  '/media',
  '/opt',
  '/root',
  '/run',
  '/srv',
  '/tmp',
  '/var',
]);

/** Why the user of the database cannot work there. */
export const noAccessWords = (directory: string): string =>
  `Started as root, the database runs as the user postgres, who may not enter ${directory}. Choose another directory with --data, such as /var/lib/clever-drawer.`;

/**
 * Makes the directory, or makes sure that it is empty or a studio's, and that only its owner can read
 * it. With an `heir` it is theirs afterwards. Throws a SetupError, and nothing was changed.
 */
export async function ownDirectory(path: string, heir: SystemUser | null = null): Promise<void> {
  const real = await realPathOf(path);
  if (real === null) {
    throw new SetupError(
      `${path} is a link that leads nowhere. Choose another directory: --data DIR.`,
    );
  }
  if (homes.has(real) || systems.some((one) => isWithin(real, one))) {
    throw new SetupError(
      `${real} is a directory of the system. Choose one of its own: --data DIR.`,
    );
  }
  // The heir has to get through what root makes above it, whatever root's habits are.
  const usual = heir ? process.umask(0o022) : null;
  try {
    if (heir) {
      await refuseClosedParents(real, heir);
    }
    const above = await Directory.open(dirname(real), 0o755);
    try {
      await ownIn(above, basename(real), real, heir);
    } finally {
      await above.close();
    }
  } catch (error) {
    throw explain(error, real);
  } finally {
    if (usual !== null) {
      process.umask(usual);
    }
  }
}

async function ownIn(
  above: Directory,
  name: string,
  real: string,
  heir: SystemUser | null,
): Promise<void> {
  const isNew = await above.make(name, 0o700).then(
    () => true,
    (error: unknown) => {
      if ((error as NodeJS.ErrnoException).code === 'EEXIST') {
        return false;
      }
      throw error;
    },
  );
  const directory = await above.enter(name);
  try {
    const { uid, mode } = await directory.stat();
    if (!isNew) {
      refuseForeign(uid, real, heir);
      await refuseOtherThings(directory, real);
    }
    if (heir && uid !== heir.uid) {
      await handOver(directory, heir);
    }
    // As root without an heir, which is in tests, the database has to pass through.
    const isPassedThrough = !heir && process.getuid?.() === 0;
    await directory.setMode(isPassedThrough ? mode & 0o711 : 0o700);
  } finally {
    await directory.close();
  }
}

/** Data of another user is left to that user. */
function refuseForeign(uid: number, real: string, heir: SystemUser | null): void {
  const me = process.getuid?.() ?? uid;
  if (uid !== me && uid !== heir?.uid) {
    throw new SetupError(
      `${real} belongs to another user. Start Clever Drawer as its owner, or choose another directory: --data DIR.`,
    );
  }
}

/** A directory with other things in it is not made a studio's. */
async function refuseOtherThings(directory: Directory, real: string): Promise<void> {
  const names = await directory.names();
  const foreign = names.find((name) => !ours.test(name));
  if (foreign !== undefined && !(await hasCluster(directory))) {
    throw new SetupError(
      `${real} holds other things (${foreign}) and no data of Clever Drawer. Choose an empty directory, or a new one: --data DIR. Nothing was changed.`,
    );
  }
}

async function hasCluster(directory: Directory): Promise<boolean> {
  try {
    const cluster = await directory.enter('cluster');
    try {
      return (await cluster.look('PG_VERSION')) !== null;
    } finally {
      await cluster.close();
    }
  } catch (error) {
    if (isMissing(error)) {
      return false;
    }
    throw error;
  }
}

async function refuseClosedParents(real: string, { uid, gid }: SystemUser): Promise<void> {
  for (let up = dirname(real); up !== dirname(up); up = dirname(up)) {
    const facts = await factsOf(up);
    if (!facts) {
      // It is made for all to enter.
      continue;
    }
    const asOwner = facts.uid === uid && (facts.mode & 0o100) !== 0;
    const asGroup = facts.gid === gid && (facts.mode & 0o010) !== 0;
    if (!asOwner && !asGroup && (facts.mode & 0o001) === 0) {
      throw new SetupError(noAccessWords(up));
    }
  }
}

async function factsOf(path: string): Promise<Stats | null> {
  try {
    const directory = await Directory.open(path);
    return await directory.stat().finally(() => directory.close());
  } catch (error) {
    if (isMissing(error)) {
      return null;
    }
    throw error;
  }
}

/**
 * Gives away a directory of root's and what root put into it. Nobody else can put anything there
 * meanwhile; what is somebody else's already, or known by a second name, stays as it is.
 */
async function handOver(directory: Directory, heir: SystemUser): Promise<void> {
  const { uid, mode } = await directory.stat();
  if (uid !== 0 || (mode & 0o022) !== 0) {
    return;
  }
  for (const name of await directory.names()) {
    const facts = await directory.look(name);
    if (facts?.uid !== 0) {
      continue;
    }
    if (facts.isDirectory()) {
      const below = await directory.enter(name);
      await handOver(below, heir).finally(() => below.close());
    } else if (facts.nlink === 1) {
      await directory.giveAway(name, heir.uid, heir.gid);
    }
  }
  await directory.setOwner(heir.uid, heir.gid);
}
