/** Texts and names in order. */

/** Texts in the order of their UTF-16 code units: for ids and keys. */
export function compareTexts(a: string, b: string): number {
  if (a === b) {
    return 0;
  }
  return a < b ? -1 : 1;
}

/**
 * Names in the order a reader expects: case-blind, figures by their value; a total order. It is that
 * of CLDR's root collation, which English has (Unicode Technical Standard 35, part 5), with numbers.
 */
export function compareNames(a: string, b: string): number {
  return (comparePlainNames(a, b) ?? collator().compare(a, b)) || compareTexts(a, b);
}

let made: Intl.Collator | null = null;

/** Made once a name needs it, for that takes a fresh window 20 to 30 ms. */
const collator = (): Intl.Collator =>
  (made ??= new Intl.Collator('en', { numeric: true, sensitivity: 'base' }));

const signs = ' _-,;:!?.\'"()[]{}@*/\\&#%`^+<=>|~$';
const zero = 48;
const nine = 57;
/** Longer numbers are compared in parts by CLDR. */
const longestNumber = 200;

/** What is no plain character weighs this. */
const notPlain = 255;
/** What a character weighs, by its code: signs, then figures, then letters of either case. */
const weights = new Uint8Array(128).fill(notPlain);
const inOrder = `${signs}0123456789abcdefghijklmnopqrstuvwxyz`;
for (let at = 0; at < inOrder.length; at += 1) {
  weights[inOrder.charCodeAt(at)] = at + 1;
  weights[inOrder.toUpperCase().charCodeAt(at)] = at + 1;
}

/** The weight at a place of a text; 0 behind its end. */
function weightAt(text: string, at: number): number {
  return at < text.length ? (weights[text.charCodeAt(at)] ?? notPlain) : 0;
}

const isFigure = (text: string, at: number): boolean => {
  const code = text.charCodeAt(at);
  return code >= zero && code <= nine;
};

/**
 * Two names without regard to case: below 0, 0 or above it; null where what is not plain has a say:
 * it may belong to the character before it.
 */
function comparePlainNames(a: string, b: string): number | null {
  let i = 0;
  let j = 0;
  let difference = 0;
  while (difference === 0 && (i < a.length || j < b.length)) {
    if (isFigure(a, i) && isFigure(b, j)) {
      const fromOne = endOfZeros(a, i);
      const fromOther = endOfZeros(b, j);
      i = endOfNumber(a, fromOne);
      j = endOfNumber(b, fromOther);
      if (i - fromOne > longestNumber || j - fromOther > longestNumber) {
        return null;
      }
      difference = i - fromOne - (j - fromOther);
      for (let at = 0; difference === 0 && fromOne + at < i; at += 1) {
        difference = a.charCodeAt(fromOne + at) - b.charCodeAt(fromOther + at);
      }
    } else {
      const one = weightAt(a, i);
      const other = weightAt(b, j);
      if (one === notPlain || other === notPlain) {
        return null;
      }
      difference = one - other;
      i += 1;
      j += 1;
    }
  }
  return weightAt(a, i) === notPlain || weightAt(b, j) === notPlain ? null : difference;
}

/** Where the zeros end that a number may begin with. */
function endOfZeros(text: string, from: number): number {
  let end = from;
  while (text.charCodeAt(end) === zero) {
    end += 1;
  }
  return end;
}

/** Where the figures end that begin there, if any do. */
function endOfNumber(text: string, from: number): number {
  let end = from;
  while (isFigure(text, end)) {
    end += 1;
  }
  return end;
}
