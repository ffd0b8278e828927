/** The routes of the session, of loads and of what is learnt from them. */
import type { Router } from 'express';
import {
  changeLearning,
  changeSession,
  forgetSession,
  loadIntoSlot,
  openSession,
  recordPastLoads,
  repairSlots,
  saveSession,
  viewHabits,
  viewKeys,
  viewRepairs,
  viewSession,
  wipeLoads,
} from '../usecases/session/practice-session.ts';
import { hearLoad } from '../usecases/loads/external-loads.ts';
import type { Parts } from '../parts.ts';
import { findPlugins } from '../usecases/catalog/find-plugins.ts';
import { at, handle, param, withBody } from './handling.ts';
import {
  bypassSchema,
  findSchema,
  learningSchema,
  loadSchema,
  moveSchema,
  nameSchema,
  parse,
  pastLoadsSchema,
  settingsSchema,
  slotsSchema,
  externalLoadSchema,
} from './parse.ts';
import { answer } from './problems.ts';

/** Routes of the practice session and of loads. */
export function sessionRoutes(router: Router, parts: Parts): void {
  router.get(
    at('session'),
    handle(async (_, response, computer) => {
      response.json(await viewSession(parts, computer));
    }),
  );
  router.post(
    at('session/loads'),
    withBody(loadSchema, (load, computer) => loadIntoSlot(parts, computer, load)),
  );
  router.delete(
    at('session/slots/:slot'),
    handle(async (request, response, computer) => {
      answer(
        response,
        await changeSession(parts, computer, { do: 'empty', slot: param(request, 'slot') }),
      );
    }),
  );
  router.post(
    at('session/moves'),
    withBody(moveSchema, (body, computer) =>
      changeSession(parts, computer, { do: 'move', ...body }),
    ),
  );
  router.post(
    at('session/bypasses'),
    withBody(bypassSchema, (body, computer) =>
      changeSession(parts, computer, { do: 'bypass', ...body }),
    ),
  );
  router.put(
    at('session/settings'),
    withBody(settingsSchema, (settings, computer) =>
      changeSession(parts, computer, { do: 'set', settings }),
    ),
  );
  router.get(
    at('session/repairs'),
    handle(async (_, response, computer) => {
      response.json(await viewRepairs(parts, computer));
    }),
  );
  router.post(
    at('session/repairs'),
    withBody(slotsSchema, (body, computer) => repairSlots(parts, computer, body.slots)),
  );
  router.post(
    at('sessions'),
    withBody(nameSchema, (body, computer) => saveSession(parts, computer, body.name), 201),
  );
  router.post(
    at('sessions/:session/open'),
    handle(async (request, response, computer) => {
      answer(response, await openSession(parts, computer, param(request, 'session')));
    }),
  );
  router.delete(
    at('sessions/:session'),
    handle(async (request, response, computer) => {
      answer(response, await forgetSession(parts, computer, param(request, 'session')));
    }),
  );
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
  router.get(
    at('find'),
    handle(async (request, response, computer) => {
      const wish = await parse(findSchema, { ...request.query });
      answer(
        response,
        wish.ok
          ? await findPlugins(
              parts,
              computer,
              wish.value.q,
              wish.value.slot ?? null,
              Number(wish.value.limit ?? 9),
            )
          : wish,
      );
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
