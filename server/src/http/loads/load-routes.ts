/** Routes of loads and of what is learnt from them. */
import type { Router } from 'express';
import { array, boolean, object, string, type Schema } from 'yup';
import type { PastLoad } from '@clever-drawer/core/api';
import { formats, type Format } from '@clever-drawer/core/formats';
import type { FolderId, PluginId } from '@clever-drawer/core/id';
import { trackKinds, type TrackKind } from '@clever-drawer/core/loading';
import type { Parts } from '../../parts.ts';
import {
  changeLearning,
  recordPastLoads,
  viewHabits,
  viewKeys,
  wipeLoads,
} from '../../usecases/loads/learning.ts';
import { hearLoad, type ExternalLoad } from '../../usecases/loads/external-loads.ts';
import { id, keys, maybe, needed, took } from '../fields.ts';
import { at, handle, withBody } from '../handling.ts';
import { answer } from '../problems.ts';

/** What a host calls a load. */
const hostsId = () => string().min(1).max(200);

/** A load that a host tells. */
const externalLoadSchema: Schema<ExternalLoad> = object({
  id: hostsId(),
  format: string<Format>().oneOf(formats).required(),
  path: string().max(4096).required(),
  identity: string().max(4096).nullable().defined(),
  track: string<TrackKind>().oneOf(trackKinds).required(),
  after: string().max(4096).nullable().defined(),
  typed: string().max(200),
  keys: keys(),
  took: took(),
});

const day = 24 * 60 * 60 * 1000;
/** There was no such program before; clocks of two machines may differ by some hours. */
const isSensibleTime = (time: number, now: number): boolean =>
  time >= Date.UTC(1990, 0) && time <= now + day;

/** Whether use is learnt. */
const learningSchema = object({ isLearning: boolean().required() });

/** Loads of the past. */
const pastLoadsSchema: Schema<{ loads: PastLoad[] }> = object({
  loads: array(
    object({
      id: hostsId(),
      plugin: needed<PluginId>(),
      after: maybe<PluginId>(),
      track: string<TrackKind>().oneOf(trackKinds).required(),
      typed: string().max(200),
      keys: keys(),
      took: took(),
      folder: id<FolderId>(),
      at: string()
        .required()
        .test('time', '${path} must be a time in ISO 8601, from 1990 to tomorrow', (text) =>
          isSensibleTime(Date.parse(text), Date.now()),
        ),
    }),
  )
    .min(1)
    .max(50_000)
    .required(),
});

/** Adds the routes of loads. */
export function loadRoutes(router: Router, parts: Parts): void {
  router.get(
    at('habits'),
    handle(async (_, response, computer) => {
      response.json(await viewHabits(parts, computer));
    }),
  );
  router.patch(
    at('habits'),
    withBody(learningSchema, (body, computer) => changeLearning(parts, computer, body.isLearning)),
  );
  router.get(
    at('keys'),
    handle(async (_, response, computer) => {
      response.json(await viewKeys(parts, computer));
    }),
  );
  router.delete(
    at('loads'),
    handle(async (_, response, computer) => {
      answer(response, await wipeLoads(parts, computer));
    }),
  );
  router.post(
    at('host/loads'),
    withBody(externalLoadSchema, (body, computer) => hearLoad(parts, computer, body)),
  );
  router.post(
    at('loads'),
    withBody(pastLoadsSchema, async (body, computer) =>
      recordPastLoads(parts, computer, body.loads),
    ),
  );
}
