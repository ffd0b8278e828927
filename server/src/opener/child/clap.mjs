/**
 * CLAP: the plugins of the factory, then each made for its ports. Structs as published by the
 * format's headers, version 1 (clap/entry.h, clap/factory/plugin-factory.h, clap/plugin.h,
 * clap/host.h, clap/ext/audio-ports.h, clap/ext/note-ports.h, clap/ext/params.h); written from memory and held against
 * real plugins and the C programs of the tests.
 */
import {
  believed,
  bytesAt,
  calling,
  controlNames,
  koffi,
  lastingBytes,
  lastingText,
  loadLibrary,
  offering,
  Refusal,
  textAt,
  textIn,
} from './native.mjs';

const version = { major: 'uint32_t', minor: 'uint32_t', revision: 'uint32_t' };
const Entry = koffi.struct('clap_plugin_entry', {
  ...version,
  init: 'void *',
  deinit: 'void *',
  get_factory: 'void *',
});
const Factory = koffi.struct('clap_plugin_factory', {
  get_plugin_count: 'void *',
  get_plugin_descriptor: 'void *',
  create_plugin: 'void *',
});
const Descriptor = koffi.struct('clap_plugin_descriptor', {
  ...version,
  id: 'void *',
  name: 'void *',
  vendor: 'void *',
  url: 'void *',
  manual_url: 'void *',
  support_url: 'void *',
  version: 'void *',
  description: 'void *',
  features: 'void *',
});
const Plugin = koffi.struct('clap_plugin', {
  desc: 'void *',
  plugin_data: 'void *',
  init: 'void *',
  destroy: 'void *',
  activate: 'void *',
  deactivate: 'void *',
  start_processing: 'void *',
  stop_processing: 'void *',
  reset: 'void *',
  process: 'void *',
  get_extension: 'void *',
  on_main_thread: 'void *',
});
const Host = koffi.struct('clap_host', {
  ...version,
  host_data: 'void *',
  name: 'void *',
  vendor: 'void *',
  url: 'void *',
  version: 'void *',
  get_extension: 'void *',
  request_restart: 'void *',
  request_process: 'void *',
  request_callback: 'void *',
});
/** clap_plugin_audio_ports and clap_plugin_note_ports begin alike. */
const Ports = koffi.struct('clap_plugin_ports', { count: 'void *', get: 'void *' });

/** clap_audio_port_info: id, name[256], flags, channel_count, … */
const audioPort = { size: 512, channels: 4 + 256 + 4 };
const mostFeatures = 100;

/** clap_plugin_params begins so. */
const Parameters = koffi.struct('clap_plugin_params', { count: 'void *', get_info: 'void *' });
/** clap_param_info: id, flags, cookie, name[256], module[1024], then minimum, maximum and default. */
const parameter = { size: 1_320, flags: 4, name: 16, module: 272 };
/** CLAP_PARAM_IS_HIDDEN and CLAP_PARAM_IS_READONLY. */
const notSet = (1 << 2) | (1 << 3);

let host = null;

/** A host that offers no extension; made once. */
function hostPointer() {
  if (host === null) {
    const nothing = offering(() => undefined, 'void', ['void *']);
    host = koffi.alloc(Host, 1);
    koffi.encode(host, Host, {
      major: 1,
      minor: 1,
      revision: 0,
      host_data: null,
      name: lastingText('Clever Drawer'),
      vendor: lastingText('Clever Drawer'),
      url: lastingText(''),
      version: lastingText('1'),
      get_extension: offering(() => null, 'void *', ['void *', 'void *']),
      request_restart: nothing,
      request_process: nothing,
      request_callback: nothing,
    });
  }
  return host;
}

export async function openClap({ path, binary }, tell) {
  const symbol = loadLibrary(binary)('clap_entry');
  if (symbol === null) {
    throw new Refusal('no-entry', 'it exports no clap_entry');
  }
  const factory = await factoryOf(koffi.decode(symbol, Entry), path);
  const plugins = await describe(factory);
  if (plugins.length === 0) {
    throw new Refusal('refused', 'it holds no plugin');
  }
  tell.described(plugins);
  const make = async ({ identity }) => {
    const instance = await create(factory, identity);
    return { instance, ...(await portsOf(instance)) };
  };
  await tell.each(plugins, make, controlsOf);
}

async function factoryOf(entry, path) {
  const init = calling(entry.init, 'bool', ['const char *']);
  if (!(await init(path))) {
    throw new Refusal('refused', 'it says that it cannot start (clap_entry.init)');
  }
  const getFactory = calling(entry.get_factory, 'void *', ['const char *']);
  const pointer = await getFactory('clap.plugin-factory');
  if (pointer === null) {
    throw new Refusal('refused', 'it offers no factory of plugins');
  }
  return { pointer, ...koffi.decode(pointer, Factory) };
}

async function describe(factory) {
  const countPlugins = calling(factory.get_plugin_count, 'uint32_t', ['void *']);
  const descriptorAt = calling(factory.get_plugin_descriptor, 'void *', ['void *', 'uint32_t']);
  const count = believed(await countPlugins(factory.pointer), 'plugins');
  const plugins = [];
  for (let index = 0; index < count; index += 1) {
    const pointer = await descriptorAt(factory.pointer, index);
    if (pointer !== null) {
      plugins.push(factsOf(koffi.decode(pointer, Descriptor)));
    }
  }
  return plugins;
}

function factsOf(descriptor) {
  return {
    identity: textAt(descriptor.id),
    name: textAt(descriptor.name),
    vendor: textAt(descriptor.vendor),
    version: textAt(descriptor.version),
    description: textAt(descriptor.description),
    declared: featuresOf(descriptor.features),
  };
}

/** A list of texts that ends with a null. */
function featuresOf(list) {
  const features = [];
  for (let index = 0; list !== null && index < mostFeatures; index += 1) {
    const feature = textAt(koffi.decode(list, index * 8, 'void *'), 256);
    if (feature === null) {
      break;
    }
    features.push(feature);
  }
  return features;
}

async function create(factory, identity) {
  const make = calling(factory.create_plugin, 'void *', ['void *', 'void *', 'const char *']);
  const pointer = await make(factory.pointer, hostPointer(), identity ?? '');
  if (pointer === null) {
    throw new Refusal('refused', `it does not make ${identity ?? 'its plugin'}`);
  }
  const plugin = koffi.decode(pointer, Plugin);
  const init = calling(plugin.init, 'bool', ['void *']);
  if (!(await init(pointer))) {
    throw new Refusal('refused', `${identity ?? 'its plugin'} says that it cannot start`);
  }
  return { pointer, plugin };
}

const extensionOf = ({ pointer, plugin }, id) =>
  calling(plugin.get_extension, 'void *', ['void *', 'const char *'])(pointer, id);

async function portsOf(instance) {
  const { pointer } = instance;
  const audio = await extensionOf(instance, 'clap.audio-ports');
  const notes = await extensionOf(instance, 'clap.note-ports');
  return {
    audioIn: await channelsOf(pointer, audio, true),
    audioOut: await channelsOf(pointer, audio, false),
    notesIn: (await countOf(pointer, notes, true)) > 0,
    notesOut: (await countOf(pointer, notes, false)) > 0,
  };
}

async function countOf(plugin, extension, isInput) {
  if (extension === null) {
    return 0;
  }
  const count = calling(koffi.decode(extension, Ports).count, 'uint32_t', ['void *', 'bool']);
  return believed(await count(plugin, isInput), 'buses');
}

async function channelsOf(plugin, extension, isInput) {
  const count = await countOf(plugin, extension, isInput);
  let channels = 0;
  for (let index = 0; index < count; index += 1) {
    const get = calling(koffi.decode(extension, Ports).get, 'bool', [
      'void *',
      'uint32_t',
      'bool',
      'void *',
    ]);
    const info = lastingBytes(audioPort.size);
    if (await get(plugin, index, isInput, info)) {
      channels += bytesAt(info, audioPort.size).readUInt32LE(audioPort.channels);
    }
  }
  return believed(channels, 'channels');
}

async function controlsOf(instance) {
  const { pointer } = instance;
  const extension = await extensionOf(instance, 'clap.params');
  if (extension === null) {
    return [];
  }
  const { count, get_info } = koffi.decode(extension, Parameters);
  const infoAt = calling(get_info, 'bool', ['void *', 'uint32_t', 'void *']);
  const info = lastingBytes(parameter.size);
  return controlNames(await calling(count, 'uint32_t', ['void *'])(pointer), async (index) =>
    (await infoAt(pointer, index, info)) ? controlNameOf(bytesAt(info, parameter.size)) : null,
  );
}

const controlNameOf = (bytes) =>
  (bytes.readUInt32LE(parameter.flags) & notSet) === 0
    ? textIn(bytes.subarray(parameter.name, parameter.module))
    : null;
