/** What a path ends with, of either kind of system. */
export const fileNameOf = (path: string): string =>
  path.slice(Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\')) + 1);
