/** Acts as they come from a window: a schema for each act. */
import {
  array,
  boolean,
  lazy,
  mixed,
  number,
  object,
  string,
  type ISchema,
  type ObjectShape,
  type Schema,
} from 'yup';
import { actSize, nameLength, stateLength, type Act } from '@clever-drawer/core/acts';
import { answerLimits, kinds, licenceStates } from '@clever-drawer/core/catalog';
import { formats } from '@clever-drawer/core/formats';
import type {
  CabinetId,
  ComputerId,
  CopyId,
  FolderId,
  PlacementId,
  PluginId,
  SpellingId,
} from '@clever-drawer/core/id';
import { slotLimit } from '@clever-drawer/core/loading';
import {
  cabinetSlots,
  fewestInChain,
  folderForms,
  folderSortings,
} from '@clever-drawer/core/order';
import {
  fieldNames,
  fields,
  knownValues,
  noWords,
  relationsFor,
  ruleLimits,
  standsAlone,
  understand,
  type Line,
  type Relation,
} from '@clever-drawer/core/rules';
import { isType } from '@clever-drawer/core/taxonomy';
import { isDay } from '@clever-drawer/core/text';
import { id, ids, maybe, maybeName, name, needed } from '../fields.ts';

const cardSchema = object({
  lines: array(
    object({
      field: string().oneOf(fieldNames).required(),
      relation: string<Relation>().required(),
      values: array(string().max(ruleLimits.value).required()).max(ruleLimits.values).required(),
    }).test('line', '${path} has a relation or values that do not fit its field', (line) =>
      fitsField(line),
    ),
  )
    .min(1)
    .max(ruleLimits.lines)
    .required(),
});
const settingSchema = object({
  id: needed<PluginId>(),
  name: name(),
  plugin: needed<PluginId>(),
  bank: string().max(4096).nullable().defined(),
  format: string().oneOf(formats).required(),
  path: string().max(4096).nullable().defined(),
  identity: string().max(4096).nullable().defined(),
  state: string().max(stateLength).nullable().defined(),
});
const ruleSchema = object({
  cards: array(cardSchema).min(1).max(ruleLimits.cards).required(),
  never: array(cardSchema).max(ruleLimits.cards).required(),
});

/** Values have to be as they are compared: what one would type is understood in the browser. */
const fitsField = ({ field, relation, values }: Line): boolean =>
  fieldNames.includes(field) &&
  relationsFor(field).includes(relation) &&
  (standsAlone(relation) ? values.length === 0 : values.length > 0) &&
  values.every(
    (value) =>
      field === 'folder' ||
      (fields[field] === 'set'
        ? (knownValues(field, noWords) ?? []).some((known) => known.value === value)
        : ((understood) => understood.ok && understood.value === value)(
            understand(field, relation, value, noWords),
          )),
  );
const rule = () => ruleSchema.required();
const maybeRule = () => ruleSchema.nullable().defined();

const smart = () =>
  object({
    alwaysIn: array(needed<PluginId>()).max(actSize).required(),
    alwaysOut: array(needed<PluginId>()).max(actSize).required(),
    sortedBy: string().oneOf(folderSortings).nullable().defined(),
    atMost: number().integer().min(1).max(actSize).nullable().defined(),
  })
    .noUnknown()
    .default(undefined);
const slots = () =>
  array(string().oneOf(cabinetSlots).required()).max(cabinetSlots.length).required();
const newFolder = object({
  id: needed<FolderId>(),
  parent: maybe<FolderId>(),
  form: string().oneOf(folderForms).required(),
  name: name(),
  rule: maybeRule(),
  plugins: array(object({ placement: needed<PlacementId>(), plugin: needed<PluginId>() }))
    .max(actSize)
    .required(),
  smart: smart(),
});
const tags = () =>
  array(string().trim().max(answerLimits.tag).required()).max(answerLimits.tags).required();
const owner = () =>
  object({
    plugin: needed<PluginId>(),
    copies: array(needed<CopyId>()).max(10_000).required(),
  }).required();
const type = () =>
  string()
    .test(
      'type',
      '${path} must be a type of the tree',
      (text) => text !== undefined && isType(text),
    )
    .required();
/** Only what is given is said; a given null takes it back. */
const answerSchema = object({
  kind: string().oneOf(kinds).nullable(),
  types: array(type()).max(answerLimits.types).nullable(),
  /** An empty one says that it is to stay without a vendor. */
  vendor: string().trim().max(nameLength).nullable(),
  licence: object({
    state: string().oneOf(licenceStates).required(),
    until: string()
      .test(
        'day',
        '${path} must be a day as YYYY-MM-DD',
        (text) => typeof text !== 'string' || isDay(text),
      )
      .nullable()
      .defined(),
  })
    .nullable()
    .default(undefined),
  tags: array(string().trim().max(answerLimits.tag).required()).max(answerLimits.tags),
  notes: string().max(answerLimits.notes),
  isHidden: boolean(),
  picture: id().nullable(),
  alsoCalled: array(string().trim().max(nameLength).required()).max(answerLimits.names),
  firstCopy: id<CopyId>().nullable(),
}).noUnknown();

/** An act with the fields it has beside its name. */
const actOf = <Name extends Act['act'], Shape extends ObjectShape>(act: Name, shape: Shape) =>
  object({ act: string<Name>().oneOf([act]).required(), ...shape });

/** What each act is made of. One whose fields are others than those of the act does not compile. */
export const actSchemas: {
  readonly [Name in Act['act']]: ISchema<Extract<Act, { act: Name }>>;
} = {
  'add-cabinet': actOf('add-cabinet', {
    id: needed<CabinetId>(),
    favourites: needed<FolderId>(),
    name: name(),
    opensFor: slots(),
    folders: array(newFolder).max(2_000).required(),
  }),
  'set-cabinet': actOf('set-cabinet', {
    cabinet: needed<CabinetId>(),
    set: object({
      name: string().max(nameLength),
      opensFor: array(string().oneOf(cabinetSlots).required()).max(cabinetSlots.length),
      sortedBy: string().oneOf(['name']).nullable(),
    })
      .noUnknown()
      .required(),
  }),
  'move-cabinet': actOf('move-cabinet', {
    cabinet: needed<CabinetId>(),
    before: maybe<CabinetId>(),
  }),
  'remove-cabinet': actOf('remove-cabinet', { cabinet: needed<CabinetId>() }),
  'set-folder': actOf('set-folder', {
    folder: needed<FolderId>(),
    set: object({
      sortedBy: string().oneOf(folderSortings).nullable(),
      isPinned: boolean(),
      notes: string().max(answerLimits.notes),
      firstFormat: string().oneOf(formats).nullable(),
      firstCopies: array(needed<CopyId>()).max(actSize),
    })
      .noUnknown()
      .required(),
  }),
  'merge-folders': actOf('merge-folders', { from: needed<FolderId>(), into: needed<FolderId>() }),
  'split-folder': actOf('split-folder', {
    folder: needed<FolderId>(),
    parts: array(object({ id: needed<FolderId>(), name: name(), placements: ids<PlacementId>() }))
      .min(1)
      .max(2_000)
      .required(),
  }),
  'move-to': actOf('move-to', {
    placements: ids<PlacementId>(),
    folder: needed<FolderId>(),
    before: maybe<PlacementId>(),
  }),
  'add-folder': actOf('add-folder', {
    id: needed<FolderId>(),
    cabinet: needed<CabinetId>(),
    parent: maybe<FolderId>(),
    form: string()
      .oneOf(folderForms.filter((f) => f !== 'favourites'))
      .required(),
    name: name(),
    rule: maybeRule(),
    before: maybe<FolderId>(),
    plugins: array(object({ placement: needed<PlacementId>(), plugin: needed<PluginId>() })).max(
      actSize,
    ),
    smart: smart(),
  }),
  'copy-folder': actOf('copy-folder', {
    cabinet: needed<CabinetId>(),
    parent: maybe<FolderId>(),
    folders: array(newFolder).min(1).max(2_000).required(),
  }),
  'show-folder': actOf('show-folder', {
    id: needed<FolderId>(),
    folder: needed<FolderId>(),
    cabinet: needed<CabinetId>(),
    before: maybe<FolderId>(),
  }),
  'share-favourites': actOf('share-favourites', {
    favourites: maybe<FolderId>(),
    plugins: array(object({ placement: needed<PlacementId>(), plugin: needed<PluginId>() }))
      .max(actSize)
      .required(),
  }),
  'rename-folder': actOf('rename-folder', { folder: needed<FolderId>(), name: name() }),
  'move-folder': actOf('move-folder', {
    folder: needed<FolderId>(),
    parent: maybe<FolderId>(),
    before: maybe<FolderId>(),
  }),
  'remove-folder': actOf('remove-folder', { folder: needed<FolderId>() }),
  'set-rule': actOf('set-rule', {
    folder: needed<FolderId>(),
    rule: rule(),
    name: string().max(nameLength),
    smart: smart(),
  }),
  'keep-by-hand': actOf('keep-by-hand', {
    folder: needed<FolderId>(),
    plugins: ids<PluginId>(),
    as: string().oneOf(['in', 'out', 'rule']).required(),
  }),
  settle: actOf('settle', {
    folder: needed<FolderId>(),
    plugins: array(object({ placement: needed<PlacementId>(), plugin: needed<PluginId>() }))
      .max(actSize)
      .required(),
  }),
  file: actOf('file', {
    folder: needed<FolderId>(),
    plugins: array(object({ placement: needed<PlacementId>(), plugin: needed<PluginId>() }))
      .min(1)
      .max(actSize)
      .required(),
    before: maybe<PlacementId>(),
  }),
  'file-each': actOf('file-each', {
    entries: array(
      object({
        folder: needed<FolderId>(),
        plugins: array(object({ placement: needed<PlacementId>(), plugin: needed<PluginId>() }))
          .min(1)
          .max(actSize)
          .required(),
      }),
    )
      .min(1)
      .max(2_000)
      .required(),
  }),
  'take-out': actOf('take-out', {
    placements: array(needed<PlacementId>()).min(1).max(actSize).required(),
  }),
  'move-placement': actOf('move-placement', {
    placement: needed<PlacementId>(),
    before: maybe<PlacementId>(),
  }),
  name: actOf('name', {
    plugin: needed<PluginId>(),
    nickname: maybeName(),
    slotLabel: maybeName(),
  }),
  'add-chain': actOf('add-chain', {
    id: needed<PluginId>(),
    name: name(),
    kind: string().oneOf(kinds).required(),
    plugins: array(needed<PluginId>()).min(fewestInChain).max(slotLimit).required(),
  }),
  'remove-chain': actOf('remove-chain', { chain: needed<PluginId>() }),
  'keep-settings': actOf('keep-settings', {
    settings: array(settingSchema).min(1).max(actSize).required(),
    then: lazy((act: unknown) => (act === null ? nothing : thenSchema)),
  }),
  'remove-setting': actOf('remove-setting', { setting: needed<PluginId>() }),
  answer: actOf('answer', {
    say: array(object({ plugins: ids<PluginId>(), set: answerSchema.required() }))
      .min(1)
      .max(actSize)
      .required(),
  }),
  tag: actOf('tag', { plugins: ids<PluginId>(), add: tags(), remove: tags() }),
  join: actOf('join', { into: owner(), from: array(owner()).min(1).max(100).required() }),
  part: actOf('part', { copies: ids<CopyId>(), from: owner(), plugin: needed<PluginId>() }),
  'keep-apart': actOf('keep-apart', { plugins: array(owner()).min(2).max(100).required() }),
  'set-aside': actOf('set-aside', { copies: ids<CopyId>() }),
  restore: actOf('restore', { copies: ids<CopyId>() }),
  prefer: actOf('prefer', {
    computer: needed<ComputerId>(),
    formats: array(string().oneOf(formats).required()).min(1).max(formats.length).required(),
  }),
  spell: actOf('spell', {
    say: array(
      object({
        spellings: array(
          object({ id: needed<SpellingId>(), spelling: string().max(4096).required() }),
        )
          .min(1)
          .max(1000)
          .required(),
        vendor: maybeName(),
      }),
    )
      .min(1)
      .max(20)
      .required(),
  }),
};

/** What is no act, with the reason. */
const noAct = (reason: string): ISchema<Act> =>
  mixed<Act>()
    .required()
    .test('act', (_, { path, createError }) => {
      const at = path ? `${path}.act` : 'act';
      return createError({ path: at, message: `${at} ${reason}` });
    });
const unknownAct = noAct(
  `must be one of the following values: ${Object.keys(actSchemas).join(', ')}`,
);

/** No act. */
const nothing: Schema<Act | null> = mixed<never>().nullable().defined();
/** What is done with settings that are kept: any act but keeping more. */
const thenSchema: ISchema<Act> = lazy((value: unknown) =>
  (value as { act?: unknown }).act === 'keep-settings'
    ? noAct('must not be one of the following values: keep-settings')
    : actSchema,
);

/** An act, by its name. */
export const actSchema: ISchema<Act> = lazy((value: unknown) => {
  const act = (value as { act?: unknown } | null)?.act;
  return typeof act === 'string' && Object.hasOwn(actSchemas, act)
    ? (actSchemas[act as Act['act']] as ISchema<Act>)
    : unknownAct;
});
