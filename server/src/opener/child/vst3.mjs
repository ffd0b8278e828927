/**
 * VST3: the classes of the factory, then each made for its buses. Structs and the order of virtual
 * functions as in the published headers (pluginterfaces/base/ipluginbase.h, base/funknown.h,
 * vst/ivstcomponent.h, vst/ivsteditcontroller.h, vst/ivsthostapplication.h; Debian: juce-modules-source-data).
 */
import { dirname } from 'node:path';
import {
  believed,
  bytesAt,
  calling,
  controlNames,
  koffi,
  lastingBytes,
  loadLibrary,
  offering,
  pointerAt,
  Refusal,
  textIn,
  wideTextIn,
} from './native.mjs';

const isWindows = process.platform === 'win32';
const audioClass = 'Audio Module Class';
/** FUnknown's answers (funknown.h): Windows has those of COM. */
const resultOk = 0;
const noInterface = isWindows ? -2147467262 : -1;

/** Places in the tables of virtual functions. */
const unknown = { queryInterface: 0, addRef: 1 };
const factory = { getFactoryInfo: 3, countClasses: 4, getClassInfo: 5, createInstance: 6 };
const factory2 = { getClassInfo2: 7 };
const factory3 = { getClassInfoUnicode: 8, setHostContext: 9 };
const base = { initialize: 3 };
const component = { getControllerClassId: 5, getBusCount: 7, getBusInfo: 8 };
const controller = { getParameterCount: 8, getParameterInfo: 9 };

const ids = {
  FUnknown: [0x00000000, 0x00000000, 0xc0000000, 0x00000046],
  IPluginFactory2: [0x0007b650, 0xf24b4c0b, 0xa464edb9, 0xf00b2abb],
  IPluginFactory3: [0x4555a2ab, 0xc1234e57, 0x9b122910, 0x36878931],
  IComponent: [0xe831ff31, 0xf2d54301, 0x928ebbee, 0x25697802],
  IEditController: [0xdcd7bbe3, 0x7742448d, 0xa874aacc, 0x979c759e],
  IHostApplication: [0x58e595cc, 0xdb2d4969, 0x8b6aaf8c, 0x36a664e5],
};

/** Sixteen bytes of an interface's id; on Windows in the order of COM (funknown.h, INLINE_UID). */
function bytesOfId(words) {
  const bytes = Buffer.alloc(16);
  words.forEach((word, at) => bytes.writeUInt32BE(word, 4 * at));
  return isWindows ? comOrder(bytes) : bytes;
}

function comOrder(bytes) {
  const swapped = Buffer.from(bytes);
  swapped.subarray(0, 4).reverse();
  swapped.subarray(4, 6).reverse();
  swapped.subarray(6, 8).reverse();
  return swapped;
}

function idInMemory(words) {
  const memory = lastingBytes(16);
  new Uint8Array(koffi.view(memory, 16)).set(bytesOfId(words));
  return memory;
}

/** A class's id as text: 32 digits in capitals, the same on every system (FUID::toString). */
const textOfId = (bytes) =>
  (isWindows ? comOrder(bytes) : Buffer.from(bytes)).toString('hex').toUpperCase();

/** A virtual function of an object. */
const method = (object, place, result, parameters) => {
  const work = calling(pointerAt(koffi.decode(object, 'void *'), place), result, [
    'void *',
    ...parameters,
  ]);
  return (...values) => work(object, ...values);
};

async function query(object, words) {
  const slot = lastingBytes(8);
  const ask = method(object, unknown.queryInterface, 'int32_t', ['void *', 'void *']);
  const answer = await ask(idInMemory(words), slot);
  return answer === resultOk ? koffi.decode(slot, 'void *') : null;
}

let host = null;

/** The least that a host is: it can be asked for its name, and makes nothing. */
function hostContext() {
  if (host !== null) {
    return host;
  }
  host = lastingBytes(8);
  const known = [ids.FUnknown, ids.IHostApplication].map((words) => bytesOfId(words));
  const queryInterface = (_, id, slot) => {
    const asked = bytesAt(id, 16);
    const isKnown = known.some((one) => one.equals(asked));
    koffi.encode(slot, 'void *', isKnown ? host : null);
    return isKnown ? resultOk : noInterface;
  };
  const getName = (_, name) => {
    const text = Buffer.from('Clever Drawer\0', 'utf16le');
    new Uint8Array(koffi.view(name, text.length)).set(text);
    return resultOk;
  };
  const createInstance = (_, id, interfaceId, slot) => {
    koffi.encode(slot, 'void *', null);
    return noInterface;
  };
  const functions = [
    offering(queryInterface, 'int32_t', ['void *', 'void *', 'void *']),
    offering(() => 1, 'uint32_t', ['void *']),
    offering(() => 1, 'uint32_t', ['void *']),
    offering(getName, 'int32_t', ['void *', 'void *']),
    offering(createInstance, 'int32_t', ['void *', 'void *', 'void *', 'void *']),
  ];
  const table = koffi.alloc('void *', functions.length);
  koffi.encode(table, 'void *', functions, functions.length);
  koffi.encode(host, 'void *', table);
  return host;
}

export async function openVst3({ binary }, tell) {
  const symbol = loadLibrary(binary);
  await enter(symbol, binary);
  const entry = symbol('GetPluginFactory');
  if (entry === null) {
    throw new Refusal('no-entry', 'it exports no GetPluginFactory');
  }
  const made = await calling(entry, 'void *', [])();
  if (made === null) {
    throw new Refusal('refused', 'it gives no factory');
  }
  const plugins = await describe(made);
  if (plugins.length === 0) {
    throw new Refusal('refused', 'its factory holds no audio plugin');
  }
  tell.described(plugins.map(({ facts }) => facts));
  const make = async ({ id }) => {
    const instance = await create(made, id, ids.IComponent);
    return { instance, ...(await busesOf(instance)) };
  };
  await tell.each(plugins, make, (instance) => controlsOf(made, instance));
}

/** What a module wants before its factory is asked for: ModuleEntry, InitDll, bundleEntry. */
async function enter(symbol, binary) {
  const name = { win32: 'InitDll', darwin: 'bundleEntry' }[process.platform] ?? 'ModuleEntry';
  const entry = symbol(name);
  if (entry === null) {
    return;
  }
  const parameters = process.platform === 'win32' ? [] : ['void *'];
  const given = parameters.map(() => moduleHandle(binary));
  if (!(await calling(entry, 'bool', parameters)(...given))) {
    throw new Refusal('refused', `it says that it cannot start (${name})`);
  }
}

/** Linux hands over the library's handle, macOS the bundle. */
function moduleHandle(binary) {
  if (process.platform === 'darwin') {
    return bundleOf(dirname(dirname(dirname(binary))));
  }
  const dlopen = koffi.load(null).func('void *dlopen(const char *path, int flags)');
  return dlopen(binary, 1);
}

function bundleOf(path) {
  const foundation = koffi.load(
    '/System/Library/Frameworks/CoreFoundation.framework/CoreFoundation',
  );
  const urlOf = foundation.func(
    'void *CFURLCreateFromFileSystemRepresentation(void *allocator, const char *path, long length, bool isDirectory)',
  );
  const create = foundation.func('void *CFBundleCreate(void *allocator, void *url)');
  return create(null, urlOf(null, path, Buffer.byteLength(path), true));
}

async function describe(made) {
  const count = believed(await method(made, factory.countClasses, 'int32_t', [])(), 'plugins');
  const maker = await makerOf(made);
  const unicode = await query(made, ids.IPluginFactory3);
  const second = await query(made, ids.IPluginFactory2);
  if (unicode !== null) {
    await method(unicode, factory3.setHostContext, 'int32_t', ['void *'])(hostContext());
  }
  const plugins = [];
  for (let index = 0; index < count; index += 1) {
    const facts =
      (unicode && (await classInfoUnicode(unicode, index))) ??
      (second && (await classInfo2(second, index))) ??
      (await classInfo(made, index));
    if (facts !== null && facts.category === audioClass) {
      plugins.push(asFound(facts, maker));
    }
  }
  return plugins;
}

const asFound = ({ id, name, vendor, version, subCategories }, maker) => ({
  id,
  facts: {
    identity: textOfId(id),
    name,
    vendor: vendor || maker,
    version: version || null,
    declared: (subCategories ?? '').split('|').filter((one) => one !== ''),
  },
});

async function read(object, place, size, index) {
  const info = lastingBytes(size);
  const ask = method(object, place, 'int32_t', ['int32_t', 'void *']);
  return (await ask(index, info)) === resultOk ? bytesAt(info, size) : null;
}

/** PFactoryInfo: vendor[64], url[256], email[128], flags. */
async function makerOf(made) {
  const info = lastingBytes(512);
  await method(made, factory.getFactoryInfo, 'int32_t', ['void *'])(info);
  return textIn(bytesAt(info, 64)) || null;
}

/** PClassInfo: cid[16], cardinality, category[32], name[64]. */
async function classInfo(made, index) {
  const bytes = await read(made, factory.getClassInfo, 116, index);
  return bytes && { ...headOf(bytes), name: textIn(bytes.subarray(52, 116)) };
}

/** PClassInfo2: as before, then classFlags, subCategories[128], vendor[64], version[64], sdkVersion[64]. */
async function classInfo2(made, index) {
  const bytes = await read(made, factory2.getClassInfo2, 440, index);
  return (
    bytes && {
      ...headOf(bytes),
      name: textIn(bytes.subarray(52, 116)),
      subCategories: textIn(bytes.subarray(120, 248)),
      vendor: textIn(bytes.subarray(248, 312)),
      version: textIn(bytes.subarray(312, 376)),
    }
  );
}

/** PClassInfoW: the same with name, vendor, version and sdkVersion in UTF-16. */
async function classInfoUnicode(made, index) {
  const bytes = await read(made, factory3.getClassInfoUnicode, 696, index);
  return (
    bytes && {
      ...headOf(bytes),
      name: wideTextIn(bytes.subarray(52, 180)),
      subCategories: textIn(bytes.subarray(184, 312)),
      vendor: wideTextIn(bytes.subarray(312, 440)),
      version: wideTextIn(bytes.subarray(440, 568)),
    }
  );
}

const headOf = (bytes) => ({
  id: bytes.subarray(0, 16),
  category: textIn(bytes.subarray(20, 52)),
});

/** An object of a class, as the interface named, started. */
async function create(made, id, interfaceId) {
  const classId = lastingBytes(16);
  new Uint8Array(koffi.view(classId, 16)).set(id);
  const slot = lastingBytes(8);
  const make = method(made, factory.createInstance, 'int32_t', ['void *', 'void *', 'void *']);
  const answer = await make(classId, idInMemory(interfaceId), slot);
  const object = koffi.decode(slot, 'void *');
  if (answer !== resultOk || object === null) {
    throw new Refusal('refused', 'it does not make its plugin');
  }
  const initialize = method(object, base.initialize, 'int32_t', ['void *']);
  const isUp = await initialize(hostContext());
  if (isUp !== resultOk) {
    throw new Refusal('refused', 'its plugin says that it cannot start');
  }
  return object;
}

/** ParameterInfo: id, title[128], shortTitle[128] and units[128] in UTF-16, steps, default, unit, flags. */
const parameter = { size: 792, title: 4, short: 260, flags: 788 };
/** kIsReadOnly, kIsHidden and kIsProgramChange. */
const notSet = (1 << 1) | (1 << 4) | (1 << 15);

async function controlsOf(made, instance) {
  const object = await controllerOf(made, instance);
  if (object === null) {
    return [];
  }
  const count = await method(object, controller.getParameterCount, 'int32_t', [])();
  const infoAt = method(object, controller.getParameterInfo, 'int32_t', ['int32_t', 'void *']);
  const info = lastingBytes(parameter.size);
  return controlNames(count, async (index) => {
    const answer = await infoAt(index, info);
    const bytes = bytesAt(info, parameter.size);
    const isSet = answer === resultOk && (bytes.readInt32LE(parameter.flags) & notSet) === 0;
    return isSet ? wideTextIn(bytes.subarray(parameter.title, parameter.short)) : null;
  });
}

/** The component itself, or an object of the class that it names; null where it has none. */
async function controllerOf(made, instance) {
  const itself = await query(instance, ids.IEditController);
  if (itself !== null) {
    return itself;
  }
  const id = lastingBytes(16);
  const name = method(instance, component.getControllerClassId, 'int32_t', ['void *']);
  return (await name(id)) === resultOk ? create(made, bytesAt(id, 16), ids.IEditController) : null;
}

/** MediaTypes and BusDirections of ivstcomponent.h. */
const media = { audio: 0, event: 1 };
const direction = { input: 0, output: 1 };

async function busesOf(object) {
  const countBuses = method(object, component.getBusCount, 'int32_t', ['int32_t', 'int32_t']);
  return {
    audioIn: await channelsOf(object, countBuses, direction.input),
    audioOut: await channelsOf(object, countBuses, direction.output),
    notesIn: (await countBuses(media.event, direction.input)) > 0,
    notesOut: (await countBuses(media.event, direction.output)) > 0,
  };
}

/** BusInfo: mediaType, direction, channelCount, name[128] in UTF-16, busType, flags. */
async function channelsOf(object, countBuses, way) {
  const count = believed(await countBuses(media.audio, way), 'buses');
  const getBusInfo = method(object, component.getBusInfo, 'int32_t', [
    'int32_t',
    'int32_t',
    'int32_t',
    'void *',
  ]);
  let channels = 0;
  for (let index = 0; index < count; index += 1) {
    const info = lastingBytes(512);
    if ((await getBusInfo(media.audio, way, index, info)) === resultOk) {
      channels += believed(bytesAt(info, 12).readInt32LE(8), 'channels');
    }
  }
  return believed(channels, 'channels');
}
