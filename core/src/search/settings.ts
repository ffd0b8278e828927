/** Finding saved settings by letters: “plate snare” finds the setting *snare* of the plate plugin. */
import { compareNames, fold, wordsOf } from '../text/fold.ts';

/** What of a setting is looked at. */
export interface FindableSetting {
  readonly name: string;
  readonly bank: string | null;
  /** What its plugin is called, nickname included. */
  readonly pluginNames: readonly string[];
}

/** Settings made ready to be found. */
export interface SettingFinder<S> {
  /** The best first; no more than `limit`. */
  readonly find: (letters: string, limit: number) => S[];
}

interface Ready<S> {
  readonly setting: S;
  readonly name: string;
  readonly nameWords: readonly string[];
  readonly otherWords: readonly string[];
}

const foldedWords = (texts: readonly string[]): string[] =>
  texts.flatMap((text) => wordsOf(text).map(fold));

/**
 * Every word of the letters has to begin a word of the setting’s name, its bank or its plugin’s name,
 * and one at least a word of its own name: a plugin’s name alone brings no flood of its settings. Those
 * whose own name meets more words come first, then those whose name begins with the letters.
 */
export function createSettingFinder<S extends FindableSetting>(
  settings: readonly S[],
): SettingFinder<S> {
  const ready = settings.map(
    (setting): Ready<S> => ({
      setting,
      name: fold(setting.name),
      nameWords: foldedWords([setting.name]),
      otherWords: foldedWords([...setting.pluginNames, setting.bank ?? '']),
    }),
  );
  return {
    find: (letters, limit) => {
      const asked = foldedWords([letters]);
      if (asked.length === 0) {
        return [];
      }
      const whole = fold(letters.trim());
      return ready
        .flatMap((one) => {
          const own = asked.filter((word) => one.nameWords.some((w) => w.startsWith(word)));
          const isMet = asked.every(
            (word) => own.includes(word) || one.otherWords.some((w) => w.startsWith(word)),
          );
          const points = 2 * own.length + Number(one.name.startsWith(whole));
          return isMet && own.length > 0 ? [{ setting: one.setting, points }] : [];
        })
        .sort((a, b) => b.points - a.points || compareNames(a.setting.name, b.setting.name))
        .slice(0, limit)
        .map(({ setting }) => setting);
    },
  };
}
