/**
 * What is missing is gone only where it was looked for: behind a closed door, or on a disk that is
 * not there, it may still be.
 */
import { readdirSync, statSync } from 'node:fs';
import { dirname, sep } from 'node:path';

/**
 * Whether a path cannot be looked at now. `blocked` are directories that could not be looked into;
 * `deviceAt` tells the disk on which each bundle was found: where the nearest directory above it
 * that is still there is empty and lies on another one, its disk is not there and this is where it
 * is usually mounted.
 */
export function outOfReach(
  blocked: readonly string[],
  deviceAt: (path: string) => string | null,
): (path: string) => boolean {
  const isBlocked = (path: string): boolean =>
    blocked.some((directory) => path === directory || path.startsWith(directory + sep));
  const isElsewhere = (path: string): boolean => {
    const device = deviceAt(path);
    const above = nearestAbove(path);
    return device !== null && above.isEmpty && above.device !== device;
  };
  return (path) => isBlocked(path) || isElsewhere(path);
}

/** The nearest directory above a path that is there: its disk, and whether nothing lies in it. */
function nearestAbove(path: string): { readonly device: string; readonly isEmpty: boolean } {
  for (let above = dirname(path); ; above = dirname(above)) {
    const facts = statSync(above, { throwIfNoEntry: false });
    if (facts) {
      return { device: String(facts.dev), isEmpty: isEmpty(above) };
    }
    if (above === dirname(above)) {
      return { device: '', isEmpty: false };
    }
  }
}

function isEmpty(directory: string): boolean {
  try {
    return readdirSync(directory).length === 0;
  } catch {
    return false;
  }
}
