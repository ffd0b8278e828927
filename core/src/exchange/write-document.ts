/** From an order to its document. The same order gives the same bytes. */
import { nothingSaid, type Answer, type AnswerFacts } from '../catalog/answer.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { grouped, keyedById } from '../grouped.ts';
import type { FoundCopy } from '../formats/found-copy.ts';
import {
  allAnswers,
  answerIn,
  allChains,
  allSettings,
  allCopyAssignments,
  allFolders,
  allPlacements,
  allPluginNames,
  allSpellings,
  cabinetsOf,
  preferenceIn,
  type Cabinet,
  type Folder,
  type Order,
  type Placement,
  type PluginNames,
} from '../order/records.ts';
import { usedIn } from '../order/references.ts';
import { printRule } from '../rules/language/text.ts';
import { noWords, type RuleWords } from '../rules/language/values.ts';
import { compareNames, compareTexts } from '../text/compare.ts';
import {
  documentName,
  documentVersion,
  identityOf,
  namedFoldersOf,
  type DocumentCabinet,
  type DocumentChain,
  type DocumentCopy,
  type DocumentCopyPath,
  type DocumentFolder,
  type DocumentLoad,
  type DocumentPicture,
  type DocumentPlugin,
  type DocumentSaid,
  type DocumentSetting,
  type ForeignFields,
  type OrderDocument,
} from './document.ts';

/** What is written beside the order itself. */
export interface DocumentSource {
  /** The computer's id and name. */
  readonly computer: { readonly id: string; readonly name: string };
  readonly plugins: readonly Pick<Plugin, 'id' | 'name' | 'vendor' | 'kind' | 'types'>[];
  /** All copies, with the plugin that each belongs to. */
  readonly copies: readonly {
    readonly id: string;
    readonly plugin: string | null;
    readonly facts: FoundCopy;
  }[];
  readonly kept?: ForeignFields;
  readonly pictures?: readonly DocumentPicture[];
  /** Loads to be written, too; their plugins then are, filed or not. */
  readonly loads?: readonly DocumentLoad[];
}

/** The document of an order. Only plugins to which the order refers are in it. */
export function documentOf(order: Order, source: DocumentSource): OrderDocument {
  const kept = source.kept ?? {};
  const names = keyedById(allPluginNames(order));
  const answers = keyedById(allAnswers(order));
  const chains = allChains(order);
  const settings = allSettings(order);
  const preference = preferenceIn(order, source.computer.id);
  const own = (id: string) => ({ ...namesOf(names.get(id)), ...saidOf(answers.get(id)) });
  return {
    document: documentName,
    version: documentVersion,
    computer: source.computer.name,
    ...(preference ? { formatOrder: preference.formats } : {}),
    cabinets: allCabinets(order, source),
    plugins: pluginsOf(order, source).map((plugin) => ({
      ...plugin,
      ...own(plugin.id),
      copies: plugin.copies,
      ...kept[`plugin ${plugin.id}`],
    })),
    chains: chains
      .map(
        (chain): DocumentChain => ({
          id: chain.id,
          name: chain.name,
          kind: chain.kind,
          ...own(chain.id),
          plugins: chain.plugins,
          ...kept[`chain ${chain.id}`],
        }),
      )
      .sort(byNameAndId),
    ...(settings.length > 0
      ? {
          settings: settings
            .map(
              (setting): DocumentSetting => ({
                id: setting.id,
                name: setting.name,
                plugin: setting.plugin,
                format: setting.format,
                ...given({
                  bank: setting.bank,
                  path: setting.path,
                  identity: setting.identity,
                  state: setting.state,
                }),
                ...own(setting.id),
                ...kept[`setting ${setting.id}`],
              }),
            )
            .sort(byNameAndId),
        }
      : {}),
    spellings: allSpellings(order)
      .map(({ spelling, vendor }) => ({ spelling, vendor }))
      .sort((a, b) => compareTexts(a.spelling, b.spelling)),
    ...(source.pictures && source.pictures.length > 0
      ? { pictures: source.pictures.toSorted((a, b) => compareTexts(a.id, b.id)) }
      : {}),
    ...loadsOf(order, source),
    ...kept[''],
  };
}

/** The document as it stands in a file: JSON (RFC 8259) in UTF-8, indented, with a line's end behind it. */
export const printDocument = (document: OrderDocument): string =>
  `${JSON.stringify(document, null, 1)}\n`;

const byNameAndId = (
  a: { readonly name: string; readonly id: string },
  b: { readonly name: string; readonly id: string },
): number => compareNames(a.name, b.name) || compareTexts(a.id, b.id);

const namesOf = (names: PluginNames | undefined): Pick<DocumentPlugin, 'nickname' | 'slotLabel'> =>
  given({ nickname: names?.nickname ?? null, slotLabel: names?.slotLabel ?? null });

/** Only what was said. */
function saidOf(answer: Answer | undefined): { readonly said?: DocumentSaid } {
  if (!answer) {
    return {};
  }
  // The copy that is used first is marked where the copies are.
  const facts = (Object.keys(nothingSaid) as (keyof AnswerFacts)[]).filter(
    (fact): fact is keyof DocumentSaid => fact !== 'firstCopy',
  );
  const said = facts.filter(
    (fact) => JSON.stringify(answer[fact]) !== JSON.stringify(nothingSaid[fact]),
  );
  return said.length === 0
    ? {}
    : { said: Object.fromEntries(said.map((fact) => [fact, answer[fact]])) };
}

/** An object without the fields that are null or empty lists. */
export function given<T extends object>(facts: T): { [K in keyof T]?: NonNullable<T[K]> } {
  const entries = Object.entries(facts) as [string, unknown][];
  return Object.fromEntries(
    entries.filter(
      ([, value]) =>
        value !== null && value !== undefined && !(Array.isArray(value) && value.length === 0),
    ),
  ) as { [K in keyof T]?: NonNullable<T[K]> };
}

function pluginsOf(order: Order, source: DocumentSource): DocumentPlugin[] {
  const said = new Set(allCopyAssignments(order).map(({ id }) => id as string));
  const used = new Set<string>([...usedIn(order), ...pluginsOfLoads(source.loads ?? [])]);
  const copiesOf = grouped(source.copies.map((copy) => [copy.plugin ?? '', copy] as const));
  const isMeant = (id: string): boolean =>
    used.has(id) || (copiesOf.get(id) ?? []).some((copy) => said.has(copy.id));
  const others = thingsBeside(order);
  return source.plugins
    .filter(({ id }) => isMeant(id) && !others.has(id))
    .map(({ id, name, vendor, kind, types }) => ({
      id,
      name,
      vendor,
      kind,
      types,
      copies: (copiesOf.get(id) ?? [])
        .map((copy) => ({
          ...documentCopy(copy.facts, said.has(copy.id)),
          ...(answerIn(order, id)?.firstCopy === copy.id ? { isFirst: true as const } : {}),
        }))
        .sort((a, b) => compareTexts(copyKey(a), copyKey(b))),
    }))
    .sort(byNameAndId);
}

/** Chains and settings: they stand in lists of their own. */
const thingsBeside = (order: Order): Set<string> =>
  new Set([...allChains(order), ...allSettings(order)].map(({ id }) => id as string));

const pluginsOfLoads = (loads: readonly DocumentLoad[]): string[] =>
  loads.flatMap(({ plugin, after }) => [plugin, ...(after === undefined ? [] : [after])]);

/** Oldest first. Only plugins have loads there: what is in a chain, or has a setting, is loaded itself. */
function loadsOf(
  order: Order,
  { loads = [], plugins, copies }: DocumentSource,
): Pick<OrderDocument, 'loads'> {
  const others = thingsBeside(order);
  const used = usedIn(order);
  const withCopies = new Set(copies.map(({ plugin }) => plugin));
  const known = new Set<string>(
    plugins
      .map(({ id }) => id)
      .filter((id) => !others.has(id) && (withCopies.has(id) || used.has(id))),
  );
  const written = loads
    .filter((load) => pluginsOfLoads([load]).every((id) => known.has(id)))
    .sort((a, b) => compareTexts(a.at, b.at) || compareTexts(a.plugin, b.plugin));
  return written.length > 0 ? { loads: written } : {};
}

const copyKey = (copy: DocumentCopy): string => `${identityOf(copy)} ${copy.path}`;

/** What a document tells of a copy. */
export function documentCopy(facts: FoundCopy, belongs: boolean): DocumentCopy {
  const { format, path } = facts;
  return {
    format,
    path,
    ...given({
      identity: facts.identity,
      name: facts.name,
      vendor: facts.vendor,
      declared: facts.declared,
      version: facts.version,
      architectures: facts.architectures,
      audioIn: facts.audioIn,
      audioOut: facts.audioOut,
      notesIn: facts.notesIn,
      notesOut: facts.notesOut,
      replaces: facts.replaces,
      uniqueId: facts.uniqueId ?? null,
      controls: facts.controls ?? null,
      description: facts.description ?? null,
    }),
    ...(belongs ? { belongs } : {}),
  };
}

/** What stands below a cabinet or folder, and what is filed in a folder, in order. */
interface Contents {
  readonly below: ReadonlyMap<string, readonly Folder[]>;
  readonly filed: ReadonlyMap<string, readonly Placement[]>;
  readonly kept: ForeignFields;
  readonly copyAt: (id: string) => DocumentCopyPath | undefined;
}

/** Rules name folders as who reads the document will know them: by the document itself. */
function allCabinets(order: Order, { kept = {}, copies }: DocumentSource): DocumentCabinet[] {
  const copyById = keyedById(copies);
  const contents: Contents = {
    below: grouped(
      allFolders(order).map(
        (folder) => [`${folder.cabinet} ${folder.parent ?? ''}`, folder] as const,
      ),
    ),
    filed: grouped(
      allPlacements(order).map((placement) => [placement.folder as string, placement] as const),
    ),
    kept,
    copyAt: (id) => {
      const facts = copyById.get(id)?.facts;
      return (
        facts && {
          format: facts.format,
          path: facts.path,
          ...given({ identity: facts.identity }),
        }
      );
    },
  };
  const written = (words: RuleWords): DocumentCabinet[] =>
    cabinetsOf(order).map((cabinet) => cabinetOf(cabinet, words, contents));
  return written({ folders: namedFoldersOf({ cabinets: written(noWords) }) });
}

function cabinetOf(
  cabinet: Cabinet,
  words: RuleWords,
  { below, filed, kept, copyAt }: Contents,
): DocumentCabinet {
  const folderOf = (folder: Folder): DocumentFolder => ({
    id: folder.id,
    form: folder.form,
    name: folder.name,
    ...given({
      rule: folder.rule ? printRule(folder.rule, words) : null,
      sortedBy: folder.sortedBy,
      isPinned: folder.isPinned ? (true as const) : null,
      notes: folder.notes === '' ? null : folder.notes,
      shows: folder.shortcutTo,
      alwaysIn: folder.alwaysIn,
      alwaysOut: folder.alwaysOut,
      atMost: folder.atMost,
      firstFormat: folder.firstFormat,
      firstCopies: folder.firstCopies.flatMap((copy) => copyAt(copy) ?? []),
      plugins: (filed.get(folder.id) ?? []).map(({ plugin }) => plugin),
      folders: (below.get(`${cabinet.id} ${folder.id}`) ?? []).map(folderOf),
    }),
    ...kept[`folder ${folder.id}`],
  });
  return {
    id: cabinet.id,
    name: cabinet.name,
    ...given({ opensFor: cabinet.opensFor, sortedBy: cabinet.sortedBy }),
    folders: (below.get(`${cabinet.id} `) ?? []).map(folderOf),
    ...kept[`cabinet ${cabinet.id}`],
  };
}
