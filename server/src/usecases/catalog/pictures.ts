/** Pictures of the user's own: taken in as any usual format, kept small. */
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { addPicture, findOwnPicture, forgetUnusedPictures } from '../../database/pictures.ts';
import type { Parts } from '../../parts.ts';

/** The most pixels a picture that comes in may have, and the longer side of what is kept. */
const mostPixels = 50_000_000;
const side = 640;

/** What is taken: pictures made of pixels. A drawing such as SVG is a document that could ask for more. */
const offered: ReadonlySet<string> = new Set(['png', 'jpeg', 'webp', 'gif', 'tiff', 'heif']);

/** Pictures that nothing refers to are kept this long: one may be about to be used. Days. */
const unusedDays = 7;

/** Removes pictures that neither an answer nor the log of changes refers to. Gives how many. */
export const tidyPictures = ({ database, clock }: Pick<Parts, 'database' | 'clock'>) =>
  forgetUnusedPictures(
    database.manager,
    new Date(clock().getTime() - unusedDays * 24 * 60 * 60 * 1000),
  );

/**
 * A picture (PNG, JPEG, WebP, GIF …) made anew as WebP: whatever else was in the file is left behind.
 * Null where it is none. Whatever way a picture comes, it comes through here.
 */
export async function madeAnew(bytes: Buffer): Promise<Buffer | null> {
  if (bytes.length === 0) {
    return null;
  }
  const picture = sharp(bytes, { limitInputPixels: mostPixels, failOn: 'error', pages: 1 });
  const { format } = await picture.metadata().catch(() => ({ format: undefined }));
  if (format === undefined || !offered.has(format)) {
    return null;
  }
  return picture
    .rotate()
    .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
    .webp({ quality: 86 })
    .toBuffer()
    .catch(() => null);
}

/** Takes in a picture. */
export async function takePicture(
  parts: Parts,
  computer: string,
  bytes: unknown,
): Promise<Result<{ id: string }>> {
  const made = Buffer.isBuffer(bytes) ? await madeAnew(bytes) : null;
  if (!made) {
    return failed({ code: 'not-a-picture', at: 'picture' });
  }
  const id = randomUUID();
  await addPicture(parts.database.manager, {
    id,
    computerId: computer,
    bytes: made,
    at: parts.clock(),
  });
  return ok({ id });
}

/** The bytes of an own picture. */
export async function ownPicture(
  parts: Parts,
  computer: string,
  id: string,
): Promise<Result<Buffer>> {
  const row = await findOwnPicture(parts.database.manager, computer, id);
  return row ? ok(row.bytes) : failed({ code: 'unknown-record', at: 'picture', what: 'picture' });
}
