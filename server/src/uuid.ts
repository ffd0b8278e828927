/** UUIDs: how they are written, and those that are made of what they name. */
import { createHash } from 'node:crypto';

const uuid = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** Whether a text is a UUID, in lower case. */
export const isUuid = (text: string): boolean => uuid.test(text);

/** The UUID of a text, always the same: its MD5, written as PostgreSQL's `md5(text)::uuid` does. */
export const uuidOf = (text: string): string =>
  createHash('md5')
    .update(text)
    .digest('hex')
    .replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
