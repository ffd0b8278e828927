/** What a setting says, made so that it can be kept. */
import { cutText, storable, textLimit } from '../text/storable.ts';
import type { FoundSetting } from './found-setting.ts';

const texts = ['plugin', 'name', 'bank', 'comment', 'identity', 'vendor', 'pluginName'] as const;

/** Control characters and halves of characters are left out, what is too long is cut. */
export function storableSetting(setting: FoundSetting): FoundSetting {
  const kept = texts.map((field) => {
    const said = setting[field];
    return [field, said === null ? null : cutText(storable(said), textLimit)] as const;
  });
  return { ...setting, ...Object.fromEntries(kept) };
}
