/**
 * `--private`: a page or host has to know a key that only the owner of the data can read, so that
 * other people who use the same computer cannot.
 */
import { createHash, timingSafeEqual } from 'node:crypto';
import type { Request, RequestHandler } from 'express';
import { refuse } from './problems.ts';

const cookie = 'clever-drawer-key';
/** A browser remembers it for a year. Seconds. */
const rememberedFor = 365 * 24 * 60 * 60;

const digest = (text: string): Buffer => createHash('sha256').update(text).digest();

function keysOf(request: Request): string[] {
  const bearer = /^Bearer (.+)$/.exec(request.headers.authorization ?? '')?.[1];
  const cookies = (request.headers.cookie ?? '').split(/; */);
  const held = cookies.find((one) => one.startsWith(`${cookie}=`))?.slice(cookie.length + 1);
  return [bearer, held].filter((key) => key !== undefined);
}

/**
 * Lets in who knows the key: by `Authorization: Bearer KEY`, or by a cookie, which opening
 * `/?key=KEY` once leaves in the browser.
 */
export function withKey(key: string): RequestHandler {
  const wanted = digest(key);
  const isRight = (text: string): boolean => timingSafeEqual(digest(text), wanted);
  return (request, response, next) => {
    const { key: asked, ...rest } = request.query;
    if (request.method === 'GET' && typeof asked === 'string' && isRight(asked)) {
      response.setHeader(
        'Set-Cookie',
        `${cookie}=${key}; HttpOnly; SameSite=Strict; Path=/; Max-Age=${rememberedFor}`,
      );
      const others = new URLSearchParams(rest as Record<string, string>).toString();
      response.redirect(
        303,
        `${request.path.replace(/^\/+/, '/')}${others === '' ? '' : `?${others}`}`,
      );
      return;
    }
    if (keysOf(request).some(isRight)) {
      next();
    } else {
      refuse(response, [{ code: 'key-needed', at: 'key' }]);
    }
  };
}
