/** The document as JSON Schema (draft 2020-12); docs/schema/order-1.json is made from it. */
import { licenceStates } from '../catalog/answer.ts';
import { kinds } from '../catalog/kind.ts';
import { formats } from '../formats/found-copy.ts';
import { trackKinds } from '../loading/loadability.ts';
import { stateLength } from '../acts/act.ts';
import { cabinetSlots, folderForms, folderSortings } from '../order/records.ts';
import { documentName, documentVersion } from './document.ts';

const name = { type: 'string', minLength: 1, maxLength: 1000 } as const;
const id = { type: 'string', minLength: 1, maxLength: 200 } as const;
const ids = { type: 'array', items: id, maxItems: 50_000 } as const;
const text = (maxLength: number) => ({ type: 'string', maxLength }) as const;
const textOrNull = { type: ['string', 'null'], maxLength: 4096 } as const;
const texts = { type: 'array', items: text(4096), maxItems: 5000 } as const;
const countOrNull = { type: ['integer', 'null'], minimum: 0, maximum: 1_000_000 } as const;
const flagOrNull = { type: ['boolean', 'null'] } as const;
const listOf = (of: string, maxItems: number) =>
  ({ type: 'array', items: { $ref: `#/$defs/${of}` }, maxItems }) as const;

const said = {
  description: 'What the user says of a plugin; what is left out was not said.',
  type: 'object',
  properties: {
    kind: { enum: [...kinds, null] },
    types: { type: ['array', 'null'], items: text(100), maxItems: 20 },
    vendor: {
      description: 'Empty where it is to stay without a vendor.',
      type: ['string', 'null'],
      maxLength: 1000,
    },
    licence: {
      type: ['object', 'null'],
      properties: {
        state: { enum: licenceStates },
        until: { type: ['string', 'null'], pattern: '^\\d{4}-\\d{2}-\\d{2}$' },
      },
      required: ['state'],
    },
    tags: { type: 'array', items: text(60), maxItems: 50 },
    notes: text(10_000),
    isHidden: { type: 'boolean' },
    picture: { type: ['string', 'null'], maxLength: 200 },
    alsoCalled: { type: 'array', items: text(1000), maxItems: 50 },
  },
} as const;

const names = { nickname: text(1000), slotLabel: text(1000), said: { $ref: '#/$defs/said' } };

/** JSON Schema of the document. */
export const documentSchema = {
  $schema: 'https://json-schema.org/draft/2020-12/schema',
  title: 'An order of plugins, as Clever Drawer writes it',
  type: 'object',
  properties: {
    document: { const: documentName },
    version: { const: documentVersion },
    computer: text(1000),
    formatOrder: { type: 'array', items: { enum: formats }, uniqueItems: true },
    cabinets: listOf('cabinet', 1000),
    plugins: listOf('plugin', 50_000),
    chains: listOf('chain', 50_000),
    settings: listOf('setting', 50_000),
    spellings: listOf('spelling', 50_000),
    pictures: listOf('picture', 50_000),
    loads: listOf('load', 500_000),
  },
  required: ['document', 'version', 'computer', 'cabinets', 'plugins', 'chains', 'spellings'],
  $defs: {
    cabinet: {
      type: 'object',
      properties: {
        id,
        name,
        opensFor: { type: 'array', items: { enum: cabinetSlots }, uniqueItems: true },
        sortedBy: { const: 'name' },
        folders: listOf('folder', 5000),
      },
      required: ['id', 'name', 'folders'],
    },
    folder: {
      type: 'object',
      properties: {
        id,
        form: { enum: folderForms },
        name,
        rule: text(40_000),
        sortedBy: { enum: folderSortings },
        isPinned: { const: true },
        notes: text(10_000),
        shows: id,
        alwaysIn: ids,
        alwaysOut: ids,
        atMost: { type: 'integer', minimum: 1, maximum: 20_000 },
        firstFormat: { enum: formats },
        firstCopies: listOf('copyPath', 50_000),
        plugins: ids,
        folders: listOf('folder', 5000),
      },
      required: ['id', 'form', 'name'],
    },
    plugin: {
      type: 'object',
      properties: {
        id,
        name,
        vendor: textOrNull,
        kind: { enum: kinds },
        types: { type: 'array', items: text(100), maxItems: 100 },
        ...names,
        copies: listOf('copy', 5000),
      },
      required: ['id', 'name', 'vendor', 'kind', 'types', 'copies'],
    },
    chain: {
      type: 'object',
      properties: { id, name, kind: { enum: kinds }, ...names, plugins: ids },
      required: ['id', 'name', 'kind', 'plugins'],
    },
    setting: {
      description:
        'A saved setting of a plugin. Its file is named by path, an LV2 preset by its URI.',
      type: 'object',
      properties: {
        id,
        name: text(4096),
        plugin: id,
        format: { enum: formats },
        bank: text(4096),
        path: text(4096),
        identity: text(4096),
        state: text(stateLength),
        ...names,
      },
      required: ['id', 'name', 'plugin', 'format'],
    },
    copy: {
      type: 'object',
      properties: {
        format: { enum: formats },
        path: { type: 'string', minLength: 1, maxLength: 4096 },
        identity: textOrNull,
        name: textOrNull,
        vendor: textOrNull,
        declared: texts,
        version: textOrNull,
        architectures: { type: ['array', 'null'], items: text(100), maxItems: 100 },
        audioIn: countOrNull,
        audioOut: countOrNull,
        notesIn: flagOrNull,
        notesOut: flagOrNull,
        replaces: texts,
        uniqueId: { type: ['integer', 'null'] },
        controls: texts,
        description: text(4096),
        belongs: { const: true },
        isFirst: { const: true },
      },
      required: ['format', 'path'],
    },
    copyPath: {
      type: 'object',
      properties: {
        format: { enum: formats },
        path: { type: 'string', minLength: 1, maxLength: 4096 },
        identity: text(4096),
      },
      required: ['format', 'path'],
    },
    load: {
      description: 'One load of a plugin into a slot; together they are what habits are made of.',
      type: 'object',
      properties: {
        plugin: id,
        at: {
          description: 'ISO 8601, UTC.',
          type: 'string',
          pattern: '^\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}:\\d{2}(\\.\\d{1,3})?Z$',
        },
        track: { enum: trackKinds },
        after: id,
        typed: text(200),
        keys: { type: 'integer', minimum: 0, maximum: 10_000 },
        took: { type: 'integer', minimum: 0, maximum: 86_400_000 },
      },
      required: ['plugin', 'at', 'track'],
    },
    said,
    spelling: {
      type: 'object',
      properties: { spelling: text(4096), vendor: text(1000) },
      required: ['spelling', 'vendor'],
    },
    picture: {
      type: 'object',
      properties: {
        id,
        data: { type: 'string', contentEncoding: 'base64', maxLength: 12_000_000 },
      },
      required: ['id', 'data'],
    },
  },
} as const;
