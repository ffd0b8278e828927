/** The routes of one computer: each parses, calls one use case and answers. */
import { raw, Router } from 'express';
import { ok } from '@clever-drawer/core';
import type { Parts } from '../parts.ts';
import { performAct, undoOrRedo, viewChanges, viewOrder } from '../usecases/order/change-order.ts';
import { setAside, takeBack, viewAsides } from '../usecases/scan/asides.ts';
import {
  addPlace,
  addUsualPlaces,
  changePlace,
  removePlace,
  viewPlaces,
} from '../usecases/scan/places.ts';
import { setUpComputer } from '../usecases/catalog/set-up-computer.ts';
import { startScan, stopScan, viewFailed, viewFindings, viewScans } from '../usecases/scan/scan.ts';
import {
  readPicture,
  viewCatalog,
  viewComputers,
  viewUsage,
} from '../usecases/catalog/view-catalog.ts';
import { ownPicture, takePicture } from '../usecases/catalog/pictures.ts';
import { viewPlugin, viewSort } from '../usecases/identify/view-questions.ts';
import { streamEvents } from './events.ts';
import { at, handle, param, withBody } from './handling.ts';
import {
  actSchema,
  asideSchema,
  computerSchema,
  parse,
  placeChangeSchema,
  placeSchema,
  scanSchema,
} from './parse.ts';
import { answer, refuse } from './problems.ts';
import { sessionRoutes } from './session-routes.ts';

/** All routes below /api. */
export function apiRoutes(parts: Parts): Router {
  const router = Router();
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
    at('catalog'),
    handle(async (_, response, computer) => {
      answer(response, await viewCatalog(parts, computer));
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
    handle(async (_, response, computer) => {
      response.json(await viewSort(parts, computer));
    }),
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
    at('places'),
    handle(async (_, response, computer) => {
      response.json(await viewPlaces(parts, computer));
    }),
  );
  router.post(
    at('places'),
    withBody(placeSchema, (body, computer) => addPlace(parts, computer, body.path), 201),
  );
  router.post(
    at('places/usual'),
    handle(async (_, response, computer) => {
      answer(response, await addUsualPlaces(parts, computer));
    }),
  );
  router.delete(
    at('places/:place'),
    handle(async (request, response, computer) => {
      answer(response, await removePlace(parts, computer, param(request, 'place')));
    }),
  );

  router.patch(
    at('places/:place'),
    handle(async (request, response, computer) => {
      const body = await parse(placeChangeSchema, request.body);
      answer(
        response,
        body.ok ? await changePlace(parts, computer, param(request, 'place'), body.value) : body,
      );
    }),
  );
  router.get(
    at('asides'),
    handle(async (_, response, computer) => {
      response.json(await viewAsides(parts, computer));
    }),
  );
  router.post(
    at('asides'),
    withBody(asideSchema, (body, computer) => setAside(parts, computer, body.copy)),
  );
  router.post(
    at('asides/back'),
    withBody(placeSchema, (body, computer) => takeBack(parts, computer, body.path)),
  );

  router.get(
    at('scans'),
    handle(async (_, response, computer) => {
      response.json(await viewScans(parts, computer));
    }),
  );
  router.post(
    at('scans'),
    withBody(
      scanSchema,
      (body, computer) => startScan(parts, computer, body.mode ?? 'changed'),
      202,
    ),
  );
  router.post(
    at('scans/stop'),
    handle(async (_, response, computer) => {
      answer(response, await stopScan(parts, computer));
    }),
  );
  router.get(
    at('scans/:scan/findings'),
    handle(async (request, response, computer) => {
      response.json(await viewFindings(parts, computer, param(request, 'scan')));
    }),
  );

  router.get(
    at('order'),
    handle(async (_, response, computer) => {
      response.json(await viewOrder(parts, computer));
    }),
  );
  router.post(
    at('acts'),
    withBody(actSchema, (act, computer) => performAct(parts, computer, act)),
  );
  router.get(
    at('changes'),
    handle(async (_, response, computer) => {
      response.json(await viewChanges(parts, computer));
    }),
  );
  router.post(
    at('undo'),
    handle(async (_, response, computer) => {
      answer(response, await undoOrRedo(parts, computer, 'undo'));
    }),
  );
  router.post(
    at('redo'),
    handle(async (_, response, computer) => {
      answer(response, await undoOrRedo(parts, computer, 'redo'));
    }),
  );

  sessionRoutes(router, parts);
  router.get(at('events'), (request, response) => {
    streamEvents(parts, param(request, 'computer'), request, response);
  });
  return router;
}
