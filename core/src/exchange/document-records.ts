/** From a document to records of an order, under the ids they have here. */
import { nothingSaid, saysNothing, type Answer } from '../catalog/answer.ts';
import {
  asId,
  type CabinetId,
  type ComputerId,
  type CopyId,
  type FolderId,
  type PlacementId,
  type PluginId,
  type SpellingId,
} from '../id.ts';
import { spread } from '../order/position.ts';
import {
  plainFolder,
  type Cabinet,
  type Folder,
  type OrderRecord,
  type Placement,
  type Setting,
} from '../order/records.ts';
import type { Line, Rule } from '../rules/language/rule.ts';
import { parseRule } from '../rules/language/text.ts';
import type { RuleWords } from '../rules/language/values.ts';
import {
  namedFoldersOf,
  type DocumentChain,
  type DocumentCopy,
  type DocumentFolder,
  type DocumentPlugin,
  type OrderDocument,
} from './document.ts';

/** What things of the document are here. */
export interface IdsHere {
  readonly computer: ComputerId;
  /** The plugin that is meant; null where it is to be left out. */
  readonly plugin: (id: string) => PluginId | null;
  readonly chain: (id: string) => PluginId;
  readonly setting: (id: string) => PluginId;
  readonly cabinet: (id: string) => CabinetId;
  readonly folder: (id: string) => FolderId;
  readonly placement: (folder: FolderId, plugin: PluginId) => PlacementId;
  readonly spelling: (spelling: string) => SpellingId;
  /** The copy that is meant, and where it belongs while nobody says otherwise; null without one. */
  readonly copy: (copy: DocumentCopy) => { readonly id: CopyId; readonly plugin: PluginId } | null;
}

/**
 * All records a document stands for, those that others stand in first. Positions are even: only the
 * sequence counts.
 */
export function recordsOf(document: OrderDocument, here: IdsHere): OrderRecord[] {
  const words: RuleWords = { folders: namedFoldersOf(document) };
  const cabinets = evenly(document.cabinets);
  const chains = new Set(document.chains.map(({ id }) => id));
  const settings = settingsHere(document, here);
  const member = (id: string): PluginId | null => {
    const setting = settings.get(id);
    if (setting !== undefined) {
      return setting?.id ?? null;
    }
    return chains.has(id) ? here.chain(id) : here.plugin(id);
  };
  return [
    ...cabinets.map(
      ([cabinet, position]): Cabinet => ({
        table: 'cabinet',
        id: here.cabinet(cabinet.id),
        name: cabinet.name,
        position,
        opensFor: cabinet.opensFor ?? [],
        sortedBy: cabinet.sortedBy ?? null,
      }),
    ),
    ...document.cabinets.flatMap((cabinet) =>
      folderRecords(cabinet.folders, here.cabinet(cabinet.id), null, { here, words, member }),
    ),
    ...document.chains.flatMap((chain) => chainRecords(chain, here, member)),
    ...[...settings].flatMap(([id, setting]) => {
      const said = document.settings?.find((one) => one.id === id);
      return setting && said ? [setting, ...saidRecords(setting.id, said)] : [];
    }),
    ...document.plugins.flatMap((plugin) => pluginRecords(plugin, here)),
    ...document.spellings.map(({ spelling, vendor }) => ({
      table: 'spelling' as const,
      id: here.spelling(spelling),
      spelling,
      vendor,
    })),
    ...(document.formatOrder && document.formatOrder.length > 0
      ? [{ table: 'preference' as const, id: here.computer, formats: document.formatOrder }]
      : []),
  ];
}

const evenly = <T>(row: readonly T[]): [T, string][] => {
  const positions = spread(null, null, row.length);
  return row.map((one, at) => [one, positions[at] ?? '']);
};

interface Writing {
  readonly here: IdsHere;
  readonly words: RuleWords;
  readonly member: (id: string) => PluginId | null;
}

function folderRecords(
  folders: readonly DocumentFolder[],
  cabinet: CabinetId,
  parent: FolderId | null,
  writing: Writing,
): OrderRecord[] {
  const { here, words, member } = writing;
  const members = (ids: readonly string[] | undefined): PluginId[] => [
    ...new Set((ids ?? []).flatMap((id) => member(id) ?? [])),
  ];
  return evenly(folders).flatMap(([folder, position]): OrderRecord[] => {
    const id = here.folder(folder.id);
    const alwaysIn = members(folder.alwaysIn);
    const record: Folder = {
      table: 'folder',
      id,
      cabinet,
      parent,
      form: folder.form,
      name: folder.name,
      position,
      rule: folder.rule === undefined ? null : ruleHere(folder.rule, words, here),
      sortedBy: folder.sortedBy ?? plainFolder.sortedBy,
      isPinned: folder.isPinned ?? plainFolder.isPinned,
      notes: folder.notes ?? plainFolder.notes,
      shortcutTo: folder.shows === undefined ? null : here.folder(folder.shows),
      alwaysIn,
      alwaysOut: members(folder.alwaysOut).filter((plugin) => !alwaysIn.includes(plugin)),
      atMost: folder.atMost ?? plainFolder.atMost,
      firstFormat: folder.firstFormat ?? plainFolder.firstFormat,
      firstCopies: (folder.firstCopies ?? []).flatMap((copy) => here.copy(copy)?.id ?? []),
    };
    const placements = evenly(members(folder.plugins)).map(
      ([plugin, at]): Placement => ({
        table: 'placement',
        id: here.placement(id, plugin),
        folder: id,
        plugin,
        position: at,
      }),
    );
    return [record, ...placements, ...folderRecords(folder.folders ?? [], cabinet, id, writing)];
  });
}

/** The rule with the folders it names as they are called here. It has been parsed before, without a fault. */
function ruleHere(text: string, words: RuleWords, here: IdsHere): Rule | null {
  const parsed = parseRule(text, words);
  if (!parsed.ok) {
    return null;
  }
  const known = new Set(words.folders.map(({ id }) => id));
  const line = (one: Line): Line =>
    one.field === 'folder'
      ? { ...one, values: one.values.map((id) => (known.has(id) ? here.folder(id) : id)) }
      : one;
  const { cards, never } = parsed.value;
  const cardsHere = (list: Rule['cards']): Rule['cards'] =>
    list.map((card) => ({ ...card, lines: card.lines.map(line) }));
  return { cards: cardsHere(cards), never: cardsHere(never) };
}

function chainRecords(
  chain: DocumentChain,
  here: IdsHere,
  member: Writing['member'],
): OrderRecord[] {
  const id = here.chain(chain.id);
  const plugins = chain.plugins.flatMap((plugin) => member(plugin) ?? []);
  return [
    { table: 'chain', id, name: chain.name, kind: chain.kind, plugins },
    ...saidRecords(id, chain),
  ];
}

/** Settings of the document by their ids there; null where their plugin is left out. */
function settingsHere(
  { settings = [] }: OrderDocument,
  here: IdsHere,
): Map<string, Setting | null> {
  return new Map(
    settings.map((setting) => {
      const plugin = here.plugin(setting.plugin);
      const { name, format, bank, path, identity, state } = setting;
      const record: Setting | null = plugin && {
        table: 'setting',
        id: here.setting(setting.id),
        name,
        plugin,
        bank: bank ?? null,
        format,
        path: path ?? null,
        identity: identity ?? null,
        state: state ?? null,
      };
      return [setting.id, record] as const;
    }),
  );
}

function pluginRecords(plugin: DocumentPlugin, here: IdsHere): OrderRecord[] {
  const id = here.plugin(plugin.id);
  if (id === null) {
    return [];
  }
  const assignments = plugin.copies
    .filter(({ belongs }) => belongs)
    .flatMap((copy) => here.copy(copy) ?? [])
    .map(
      (copy): OrderRecord => ({
        table: 'copy-assignment',
        id: copy.id,
        plugin: id,
        before: copy.plugin,
      }),
    );
  const first = plugin.copies.find(({ isFirst }) => isFirst);
  return [...saidRecords(id, plugin, (first && here.copy(first)?.id) ?? null), ...assignments];
}

function saidRecords(
  id: PluginId,
  { nickname, slotLabel, said: facts }: Pick<DocumentPlugin, 'nickname' | 'slotLabel' | 'said'>,
  firstCopy: CopyId | null = null,
): OrderRecord[] {
  const isNamed = nickname !== undefined || slotLabel !== undefined;
  const licence = facts?.licence
    ? { state: facts.licence.state, until: facts.licence.until ?? null }
    : null;
  const answer: Answer = { ...nothingSaid, ...facts, licence, firstCopy, table: 'answer', id };
  return [
    ...(isNamed
      ? [
          {
            table: 'plugin-names' as const,
            id,
            nickname: nickname ?? null,
            slotLabel: slotLabel ?? null,
          },
        ]
      : []),
    ...(saysNothing(answer) ? [] : [answer]),
  ];
}

/** A document's ids taken as they are: for comparing documents with each other. */
export const idsAsWritten = (): IdsHere => ({
  computer: asId('computer'),
  plugin: (id) => asId(id),
  chain: (id) => asId(id),
  setting: (id) => asId(id),
  cabinet: (id) => asId(id),
  folder: (id) => asId(id),
  placement: (folder, plugin) => asId(`${folder} ${plugin}`),
  spelling: (spelling) => asId(spelling),
  copy: (copy) => ({ id: asId(`${copy.format} ${copy.path}`), plugin: asId('') }),
});
