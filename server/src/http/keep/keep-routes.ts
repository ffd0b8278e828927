/** Routes of keeping: points to return to, documents out and in. */
import { json, type RequestHandler, type Router } from 'express';
import { isAbsolute } from 'node:path';
import { array, boolean, lazy, number, object, string, type ISchema } from 'yup';
import { actSize } from '@clever-drawer/core/acts';
import type { ShelfSettings } from '@clever-drawer/core/api';
import { mergeModes } from '@clever-drawer/core/exchange';
import type { CabinetId, ComputerId, FolderId, PluginId } from '@clever-drawer/core/id';
import type { ChangePart } from '@clever-drawer/core/keep';
import { ok } from '@clever-drawer/core/problem';
import type { Parts } from '../../parts.ts';
import {
  exportCopies,
  exportDocument,
  exportOutline,
  exportTable,
} from '../../usecases/keep/export-documents.ts';
import { mergeDocument, previewDocument } from '../../usecases/keep/merge-document.ts';
import {
  changePoint,
  comparePoint,
  markPoint,
  returnToPoint,
  viewPoints,
} from '../../usecases/keep/points.ts';
import type { Incoming } from '../../usecases/keep/read-incoming.ts';
import { previewShelf, removeShelf, setShelf, viewShelf } from '../../usecases/keep/shelves.ts';
import { id, name, needed } from '../fields.ts';
import { at, handle, param, withBody } from '../handling.ts';
import { answer, refuse } from '../problems.ts';

const pointSchema = object({ name: name() });
const partSchema: ISchema<{ part: ChangePart | null }> = object({
  part: object({ folder: id<FolderId>(), cabinet: id<CabinetId>(), plugin: id<PluginId>() })
    .noUnknown()
    .nullable()
    .defined(),
});
/** A path of this computer, from its root. */
const directory = () =>
  string()
    .trim()
    .max(2_000)
    .test('absolute', '${path} must be a whole path, from the root', (text) =>
      isAbsolute(text ?? ''),
    )
    .required();
const shelfSchema: ISchema<ShelfSettings> = object({
  cabinet: needed<CabinetId>(),
  directory: directory(),
  hasFigures: boolean().required(),
});
const tableSchema = object({ plugins: array(needed()).max(actSize).nullable().defined() });
const backupsSchema = object({
  directory: directory(),
  keep: number().integer().min(1).max(1000).required(),
});
const incomingSchema: ISchema<Incoming> = object({
  form: string().oneOf(['document', 'outline', 'table', 'tree'] as const),
  text: string(),
  computer: id<ComputerId>(),
  how: string().oneOf(mergeModes).required(),
  hasLoads: boolean(),
  choices: lazy((value: unknown) =>
    object(
      Object.fromEntries(
        Object.keys(typeof value === 'object' && value !== null ? value : {}).map((key) => [
          key,
          id<PluginId>().nullable().defined(),
        ]),
      ),
    ).required(),
  ),
});

/** Bodies that hold a whole document. */
const documentLimit = '80mb';

/** The addresses whose bodies are read by their own parser. */
export const documentBodies: RequestHandler = json({ limit: documentLimit });

const pointAsked = (text: unknown): string | null => (typeof text === 'string' ? text : null);

/** Adds the routes of keeping. */
export function keepRoutes(router: Router, parts: Parts): void {
  pointRoutes(router, parts);
  shelfRoutes(router, parts);
  backupRoutes(router, parts);
  router.get(
    at('document'),
    handle(async (request, response, computer) => {
      const written = await exportDocument(parts, computer, {
        point: pointAsked(request.query['point']),
        withLoads: request.query['loads'] === 'yes',
      });
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
  router.get(
    at('copies.ndjson'),
    handle(async (_, response, computer) => {
      response.type('application/x-ndjson').send(await exportCopies(parts, computer));
    }),
  );
  router.get(
    at('outline'),
    handle(async (_, response, computer) => {
      response.type('text/x-opml').send(await exportOutline(parts, computer));
    }),
  );
  router.post(
    at('table'),
    withBody(tableSchema, async ({ plugins }, computer) =>
      ok({ text: await exportTable(parts, computer, plugins) }),
    ),
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

function shelfRoutes(router: Router, parts: Parts): void {
  router.get(
    at('shelf'),
    handle(async (_, response, computer) => {
      response.json(await viewShelf(parts, computer));
    }),
  );
  router.post(
    at('shelf/preview'),
    withBody(shelfSchema, (settings, computer) => previewShelf(parts, computer, settings)),
  );
  router.put(
    at('shelf'),
    withBody(shelfSchema, async (settings, computer) => {
      parts.shelves.follow(computer);
      return setShelf(parts, computer, settings);
    }),
  );
  router.delete(
    at('shelf'),
    handle(async (_, response, computer) => {
      answer(response, await removeShelf(parts, computer));
    }),
  );
}

/** Backups are of the whole studio. */
function backupRoutes(router: Router, parts: Parts): void {
  router.get(
    '/backups',
    handle(async (_, response) => {
      response.json(await parts.backups.view());
    }),
  );
  router.post(
    '/backups',
    handle(async (_, response) => {
      response.json(await parts.backups.now());
    }),
  );
  router.put(
    '/backups',
    withBody(backupsSchema, (settings) => parts.backups.set(settings)),
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
