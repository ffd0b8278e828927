/**
 * AU presets (`.aupreset`): a property list with the component's type, subtype and manufacturer as
 * four-character codes in a number, and a name (Audio Unit Programming Guide; from memory).
 */
import type { Problem } from '../problem.ts';
import { cleanText, limits, type BundleFiles } from './bundle-files.ts';
import { bareSetting, failedSetting, type FoundSetting } from './found-setting.ts';
import { parsePlist } from './plist.ts';
import { placeOfPreset } from './preset-place.ts';

/** `aufx` of 0x61756678; also as a text. Null where it is neither. */
function fourLetters(value: unknown): string | null {
  if (typeof value === 'string') {
    return value.length === 4 ? value : null;
  }
  const number = typeof value === 'bigint' ? Number(value) : value;
  if (typeof number !== 'number' || !Number.isInteger(number)) {
    return null;
  }
  // Codes with a high first letter are written as negative numbers, too.
  const code = number < 0 ? number + 2 ** 32 : number;
  if (code < 0 || code >= 2 ** 32) {
    return null;
  }
  const bytes = [24, 16, 8, 0].map((shift) => Math.floor(code / 2 ** shift) & 0xff);
  return bytes.every((byte) => byte >= 0x20 && byte < 0x7f) ? String.fromCharCode(...bytes) : null;
}

/** The setting of one `.aupreset` file; a failed one when it is damaged. */
export function readAuPreset(files: BundleFiles): FoundSetting[] {
  const at = files.root;
  const bytes = files.read('', limits.presetPlist);
  if (!bytes.ok) {
    return [failedSetting('AU', at, bytes.problems[0] as Problem)];
  }
  const plist = parsePlist(bytes.value, at);
  if ('code' in plist) {
    return [failedSetting('AU', at, plist)];
  }
  const codes = ['type', 'subtype', 'manufacturer'].map((key) => fourLetters(plist.value[key]));
  if (codes.includes(null)) {
    const detail = 'it does not say its type, subtype and manufacturer.';
    return [failedSetting('AU', at, { code: 'damaged', at, line: null, detail })];
  }
  const place = placeOfPreset(at);
  const said = plist.value['name'];
  return [
    {
      ...bareSetting('AU', at),
      ...place,
      plugin: codes.join(':'),
      name: (typeof said === 'string' ? cleanText(said) : null) ?? place.name,
    },
  ];
}
