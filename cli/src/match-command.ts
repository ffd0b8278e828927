/** `match`: the plugins that a rule takes in, each with the reason. */
import { existsSync, readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { describe } from '@clever-drawer/core/problem';
import {
  compileRule,
  explain,
  foldersRead,
  makeCandidate,
  parseRule,
  states,
  things,
  type Candidate,
  type Rule,
  type State,
  type RuleContext,
} from '@clever-drawer/core/rules';
import {
  flagIn,
  inputOf,
  listIn,
  numberIn,
  numbersIn,
  readLines,
  textIn,
  textsIn,
  timeIn,
  understoodIn,
  type Line,
} from './lines.ts';
import type { ExitStatus, Terminal } from './terminal.ts';

const help = `Use: ./clever-drawer match RULEFILE [FILE] [--now TIME]

Reads a line of JSON for each plugin (name, and any of nickname, slotLabel, vendor, kind, types, formats, bits, tags, licence,
trialEnds, loads, lastLoaded, arrived, notes, versions, inputs, outputs, states, folders) and writes those that the rule takes in, other
fields too, each with because. TIME (ISO 8601) stands for the present.

A rule, one line a line:

  name has delay, echo, slap        a comma is "or"
  kind is effect                    a new line is "and"
                                    an empty line begins another card
  type is delay

  never                             a card that keeps out
  type is looper

Exit status: 0 done, 1 done but some line was no JSON object, 2 wrong use or a rule that is not understood.`;

export async function matchCommand(
  args: string[],
  terminal: Terminal,
  input?: NodeJS.ReadableStream,
): Promise<ExitStatus> {
  const wishes = readWishes(args, terminal);
  if (typeof wishes === 'number') {
    return wishes;
  }
  const { rule, file, now } = wishes;
  const { holds } = compileRule(rule);
  const { lines, good } = await readLines(input ?? inputOf(file), terminal);
  for (const line of lines) {
    const candidate = candidateIn(line);
    const folders = new Set(textsIn(line, 'folders').map((folder) => folder.toLowerCase()));
    const where: RuleContext = {
      now,
      isIn: (folder) => folders.has(folder.toLowerCase()),
      isFiled: () => folders.size > 0,
    };
    if (holds(candidate, where)) {
      terminal.out(JSON.stringify({ ...line, because: explain(rule, candidate, where) ?? '' }));
    }
  }
  if (foldersRead(rule).length > 0 && !lines.some((line) => textsIn(line, 'folders').length > 0)) {
    terminal.error(
      'The rule asks for folders, and no plugin names the folders it is in (field "folders").',
    );
  }
  return good ? 0 : 1;
}

interface Wishes {
  readonly rule: Rule;
  readonly file: string | undefined;
  readonly now: number;
}

function readWishes(args: string[], terminal: Terminal): Wishes | ExitStatus {
  try {
    const { values, positionals } = parseArgs({
      args,
      allowPositionals: true,
      options: { help: { type: 'boolean', short: 'h' }, now: { type: 'string' } },
    });
    if (values.help) {
      terminal.out(help);
      return 0;
    }
    const [ruleFile, file] = positionals;
    const now = values.now === undefined ? Date.now() : Date.parse(values.now);
    const trouble = troubleWith(positionals, now);
    if (trouble !== null || ruleFile === undefined) {
      terminal.error(trouble ?? help);
      return 2;
    }
    const rule = parseRule(readFileSync(ruleFile, 'utf8'));
    if (rule.ok) {
      return { rule: rule.value, file, now };
    }
    for (const problem of rule.problems) {
      terminal.error(`${ruleFile}: ${describe(problem)}`);
    }
  } catch (error) {
    terminal.error(`${error instanceof Error ? error.message : String(error)}\n${help}`);
  }
  return 2;
}

function troubleWith(positionals: readonly string[], now: number): string | null {
  const [ruleFile, file] = positionals;
  if (ruleFile === undefined || positionals.length > 2) {
    return `A rule file, and one file of plugins at most.\n${help}`;
  }
  if (!existsSync(ruleFile)) {
    return `There is no file ${ruleFile}.`;
  }
  if (file !== undefined && file !== '-' && !existsSync(file)) {
    return `There is no file ${file}.`;
  }
  return Number.isNaN(now) ? '--now takes a time such as 2026-11-24T12:00:00Z.' : null;
}

/** A licence is a text, or says with `until` when a trial ends. */
function licenceIn(line: Line): { state: string; until: number | null } {
  const { licence } = line;
  const isRecord = typeof licence === 'object' && licence !== null;
  return isRecord ? licenceRecordIn(licence as Line) : licenceFieldsIn(line);
}

/** `licence: { state, until }`, as our own documents write it. */
function licenceRecordIn(record: Line): { state: string; until: number | null } {
  const [state = 'unknown'] = understoodIn({ licence: record['state'] }, ['licence'], 'licence');
  return { state, until: endIn(record, 'until') };
}

function licenceFieldsIn(line: Line): { state: string; until: number | null } {
  const [state = 'unknown'] = understoodIn(line, ['licence'], 'licence');
  return { state, until: endIn(line, 'trialEnds') };
}

/** A time, or a day, which ends with its last millisecond. */
function endIn(line: Line, field: string): number | null {
  const day = textIn(line, field);
  if (day === null) {
    return null;
  }
  return /^\d{4}-\d{2}-\d{2}$/.test(day) ? Date.parse(`${day}T23:59:59.999Z`) : timeIn(line, field);
}

function candidateIn(line: Line): Candidate {
  const licence = licenceIn(line);
  const wanted = [...listIn(line, 'states'), ...(flagIn(line, 'isHidden') ? ['hidden'] : [])];
  const known = states.filter((state): state is State => wanted.includes(state));
  return makeCandidate({
    id: '',
    names: [textIn(line, 'name'), textIn(line, 'nickname'), textIn(line, 'slotLabel')],
    vendor: textIn(line, 'vendor'),
    tags: textsIn(line, 'tags'),
    notes: textIn(line, 'notes') ?? '',
    types: understoodIn(line, ['types'], 'type'),
    kind: understoodIn(line, ['kind'], 'kind')[0] ?? 'unknown',
    thing: things.find((one) => one === textIn(line, 'thing')) ?? 'plugin',
    settingOf: textsIn(line, 'settingOf'),
    bank: textIn(line, 'bank'),
    formats: understoodIn(line, ['formats', 'format'], 'format'),
    bits: understoodIn(line, ['bits'], 'bits'),
    licence: licence.state,
    states: known.length > 0 ? known : ['present'],
    versions: listIn(line, 'versions').concat(listIn(line, 'version')),
    inputs: [...numbersIn(line, 'inputs'), ...numbersIn(line, 'audioIn')],
    outputs: [...numbersIn(line, 'outputs'), ...numbersIn(line, 'audioOut')],
    loads: numberIn(line, 'loads') ?? 0,
    arrived: timeIn(line, 'arrived'),
    lastLoaded: timeIn(line, 'lastLoaded'),
    trialEnds: licence.until,
  });
}
