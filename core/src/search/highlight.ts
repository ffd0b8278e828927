/** Which letters of a shown name were met by what was typed, to be marked. */
import { wordsOf } from '../text/fold.ts';
import { wordSpans, type Span } from '../rules/editor/highlight.ts';

type Words = readonly (Span & { readonly word: string })[];

/**
 * All letters in a row from the first word or another one on, or over the beginnings of several;
 * else what each typed word begins.
 */
export function highlightedSpans(text: string, query: string): Span[] {
  const words = wordSpans(text);
  const parts = wordsOf(query);
  const letters = parts.join('');
  if (letters === '') {
    return [];
  }
  for (let from = 0; from < words.length; from += 1) {
    const found = inARow(words.slice(from), letters);
    if (found) {
      return found;
    }
  }
  return (
    across(words, letters) ??
    parts.flatMap((part) => {
      const word = words.find((one) => one.word.startsWith(part));
      return word ? [begin(word, part.length)] : [];
    })
  );
}

const begin = ({ start, end }: Span, length: number): Span => ({
  start,
  end: Math.min(end, start + length),
});

function inARow(words: Words, letters: string): Span[] | null {
  const [first] = words;
  if (!first) {
    return null;
  }
  if (first.word.startsWith(letters)) {
    return [begin(first, letters.length)];
  }
  if (!letters.startsWith(first.word)) {
    return null;
  }
  const rest = inARow(words.slice(1), letters.slice(first.word.length));
  return rest && [{ start: first.start, end: first.end }, ...rest];
}

/**
 * Beginnings of words in order, the longest first. `dead` holds what led nowhere: so many words
 * left, so many letters.
 */
function across(words: Words, letters: string, dead = new Set<string>()): Span[] | null {
  if (letters === '') {
    return [];
  }
  const [first, ...rest] = words;
  const key = `${words.length} ${letters.length}`;
  if (!first || dead.has(key)) {
    return null;
  }
  let length = 0;
  while (length < letters.length && letters[length] === first.word[length]) {
    length += 1;
  }
  for (; length > 0; length -= 1) {
    const further = across(rest, letters.slice(length), dead);
    if (further) {
      return [begin(first, length), ...further];
    }
  }
  const without = across(rest, letters, dead);
  if (!without) {
    dead.add(key);
  }
  return without;
}
