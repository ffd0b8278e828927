/** Fields that many bodies have. */
import { array, number, string } from 'yup';
import { isUuid } from '../uuid.ts';
import { actSize, nameLength } from '@clever-drawer/core/acts';
import type { Id } from '@clever-drawer/core/id';

/** An id. */
export const id = <I extends Id<string>>() =>
  string<I>().test(
    'uuid',
    '${path} must be a UUID in lower case',
    (text) => typeof text !== 'string' || isUuid(text),
  );

/** An id that has to be given. */
export const needed = <I extends Id<string> = never>() => id<I>().required();
/** An id, or null. */
export const maybe = <I extends Id<string> = never>() => id<I>().nullable().defined();
/** Some ids, at least one. */
export const ids = <I extends Id<string> = never>() =>
  array(needed<I>()).min(1).max(actSize).required();
/** A name that the user gives. */
export const name = () => string().max(nameLength).required();
/** A name, or null. */
export const maybeName = () => string().max(nameLength).nullable().defined();
/** How many keys were pressed. */
export const keys = () => number().integer().min(0).max(10_000);
/** Milliseconds; nobody looks for longer than a day. */
export const took = () => number().integer().min(0).max(86_400_000);
/** A place along a track. */
export const index = () => number().integer().min(0).max(1000).required();
