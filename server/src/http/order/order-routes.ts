/** Routes of the order: acts, undo and redo, the latest changes. */
import type { Router } from 'express';
import type { Parts } from '../../parts.ts';
import {
  performAct,
  undoOrRedo,
  viewChanges,
  viewOrder,
} from '../../usecases/order/change-order.ts';
import { at, handle, withBody } from '../handling.ts';
import { answer } from '../problems.ts';
import { actSchema } from './act-schema.ts';

/** Adds the routes of the order. */
export function orderRoutes(router: Router, parts: Parts): void {
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
}
