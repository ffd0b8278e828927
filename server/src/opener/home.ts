/** A home of nothing for a process that opens plugins, which write into theirs; gone when it is over. */
import { lstatSync, mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const begin = 'clever-drawer-open-';
const named = new RegExp(`^${begin}(\\d+)-`);

/** Makes one; its name says whose it is. */
export function newHome(): string {
  const home = mkdtempSync(join(tmpdir(), `${begin}${process.pid}-`));
  for (const name of ['tmp', 'config', 'cache', 'data', 'state', 'run']) {
    mkdirSync(join(home, name));
  }
  return home;
}

/** Removes one. */
export const removeHome = (home: string): void => {
  rmSync(home, { recursive: true, force: true, maxRetries: 3 });
};

/** Removes those that programs of this user left behind which were killed. */
export function tidyHomes(): void {
  for (const name of readdirSync(tmpdir())) {
    const owner = named.exec(name)?.[1];
    const home = join(tmpdir(), name);
    if (owner !== undefined && !isRunning(Number(owner)) && isOwn(home)) {
      removeHome(home);
    }
  }
}

function isRunning(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

function isOwn(path: string): boolean {
  try {
    const facts = lstatSync(path);
    return facts.isDirectory() && facts.uid === process.getuid?.();
  } catch {
    return false;
  }
}
