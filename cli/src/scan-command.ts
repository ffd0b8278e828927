/** `scan DIR…`: what a scan of these directories finds, a line for each copy. */
import { stat } from 'node:fs/promises';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { describe, formats, readDeclared, type Format, type FoundCopy } from '@clever-drawer/core';
import { ReaderPool, type FoundBundle } from '@clever-drawer/server/scanner';
import type { ExitStatus, Terminal } from './terminal.ts';

const help = `Use: ./clever-drawer scan DIR… [--formats lv2,vst3,…]

Looks through the directories, by reading only, and writes a line of JSON for each copy found.
Exit status: 0 done, 1 done but some copy failed, 2 wrong use.`;

interface Wishes {
  readonly directories: string[];
  readonly formats: readonly Format[];
}

/** What was asked for; a text when it makes no sense. */
function readWishes(args: string[]): Wishes | string {
  let parsed;
  try {
    parsed = parseArgs({
      args,
      allowPositionals: true,
      options: { formats: { type: 'string' }, help: { type: 'boolean', short: 'h' } },
    });
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
  if (parsed.values.help) {
    return '';
  }
  const wanted = parsed.values.formats?.split(',').map((name) => name.trim().toUpperCase());
  const unknown = wanted?.find((name) => !formats.some((format) => format === name));
  if (unknown !== undefined) {
    return `There is no format "${unknown}". Known: ${formats.join(', ').toLowerCase()}.`;
  }
  if (parsed.positionals.length === 0) {
    return 'Name at least one directory.';
  }
  return {
    directories: parsed.positionals.map((path) => resolve(path)),
    formats: formats.filter((format) => wanted?.includes(format) ?? true),
  };
}

export async function scanCommand(args: string[], terminal: Terminal): Promise<ExitStatus> {
  const wishes = readWishes(args);
  if (typeof wishes === 'string') {
    terminal.error(wishes === '' ? help : `${wishes}\n${help}`);
    return wishes === '' ? 0 : 2;
  }
  for (const directory of wishes.directories) {
    if (
      !(await stat(directory).then(
        (facts) => facts.isDirectory(),
        () => false,
      ))
    ) {
      terminal.error(`There is no directory ${directory}.`);
      return 2;
    }
  }
  const readers = new ReaderPool(2, process.env);
  try {
    return await scanAll(wishes, terminal, readers);
  } finally {
    await readers.close();
  }
}

/** Reads in threads of their own with limits of time and memory, as the server does. */
async function scanAll(
  wishes: Wishes,
  terminal: Terminal,
  readers: ReaderPool,
): Promise<ExitStatus> {
  let status: ExitStatus = 0;
  const seen = new Set<string>();
  for (const directory of wishes.directories) {
    const stop = new SharedArrayBuffer(4);
    const { bundles, problems } = await readers.walk(directory, wishes.formats, stop);
    for (const problem of problems) {
      terminal.error(describe(problem));
      status = 1;
    }
    const fresh = bundles.filter(({ path }) => !seen.has(path));
    for await (const copy of readInOrder(fresh, directory, readers)) {
      status = copy.status === 'failed' ? 1 : status;
      terminal.out(JSON.stringify(lineOf(copy)));
    }
    for (const { path } of fresh) {
      seen.add(path);
    }
  }
  return status;
}

/** Bundles are read some ahead of each other; their copies come in the order of the bundles. */
async function* readInOrder(
  bundles: readonly FoundBundle[],
  directory: string,
  readers: ReaderPool,
): AsyncGenerator<FoundCopy> {
  const ahead = 2 * readers.size;
  const reading: Promise<FoundCopy[]>[] = [];
  const waiting = [...bundles];
  for (let left = waiting.length; left > 0; left -= 1) {
    while (reading.length < ahead && waiting.length > 0) {
      reading.push(readers.read(waiting.shift() as FoundBundle, directory));
    }
    yield* await (reading.shift() ?? Promise.resolve([]));
  }
}

/** A copy as one line: what was found, the kind and types it declares, and a problem in words. */
function lineOf(copy: FoundCopy): object {
  const { problem, picture, ...facts } = copy;
  const { kind, types } = readDeclared(copy.format, copy.declared);
  return {
    ...facts,
    kind,
    types,
    picture,
    ...(problem ? { problem: { code: problem.code, message: describe(problem) } } : {}),
  };
}
