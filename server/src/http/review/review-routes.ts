/** Routes of a review. */
import type { Router } from 'express';
import { object, string, type Schema } from 'yup';
import type { Parts } from '../../parts.ts';
import { putOff, viewPutOff, viewReviewSource } from '../../usecases/review/review-source.ts';
import { at, handle, withBody } from '../handling.ts';

const putOffSchema = object({
  what: string().max(500).required(),
  until: string()
    .nullable()
    .test('time', '${path} must be a time in ISO 8601', (text) =>
      text === null || text === undefined ? true : !Number.isNaN(Date.parse(text)),
    ),
}) as unknown as Schema<{ what: string; until?: string | null }>;

/** Adds the routes of a review. */
export function reviewRoutes(router: Router, parts: Parts): void {
  router.get(
    at('review'),
    handle(async (_, response, computer) => {
      response.type('json').send(await viewReviewSource(parts, computer));
    }),
  );
  router.get(
    at('review/put-off'),
    handle(async (_, response, computer) => {
      response.json(await viewPutOff(parts, computer));
    }),
  );
  router.put(
    at('review/put-off'),
    withBody(putOffSchema, ({ what, until }, computer) => putOff(parts, computer, what, until)),
  );
}
