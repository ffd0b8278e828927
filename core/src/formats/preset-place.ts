/**
 * What the directories of a preset file tell: `…/VST3 Presets/Vendor/Plugin/Bank/Name.vstpreset`
 * (Windows), `…/Library/Audio/Presets/Vendor/Plugin/…` (macOS, VST3 and AU alike),
 * `…/vst3/presets/Vendor/Plugin/…` (Linux). VST 3 developer portal, “Preset Locations”; from memory.
 */
import { cleanText } from './bundle-files.ts';
import { stemOfPath } from './found-copy.ts';

/** What a path says of a setting. */
export interface PresetPlace {
  readonly name: string | null;
  readonly vendor: string | null;
  readonly pluginName: string | null;
  /** Directories below the plugin's, joined with ` / `. */
  readonly bank: string | null;
}

/** The directory below which vendors stand, as the last part of a path of directories. */
const roots: readonly RegExp[] = [
  /^vst3 presets$/i,
  /^library\/audio\/presets$/i,
  /^\.?vst3\/presets$/i,
];

/** Where in the list of directories those below a root begin; null without one. */
function afterRoot(directories: readonly string[]): number | null {
  for (let at = 0; at < directories.length; at += 1) {
    const tails = [1, 2, 3].map((length) =>
      directories.slice(Math.max(0, at + 1 - length), at + 1).join('/'),
    );
    if (tails.some((tail) => roots.some((root) => root.test(tail)))) {
      return at + 1;
    }
  }
  return null;
}

/** What a path tells; of a file that lies elsewhere no more than its name. */
export function placeOfPreset(path: string): PresetPlace {
  const name = cleanText(stemOfPath(path).replace(/\.(?:vstpreset|aupreset)$/i, ''));
  const directories = path.split(/[\\/]/).slice(0, -1);
  const from = afterRoot(directories);
  const [vendor, pluginName, ...banks] = from === null ? [] : directories.slice(from);
  return {
    name,
    vendor: cleanText(vendor),
    pluginName: cleanText(pluginName),
    bank: banks.length === 0 ? null : cleanText(banks.join(' / ')),
  };
}
