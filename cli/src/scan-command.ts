/** `scan DIR…`: what a scan of these directories finds, a line for each copy. */
import { stat } from 'node:fs/promises';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { describe, formats, readDeclared, type Format, type FoundCopy } from '@clever-drawer/core';
import { descriptionsFor, readBundle, walk } from '@clever-drawer/server/scanner';
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
  let status: ExitStatus = 0;
  const seen = new Set<string>();
  for (const directory of wishes.directories) {
    const { bundles, problems } = walk(directory, wishes.formats, () => false);
    for (const problem of problems) {
      terminal.error(describe(problem));
    }
    if (problems.length > 0) {
      status = 1;
    }
    const descriptions = descriptionsFor(directory, process.env);
    for (const bundle of bundles.filter(({ path }) => !seen.has(path))) {
      seen.add(bundle.path);
      for (const copy of readBundle(bundle, directory, descriptions)) {
        if (copy.status === 'failed') {
          status = 1;
        }
        terminal.out(JSON.stringify(lineOf(copy)));
      }
    }
  }
  return status;
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
