/** What the system's errors about files mean, in words. */

const meanings: Readonly<Record<string, string>> = {
  EACCES: 'it may not be written by this program',
  EPERM: 'it may not be changed by this program',
  EROFS: 'its disk can only be read',
  ENOSPC: 'its disk is full',
  EDQUOT: 'the quota on its disk is used up',
  ENAMETOOLONG: 'a name is longer than its disk takes',
  ENOTDIR: 'a file, or a link, is where a directory should be',
  ELOOP: 'a link is where a directory should be',
  EISDIR: 'a directory is where a file should be',
  EEXIST: 'something else is there already',
  ENOENT: 'it is not there',
  EIO: 'its disk does not work',
  EINVAL: 'nothing can be made there',
};

/** The words for an error of the system; null where it is another one. */
export const diskTrouble = (error: unknown): string | null =>
  meanings[(error as NodeJS.ErrnoException | null)?.code ?? ''] ?? null;
