/** What paths really are, and what lies in what. */
import { lstat, realpath } from 'node:fs/promises';
import { basename, dirname, join, resolve, sep } from 'node:path';

/** Whether a path is that directory, or in it. Both are taken as they are. */
export const isWithin = (path: string, directory: string): boolean =>
  path === directory || path.startsWith(directory.endsWith(sep) ? directory : directory + sep);

/** The words for a path that has no real one. */
export const leadsNowhere = (path: string): string => `${path} is a link that leads nowhere.`;

/**
 * The path without any link in it; what does not exist yet is resolved from its nearest parent. Null
 * where a link leads nowhere, or in a circle.
 */
export async function realPathOf(path: string): Promise<string | null> {
  const whole = resolve(path);
  const real = await realpath(whole).catch(() => null);
  if (real !== null) {
    return real;
  }
  const isThere = await lstat(whole).then(
    () => true,
    () => false,
  );
  if (isThere || dirname(whole) === whole) {
    return null;
  }
  const above = await realPathOf(dirname(whole));
  return above === null ? null : join(above, basename(whole));
}
