/** All routes below /api. Each parses, calls one use case and answers. */
import { Router } from 'express';
import type { Parts } from '../parts.ts';
import { catalogRoutes } from './catalog/catalog-routes.ts';
import { streamEvents } from './events.ts';
import { at, param } from './handling.ts';
import { loadRoutes } from './loads/load-routes.ts';
import { orderRoutes } from './order/order-routes.ts';
import { scanRoutes } from './scan/scan-routes.ts';
import { sessionRoutes } from './session/session-routes.ts';

/** All routes below /api. */
export function apiRoutes(parts: Parts): Router {
  const router = Router();
  catalogRoutes(router, parts);
  scanRoutes(router, parts);
  orderRoutes(router, parts);
  sessionRoutes(router, parts);
  loadRoutes(router, parts);
  router.get(at('events'), (request, response) => {
    streamEvents(parts, param(request, 'computer'), request, response);
  });
  return router;
}
