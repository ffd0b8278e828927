/** What a schema finds wrong with a document, in words of the job. */
import type { ErrorObject } from 'ajv/dist/2020.js';
import { plural } from '../text/plural.ts';

/** A fault: of which part of the document, and what is wrong with it. */
export interface Fault {
  /** "folder 3 of “Mixing”"; empty for the document itself. */
  readonly at: string;
  readonly detail: string;
}

/** One of the things that a list of the document holds. */
const things: Readonly<Record<string, string>> = {
  cabinets: 'cabinet',
  folders: 'folder',
  plugins: 'plugin',
  chains: 'chain',
  settings: 'saved setting',
  spellings: 'spelling',
  pictures: 'picture',
  loads: 'load',
  copies: 'copy',
  firstCopies: 'preferred copy',
  types: 'type',
  tags: 'tag',
};

/** Fields whose own name says little. */
const fieldNames: Readonly<Record<string, string>> = {
  until: 'last day of the trial',
  said: 'answers',
  atMost: 'limit',
  opensFor: 'list of slots',
  at: 'time',
  id: 'id',
};

/** In words, where a field has some. */
const wordsOf = (field: string): string | undefined => fieldNames[field] ?? things[field];

const fieldName = (field: string): string => wordsOf(field) ?? `“${field}”`;

/** What JSON calls its types, and what people do. */
const typeNames: Readonly<Record<string, string>> = {
  string: 'text',
  integer: 'a whole number',
  number: 'a number',
  boolean: 'true or false',
  array: 'a list',
  object: 'a group of fields',
  null: 'null',
};

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null;

/** Where a value is: the innermost thing of a list with the one it is in, and the field in it. */
interface Spot {
  readonly at: string;
  /** Empty where the thing itself is meant. */
  readonly field: string;
}

/** `/cabinets/0/folders/2/name` is the field `name` of "folder 3 of “Mixing”". */
function spotOf(document: unknown, pointer: string): Spot {
  const path = pointer.split('/').slice(1);
  const trail: string[] = [];
  let value: unknown = document;
  let field = '';
  for (const [step, part] of path.entries()) {
    const key = part.replaceAll('~1', '/').replaceAll('~0', '~');
    value = isRecord(value) ? value[key] : undefined;
    const isItem = /^\d+$/.test(key);
    if (isItem) {
      trail.push(thingWords(things[path[step - 1] ?? ''] ?? 'entry', Number(key), value));
    }
    field = isItem ? '' : key;
  }
  const [parent, own] = trail.slice(-2);
  return { at: own === undefined ? (parent ?? '') : `${own} of ${bare(parent ?? '')}`, field };
}

/** A thing by its name, or by its place in its list. */
const thingWords = (what: string, index: number, value: unknown): string =>
  isRecord(value) && typeof value['name'] === 'string' && value['name'].trim() !== ''
    ? `${what} “${value['name'].slice(0, 60)}”`
    : `${what} ${index + 1}`;

/** Without the word of what it is, where it has a name. */
const bare = (thing: string): string => /“.*”$/s.exec(thing)?.[0] ?? thing;

/** The first fault in words. `document` is the value that was checked. */
export function faultWords(document: unknown, error: ErrorObject | undefined): Fault {
  const { at, field } = spotOf(document, error?.instancePath ?? '');
  const params = (error?.params ?? {}) as Readonly<Record<string, unknown>>;
  return { at, detail: detailOf(error?.keyword ?? '', params, field) };
}

/** What is wrong with a field, or with the thing itself where the field is empty. */
function detailOf(
  keyword: string,
  params: Readonly<Record<string, unknown>>,
  field: string,
): string {
  const subject = field === '' ? 'It' : `Its ${fieldName(field)}`;
  const limit = Number(params['limit']);
  const missing = String(params['missingProperty']);
  switch (keyword) {
    case 'required':
      return `${subject} has no ${wordsOf(missing) ?? missing}.`;
    case 'minLength':
      return field === '' ? 'It is empty.' : `It has no ${wordsOf(field) ?? field}.`;
    case 'maxLength':
      return `${subject} is longer than ${plural(limit, 'character')}.`;
    case 'type':
      return `${subject} should be ${typeWords(params['type'])}.`;
    case 'enum':
    case 'const':
      return `${subject} should be ${valueWords(params)}.`;
    case 'pattern':
      return `${subject} should be written as ${String(params['pattern']).includes('T') ? 'YYYY-MM-DDThh:mm:ssZ' : 'YYYY-MM-DD'}.`;
    case 'minimum':
      return `${subject} should be at least ${limit}.`;
    case 'maximum':
      return `${subject} should be at most ${limit}.`;
    case 'maxItems':
      return `${subject} has more than ${plural(limit, 'entry', 'entries')}.`;
    case 'uniqueItems':
      return `${subject} has the same entry twice.`;
    default:
      return `${subject} is not as it should be.`;
  }
}

const typeWords = (type: unknown): string =>
  [type]
    .flat()
    .flatMap((one) => String(one).split(','))
    .map((one) => typeNames[one] ?? one)
    .join(' or ');

function valueWords({ allowedValue, allowedValues }: Readonly<Record<string, unknown>>): string {
  const values: unknown[] = Array.isArray(allowedValues) ? allowedValues : [allowedValue];
  const words = values.map(String);
  return words.length === 1 ? (words[0] ?? '') : `one of ${words.join(', ')}`;
}
