/** Files of the build, answered from memory: a page asks for ten of them at once before it can begin. */
import { readdirSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { extname, join } from 'node:path';
import type { RequestHandler } from 'express';

/** For files whose names say what is in them (RFC 8246). */
const forEver = 'public, max-age=31536000, immutable';

/**
 * Answers requests for files of that directory by their names; each is read when it is first asked
 * for. Whoever asks for another file goes on.
 */
export function builtFiles(directory: string): RequestHandler {
  const names = namesIn(directory);
  const held = new Map<string, Promise<Buffer>>();
  const bytesOf = (name: string): Promise<Buffer> => {
    const bytes = held.get(name) ?? readFile(join(directory, name));
    held.set(name, bytes);
    return bytes;
  };
  return (request, response, next) => {
    const name = request.path.slice(1);
    if (request.method !== 'GET' || !names.has(name)) {
      next();
      return;
    }
    bytesOf(name).then(
      (bytes) => {
        response.setHeader('Cache-Control', forEver);
        response.setHeader('Content-Length', bytes.length);
        response.type(extname(name)).end(bytes);
      },
      (error: unknown) => {
        held.delete(name);
        next(error);
      },
    );
  };
}

/** The files there are; none where there is no such directory. */
function namesIn(directory: string): ReadonlySet<string> {
  try {
    return new Set(readdirSync(directory));
  } catch {
    return new Set();
  }
}
