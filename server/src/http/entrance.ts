/**
 * The entrance of a private server (`--private`): a host sends the key with each request, a browser shows
 * it once, or follows the link that the start printed, and shows the session it got for it from then on.
 */
import express, { type Request, type RequestHandler, type Response, Router } from 'express';
import type { Gate } from '../gate.ts';
import { entrancePage, entranceStyle } from './entrance-page.ts';
import { refuse } from './problems.ts';

/** `__Host-` binds a cookie to this host, where TLS lets us (RFC 6265bis, 4.1.3.2). */
const cookieOf = (gate: Gate, { secure }: Request): string =>
  secure ? `__Host-${gate.cookieName}` : gate.cookieName;

function sessionOf(gate: Gate, request: Request): string | null {
  const begin = `${cookieOf(gate, request)}=`;
  const cookies = (request.headers.cookie ?? '').split(/; */);
  return cookies.find((one) => one.startsWith(begin))?.slice(begin.length) ?? null;
}

async function isIn(gate: Gate, request: Request): Promise<boolean> {
  const key = /^Bearer (.+)$/.exec(request.headers.authorization ?? '')?.[1];
  const session = sessionOf(gate, request);
  return (
    (key !== undefined && (await gate.takesKey(key))) ||
    (session !== null && (await gate.takesSession(session)))
  );
}

async function letIn(gate: Gate, request: Request, response: Response): Promise<void> {
  const session = (await gate.session()) ?? '';
  const secure = request.secure ? '; Secure' : '';
  response.setHeader(
    'Set-Cookie',
    `${cookieOf(gate, request)}=${session}; HttpOnly; SameSite=Strict; Path=/${secure}`,
  );
  response.redirect(303, '/');
}

const showEntrance = (response: Response, gate: Gate, isWrong: boolean): void => {
  response
    .status(401)
    .type('html')
    .setHeader('Cache-Control', 'no-store')
    // With no referrer at all, the form would come from a page of "null", which is refused.
    .setHeader('Referrer-Policy', 'same-origin')
    .send(entrancePage(gate.keyFile, isWrong));
};

/** Lets in who knows the key; everybody else gets the page that asks for it, programs a refusal. */
export function entrance(gate: Gate, clock: () => Date): RequestHandler {
  const router = Router();
  router.get('/enter.css', (_, response) => {
    response.type('css').send(entranceStyle);
  });
  router.get('/enter/:code', (request, response, next) => {
    if (gate.takesLink(request.params.code, clock().getTime())) {
      letIn(gate, request, response).catch(next);
    } else {
      showEntrance(response, gate, false);
    }
  });
  router.post(
    '/enter',
    express.urlencoded({ extended: false, limit: '2kb' }),
    (request, response, next) => {
      const { key } = (request.body ?? {}) as { key?: unknown };
      const enter = async (): Promise<void> => {
        if (typeof key === 'string' && (await gate.takesKey(key.trim()))) {
          await letIn(gate, request, response);
        } else {
          showEntrance(response, gate, true);
        }
      };
      enter().catch(next);
    },
  );
  router.use((request, response, next) => {
    isIn(gate, request).then((is) => {
      if (is) {
        next();
      } else if (request.method === 'GET' && !request.path.startsWith('/api')) {
        showEntrance(response, gate, false);
      } else {
        refuse(response, [{ code: 'key-needed', at: 'key' }]);
      }
    }, next);
  });
  return router;
}
