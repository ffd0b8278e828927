/** `settings DIR…`: the saved settings below these directories, a line for each. */
import { existsSync, statSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { formats } from '@clever-drawer/core/formats';
import { describe } from '@clever-drawer/core/problem';
import type { FoundSetting } from '@clever-drawer/core/readers';
import {
  ReaderPool,
  thisMachine,
  usualSettingPlaces,
  type UsualPlace,
} from '@clever-drawer/server/scanner';
import { sayHelp, type ExitStatus, type Terminal } from './terminal.ts';

const help = `Use: ./clever-drawer settings DIR… | --usual

Looks through the directories for saved settings of plugins (LV2 presets, VST3 and AU preset files,
settings of LADSPA plugins in RDF) and writes a line of JSON for each: format, plugin (the identity of
the plugin it is for), name, bank, path, identity (LV2: the preset's URI), comment, values (how many
controls it sets), vendor and pluginName (by the directories or by itself), status, problem. It only reads.
  --usual    the directories where this system's settings usually live
Exit status: 0 done, 1 done but something failed, 2 wrong use.`;

/** Where to look; a text when the wishes make no sense, empty for help. */
function readWishes(args: string[]): UsualPlace[] | string {
  try {
    const { values, positionals } = parseArgs({
      args,
      allowPositionals: true,
      options: {
        usual: { type: 'boolean', default: false },
        help: { type: 'boolean', short: 'h' },
      },
    });
    if (values.help) {
      return '';
    }
    if (positionals.length === 0 && !values.usual) {
      return 'Name at least one directory, or say --usual.';
    }
    if (positionals.length > 0 && values.usual) {
      return 'Name directories or say --usual, not both.';
    }
    return values.usual
      ? usualSettingPlaces(thisMachine()).filter(({ path }) => existsSync(path))
      : positionals.map((path) => ({ path: resolve(path), formats }));
  } catch (error) {
    return error instanceof Error ? error.message : String(error);
  }
}

export async function settingsCommand(args: string[], terminal: Terminal): Promise<ExitStatus> {
  const places = readWishes(args);
  if (typeof places === 'string') {
    return sayHelp(places, help, terminal);
  }
  const missing = places.find(
    ({ path }) => !statSync(path, { throwIfNoEntry: false })?.isDirectory(),
  );
  if (missing) {
    terminal.error(`There is no directory ${missing.path}.`);
    return 2;
  }
  const readers = new ReaderPool(2, process.env);
  try {
    return await findAll(places, readers, terminal);
  } finally {
    await readers.close();
  }
}

async function findAll(
  places: readonly UsualPlace[],
  readers: ReaderPool,
  terminal: Terminal,
): Promise<ExitStatus> {
  let status: ExitStatus = 0;
  const seen = new Set<string>();
  for (const { path: place, formats: wanted } of places) {
    const stop = new SharedArrayBuffer(4);
    const { bundles, problems } = await readers.walk(place, wanted, stop, 'settings');
    for (const problem of problems) {
      terminal.error(describe(problem));
      status = 1;
    }
    for (const bundle of bundles.filter(({ path }) => !seen.has(path))) {
      seen.add(bundle.path);
      for (const setting of await readers.readSettings(bundle, place)) {
        status = setting.status === 'failed' ? 1 : status;
        terminal.out(JSON.stringify(lineOf(setting)));
      }
    }
  }
  return status;
}

/** A setting as one line, with a problem in words. */
function lineOf({ problem, ...facts }: FoundSetting): object {
  return {
    ...facts,
    ...(problem ? { problem: { code: problem.code, message: describe(problem) } } : {}),
  };
}
