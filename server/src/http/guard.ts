/** Who may speak to the server: this computer's own pages, and nobody else. */
import type { NextFunction, Request, RequestHandler, Response } from 'express';
import helmet from 'helmet';
import { refuse } from './problems.ts';

const loopback = new Set(['127.0.0.1', 'localhost', '[::1]']);

/**
 * Refuses requests whose Host is not this computer or whose Origin is a page of another one (DNS
 * rebinding, foreign forms).
 */
export function sameComputer(request: Request, response: Response, next: NextFunction): void {
  const host = request.headers.host ?? '';
  if (!loopback.has(host.replace(/:\d+$/, ''))) {
    refuse(response, [{ code: 'foreign-host', at: host.slice(0, 200) }]);
    return;
  }
  const origin = request.headers.origin;
  if (origin !== undefined && origin !== `http://${host}`) {
    refuse(response, [{ code: 'foreign-origin', at: origin.slice(0, 200) }]);
    return;
  }
  if (request.headers['sec-fetch-site'] === 'cross-site' && request.path.startsWith('/api/')) {
    refuse(response, [{ code: 'foreign-origin', at: 'elsewhere' }]);
    return;
  }
  next();
}

/** Everything from this server only; styles too, since React sets them through the object model. */
export const securityHeaders: RequestHandler = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'none'"],
      scriptSrc: ["'self'"],
      styleSrc: ["'self'"],
      imgSrc: ["'self'", 'data:'],
      fontSrc: ["'self'"],
      connectSrc: ["'self'"],
      workerSrc: ["'self'"],
      manifestSrc: ["'self'"],
      baseUri: ["'none'"],
      formAction: ["'self'"],
      frameAncestors: ["'none'"],
    },
  },
  hsts: false,
  crossOriginEmbedderPolicy: true,
  referrerPolicy: { policy: 'no-referrer' },
});
