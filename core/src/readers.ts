/** The readers of plugin files: for the server, the command line and tests. The browser never holds them. */
export { cleanText, limits, type BundleFiles, type OpenFile } from './formats/bundle-files.ts';
export { fileUri, readLv2 } from './formats/lv2.ts';
export { readAudioUnit } from './formats/audio-unit.ts';
export type { Binary } from './formats/binary-facts.ts';
export { readBinary } from './formats/binary.ts';
export { bytesSource, type ByteSource } from './formats/byte-source.ts';
export { readBinaryPlugin } from './formats/binary-plugin.ts';
export {
  noDescriptions,
  readLadspaRdf,
  type LadspaDescription,
  type LadspaDescriptions,
} from './formats/ladspa-rdf.ts';
export { memoryFiles } from './formats/memory-files.ts';
export { readVst3 } from './formats/vst3.ts';
export { bareSetting, failedSetting, type FoundSetting } from './formats/found-setting.ts';
export { readAuPreset } from './formats/au-preset.ts';
export { readLadspaSettings } from './formats/ladspa-settings.ts';
export { readLv2Presets } from './formats/lv2-presets.ts';
export { readVst3Preset } from './formats/vst3-preset.ts';
export { storableSetting } from './formats/storable-setting.ts';
export {
  endInWords,
  loaderWords,
  openedCopies,
  type Opened,
  type OpenedPlugin,
} from './formats/opened.ts';
export { storableCopy } from './formats/storable-copy.ts';
