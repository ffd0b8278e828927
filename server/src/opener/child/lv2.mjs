/** LV2: whether the binary loads and gives the plugins that reading told. lv2.h of Debian's lv2-dev. */
import { calling, descriptorsOf, koffi, loadLibrary, Refusal, textAt } from './native.mjs';

const Descriptor = koffi.struct('LV2_Descriptor', { URI: 'void *' });

export async function openLv2({ binary, identities }, tell) {
  const symbol = loadLibrary(binary);
  const entry = symbol('lv2_descriptor');
  if (entry === null) {
    // Libraries are another way in (lv2_lib_descriptor), which wants a bundle path and features.
    if (symbol('lv2_lib_descriptor') !== null) {
      tell.whole(identities.map((identity) => ({ identity })));
      return;
    }
    throw new Refusal('no-entry', 'it exports no lv2_descriptor');
  }
  const descriptorAt = calling(entry, 'void *', ['uint32_t']);
  const descriptors = await descriptorsOf(descriptorAt);
  tell.whole(
    descriptors.map((pointer) => ({ identity: textAt(koffi.decode(pointer, Descriptor).URI) })),
  );
}
