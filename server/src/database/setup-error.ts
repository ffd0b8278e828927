/** What can stand in the way of starting, in words for whoever starts. */

/** A set-up that cannot go on: what is wrong, and what to do. */
export class SetupError extends Error {}

/** What the system's errors mean for a directory of ours. */
const meanings: Readonly<Record<string, (path: string) => string>> = {
  EACCES: (path) =>
    `${path} may not be written by this user. Start Clever Drawer as its owner, or choose another directory with --data.`,
  EPERM: (path) =>
    `${path} may not be changed by this user. Start Clever Drawer as its owner, or choose another directory with --data.`,
  EROFS: (path) =>
    `${path} lies on a disk that can only be read. Choose another directory with --data.`,
  ENOSPC: (path) =>
    `The disk of ${path} is full. Free some space on it, or choose another directory with --data, and start again; nothing that was saved is lost.`,
  // PostgreSQL's own code for a disk without room (its documentation, appendix A).
  '53100': (path) =>
    `The disk of ${path} is full. Free some space on it, or choose another directory with --data, and start again; nothing that was saved is lost.`,
  EDQUOT: (path) =>
    `Your quota on the disk of ${path} is used up. Free some space, or choose another directory with --data.`,
  ENOTDIR: (path) =>
    `${path} cannot be the directory of the data: it, or what it lies in, is a file. Choose another one with --data.`,
  EEXIST: (path) =>
    `${path} is a file. The data needs a directory: choose another one with --data.`,
};

/** The error in words where it is one of the system's about this path; else as it was. */
export function explain(error: unknown, path: string): unknown {
  const code = (error as NodeJS.ErrnoException | null)?.code ?? '';
  const meaning = meanings[code];
  return meaning ? new SetupError(meaning(path), { cause: error }) : error;
}
