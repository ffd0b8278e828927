/** Routes of keeping: points to return to, documents out and in. */
import { json, type RequestHandler, type Router } from 'express';
import { lazy, object, string, type Schema } from 'yup';
import { mergeModes, type ChangePart } from '@clever-drawer/core';
import type { Parts } from '../../parts.ts';
import {
  exportDocument,
  mergeDocument,
  previewDocument,
  type Incoming,
} from '../../usecases/keep/documents.ts';
import {
  changePoint,
  comparePoint,
  markPoint,
  returnToPoint,
  viewPoints,
} from '../../usecases/keep/points.ts';
import { id, name } from '../fields.ts';
import { at, handle, param, withBody } from '../handling.ts';
import { answer, refuse } from '../problems.ts';

const pointSchema = object({ name: name() });
const partSchema = object({
  part: object({ folder: id(), cabinet: id(), plugin: id() }).noUnknown().nullable().defined(),
}) as unknown as Schema<{ part: ChangePart | null }>;
const incomingSchema = object({
  text: string(),
  computer: id(),
  how: string().oneOf(mergeModes).required(),
  choices: lazy((value: unknown) =>
    object(
      Object.fromEntries(
        Object.keys(typeof value === 'object' && value !== null ? value : {}).map((key) => [
          key,
          id().nullable().defined(),
        ]),
      ),
    ).required(),
  ),
}) as unknown as Schema<Incoming>;

/** Bodies that hold a whole document. */
const documentLimit = '80mb';

/** The addresses whose bodies are read by their own parser. */
export const documentBodies: RequestHandler = json({ limit: documentLimit });

const pointAsked = (text: unknown): string | null => (typeof text === 'string' ? text : null);

/** Adds the routes of keeping. */
export function keepRoutes(router: Router, parts: Parts): void {
  pointRoutes(router, parts);
  router.get(
    at('document'),
    handle(async (request, response, computer) => {
      const point = pointAsked(request.query['point']);
      const written = await exportDocument(parts, computer, point);
      if (written.ok) {
        response
          .type('application/json')
          .set('Content-Disposition', 'attachment; filename="order.json"')
          .send(written.value);
      } else {
        refuse(response, written.problems);
      }
    }),
  );
  router.post(
    at('document/preview'),
    withBody(incomingSchema, (incoming, computer) => previewDocument(parts, computer, incoming)),
  );
  router.post(
    at('document/merge'),
    withBody(incomingSchema, (incoming, computer) => mergeDocument(parts, computer, incoming)),
  );
}

function pointRoutes(router: Router, parts: Parts): void {
  router.get(
    at('points'),
    handle(async (_, response, computer) => {
      response.json(await viewPoints(parts, computer));
    }),
  );
  router.post(
    at('points'),
    withBody(pointSchema, (body, computer) => markPoint(parts, computer, body.name), 201),
  );
  router.put(
    at('points/:point'),
    withBody(pointSchema, (body, computer, request) =>
      changePoint(parts, computer, param(request, 'point'), body.name),
    ),
  );
  router.delete(
    at('points/:point'),
    handle(async (request, response, computer) => {
      answer(response, await changePoint(parts, computer, param(request, 'point'), null));
    }),
  );
  router.get(
    at('points/:point/comparison'),
    handle(async (request, response, computer) => {
      const from = pointAsked(request.query['from']);
      answer(response, await comparePoint(parts, computer, param(request, 'point'), from));
    }),
  );
  router.post(
    at('points/:point/return'),
    withBody(partSchema, ({ part }, computer, request) =>
      returnToPoint(parts, computer, param(request, 'point'), part),
    ),
  );
}
