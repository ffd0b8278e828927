/** All routes below /api. Each parses, calls one use case and answers. */
import { Router } from 'express';
import type { Parts } from '../parts.ts';
import { isComputer } from '../usecases/catalog/known-computers.ts';
import { catalogRoutes } from './catalog/catalog-routes.ts';
import { streamEvents } from './events.ts';
import { isUuid } from '../uuid.ts';
import { at, param } from './handling.ts';
import { keepRoutes } from './keep/keep-routes.ts';
import { loadRoutes } from './loads/load-routes.ts';
import { refuse } from './problems.ts';
import { orderRoutes } from './order/order-routes.ts';
import { reviewRoutes } from './review/review-routes.ts';
import { scanRoutes } from './scan/scan-routes.ts';
import { sessionRoutes } from './session/session-routes.ts';

/** All routes below /api. */
export function apiRoutes(parts: Parts): Router {
  const router = Router();
  router.param('computer', (request, response, next, text: unknown) => {
    const isKnown = isUuid(String(text)) ? isComputer(parts, String(text)) : Promise.resolve(false);
    isKnown.then((isThere) => {
      if (isThere) {
        next();
      } else {
        refuse(response, [{ code: 'unknown-record', at: 'computer', what: 'computer' }]);
      }
    }, next);
  });
  catalogRoutes(router, parts);
  scanRoutes(router, parts);
  orderRoutes(router, parts);
  sessionRoutes(router, parts);
  loadRoutes(router, parts);
  keepRoutes(router, parts);
  reviewRoutes(router, parts);
  router.get(at('events'), (request, response) => {
    streamEvents(parts, param(request, 'computer'), request, response);
  });
  return router;
}
