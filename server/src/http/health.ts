/** Whether the program lives and can do its work, for who watches over it. */
import type { RequestHandler } from 'express';
import type { HealthView } from '@clever-drawer/core/api';
import type { Parts } from '../parts.ts';

/** `/health`: 200 when all is well, 503 with the reasons when it is not. */
export const health =
  (parts: Pick<Parts, 'isDatabaseThere' | 'uncaught'>): RequestHandler =>
  (_, response) => {
    const reasons = parts.isDatabaseThere()
      ? []
      : ['The database does not answer; it is being started again.'];
    const view: HealthView = {
      isLive: true,
      isReady: reasons.length === 0,
      reasons,
      uncaught: parts.uncaught(),
    };
    response.status(view.isReady ? 200 : 503).json(view);
  };
