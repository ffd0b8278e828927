/** Routes of the practice session: its slots, what it takes, sessions that are kept, repairs. */
import type { Router } from 'express';
import { array, boolean, number, object, string, type Schema } from 'yup';
import type { LoadRequest } from '@clever-drawer/core/api';
import { formats, type Format } from '@clever-drawer/core/formats';
import type { CopyId, FolderId, PluginId, SlotId, TrackId } from '@clever-drawer/core/id';
import { widthLimit } from '@clever-drawer/core/loading';
import type { Parts } from '../../parts.ts';
import { repairSlots, viewRepairs } from '../../usecases/session/repairs.ts';
import { forgetSession, openSession, saveSession } from '../../usecases/session/saved-sessions.ts';
import {
  changeSession,
  loadIntoSlot,
  stepSession,
  viewSession,
} from '../../usecases/session/practice-session.ts';
import { id, ids, index, keys, maybe, name, needed, took } from '../fields.ts';
import { at, handle, param, withBody } from '../handling.ts';
import { answer } from '../problems.ts';

/** A plugin to load into a slot. */
const loadSchema: Schema<LoadRequest> = object({
  track: needed<TrackId>(),
  plugin: needed<PluginId>(),
  index: index(),
  copy: maybe<CopyId>(),
  typed: string().max(200).defined(),
  keys: keys().required(),
  took: took().nullable().defined(),
  folder: id<FolderId>().nullable(),
});

/** A slot that moves. */
const moveSchema = object({
  slot: needed<SlotId>(),
  track: needed<TrackId>(),
  index: index(),
});

/** A slot that is bypassed, or no longer. */
const bypassSchema = object({ slot: needed<SlotId>(), isBypassed: boolean().required() });

/** A track gets so many channels. */
const widthSchema = object({
  track: needed<TrackId>(),
  width: number().integer().min(1).max(widthLimit).required(),
});

/** What the session takes. */
const settingsSchema = object({
  formats: array(string<Format>().oneOf(formats).required()).max(formats.length).required(),
  takes32Bit: boolean().required(),
});

/** Slots that are meant. */
const slotsSchema = object({ slots: ids<SlotId>() });

/** A name. */
const nameSchema = object({ name: name() });

/** Adds the routes of the session. */
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
    at('session/widths'),
    withBody(widthSchema, (body, computer) =>
      changeSession(parts, computer, { do: 'widen', ...body }),
    ),
  );
  router.put(
    at('session/settings'),
    withBody(settingsSchema, (settings, computer) =>
      changeSession(parts, computer, { do: 'set', settings }),
    ),
  );
  for (const direction of ['undo', 'redo'] as const) {
    router.post(
      at(`session/${direction}`),
      handle(async (_, response, computer) => {
        answer(response, await stepSession(parts, computer, direction));
      }),
    );
  }
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
}
