/**
 * Files of named Debian packages, so that tests read only what those installed and never whatever
 * else a machine has.
 */
import { execFileSync } from 'node:child_process';
import { mkdirSync, symlinkSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';

/** The LV2 packages that `./check` installs. */
export const lv2Packages = ['lv2-examples', 'swh-lv2', 'invada-studio-plugins-lv2'];

/**
 * Paths of a package's files with that ending, as dpkg lists them. Throws where the package is not
 * installed.
 */
export const filesOfPackage = (name: string, ending: string): string[] =>
  execFileSync('dpkg', ['-L', name], { encoding: 'utf8' })
    .split('\n')
    .filter((path) => path.endsWith(ending));

/** The LV2 bundles of packages. */
export const bundlesOfPackages = (names: readonly string[]): string[] => [
  ...new Set(names.flatMap((name) => filesOfPackage(name, '/manifest.ttl').map(dirname))),
];

/** Makes a directory that holds links to those and to nothing else. */
export function linkAll(directory: string, paths: readonly string[]): string {
  mkdirSync(directory, { recursive: true });
  for (const path of paths) {
    symlinkSync(path, join(directory, basename(path)));
  }
  return directory;
}
