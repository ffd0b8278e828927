/** Routes of a review. */
import type { Request, Router } from 'express';
import { object, string, type ISchema } from 'yup';
import { nameLength } from '@clever-drawer/core/acts';
import { kinds, type Kind } from '@clever-drawer/core/catalog';
import { trackKinds, type TrackKind } from '@clever-drawer/core/loading';
import { ok, type Result } from '@clever-drawer/core/problem';
import {
  periods,
  reviewParts,
  usualView,
  type Period,
  type ReviewPart,
  type ReviewView,
} from '@clever-drawer/core/review';
import type { Parts } from '../../parts.ts';
import { putOff, viewPutOff } from '../../usecases/review/put-off.ts';
import { viewReview } from '../../usecases/review/view-review.ts';
import { id } from '../fields.ts';
import { at, handle, withBody } from '../handling.ts';
import { parse } from '../parse.ts';
import { answerText } from '../problems.ts';

const putOffSchema: ISchema<{ what: string; until?: string | null | undefined }> = object({
  what: string().max(500).required(),
  until: string()
    .nullable()
    .test('time', '${path} must be a time in ISO 8601', (text) =>
      text === null || text === undefined ? true : !Number.isNaN(Date.parse(text)),
    ),
});

/** A part of a review and what it looks at, as an address says it. */
interface Asked {
  readonly part: ReviewPart;
  readonly view: ReviewView;
}

const askedSchema = object({
  part: string<ReviewPart>().oneOf(reviewParts).required(),
  period: string<Period>().oneOf(periods.map((period) => period.id)),
  cabinet: id(),
  kind: string<Kind>().oneOf(kinds),
  track: string<TrackKind>().oneOf(trackKinds),
  vendor: string().max(nameLength),
});

async function askedOf({ query }: Request): Promise<Result<Asked>> {
  const asked = await parse(askedSchema, { ...query });
  if (!asked.ok) {
    return asked;
  }
  const { part, ...view } = asked.value;
  return ok({ part, view: { ...usualView, ...view } });
}

/** Adds the routes of a review. */
export function reviewRoutes(router: Router, parts: Parts): void {
  router.get(
    at('review'),
    handle(async (request, response, computer) => {
      const asked = await askedOf(request);
      answerText(
        response,
        asked.ok ? await viewReview(parts, computer, asked.value.part, asked.value.view) : asked,
      );
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
