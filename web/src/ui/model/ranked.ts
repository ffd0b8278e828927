/** Ranking a short list by a few letters. */

/** What can be told apart by letters. */
export interface Rankable {
  readonly text: string;
  /** More to find it by, not shown. */
  readonly keywords?: readonly string[];
}

/** How well the letters meet: 0 at the start, 1 at the start of a word, 2 anywhere; null not at all. */
function qualityOf({ text, keywords = [] }: Rankable, letters: string): 0 | 1 | 2 | null {
  const texts = [text, ...keywords].map((each) => each.toLowerCase());
  if (texts.some((each) => each.startsWith(letters))) {
    return 0;
  }
  const words = texts.flatMap((each) => each.split(/[^\p{L}\p{N}]+/u));
  if (words.some((word) => word.startsWith(letters))) {
    return 1;
  }
  return texts.some((each) => each.includes(letters)) ? 2 : null;
}

/** Those that have the letters, the better met first, else in their order. Without letters, all. */
export function ranked<T extends Rankable>(choices: readonly T[], typed: string): readonly T[] {
  const letters = typed.trim().toLowerCase();
  if (letters === '') {
    return choices;
  }
  const rated = choices.map((choice) => ({ choice, quality: qualityOf(choice, letters) }));
  return [0, 1, 2].flatMap((quality) =>
    rated.filter((each) => each.quality === quality).map((each) => each.choice),
  );
}
