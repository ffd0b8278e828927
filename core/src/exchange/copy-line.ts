/** Copies as lines of JSON: what one part of the program writes here another reads back, and so does `scan`. */
import type { Problem, Result } from '../problem.ts';
import { describe, failed, ok } from '../problem.ts';
import { jsonObject } from '../text/json-object.ts';
import {
  bareCopy,
  describedBy,
  formats,
  type Format,
  type FoundCopy,
} from '../formats/found-copy.ts';

/** The most bytes of a line that is read, and of a path that is kept (an index of the database). */
const limits = { line: 1_048_576, path: 2_400, list: 5_000, number: 1_000_000 };

type Line = Readonly<Record<string, unknown>>;

/** A copy as it is written in a line: a problem is its code and its words. */
export type CopyLine = Omit<FoundCopy, 'problem'> & {
  readonly problem?: { readonly code: Problem['code']; readonly message: string };
};

/** What a line says of a copy. */
export function copyLineOf({ problem, ...facts }: FoundCopy): CopyLine {
  return problem
    ? { ...facts, problem: { code: problem.code, message: describe(problem) } }
    : facts;
}

/**
 * The copy in a line; `number` counts lines from 1. What the line says of pictures is left out:
 * they lie on another computer.
 */
export function readCopyLine(text: string, number: number): Result<FoundCopy> {
  const wrong = (detail: string): Result<FoundCopy> =>
    failed({ code: 'line-invalid', at: `line ${number}`, line: number, detail });
  if (text.length > limits.line) {
    return wrong('it is longer than any copy.');
  }
  const line = jsonObject(text);
  if (line === null) {
    return wrong('it is not a JSON object.');
  }
  const fault = faultIn(line);
  return fault === null ? ok(copyOf(line)) : wrong(fault);
}

type Check = (value: unknown) => boolean;
const isText: Check = (value) => typeof value === 'string';
const orNull =
  (check: Check): Check =>
  (value) =>
    value === undefined || value === null || check(value);
const isCount: Check = (value) =>
  typeof value === 'number' && Number.isInteger(value) && value >= 0 && value <= limits.number;
const isId: Check = (value) => typeof value === 'number' && Number.isSafeInteger(value);
const isFlag: Check = (value) => typeof value === 'boolean';
const isList: Check = (value) =>
  Array.isArray(value) && value.length <= limits.list && value.every(isText);
const oneOf =
  (...known: readonly string[]): Check =>
  (value) =>
    typeof value === 'string' && known.includes(value);

/** What each field has to be; fields that are not named here are passed over. */
const fields: readonly (readonly [string, Check, string])[] = [
  ['format', oneOf(...formats), `one of ${formats.join(', ')}`],
  ['path', (value) => isText(value) && isPath(value as string), 'a path'],
  ['binary', orNull(isText), 'a path or null'],
  ['identity', orNull(isText), 'a text or null'],
  ['name', orNull(isText), 'a text or null'],
  ['vendor', orNull(isText), 'a text or null'],
  ['description', orNull(isText), 'a text or null'],
  ['version', orNull(isText), 'a text or null'],
  ['declared', orNull(isList), 'a list of texts'],
  ['replaces', orNull(isList), 'a list of texts'],
  ['architectures', orNull(isList), 'a list of texts or null'],
  ['controls', orNull(isList), 'a list of texts'],
  ['audioIn', orNull(isCount), 'a count or null'],
  ['audioOut', orNull(isCount), 'a count or null'],
  ['notesIn', orNull(isFlag), 'true, false or null'],
  ['notesOut', orNull(isFlag), 'true, false or null'],
  ['uniqueId', orNull(isId), 'a number or null'],
  ['examined', orNull(oneOf('read', 'opened')), '"read" or "opened"'],
  ['status', orNull(oneOf('ok', 'failed')), '"ok" or "failed"'],
];

const isPath = (text: string): boolean =>
  text.trim() !== '' && new TextEncoder().encode(text).length <= limits.path;

function faultIn(line: Line): string | null {
  const wrong = fields.find(([field, check]) => !check(line[field]));
  if (wrong) {
    return `${wrong[0]} must be ${wrong[2]}.`;
  }
  return line['status'] === 'failed' && wordsOf(line['problem']) === null
    ? 'problem must tell why it failed.'
    : null;
}

/** The message of a problem as `scan` writes it. */
function wordsOf(problem: unknown): string | null {
  const message = (problem as { message?: unknown } | null | undefined)?.message;
  return typeof message === 'string' ? message : null;
}

function copyOf(line: Line): FoundCopy {
  const text = (field: string): string | null => (line[field] as string | null | undefined) ?? null;
  const list = (field: string): readonly string[] | null =>
    (line[field] as readonly string[] | null | undefined) ?? null;
  const count = (field: string): number | null =>
    (line[field] as number | null | undefined) ?? null;
  const flag = (field: string): boolean | null =>
    (line[field] as boolean | null | undefined) ?? null;
  const path = text('path') ?? '';
  const isFailed = line['status'] === 'failed';
  const problem: Problem = {
    code: 'wrong-elsewhere',
    at: path,
    detail: wordsOf(line['problem']) ?? '',
  };
  return {
    ...bareCopy(text('format') as Format, path),
    binary: text('binary'),
    identity: text('identity'),
    name: text('name'),
    vendor: text('vendor'),
    version: text('version'),
    declared: list('declared') ?? [],
    replaces: list('replaces') ?? [],
    architectures: list('architectures'),
    audioIn: count('audioIn'),
    audioOut: count('audioOut'),
    notesIn: flag('notesIn'),
    notesOut: flag('notesOut'),
    uniqueId: count('uniqueId'),
    ...describedBy(text('description')),
    ...(list('controls') ? { controls: list('controls') ?? [] } : {}),
    examined: line['examined'] === 'opened' ? 'opened' : 'read',
    status: isFailed ? 'failed' : 'ok',
    problem: isFailed ? problem : null,
  };
}
