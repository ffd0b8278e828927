/** LADSPA: every descriptor of a library. Structs as in ladspa.h of Debian's ladspa-sdk. */
import {
  believed,
  calling,
  controlNames,
  descriptorsOf,
  koffi,
  loadLibrary,
  pointerAt,
  Refusal,
  textAt,
} from './native.mjs';

const Descriptor = koffi.struct('LADSPA_Descriptor', {
  UniqueID: 'unsigned long',
  Label: 'void *',
  Properties: 'int',
  Name: 'void *',
  Maker: 'void *',
  Copyright: 'void *',
  PortCount: 'unsigned long',
  PortDescriptors: 'void *',
  PortNames: 'void *',
});

/** Bytes. */
const nameLimit = 200;
const port = { input: 1, output: 2, control: 4, audio: 8 };

export async function openLadspa({ binary }, tell) {
  const entry = loadLibrary(binary)('ladspa_descriptor');
  if (entry === null) {
    throw new Refusal('no-entry', 'it exports no ladspa_descriptor');
  }
  const descriptorAt = calling(entry, 'void *', ['unsigned long']);
  const pointers = await descriptorsOf(descriptorAt);
  const descriptors = pointers.map((pointer) => koffi.decode(pointer, Descriptor));
  if (descriptors.length === 0) {
    throw new Refusal('refused', 'it holds no plugin');
  }
  tell.described(descriptors.map(namesOf));
  await tell.each(descriptors, portFactsOf);
}

const namesOf = (descriptor) => ({
  identity: textAt(descriptor.Label),
  uniqueId: Number(descriptor.UniqueID),
  name: textAt(descriptor.Name),
  vendor: textAt(descriptor.Maker),
});

async function portFactsOf(descriptor) {
  const ports = portsOf(descriptor);
  const count = (kind) => ports.filter((flags) => (flags & kind) === kind).length;
  return {
    audioIn: count(port.audio | port.input),
    audioOut: count(port.audio | port.output),
    notesIn: false,
    notesOut: false,
    controls: await controlsOf(descriptor, ports),
  };
}

function controlsOf({ PortNames }, ports) {
  if (PortNames === null) {
    return [];
  }
  const inputs = ports.flatMap((flags, index) =>
    (flags & (port.input | port.control)) === (port.input | port.control) ? [index] : [],
  );
  return controlNames(inputs.length, async (at) =>
    textAt(pointerAt(PortNames, inputs[at]), nameLimit),
  );
}

function portsOf({ PortCount, PortDescriptors }) {
  const count = believed(PortCount, 'ports');
  if (count === 0) {
    return [];
  }
  if (PortDescriptors === null) {
    throw new Refusal('refused', `it says that it has ${count} ports, and describes none`);
  }
  return [...koffi.decode(PortDescriptors, 'int', count)];
}
