/** The Express application over its parts. Does not listen. */
import { join } from 'node:path';
import express, { type ErrorRequestHandler, type Express } from 'express';
import { sameComputer, securityHeaders } from './http/guard.ts';
import { refuse } from './http/problems.ts';
import { apiRoutes } from './http/routes.ts';
import type { Parts } from './parts.ts';

/** Bodies larger than this are refused: 20,000 placements with room to spare. */
const bodyLimit = '4mb';

/** `web` is the directory of the built pages; without it only the API is served. */
export function createApp(parts: Parts, web: string | null): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(securityHeaders, sameComputer);
  app.use('/api', express.json({ limit: bodyLimit }), apiRoutes(parts));
  app.use('/api', (request, response) => {
    refuse(response, [{ code: 'unknown-record', at: request.path, what: 'address' }]);
  });
  if (web !== null) {
    app.use(
      express.static(web, {
        index: false,
        maxAge: '1h',
        setHeaders: (response, path) => {
          if (path.includes('/assets/')) {
            response.setHeader('Cache-Control', 'public, max-age=31536000, immutable');
          }
        },
      }),
    );
    app.get(/.*/, (_, response) => {
      response.setHeader('Cache-Control', 'no-cache');
      response.sendFile(join(web, 'index.html'));
    });
  }
  app.use(onError(parts));
  return app;
}

function onError(parts: Parts): ErrorRequestHandler {
  return (error: { type?: string; status?: number }, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    if (error.type === 'entity.parse.failed') {
      refuse(response, [{ code: 'field-invalid', at: 'body', detail: 'It is not valid JSON.' }]);
      return;
    }
    if (error.type === 'entity.too.large') {
      refuse(response, [
        { code: 'field-invalid', at: 'body', detail: `It is larger than ${bodyLimit}.` },
      ]);
      return;
    }
    if (error.status === 400) {
      refuse(response, [
        { code: 'field-invalid', at: 'address', detail: 'It cannot be understood.' },
      ]);
      return;
    }
    parts.log.error({ error, path: request.path }, 'a request failed');
    refuse(response, [{ code: 'internal', at: request.path }]);
  };
}
