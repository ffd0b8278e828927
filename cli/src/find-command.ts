/** `find`: plugins by a few letters, best first, each with the reason. */
import { existsSync, readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import { weightOfAge } from '@clever-drawer/core/loading';
import { entryOf, Finder, habitsOf, noUse, type Habits } from '@clever-drawer/core/search';
import {
  flagIn,
  inputOf,
  numberIn,
  readLines,
  textIn,
  textsIn,
  timeIn,
  understoodIn,
  type Line,
} from './lines.ts';
import type { ExitStatus, Terminal } from './terminal.ts';

const help = `Use: ./clever-drawer find QUERY [FILE] [--limit N] [--now TIME]
     ./clever-drawer find --queries QUERYFILE [FILE] [--limit N] [--now TIME]

Reads a line of JSON for each plugin (name, and any of nickname, slotLabel, vendor, types, tags, loads, lastLoaded, isFavourite) and
writes those that are found by the letters, best first, other fields too, each with score and because. No letters at all rank by use.

With --queries, QUERYFILE has a query a line, and a line is written for each: query, and results, the names (50 unless --limit says
otherwise). TIME (ISO 8601) stands for the present: loads count less the longer ago the last of them is.

Exit status: 0 done, 1 done but some line was no JSON object or had no name, 2 wrong use.`;

/** Results for each of many queries, unless another limit is given. */
const manyLimit = 50;

export async function findCommand(
  args: string[],
  terminal: Terminal,
  input?: NodeJS.ReadableStream,
): Promise<ExitStatus> {
  const wishes = readWishes(args, terminal);
  if (typeof wishes === 'number') {
    return wishes;
  }
  const { lines, good } = await readLines(input ?? inputOf(wishes.file), terminal);
  const named = lines.filter((line) => (textIn(line, 'name') ?? '').trim() !== '');
  if (named.length < lines.length) {
    terminal.error(
      `${lines.length - named.length} of ${lines.length} lines have no name; they were left out.`,
    );
  }
  const finder = new Finder(
    named.map((line, at) =>
      entryOf(pluginIn(line, at), {
        nickname: textIn(line, 'nickname'),
        slotLabel: textIn(line, 'slotLabel'),
        alsoCalled: textsIn(line, 'alsoCalled'),
        tags: textsIn(line, 'tags'),
        notes: textIn(line, 'notes') ?? '',
      }),
    ),
  );
  const habits = habitsIn(named, wishes.now);
  const lineOf = (plugin: Plugin): Line => named[Number(plugin.id)] as Line;
  if (wishes.queries) {
    const namesOf = (query: string): string[] =>
      finder.find(query, habits, wishes.limit ?? manyLimit).hits.map(({ plugin }) => plugin.name);
    for (const query of wishes.queries) {
      terminal.out(JSON.stringify({ query, results: namesOf(query) }));
    }
  } else {
    for (const { plugin, score, because } of finder.find(
      wishes.query,
      habits,
      wishes.limit ?? named.length,
    ).hits) {
      terminal.out(
        JSON.stringify({ ...lineOf(plugin), score: Math.round(score * 1000) / 1000, because }),
      );
    }
  }
  return good && named.length === lines.length ? 0 : 1;
}

interface Wishes {
  readonly query: string;
  readonly queries: readonly string[] | null;
  readonly file: string | undefined;
  readonly limit: number | null;
  readonly now: number;
}

const wantsOneQuery = `A query (or --queries with a file of them), and one file of plugins at most.\n${help}`;

/** Why what was asked cannot be done; null when it can. */
function troubleWith(asked: {
  query: string | undefined;
  missing: string | undefined;
  limit: number | null;
  now: number;
}): string | null {
  if (asked.query === undefined) {
    return wantsOneQuery;
  }
  if (asked.missing !== undefined) {
    return `There is no file ${asked.missing}.`;
  }
  if (asked.limit !== null && !(Number.isInteger(asked.limit) && asked.limit > 0)) {
    return '--limit takes a number from 1 on.';
  }
  return Number.isNaN(asked.now) ? '--now takes a time such as 2026-11-24T12:00:00Z.' : null;
}

function readWishes(args: string[], terminal: Terminal): Wishes | ExitStatus {
  try {
    const { values, positionals } = parseArgs({
      args,
      allowPositionals: true,
      options: {
        help: { type: 'boolean', short: 'h' },
        queries: { type: 'string' },
        limit: { type: 'string' },
        now: { type: 'string' },
      },
    });
    if (values.help) {
      terminal.out(help);
      return 0;
    }
    const isMany = values.queries !== undefined;
    const query = isMany ? '' : positionals[0];
    const file = positionals[isMany ? 0 : 1];
    const now = values.now === undefined ? Date.now() : Date.parse(values.now);
    const limit = values.limit === undefined ? null : Number(values.limit);
    const missing = [values.queries, file].find(
      (path) => path !== undefined && path !== '-' && !existsSync(path),
    );
    const isTooMany = positionals.length > (isMany ? 1 : 2);
    const trouble = isTooMany ? wantsOneQuery : troubleWith({ query, missing, limit, now });
    if (trouble === null) {
      return {
        query: query ?? '',
        queries: values.queries === undefined ? null : queriesIn(values.queries),
        file,
        limit,
        now,
      };
    }
    terminal.error(trouble);
  } catch (error) {
    terminal.error(`${error instanceof Error ? error.message : String(error)}\n${help}`);
  }
  return 2;
}

/** A query a line; the end of the last line begins no further one. */
const queriesIn = (path: string): string[] =>
  readFileSync(path, 'utf8')
    .replace(/^\uFEFF/, '')
    .replace(/\r?\n$/, '')
    .split(/\r?\n/);

const pluginIn = (line: Line, at: number): Plugin => ({
  id: asId(String(at)),
  name: textIn(line, 'name') ?? '',
  vendor: textIn(line, 'vendor'),
  kind: 'unknown',
  types: understoodIn(line, ['types', 'type'], 'type'),
  arrived: '',
  copies: [],
});

/** What habit can be read from the lines: all loads count as if they were as long ago as the last one. */
function habitsIn(lines: readonly Line[], now: number): Habits {
  const warmth = new Map<string, number>();
  const favourites = new Set<string>();
  for (const [at, line] of lines.entries()) {
    const loads = numberIn(line, 'loads') ?? 0;
    const last = timeIn(line, 'lastLoaded');
    if (loads > 0) {
      warmth.set(String(at), loads * (last === null ? 1 : weightOfAge(now - last)));
    }
    if (flagIn(line, 'isFavourite')) {
      favourites.add(String(at));
    }
  }
  return habitsOf({ ...noUse, warmth, favourites });
}
