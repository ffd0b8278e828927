/** The routes of one computer: each parses, calls one use case and answers. */
import { raw, Router, type Request, type RequestHandler, type Response } from 'express';
import { ok, type Result } from '@clever-drawer/core';
import { changeLearning, changeSession, forgetSession, loadIntoSlot, openSession, recordPastLoads, repairSlots, saveSession, setSession, viewHabits, viewKeys, viewRepairs, viewSession, wipeLoads } from '../host/practice-session.ts';
import { hearLoad } from '../host/told.ts';
import type { Parts } from '../parts.ts';
import { performAct, undoOrRedo, viewChanges, viewOrder } from '../usecases/change-order.ts';
import { setAside, takeBack, viewAsides } from '../usecases/asides.ts';
import { addPlace, addUsualPlaces, changePlace, removePlace, viewPlaces } from '../usecases/places.ts';
import { findPlugins } from '../usecases/find-plugins.ts';
import { setUpComputer } from '../usecases/set-up-computer.ts';
import { startScan, stopScan, viewFailed, viewFindings, viewScans } from '../usecases/scan.ts';
import { readPicture, viewCatalog, viewComputers, viewUsage } from '../usecases/view-catalog.ts';
import { ownPicture, takePicture } from '../usecases/pictures.ts';
import { viewPlugin, viewSort } from '../usecases/view-sort.ts';
import { streamEvents } from './events.ts';
import { actSchema, asideSchema, bypassSchema, computerSchema, findSchema, isUuid, learningSchema, loadSchema, moveSchema, nameSchema, parse, pastLoadsSchema, placeChangeSchema, placeSchema, scanSchema, settingsSchema, slotsSchema, toldSchema } from './parse.ts';
import { answer, refuse } from './problems.ts';

/** An id in the path, as a UUID; anything else is unknown. */
const param = (request: Request, name: string): string => {
  const value = request.params[name];
  return typeof value === 'string' && isUuid(value) ? value : '00000000-0000-0000-0000-000000000000';
};

const handle = (work: (request: Request, response: Response, computer: string) => Promise<void>): RequestHandler => (request, response, next) => {
  work(request, response, param(request, 'computer')).catch(next);
};

/** Parses the body and answers with what the work makes of it. */
const withBody = <T>(schema: Parameters<typeof parse<T>>[0], work: (body: T, computer: string) => Promise<Result<unknown>>, status = 200): RequestHandler =>
  handle(async (request, response, computer) => {
    const body = await parse(schema, request.body);
    if (body.ok) answer(response, await work(body.value, computer), status);
    else refuse(response, body.problems);
  });

export function apiRoutes(parts: Parts): Router {
  const router = Router();
  router.get('/computers', handle(async (_, response) => { response.json(await viewComputers(parts)); }));
  router.post('/computers', withBody(computerSchema, async (body) => ok(await setUpComputer(parts, body)), 201));
  const at = (path: string): string => `/computers/:computer/${path}`;

  router.get(at('catalog'), handle(async (_, response, computer) => { answer(response, await viewCatalog(parts, computer)); }));
  router.get(at('usage'), handle(async (_, response, computer) => { response.json(await viewUsage(parts, computer)); }));
  router.get(at('copies/failed'), handle(async (_, response, computer) => { response.json(await viewFailed(parts, computer)); }));
  router.get(at('copies/:copy/picture'), handle(async (request, response, computer) => {
    const picture = await readPicture(parts, computer, param(request, 'copy'));
    if (picture.ok) response.type(picture.value.type).set('Cache-Control', 'private, max-age=3600').send(picture.value.bytes);
    else refuse(response, picture.problems);
  }));

  router.get(at('sort'), handle(async (_, response, computer) => { response.json(await viewSort(parts, computer)); }));
  router.get(at('plugins/:plugin'), handle(async (request, response, computer) => { answer(response, await viewPlugin(parts, computer, param(request, 'plugin'))); }));
  router.post(at('pictures'), raw({ type: ['image/*', 'application/octet-stream'], limit: '12mb' }), handle(async (request, response, computer) => { answer(response, await takePicture(parts, computer, request.body), 201); }));
  router.get(at('pictures/:picture'), handle(async (request, response, computer) => {
    const picture = await ownPicture(parts, computer, param(request, 'picture'));
    if (picture.ok) response.type('image/webp').set('Cache-Control', 'private, max-age=31536000, immutable').send(picture.value);
    else refuse(response, picture.problems);
  }));

  router.get(at('places'), handle(async (_, response, computer) => { response.json(await viewPlaces(parts, computer)); }));
  router.post(at('places'), withBody(placeSchema, (body, computer) => addPlace(parts, computer, body.path), 201));
  router.post(at('places/usual'), handle(async (_, response, computer) => { answer(response, await addUsualPlaces(parts, computer)); }));
  router.delete(at('places/:place'), handle(async (request, response, computer) => { answer(response, await removePlace(parts, computer, param(request, 'place'))); }));

  router.patch(at('places/:place'), handle(async (request, response, computer) => {
    const body = await parse(placeChangeSchema, request.body);
    answer(response, body.ok ? await changePlace(parts, computer, param(request, 'place'), body.value) : body);
  }));
  router.get(at('asides'), handle(async (_, response, computer) => { response.json(await viewAsides(parts, computer)); }));
  router.post(at('asides'), withBody(asideSchema, (body, computer) => setAside(parts, computer, body.copy)));
  router.post(at('asides/back'), withBody(placeSchema, (body, computer) => takeBack(parts, computer, body.path)));

  router.get(at('scans'), handle(async (_, response, computer) => { response.json(await viewScans(parts, computer)); }));
  router.post(at('scans'), withBody(scanSchema, (body, computer) => startScan(parts, computer, body.mode ?? 'changed'), 202));
  router.post(at('scans/stop'), handle(async (_, response, computer) => { answer(response, await stopScan(parts, computer)); }));
  router.get(at('scans/:scan/findings'), handle(async (request, response, computer) => { response.json(await viewFindings(parts, computer, param(request, 'scan'))); }));

  router.get(at('order'), handle(async (_, response, computer) => { response.json(await viewOrder(parts, computer)); }));
  router.post(at('acts'), withBody(actSchema, (act, computer) => performAct(parts, computer, act)));
  router.get(at('changes'), handle(async (_, response, computer) => { response.json(await viewChanges(parts, computer)); }));
  router.post(at('undo'), handle(async (_, response, computer) => { answer(response, await undoOrRedo(parts, computer, 'undo')); }));
  router.post(at('redo'), handle(async (_, response, computer) => { answer(response, await undoOrRedo(parts, computer, 'redo')); }));

  router.get(at('session'), handle(async (_, response, computer) => { response.json(await viewSession(parts, computer)); }));
  router.post(at('session/loads'), withBody(loadSchema, (load, computer) => loadIntoSlot(parts, computer, load)));
  router.delete(at('session/slots/:slot'), handle(async (request, response, computer) => { answer(response, await changeSession(parts, computer, { do: 'empty', slot: param(request, 'slot') })); }));
  router.post(at('session/moves'), withBody(moveSchema, (body, computer) => changeSession(parts, computer, { do: 'move', ...body })));
  router.post(at('session/bypasses'), withBody(bypassSchema, (body, computer) => changeSession(parts, computer, { do: 'bypass', ...body })));
  router.put(at('session/settings'), withBody(settingsSchema, (body, computer) => setSession(parts, computer, body)));
  router.get(at('session/repairs'), handle(async (_, response, computer) => { response.json(await viewRepairs(parts, computer)); }));
  router.post(at('session/repairs'), withBody(slotsSchema, (body, computer) => repairSlots(parts, computer, body.slots)));
  router.post(at('sessions'), withBody(nameSchema, (body, computer) => saveSession(parts, computer, body.name), 201));
  router.post(at('sessions/:session/open'), handle(async (request, response, computer) => { answer(response, await openSession(parts, computer, param(request, 'session'))); }));
  router.delete(at('sessions/:session'), handle(async (request, response, computer) => { answer(response, await forgetSession(parts, computer, param(request, 'session'))); }));
  router.get(at('habits'), handle(async (_, response, computer) => { response.json(await viewHabits(parts, computer)); }));
  router.patch(at('habits'), withBody(learningSchema, (body, computer) => changeLearning(parts, computer, body.isLearning)));
  router.get(at('keys'), handle(async (_, response, computer) => { response.json(await viewKeys(parts, computer)); }));
  router.delete(at('loads'), handle(async (_, response, computer) => { answer(response, await wipeLoads(parts, computer)); }));
  router.get(at('find'), handle(async (request, response, computer) => {
    const wish = await parse(findSchema, { ...request.query });
    answer(response, wish.ok ? await findPlugins(parts, computer, wish.value.q, wish.value.slot ?? null, Number(wish.value.limit ?? 9)) : wish);
  }));
  router.post(at('host/loads'), withBody(toldSchema, (body, computer) => hearLoad(parts, computer, body)));
  router.post(at('loads'), withBody(pastLoadsSchema, async (body, computer) => recordPastLoads(parts, computer, body.loads)));

  router.get(at('events'), (request, response) => { streamEvents(parts, param(request, 'computer'), request, response); });
  return router;
}
