/** A document read in: JSON, its schema, and what holds between its parts. A fault changes nothing. */
import { Ajv2020 } from 'ajv/dist/2020.js';
import { failed, ok, type Problem, type Result } from '../problem.ts';
import { fewestInChain } from '../order/records.ts';
import { parseRule } from '../rules/language/text.ts';
import { isType } from '../taxonomy/tree.ts';
import { isDay } from '../text/day.ts';
import { storableValue, troubleInValue } from '../text/storable.ts';
import {
  documentName,
  documentVersion,
  foldersOfDocument,
  namedFoldersOf,
  withFavourites,
  type DocumentFolder,
  type ForeignFields,
  type OrderDocument,
  type UnknownFields,
} from './document.ts';
import { faultWords } from './document-fault.ts';
import { documentSchema } from './document-schema.data.ts';

/** A document, with the fields that are not ours set apart. */
export interface ReadDocument {
  readonly document: OrderDocument;
  readonly kept: ForeignFields;
}

/** The largest document that is read, in characters, and how much it may hold. */
export const documentLimits = { letters: 64_000_000, depth: 60, values: 4_000_000 } as const;

const validate = new Ajv2020({ allErrors: false, strict: false }).compile<OrderDocument>(
  documentSchema,
);

const wrong = (at: string, detail: string, line: number | null = null): Problem => ({
  code: 'document-invalid',
  at,
  line,
  detail,
});

/** The document in a text. Problems say the line, or the path of the value, and what should stand there. */
export function readDocument(text: string): Result<ReadDocument> {
  if (text.length > documentLimits.letters) {
    return failed(wrong('', 'It is longer than any order.'));
  }
  const parsed = parseJson(text.replace(/^\uFEFF/, ''));
  if (!parsed.ok) {
    return parsed;
  }
  const trouble = troubleInValue(parsed.value, documentLimits);
  if (trouble) {
    return failed(wrong(trouble.at, trouble.detail));
  }
  const problem = whatItIs(parsed.value);
  if (problem) {
    return failed(problem);
  }
  const value = storableValue(parsed.value);
  if (!validate(value)) {
    const { at, detail } = faultWords(value, validate.errors?.[0]);
    return failed(wrong(at, detail));
  }
  const problems = troubleWithin(value);
  return problems.length > 0 ? failed(...problems) : ok(split(withFavourites(value)));
}

function parseJson(text: string): Result<unknown> {
  try {
    return ok(JSON.parse(text) as unknown);
  } catch (error) {
    const words = error instanceof Error ? error.message : String(error);
    const at = /position (\d+)/.exec(words)?.[1];
    const isCut = /end of JSON|unterminated/i.test(words);
    const before = at === undefined ? text : text.slice(0, Number(at));
    const detail = isCut
      ? 'It ends in the middle. Get the whole file.'
      : 'It is no JSON from here on.';
    return failed(wrong('', detail, before.split('\n').length));
  }
}

/** Whether it is a document at all, and of a version that is known here. */
function whatItIs(value: unknown): Problem | null {
  const isObject = typeof value === 'object' && value !== null;
  const { document, version } = (isObject ? value : {}) as Record<string, unknown>;
  if (document !== documentName) {
    return wrong('document', `It is not an order: “document” should say “${documentName}”.`);
  }
  if (typeof version === 'number' && version > documentVersion) {
    return wrong(
      'version',
      `It was written by a newer Clever Drawer (version ${version}; this one knows ${documentVersion}). Install that one first.`,
    );
  }
  return null;
}

/** What a schema cannot say: ids are there once, what is named is there, rules are understood. */
export function troubleWithin(document: OrderDocument): Problem[] {
  const folders = foldersOfDocument(document);
  const doubled = [
    firstTwice('cabinets', document.cabinets),
    firstTwice('folders', folders),
    firstTwice('plugins', thingsOf(document)),
  ].flatMap((problem) => problem ?? []);
  return doubled.length > 0
    ? doubled
    : [
        ...danglingIn(document, folders),
        ...wrongRules(document, folders),
        ...wrongTypes(document),
        ...wrongThings(document),
      ];
}

/** All that a folder may hold. */
const thingsOf = ({ plugins, chains, settings = [] }: OrderDocument) => [
  ...plugins,
  ...chains,
  ...settings,
];

function firstTwice(at: string, things: readonly { readonly id: string }[]): Problem | null {
  const seen = new Set<string>();
  for (const { id } of things) {
    if (seen.has(id)) {
      return wrong(at, `The id ${id} stands there twice.`);
    }
    seen.add(id);
  }
  return null;
}

function danglingIn(document: OrderDocument, folders: readonly DocumentFolder[]): Problem[] {
  const plugins = new Set(thingsOf(document).map(({ id }) => id));
  const owners = new Set(document.plugins.map(({ id }) => id));
  const chains = new Set(document.chains.map(({ id }) => id));
  const shown = new Set(folders.filter(({ shows }) => shows === undefined).map(({ id }) => id));
  const ofFolders = folders.flatMap((folder) => {
    const named = [folder.plugins, folder.alwaysIn, folder.alwaysOut].flatMap((list) => list ?? []);
    const missing = named.find((id) => !plugins.has(id));
    const isHomeless = folder.shows !== undefined && !shown.has(folder.shows);
    return [
      ...(missing === undefined
        ? []
        : [
            wrong(
              `folder ${folder.name}`,
              `It names the plugin ${missing}, which is not in plugins.`,
            ),
          ]),
      ...(isHomeless ? [wrong(`folder ${folder.name}`, 'The folder it shows is not there.')] : []),
    ];
  });
  const ofChains = document.chains.flatMap((chain) => {
    const missing = chain.plugins.find((id) => !plugins.has(id) || chains.has(id));
    return missing === undefined
      ? []
      : [wrong(`chain ${chain.name}`, `It names the plugin ${missing}, which is not in plugins.`)];
  });
  const ofSettings = (document.settings ?? [])
    .filter(({ plugin }) => !owners.has(plugin))
    .map(({ name, plugin }) =>
      wrong(`setting ${name}`, `It is of the plugin ${plugin}, which is not in plugins.`),
    );
  return [...ofFolders, ...ofChains, ...ofSettings, ...wrongLoads(document)];
}

/** The first load that names what is not there, or a day that does not exist. */
function wrongLoads({ loads = [], plugins }: OrderDocument): Problem[] {
  const known = new Set(plugins.map(({ id }) => id));
  const isKnown = (id: string | undefined): boolean => id === undefined || known.has(id);
  const at = loads.findIndex(
    ({ plugin, after, at: time }) =>
      !isKnown(plugin) || !isKnown(after) || Number.isNaN(Date.parse(time)),
  );
  return at < 0
    ? []
    : [wrong(`loads[${at}]`, 'Its plugin is not in plugins, or its time is no time.')];
}

function wrongRules(document: OrderDocument, folders: readonly DocumentFolder[]): Problem[] {
  const words = { folders: namedFoldersOf(document) };
  return folders.flatMap((folder) => {
    if (folder.form === 'smart' && folder.rule === undefined && folder.shows === undefined) {
      return [wrong(`folder ${folder.name}`, 'A smart folder needs a rule.')];
    }
    const parsed = folder.rule === undefined ? null : parseRule(folder.rule, words);
    return parsed === null || parsed.ok
      ? []
      : parsed.problems
          .slice(0, 1)
          .map((problem) =>
            wrong(
              `rule of the folder ${folder.name}`,
              problem.code === 'rule-text' ? problem.detail : 'It is not understood.',
              problem.code === 'rule-text' ? problem.line : null,
            ),
          );
  });
}

/** Said types have to be of the tree. */
const wrongTypes = (document: OrderDocument): Problem[] =>
  thingsOf(document).flatMap(({ name, said }) => {
    const unknown = said?.types?.find((type) => !isType(type));
    return unknown === undefined ? [] : [wrong(`plugin ${name}`, `There is no type ${unknown}.`)];
  });

/** What no act makes: a chain of one, a day that is none, favourites twice or inside a folder. */
function wrongThings(document: OrderDocument): Problem[] {
  const short = document.chains.filter(({ plugins }) => plugins.length < fewestInChain);
  const untilWhen = thingsOf(document).filter(
    ({ said }) => typeof said?.licence?.until === 'string' && !isDay(said.licence.until),
  );
  const crowded = document.cabinets.filter(
    ({ folders }) => folders.filter(({ form }) => form === 'favourites').length > 1,
  );
  const nested = foldersOfDocument(document).filter(({ folders = [] }) =>
    folders.some(({ form }) => form === 'favourites'),
  );
  return [
    ...short.map(({ name }) => wrong(`chain ${name}`, 'A chain has at least two plugins.')),
    ...untilWhen.map(({ name, said }) =>
      wrong(`plugin ${name}`, `There is no day ${said?.licence?.until ?? ''}.`),
    ),
    ...crowded.map(({ name }) =>
      wrong(`cabinet ${name}`, 'It has more than one favourites folder.'),
    ),
    ...nested.map(({ name }) => wrong(`folder ${name}`, 'Favourites can’t be inside a folder.')),
  ];
}

/** Ours and others' fields apart, at each place where others' may stand. */
function split(document: OrderDocument): ReadDocument {
  const kept: Record<string, UnknownFields> = {};
  const ours = <T extends object>(value: T, at: string, properties: object): T => {
    const entries = Object.entries(value) as [string, unknown][];
    const rest = entries.filter(([field]) => !Object.hasOwn(properties, field));
    if (rest.length > 0) {
      kept[at] = Object.fromEntries(rest.sort(([a], [b]) => (a < b ? -1 : 1)));
    }
    return Object.fromEntries(entries.filter(([field]) => Object.hasOwn(properties, field))) as T;
  };
  const { $defs, properties } = documentSchema;
  const folderApart = (folder: DocumentFolder): DocumentFolder => {
    const own = ours(folder, `folder ${folder.id}`, $defs.folder.properties);
    return own.folders ? { ...own, folders: own.folders.map(folderApart) } : own;
  };
  const own = ours(document, '', properties);
  return {
    document: {
      ...own,
      cabinets: own.cabinets.map((cabinet) => {
        const mine = ours(cabinet, `cabinet ${cabinet.id}`, $defs.cabinet.properties);
        return { ...mine, folders: mine.folders.map(folderApart) };
      }),
      plugins: own.plugins.map((plugin) =>
        ours(plugin, `plugin ${plugin.id}`, $defs.plugin.properties),
      ),
      chains: own.chains.map((chain) => ours(chain, `chain ${chain.id}`, $defs.chain.properties)),
      ...(own.settings
        ? {
            settings: own.settings.map((setting) =>
              ours(setting, `setting ${setting.id}`, $defs.setting.properties),
            ),
          }
        : {}),
    },
    kept,
  };
}
