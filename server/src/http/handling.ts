/** What all routes are made of: they parse, call one use case and answer. */
import type { Request, RequestHandler, Response } from 'express';
import type { ISchema } from 'yup';
import type { Result } from '@clever-drawer/core/problem';
import { isUuid } from '../uuid.ts';
import { parse } from './parse.ts';
import { answer, refuse } from './problems.ts';

/** Addresses of one computer. */
export const at = (path: string): string => `/computers/:computer/${path}`;

/** An id in the path, as a UUID; anything else is unknown. */
export const param = (request: Request, name: string): string => {
  const value = request.params[name];
  return typeof value === 'string' && isUuid(value)
    ? value
    : '00000000-0000-0000-0000-000000000000';
};

/**
 * A handler that waits for its work and gives troubles to the router. The computer is that of the
 * address.
 */
export const handle =
  (
    work: (request: Request, response: Response, computer: string) => Promise<void>,
  ): RequestHandler =>
  (request, response, next) => {
    work(request, response, param(request, 'computer')).catch(next);
  };

/** A handler that tells which bodies it takes, so that all of them can be tried. */
export type BodyHandler = RequestHandler & { readonly schema: ISchema<unknown> };

/** Parses the body and answers with what the work makes of it. */
export const withBody = <T>(
  schema: ISchema<T>,
  work: (body: T, computer: string, request: Request) => Promise<Result<unknown>>,
  status = 200,
): BodyHandler => {
  const handler = handle(async (request, response, computer) => {
    const body = await parse(schema, request.body);
    if (body.ok) {
      answer(response, await work(body.value, computer, request), status);
    } else {
      refuse(response, body.problems);
    }
  });
  return Object.assign(handler, { schema });
};
