/** Routes of places, of what is set aside, and of scans. */
import type { Router } from 'express';
import { array, boolean, object, string } from 'yup';
import { openingWishes, scanModes, type OpeningWish, type ScanMode } from '@clever-drawer/core/api';
import { formats, type Format } from '@clever-drawer/core/formats';
import type { Parts } from '../../parts.ts';
import { viewAsides } from '../../usecases/scan/asides.ts';
import {
  addPlace,
  addUsualPlaces,
  changePlace,
  removePlace,
  viewPlaces,
} from '../../usecases/scan/places.ts';
import { changeOpening, viewOpening } from '../../usecases/scan/opening.ts';
import { viewFindings, viewScans } from '../../usecases/scan/scan-views.ts';
import { startScan, stopScan } from '../../usecases/scan/scan.ts';
import { at, handle, param, withBody } from '../handling.ts';
import { answer } from '../problems.ts';

/** A new place. */
const placeSchema = object({
  path: string().max(4096).required(),
  formats: array(string<Format>().oneOf(formats).required()).min(1).max(formats.length),
});

/** What changes of a place. */
const placeChangeSchema = object({ isOn: boolean(), isWatched: boolean() });

/** When copies are opened. */
const openingSchema = object({ wish: string<OpeningWish>().oneOf(openingWishes).required() });

/** A scan to start. */
const scanSchema = object({ mode: string<ScanMode>().oneOf(scanModes) });

/** Adds the routes of places and scans. */
export function scanRoutes(router: Router, parts: Parts): void {
  router.get(
    at('places'),
    handle(async (_, response, computer) => {
      response.json(await viewPlaces(parts, computer));
    }),
  );
  router.post(
    at('places'),
    withBody(placeSchema, (body, computer) => addPlace(parts, computer, body), 201),
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
    withBody(placeChangeSchema, (body, computer, request) =>
      changePlace(parts, computer, param(request, 'place'), body),
    ),
  );
  router.get(
    at('opening'),
    handle(async (_, response, computer) => {
      response.json(await viewOpening(parts, computer));
    }),
  );
  router.put(
    at('opening'),
    withBody(openingSchema, (body, computer) => changeOpening(parts, computer, body.wish)),
  );
  router.get(
    at('asides'),
    handle(async (_, response, computer) => {
      response.json(await viewAsides(parts, computer));
    }),
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
}
