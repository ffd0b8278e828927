/** From problems to HTTP: one status for every code, and a body that says in words what is wrong. */
import type { Response } from 'express';
import type { Refusal } from '@clever-drawer/core/api';
import { describe, type Problem, type ProblemCode, type Result } from '@clever-drawer/core/problem';

/** A code without a status does not compile. */
const statuses: Record<ProblemCode, number> = {
  'file-missing': 404,
  'file-too-large': 422,
  'file-unreadable': 422,
  'outside-place': 403,
  damaged: 422,
  'too-much': 422,
  'not-a-plugin': 422,
  crashed: 422,
  'timed-out': 422,
  'load-error': 422,
  'no-entry': 422,
  refused: 422,
  'wrong-elsewhere': 422,
  'line-invalid': 400,
  'no-copies': 400,
  'copies-cut': 400,
  'many-gone': 409,
  'document-invalid': 422,
  'directory-refused': 422,
  'computer-here': 409,
  'computer-elsewhere': 409,
  'computer-stays': 409,
  'computer-name-taken': 409,
  'not-kept': 422,
  'path-too-long': 422,
  'link-too-wide': 422,
  'field-invalid': 400,
  'body-too-large': 413,
  'encoding-unknown': 415,
  'no-such-address': 404,
  'database-away': 503,
  'no-room': 507,
  'place-missing': 422,
  'place-is-file': 422,
  'place-known': 409,
  'place-holds': 409,
  'place-whole-disk': 422,
  'place-unreadable': 422,
  'no-usual-place': 404,
  'no-places': 409,
  'scan-running': 409,
  'no-scan-running': 409,
  'unknown-record': 404,
  'id-taken': 409,
  'name-too-long': 400,
  'name-empty': 400,
  'holds-no-plugins': 409,
  'already-there': 409,
  'last-cabinet': 409,
  'shown-already': 409,
  stays: 409,
  'inside-itself': 409,
  'not-a-smart-folder': 409,
  'rule-empty': 400,
  'rule-text': 400,
  'rule-circle': 409,
  'nothing-to-undo': 409,
  'nothing-to-redo': 409,
  'cannot-load': 409,
  'host-format': 409,
  'host-bits': 409,
  'host-file-missing': 409,
  'host-setting-missing': 409,
  'host-wrong-machine': 409,
  'host-no-program': 409,
  'host-no-licence': 409,
  'host-crashed': 409,
  'host-silent': 503,
  'track-full': 409,
  'not-a-picture': 415,
  'foreign-host': 403,
  'key-needed': 401,
  'foreign-origin': 403,
  internal: 500,
};

/** Answers with problems, and the status of the worst. */
export function refuse(response: Response, problems: readonly Problem[]): void {
  const body: Refusal = {
    problems: problems.map((problem) => ({ ...problem, message: describe(problem) })),
  };
  response.status(problems[0] ? statuses[problems[0].code] : 500).json(body);
}

/**
 * Answers with a value that is JSON text already, or with its problems. Such texts are long: no tag is
 * made of them.
 */
export function answerText(response: Response, result: Result<string | Buffer>): void {
  if (result.ok) {
    response.type('json').end(result.value);
  } else {
    refuse(response, result.problems);
  }
}

/** Answers with the value, or with its problems. */
export function answer<T>(response: Response, result: Result<T>, status = 200): void {
  if (result.ok) {
    response.status(status).json(result.value);
  } else {
    refuse(response, result.problems);
  }
}
