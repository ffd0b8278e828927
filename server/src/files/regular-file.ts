/**
 * Files that are opened only when they are files. A named pipe, a device or a socket that is called
 * like one is refused at once: opening it for reading would wait for ever, or do something.
 */
import { constants } from 'node:fs';
import { open, type FileHandle } from 'node:fs/promises';

/** What was opened is something else, or holds more than it may. */
export class NotRegularError extends Error {
  readonly code: 'not-regular' | 'too-large';

  constructor(path: string, code: 'not-regular' | 'too-large') {
    super(code === 'not-regular' ? `${path} is not a file.` : `${path} is too large.`);
    this.code = code;
  }
}

/** How a file is opened. */
export interface OpenOptions {
  /** Whether a link may be followed; no, unless a person named the file. */
  readonly followsLinks?: boolean;
}

/** Opens a regular file for reading, without waiting. Throws a NotRegularError, or the system's error. */
export async function openRegular(
  path: string,
  { followsLinks = false }: OpenOptions = {},
): Promise<FileHandle> {
  const link = followsLinks ? 0 : constants.O_NOFOLLOW;
  const handle = await open(path, constants.O_RDONLY | constants.O_NONBLOCK | link);
  if ((await handle.stat()).isFile()) {
    return handle;
  }
  await handle.close();
  throw new NotRegularError(path, 'not-regular');
}

/** What a regular file holds, at most `limit` bytes. Throws as `openRegular` does. */
export async function readRegular(
  path: string,
  limit: number,
  options: OpenOptions = {},
): Promise<Buffer> {
  const handle = await openRegular(path, options);
  try {
    const { size } = await handle.stat();
    if (size > limit) {
      throw new NotRegularError(path, 'too-large');
    }
    return await handle.readFile();
  } finally {
    await handle.close();
  }
}

/** The text of a small file of ours; null where there is none, or something else. */
export const readSmallText = (path: string, limit = 65_536): Promise<string | null> =>
  readRegular(path, limit).then(
    (bytes) => bytes.toString('utf8'),
    () => null,
  );
