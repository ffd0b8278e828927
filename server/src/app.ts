/** The Express application over its parts. Does not listen. */
import type { Problem } from '@clever-drawer/core/problem';
import { cutText, storable } from '@clever-drawer/core/text';
import compression from 'compression';
import express, {
  type ErrorRequestHandler,
  type Express,
  type Request,
  type Response,
} from 'express';
import { isDatabaseAway } from './database/connect.ts';
import { documentBodies } from './http/keep/keep-routes.ts';
import { health } from './http/health.ts';
import { servePages } from './http/pages.ts';
import { entrance } from './http/entrance.ts';
import type { Gate } from './gate.ts';
import { sameComputer, securityHeaders } from './http/guard.ts';
import { refuse } from './http/problems.ts';
import { apiRoutes } from './http/routes.ts';
import { loggable } from './log.ts';
import type { Parts } from './parts.ts';
import { UnknownComputer } from './studio/studios.ts';

/** Bodies larger than this are refused: 20,000 placements with room to spare. */
const bodyLimit = '4mb';

/**
 * `web` is the directory of the built pages; without it only the API is served. With a `gate`, only
 * who is let in is answered.
 */
export function createApp(parts: Parts, web: string | null, gate: Gate | null): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(securityHeaders, sameComputer, compression({ filter: isPackable, level: 1 }));
  app.get('/health', health(parts));
  if (gate !== null) {
    app.use(entrance(gate, parts.clock));
  }
  app.use(/^\/api\/computers\/[^/]+\/document\/(?:preview|merge)$/, documentBodies);
  app.use('/api', express.json({ limit: bodyLimit }), apiRoutes(parts));
  app.use('/api', (request, response) => {
    refuse(response, [{ code: 'no-such-address', at: addressOf(request) }]);
  });
  if (web !== null) {
    servePages(app, web);
  }
  app.use((request, response) => {
    refuse(response, [{ code: 'no-such-address', at: addressOf(request) }]);
  });
  app.use(onError(parts));
  return app;
}

/** Events are sent as they come; everything else that the middleware knows as text is packed. */
const isPackable = (request: Request, response: Response): boolean =>
  response.getHeader('Content-Type') !== 'text/event-stream' &&
  compression.filter(request, response);

/** The address that was asked for, short enough to be told. */
const addressOf = ({ originalUrl }: Request): string => cutText(storable(originalUrl), 200);

/** What Express and its parsers say of a request that they cannot take. */
interface RequestError {
  readonly type?: string;
  readonly status?: number;
  readonly message?: string;
  /** An error code of PostgreSQL or of the system. */
  readonly code?: string;
}

/** The problem with a request that is wrong in itself; null when the fault is ours. */
function problemOf(error: RequestError): Problem | null {
  if (error instanceof UnknownComputer) {
    return { code: 'unknown-record', at: 'computer', what: 'computer' };
  }
  if (error.type === 'entity.parse.failed') {
    return { code: 'field-invalid', at: 'body', detail: 'It is not valid JSON.' };
  }
  if (error.status === 413) {
    return { code: 'body-too-large', at: 'body', limit: bodyLimit };
  }
  if (error.status === 415) {
    const detail = cutText(storable(`${error.message ?? 'its encoding is not known'}.`), 200);
    return { code: 'encoding-unknown', at: 'body', detail };
  }
  if (error.status !== undefined && error.status >= 400 && error.status < 500) {
    return { code: 'field-invalid', at: 'address', detail: 'It cannot be understood.' };
  }
  return isDatabaseAway(error) ? { code: 'database-away', at: 'database' } : refusedByData(error);
}

/**
 * What the database's own rules refused, by PostgreSQL's error codes: a key that is there already,
 * a reference to what is not there, a value that no column takes, a text that no index takes, a disk
 * without room.
 */
function refusedByData({ code }: RequestError): Problem | null {
  switch (code?.slice(0, 2)) {
    case '23':
      return code === '23503'
        ? { code: 'unknown-record', at: 'body', what: 'record' }
        : { code: 'id-taken', at: 'An id or name that was sent' };
    case '53':
      return code === '53100' ? { code: 'no-room', at: 'database' } : null;
    case '22':
      return { code: 'field-invalid', at: 'body', detail: 'A value cannot be stored.' };
    case '54':
      return { code: 'field-invalid', at: 'body', detail: 'A text is longer than can be stored.' };
    default:
      return null;
  }
}

function onError(parts: Parts): ErrorRequestHandler {
  return (error: RequestError, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const problem = problemOf(error);
    const isOurs = problem === null;
    parts.log[isOurs ? 'error' : 'info'](
      { error: loggable(error), path: request.path },
      isOurs ? 'a request failed' : 'a request was refused',
    );
    refuse(response, [problem ?? { code: 'internal', at: request.path }]);
  };
}
