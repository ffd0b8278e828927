/** Cabinets as outlines, OPML 2.0 (opml.org/spec2.opml), out and in. */
import Builder from 'fast-xml-builder';
import { XMLParser } from 'fast-xml-parser';
import { SyntaxValidator } from 'fast-xml-validator';
import { fold } from '../text/fold.ts';
import { printNumber } from '../print-number.ts';
import { failed, ok, type Problem, type Result } from '../problem.ts';
import { formats, type Format } from '../formats/found-copy.ts';
import {
  documentName,
  documentVersion,
  identityOf,
  withFavourites,
  type DocumentCabinet,
  type DocumentFolder,
  type DocumentPlugin,
  type OrderDocument,
} from './document.ts';
import { troubleWithin } from './read-document.ts';

/** What the attribute `type` of an outline says. */
const types = {
  plugin: 'plugin',
  chain: 'chain',
  setting: 'setting',
  favourites: 'favourites',
} as const;

/** What an outline shows, and is not read again from one: only this order knows what is in it. */
const onlyShown: readonly (string | undefined)[] = [types.chain, types.setting];

interface Outline {
  readonly '@_text': string;
  readonly '@_type'?: string;
  readonly '@_vendor'?: string;
  readonly '@_identities'?: string;
  readonly '@_rule'?: string;
  readonly outline?: readonly Outline[];
}

/** Stands for a line's end until the text is written: in an attribute that would become a space. */
const lineBreak = '\uE00A';

/** The cabinets of a document as an outline. Dividers and folders shown from another cabinet are left out. */
export function writeOutline(document: OrderDocument): string {
  const plugins = new Map(document.plugins.map((plugin) => [plugin.id, plugin]));
  const others = new Map(
    [
      ...document.chains.map((one) => [types.chain, one] as const),
      ...(document.settings ?? []).map((one) => [types.setting, one] as const),
    ].map(([type, { id, name }]) => [id, { '@_text': name, '@_type': type }]),
  );
  const leaf = (id: string): Outline => {
    const plugin = plugins.get(id);
    return plugin
      ? {
          '@_text': plugin.name,
          '@_type': types.plugin,
          ...(plugin.vendor ? { '@_vendor': plugin.vendor } : {}),
          '@_identities': plugin.copies.map(identityOf).join('\n'),
        }
      : (others.get(id) ?? { '@_text': '' });
  };
  const isWritten = ({ form, shows }: DocumentFolder): boolean =>
    form !== 'divider' && shows === undefined;
  const branch = (folder: DocumentFolder): Outline => ({
    '@_text': folder.name,
    ...(folder.form === 'favourites' ? { '@_type': types.favourites } : {}),
    ...(folder.rule === undefined ? {} : { '@_rule': folder.rule }),
    outline: [
      ...(folder.folders ?? []).filter(isWritten).map(branch),
      ...(folder.plugins ?? []).map(leaf),
    ],
  });
  const body: Outline[] = document.cabinets.map(({ name, folders }) => ({
    '@_text': name,
    outline: folders.filter(isWritten).map(branch),
  }));
  const builder = new Builder({
    ignoreAttributes: false,
    format: true,
    suppressEmptyNode: true,
    attributeValueProcessor: (_, value) => String(value).replaceAll('\n', lineBreak),
  });
  const tree = {
    opml: { '@_version': '2.0', head: { title: document.computer }, body: { outline: body } },
  };
  return `<?xml version="1.0" encoding="UTF-8"?>\n${builder.build(tree).replaceAll(lineBreak, '&#10;')}`;
}

const wrong = (detail: string, line: number | null = null): { ok: false; problems: Problem[] } =>
  failed({ code: 'document-invalid', at: 'outline', line, detail });

interface Parsed {
  readonly opml?: {
    readonly head?: { readonly title?: unknown } | '';
    readonly body?: { readonly outline?: Outline[] } | '';
  };
}

/** The most outlines that are read, and how deep. */
const limits = { outlines: 50_000, depth: 30 };

/**
 * The document an outline stands for: what is outermost is a cabinet, what holds others a folder. What
 * holds nothing is a plugin where it says so or is called like one, else an empty folder.
 */
export function readOutline(
  text: string,
  isPlugin: (name: string) => boolean,
): Result<OrderDocument> {
  if (/<!DOCTYPE|<!ENTITY/i.test(text)) {
    return wrong('It declares entities or a type of its own, which an outline does not need.');
  }
  const tree = parse(text);
  if (!tree.ok) {
    return tree;
  }
  const parsed = tree.value;
  if (!parsed.opml) {
    return wrong('It is no outline: its outermost element should be <opml>.');
  }
  const body = parsed.opml.body || {};
  const head = parsed.opml.head || {};
  const reading: Reading = { plugins: new Map(), count: 0, isPlugin };
  const cabinets = (body.outline ?? []).map((outline) => cabinetOf(reading, outline));
  if (reading.count > limits.outlines) {
    return wrong(`It holds more than ${printNumber(limits.outlines)} outlines.`);
  }
  const document: OrderDocument = {
    document: documentName,
    version: documentVersion,
    computer: typeof head.title === 'string' ? head.title : '',
    cabinets,
    plugins: [...reading.plugins.values()],
    chains: [],
    spellings: [],
  };
  const problems = troubleWithin(document);
  return problems.length > 0 ? failed(...problems) : ok(withFavourites(document));
}

/** The elements of an XML text, or where it is none, or too deep. */
function parse(text: string): Result<Parsed> {
  const parser = new XMLParser({
    ignoreAttributes: false,
    isArray: (name) => name === 'outline',
    processEntities: true,
    htmlEntities: true,
    // Below <opml>, <body> and the outline of a cabinet.
    maxNestedTags: limits.depth + 3,
  });
  try {
    SyntaxValidator.validate(text);
    return ok(parser.parse(text) as Parsed);
  } catch (error) {
    const { message, line } = error as { message: string; line?: number };
    return wrong(
      /nested tags/i.test(message)
        ? `Its folders are more than ${limits.depth} levels deep.`
        : `It is no whole XML: ${message}`,
      line ?? null,
    );
  }
}

interface Reading {
  readonly plugins: Map<string, DocumentPlugin>;
  count: number;
  readonly isPlugin: (name: string) => boolean;
}

const nameOf = ({ '@_text': text }: Outline): string => (text || 'Unnamed').slice(0, 1000);
const newId = (reading: Reading): string => {
  reading.count += 1;
  return `outline ${reading.count}`;
};

function cabinetOf(reading: Reading, outline: Outline): DocumentCabinet {
  const { folders, plugins } = within(reading, outline);
  const id = newId(reading);
  const loose: DocumentFolder[] =
    plugins.length > 0
      ? [{ id: newId(reading), form: 'folder', name: nameOf(outline), plugins }]
      : [];
  return { id, name: nameOf(outline), folders: withTheirFavourites([...folders, ...loose]) };
}

/** Outlines of before say "Favourites" by its name alone. */
function withTheirFavourites(folders: readonly DocumentFolder[]): DocumentFolder[] {
  const isOne = ({ form, name, folders: below = [] }: DocumentFolder): boolean =>
    form === 'folder' && fold(name) === 'favourites' && below.length === 0;
  const favourites = folders.some(({ form }) => form === 'favourites')
    ? undefined
    : folders.find(isOne);
  return folders.map((folder) =>
    folder === favourites ? { ...folder, form: 'favourites' } : folder,
  );
}

function within(
  reading: Reading,
  { outline = [] }: Outline,
): { folders: DocumentFolder[]; plugins: string[] } {
  const folders: DocumentFolder[] = [];
  const plugins: string[] = [];
  for (const one of outline.filter((each) => !onlyShown.includes(each['@_type']))) {
    const holdsNothing = (one.outline ?? []).length === 0;
    const isOne =
      one['@_type'] === types.plugin ||
      (holdsNothing && one['@_rule'] === undefined && reading.isPlugin(nameOf(one)));
    if (isOne) {
      plugins.push(pluginOf(reading, one));
    } else {
      const inside = within(reading, one);
      const rule = one['@_rule'];
      folders.push({
        id: newId(reading),
        form: formOf(one),
        name: nameOf(one),
        ...(rule === undefined ? { plugins: inside.plugins } : { rule }),
        folders: inside.folders,
      });
    }
  }
  return { folders, plugins: [...new Set(plugins)] };
}

function formOf({ '@_type': type, '@_rule': rule }: Outline): DocumentFolder['form'] {
  if (type === types.favourites) {
    return 'favourites';
  }
  return rule === undefined ? 'folder' : 'smart';
}

/** The plugin that an outline names, once for each name, vendor and copies. */
function pluginOf(reading: Reading, outline: Outline): string {
  const vendor = outline['@_vendor'] ?? null;
  const key = [nameOf(outline), vendor ?? '', outline['@_identities'] ?? ''].join('\n');
  const known = reading.plugins.get(key);
  if (known) {
    return known.id;
  }
  const identities = (outline['@_identities'] ?? '').split('\n').filter((line) => line !== '');
  const plugin: DocumentPlugin = {
    id: newId(reading),
    name: nameOf(outline),
    vendor,
    kind: 'unknown',
    types: [],
    copies: identities.flatMap((line) => {
      const format = formats.find((one) => line.startsWith(`${one} `));
      return format ? [copyOf(format, line.slice(format.length + 1), outline)] : [];
    }),
  };
  reading.plugins.set(key, plugin);
  return plugin.id;
}

const copyOf = (
  format: Format,
  identity: string,
  outline: Outline,
): DocumentPlugin['copies'][number] => ({
  format,
  path: identity,
  identity,
  name: nameOf(outline),
  ...(outline['@_vendor'] === undefined ? {} : { vendor: outline['@_vendor'] }),
});
