/** Routes of computers and their catalogs: plugins, questions, pictures, finding. */
import { raw, type Request, type Router } from 'express';
import { array, object, string } from 'yup';
import { nameLength } from '@clever-drawer/core/acts';
import type { WaitingView } from '@clever-drawer/core/api';
import { trackKinds, type SlotKind, type TrackKind } from '@clever-drawer/core/loading';
import { ok } from '@clever-drawer/core/problem';
import type { Parts } from '../../parts.ts';
import { findPlugins } from '../../usecases/catalog/find-plugins.ts';
import { ownPicture, takePicture } from '../../usecases/catalog/pictures.ts';
import {
  removeComputer,
  renameComputer,
  restoreComputer,
  viewRemoved,
} from '../../usecases/catalog/name-computer.ts';
import { setUpComputer } from '../../usecases/catalog/set-up-computer.ts';
import {
  countWaiting,
  readPicture,
  viewCatalog,
  viewComputers,
  viewSort,
  viewUsage,
} from '../../usecases/catalog/view-catalog.ts';
import {
  viewPlugin,
  viewSettings,
  viewWaitingSettings,
} from '../../usecases/identify/view-plugin.ts';
import type { ComputerId } from '@clever-drawer/core/id';
import { viewFailed } from '../../usecases/scan/scan-views.ts';
import { takeCopies } from '../../usecases/scan/take-copies.ts';
import { name, needed } from '../fields.ts';
import { linesOf } from '../lines.ts';
import { at, handle, param, withBody } from '../handling.ts';
import { parse } from '../parse.ts';
import { answer, refuse } from '../problems.ts';

/** A new computer. */
const computerSchema = object({
  name: string().trim().max(nameLength).required(),
  tracks: array(
    object({ name: name(), sort: string<TrackKind>().oneOf(trackKinds).required() }),
  ).max(64),
});

/** Another name for a computer; what is wrong with it is said in words. */
const renameSchema = object({ name: string().max(10_000).defined() });
const restoreSchema = object({ computer: needed<ComputerId>() });

/** Letters to find. */
const findSchema = object({
  q: string().max(200).defined(),
  slot: string<SlotKind>().oneOf(['effect', 'instrument', 'note-effect']),
  width: string().matches(/^[1-9]\d?$/, '${path} must be a number of channels from 1 to 99'),
  limit: string().matches(/^[1-9]\d{0,2}$/, '${path} must be a number from 1 to 999'),
});

/** The version that who asks has; null for the whole. */
function sinceOf({ query: { since } }: Request): number | null {
  return typeof since === 'string' && /^\d{1,15}$/.test(since) ? Number(since) : null;
}

/** Questions that are put off in a window. */
const waitingSchema = object({ later: array(string().max(500).required()).max(2_000).required() });

/** Adds the routes of computers and catalogs. */
export function catalogRoutes(router: Router, parts: Parts): void {
  router.get(
    '/computers',
    handle(async (_, response) => {
      response.json(await viewComputers(parts));
    }),
  );
  router.post(
    '/computers',
    withBody(computerSchema, async (body) => ok(await setUpComputer(parts, body)), 201),
  );
  router.get(
    '/removed-computers',
    handle(async (_, response) => {
      response.json(await viewRemoved(parts));
    }),
  );
  router.post(
    '/removed-computers/restore',
    withBody(restoreSchema, ({ computer }) => restoreComputer(parts, computer)),
  );
  router.patch(
    '/computers/:computer',
    withBody(renameSchema, ({ name: wanted }, computer) => renameComputer(parts, computer, wanted)),
  );
  router.delete(
    '/computers/:computer',
    handle(async (_, response, computer) => {
      answer(response, await removeComputer(parts, computer));
    }),
  );
  router.post(
    '/take',
    handle(async (request, response) => {
      const asked = request.query['computer'];
      const computer = typeof asked === 'string' ? asked : '';
      const mayGo = request.query['gone'] === 'accept';
      answer(response, await takeCopies(parts, computer, linesOf(request), mayGo), 201);
    }),
  );
  router.get(
    at('settings'),
    handle(async (_, response, computer) => {
      response.json(await viewSettings(parts, computer));
    }),
  );
  router.get(
    at('settings/waiting'),
    handle(async (_, response, computer) => {
      response.json(await viewWaitingSettings(parts, computer));
    }),
  );
  router.get(
    at('catalog'),
    handle(async (request, response, computer) => {
      answer(response, await viewCatalog(parts, computer, sinceOf(request)));
    }),
  );
  router.get(
    at('usage'),
    handle(async (_, response, computer) => {
      response.json(await viewUsage(parts, computer));
    }),
  );
  router.get(
    at('copies/failed'),
    handle(async (_, response, computer) => {
      response.json(await viewFailed(parts, computer));
    }),
  );
  router.get(
    at('copies/:copy/picture'),
    handle(async (request, response, computer) => {
      const picture = await readPicture(parts, computer, param(request, 'copy'));
      if (picture.ok) {
        response
          .type(picture.value.type)
          .set('Cache-Control', 'private, max-age=3600')
          .send(picture.value.bytes);
      } else {
        refuse(response, picture.problems);
      }
    }),
  );
  router.get(
    at('sort'),
    handle(async (request, response, computer) => {
      response.json(await viewSort(parts, computer, sinceOf(request)));
    }),
  );
  router.post(
    at('waiting'),
    withBody(waitingSchema, async ({ later }, computer) =>
      ok({ waiting: await countWaiting(parts, computer, later) } satisfies WaitingView),
    ),
  );
  router.get(
    at('plugins/:plugin'),
    handle(async (request, response, computer) => {
      answer(response, await viewPlugin(parts, computer, param(request, 'plugin')));
    }),
  );
  router.post(
    at('pictures'),
    raw({ type: ['image/*', 'application/octet-stream'], limit: '12mb' }),
    handle(async (request, response, computer) => {
      answer(response, await takePicture(parts, computer, request.body), 201);
    }),
  );
  router.get(
    at('pictures/:picture'),
    handle(async (request, response, computer) => {
      const picture = await ownPicture(parts, computer, param(request, 'picture'));
      if (picture.ok) {
        response
          .type('image/webp')
          .set('Cache-Control', 'private, max-age=31536000, immutable')
          .send(picture.value);
      } else {
        refuse(response, picture.problems);
      }
    }),
  );
  router.get(
    at('find'),
    handle(async (request, response, computer) => {
      const query = await parse(findSchema, { ...request.query });
      answer(
        response,
        query.ok
          ? await findPlugins(
              parts,
              computer,
              query.value.q,
              query.value.slot ?? null,
              Number(query.value.limit ?? 9),
              query.value.width === undefined ? undefined : Number(query.value.width),
            )
          : query,
      );
    }),
  );
}
