/**
 * VST2: the effect that the entry makes, and what it says of itself; of a shell, all that it holds.
 * The interface is no longer published: its struct and numbers are from memory, and held against
 * real plugins of Debian's packages.
 */
import {
  believed,
  calling,
  controlNames,
  koffi,
  lastingBytes,
  loadLibrary,
  offering,
  Refusal,
  textAt,
} from './native.mjs';

const Effect = koffi.struct('AEffect', {
  magic: 'int32_t',
  dispatcher: 'void *',
  process: 'void *',
  setParameter: 'void *',
  getParameter: 'void *',
  numPrograms: 'int32_t',
  numParams: 'int32_t',
  numInputs: 'int32_t',
  numOutputs: 'int32_t',
  flags: 'int32_t',
  resvd1: 'intptr_t',
  resvd2: 'intptr_t',
  initialDelay: 'int32_t',
  realQualities: 'int32_t',
  offQualities: 'int32_t',
  ioRatio: 'float',
  object: 'void *',
  user: 'void *',
  uniqueID: 'int32_t',
  version: 'int32_t',
});
/** "VstP". */
const magic = 0x56737450;
const isSynth = 1 << 8;
const ask = {
  open: 0,
  parameterName: 8,
  category: 35,
  effectName: 45,
  vendor: 47,
  product: 48,
  version: 49,
  canDo: 51,
  nextInShell: 70,
};
const shell = 10;
/** Categories that say what an effect does (from memory); the others only say that it is one. */
const categories = {
  3: 'analysis',
  4: 'mastering',
  5: 'spatial',
  6: 'room',
  7: 'surround',
  8: 'restoration',
  11: 'generator',
};
/** What a plugin asks its host. */
const hostAsks = { version: 1, currentId: 2, sampleRate: 16, blockSize: 17 };
const entries = ['VSTPluginMain', 'main', 'main_macho'];
/** Texts are written by the plugin, often longer than was agreed. Bytes. */
const buffer = 4_096;
/** Names are cut at 31 bytes by the interface, a space at the end is gone: the product's may be whole. */
const cutAt = 30;

/** Which plugin of a shell is meant when the entry is called. */
let wanted = 0;

let callback = null;
function hostCallback() {
  callback ??= offering(
    (_, opcode) => {
      switch (opcode) {
        case hostAsks.version:
          return 2400;
        case hostAsks.currentId:
          return wanted;
        case hostAsks.sampleRate:
          return 44_100;
        case hostAsks.blockSize:
          return 512;
        default:
          return 0;
      }
    },
    'intptr_t',
    ['void *', 'int32_t', 'int32_t', 'intptr_t', 'void *', 'float'],
  );
  return callback;
}

export async function openVst2({ binary }, tell) {
  const symbol = loadLibrary(binary);
  const entry = entries.map(symbol).find((pointer) => pointer !== null);
  if (entry === undefined) {
    throw new Refusal('no-entry', 'it exports neither VSTPluginMain nor main');
  }
  const make = () => calling(entry, 'void *', ['void *'])(hostCallback());
  const first = effectAt(await make());
  const dispatch = first.dispatch;
  const isShell = (await dispatch(ask.category)) === shell;
  if (isShell) {
    await openShell(first, make, tell);
    return;
  }
  const described = [plainFacts(first)];
  tell.described(described);
  await tell.each(described, () => opened(first), controlsOf);
}

function effectAt(pointer) {
  const effect = pointer === null ? null : koffi.decode(pointer, Effect);
  if (effect === null || effect.magic !== magic) {
    throw new Refusal('refused', 'its entry makes no effect');
  }
  const call = calling(effect.dispatcher, 'intptr_t', [
    'void *',
    'int32_t',
    'int32_t',
    'intptr_t',
    'void *',
    'float',
  ]);
  const dispatch = async (opcode, given = null, index = 0) =>
    Number(await call(pointer, opcode, index, 0, given, 0));
  return { pointer, effect, dispatch };
}

const plainFacts = ({ effect }) => ({
  uniqueId: effect.uniqueID >>> 0,
  isSynth: (effect.flags & isSynth) !== 0,
  audioIn: believed(effect.numInputs, 'channels'),
  audioOut: believed(effect.numOutputs, 'channels'),
});

/** One is enough for all: one text is asked for after the other. */
let textMemory = null;

async function textOf({ dispatch }, opcode, index = 0) {
  textMemory ??= lastingBytes(buffer);
  const memory = textMemory;
  new Uint8Array(koffi.view(memory, buffer)).fill(0);
  await dispatch(opcode, memory, index);
  return textAt(memory, buffer - 1)?.trim() ?? '';
}

/** What it says once it is open; it may have found out its inputs and outputs only now. */
async function opened(made) {
  await made.dispatch(ask.open);
  const effectName = await textOf(made, ask.effectName);
  const product = await textOf(made, ask.product);
  const vendor = await textOf(made, ask.vendor);
  const version = await made.dispatch(ask.version);
  const category = categories[await made.dispatch(ask.category)];
  const { numInputs, numOutputs, flags } = koffi.decode(made.pointer, Effect);
  return {
    instance: made,
    declared: category === undefined ? [] : [category],
    name: nameFrom(effectName, product),
    vendor: vendor || null,
    version: version > 0 ? String(version) : null,
    isSynth: (flags & isSynth) !== 0,
    audioIn: believed(numInputs, 'channels'),
    audioOut: believed(numOutputs, 'channels'),
    notesIn: await canDo(made, 'receiveVstMidiEvent', (flags & isSynth) !== 0 ? true : null),
    notesOut: await canDo(made, 'sendVstMidiEvent', null),
  };
}

/**
 * The effect's name; where it was cut, the product's from there on, which may have the maker in front
 * and the format in brackets behind.
 */
export function nameFrom(effectName, product) {
  const at = Buffer.byteLength(effectName) >= cutAt ? product.indexOf(effectName) : -1;
  const whole = at < 0 ? effectName : product.slice(at).replace(formatBehind, '');
  return whole || product || null;
}

const formatBehind = /\s*[([](?:vst ?[23]?|lv2|au|clap)[)\]]\s*$/i;

/** What nobody can set is not told apart here: it has no flag for it. */
const controlsOf = (made) =>
  controlNames(koffi.decode(made.pointer, Effect).numParams, (index) =>
    textOf(made, ask.parameterName, index),
  );

/** Yes, no, or `unsaid` where it does not say. */
async function canDo({ dispatch }, what, unsaid) {
  const text = Buffer.from(`${what}\0`);
  const memory = lastingBytes(text.length);
  new Uint8Array(koffi.view(memory, text.length)).set(text);
  const answer = await dispatch(ask.canDo, memory);
  if (answer === 0) {
    return unsaid;
  }
  return answer > 0;
}

/** All that a shell holds: ids and names at first, then each made for the rest. */
async function openShell(first, make, tell) {
  const held = [];
  await first.dispatch(ask.open);
  const vendor = (await textOf(first, ask.vendor)) || null;
  for (;;) {
    const memory = lastingBytes(buffer);
    const id = (await first.dispatch(ask.nextInShell, memory)) | 0;
    if (id === 0) {
      break;
    }
    held.push({ uniqueId: id >>> 0, name: textAt(memory, buffer - 1)?.trim() || null, vendor });
    believed(held.length, 'plugins');
  }
  if (held.length === 0) {
    throw new Refusal('refused', 'it is a shell that holds no plugin');
  }
  tell.described(held);
  const makeOne = async ({ uniqueId, name }) => {
    wanted = uniqueId | 0;
    const facts = await opened(effectAt(await make()));
    return { ...facts, name: name ?? facts.name };
  };
  await tell.each(held, makeOne, controlsOf);
}
