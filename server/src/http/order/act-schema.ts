/** Acts as they come from a window: a schema for each act. */
import { array, boolean, lazy, mixed, number, object, string, type Schema } from 'yup';
import { actSize, nameLength, stateLength, type Act } from '@clever-drawer/core/acts';
import { answerLimits, kinds, licenceStates } from '@clever-drawer/core/catalog';
import { formats } from '@clever-drawer/core/formats';
import { slotLimit } from '@clever-drawer/core/loading';
import { cabinetSlots, folderForms, folderSortings } from '@clever-drawer/core/order';
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
  type Rule,
} from '@clever-drawer/core/rules';
import { isType } from '@clever-drawer/core/taxonomy';
import { id, ids, maybe, maybeName, name, needed } from '../fields.ts';

const cardSchema = object({
  lines: array(
    object({
      field: string().oneOf(fieldNames).required(),
      relation: string().required(),
      values: array(string().max(ruleLimits.value).required()).max(ruleLimits.values).required(),
    }).test('line', '${path} has a relation or values that do not fit its field', (line) =>
      fitsField(line as unknown as Line),
    ),
  )
    .min(1)
    .max(ruleLimits.lines)
    .required(),
});
const keptSettingSchema = object({
  id: needed(),
  name: name(),
  plugin: needed(),
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
const rule = () => ruleSchema.required() as unknown as Schema<Rule>;
const maybeRule = () => ruleSchema.nullable().defined() as unknown as Schema<Rule | null>;

const smart = () =>
  object({
    alwaysIn: array(needed()).max(actSize).required(),
    alwaysOut: array(needed()).max(actSize).required(),
    sortedBy: string().oneOf(folderSortings).nullable().defined(),
    atMost: number().integer().min(1).max(actSize).nullable().defined(),
  })
    .noUnknown()
    .default(undefined);
const slots = () =>
  array(string().oneOf(cabinetSlots).required()).max(cabinetSlots.length).required();
const newFolder = object({
  id: needed(),
  parent: maybe(),
  form: string().oneOf(folderForms).required(),
  name: name(),
  rule: maybeRule(),
  plugins: array(object({ placement: needed(), plugin: needed() }))
    .max(actSize)
    .required(),
  smart: smart(),
});
const tags = () =>
  array(string().trim().max(answerLimits.tag).required()).max(answerLimits.tags).required();
const owner = () =>
  object({ plugin: needed(), copies: array(needed()).max(10_000).required() }).required();
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
      .matches(/^\d{4}-\d{2}-\d{2}$/, '${path} must be a day as YYYY-MM-DD')
      .nullable()
      .defined(),
  })
    .nullable()
    .default(undefined),
  tags: array(string().trim().max(answerLimits.tag).required()).max(answerLimits.tags),
  notes: string().max(answerLimits.notes),
  isHidden: boolean(),
  picture: id().nullable(),
}).noUnknown();

/** What each act is made of, besides its name. */
export const actSchemas: Readonly<Record<Act['act'], Schema>> = {
  'add-cabinet': object({
    id: needed(),
    favourites: needed(),
    name: name(),
    opensFor: slots(),
    folders: array(newFolder).max(2_000).required(),
  }),
  'set-cabinet': object({
    cabinet: needed(),
    set: object({
      name: string().max(nameLength),
      opensFor: array(string().oneOf(cabinetSlots).required()).max(cabinetSlots.length),
      sortedBy: string().oneOf(['name']).nullable(),
    })
      .noUnknown()
      .required(),
  }),
  'move-cabinet': object({ cabinet: needed(), before: maybe() }),
  'remove-cabinet': object({ cabinet: needed() }),
  'set-folder': object({
    folder: needed(),
    set: object({
      sortedBy: string().oneOf(folderSortings).nullable(),
      isPinned: boolean(),
      notes: string().max(answerLimits.notes),
    })
      .noUnknown()
      .required(),
  }),
  'merge-folders': object({ from: needed(), into: needed() }),
  'split-folder': object({
    folder: needed(),
    parts: array(object({ id: needed(), name: name(), placements: ids() }))
      .min(1)
      .max(2_000)
      .required(),
  }),
  'move-to': object({ placements: ids(), folder: needed(), before: maybe() }),
  'add-folder': object({
    id: needed(),
    cabinet: needed(),
    parent: maybe(),
    form: string()
      .oneOf(folderForms.filter((f) => f !== 'favourites'))
      .required(),
    name: name(),
    rule: maybeRule(),
    before: maybe(),
    plugins: array(object({ placement: needed(), plugin: needed() })).max(actSize),
    smart: smart(),
  }),
  'copy-folder': object({
    cabinet: needed(),
    parent: maybe(),
    folders: array(newFolder).min(1).max(2_000).required(),
  }),
  'show-folder': object({ id: needed(), folder: needed(), cabinet: needed(), before: maybe() }),
  'share-favourites': object({
    favourites: maybe(),
    plugins: array(object({ placement: needed(), plugin: needed() }))
      .max(actSize)
      .required(),
  }),
  'rename-folder': object({ folder: needed(), name: name() }),
  'move-folder': object({ folder: needed(), parent: maybe(), before: maybe() }),
  'remove-folder': object({ folder: needed() }),
  'set-rule': object({
    folder: needed(),
    rule: rule(),
    name: string().max(nameLength),
    smart: smart(),
  }),
  'keep-by-hand': object({
    folder: needed(),
    plugins: ids(),
    as: string().oneOf(['in', 'out', 'rule']).required(),
  }),
  settle: object({
    folder: needed(),
    plugins: array(object({ placement: needed(), plugin: needed() }))
      .max(actSize)
      .required(),
  }),
  file: object({
    folder: needed(),
    plugins: array(object({ placement: needed(), plugin: needed() }))
      .min(1)
      .max(actSize)
      .required(),
    before: maybe(),
  }),
  'file-each': object({
    entries: array(
      object({
        folder: needed(),
        plugins: array(object({ placement: needed(), plugin: needed() }))
          .min(1)
          .max(actSize)
          .required(),
      }),
    )
      .min(1)
      .max(2_000)
      .required(),
  }),
  'take-out': object({ placements: array(needed()).min(1).max(actSize).required() }),
  'move-placement': object({ placement: needed(), before: maybe() }),
  name: object({ plugin: needed(), nickname: maybeName(), slotLabel: maybeName() }),
  'add-chain': object({
    id: needed(),
    name: name(),
    kind: string().oneOf(kinds).required(),
    plugins: array(needed()).min(2).max(slotLimit).required(),
  }),
  'remove-chain': object({ chain: needed() }),
  'keep-settings': object({
    settings: array(keptSettingSchema).min(1).max(actSize).required(),
    then: lazy((act: unknown) => (act === null ? mixed().nullable() : thenSchema)),
  }),
  'remove-setting': object({ setting: needed() }),
  answer: object({
    say: array(object({ plugins: ids(), set: answerSchema.required() }))
      .min(1)
      .max(actSize)
      .required(),
  }),
  tag: object({ plugins: ids(), add: tags(), remove: tags() }),
  join: object({ into: owner(), from: array(owner()).min(1).max(100).required() }),
  part: object({ copies: ids(), from: owner(), plugin: needed() }),
  'keep-apart': object({ plugins: array(owner()).min(2).max(100).required() }),
  prefer: object({
    computer: needed(),
    formats: array(string().oneOf(formats).required()).min(1).max(formats.length).required(),
  }),
  spell: object({
    say: array(
      object({
        spellings: array(object({ id: needed(), spelling: string().max(4096).required() }))
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

/** What is done with settings that are kept: any act but keeping more. */
const thenSchema = lazy((value: unknown) =>
  (value as { act?: unknown }).act === 'keep-settings'
    ? object({ act: string().notOneOf(['keep-settings']).required() })
    : actSchema,
);

/** An act, by its name. */
export const actSchema = lazy((value: unknown) => {
  const act = (value as { act?: unknown } | null)?.act;
  const known =
    typeof act === 'string' && Object.hasOwn(actSchemas, act)
      ? actSchemas[act as Act['act']]
      : undefined;
  return known ?? object({ act: string().oneOf(Object.keys(actSchemas)).required() });
}) as unknown as Schema<Act>;
