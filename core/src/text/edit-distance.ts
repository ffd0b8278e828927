/**
 * How far two texts are from one another, and slips of the fingers: one letter wrong, missing, too
 * many, or swapped with the next.
 */

/**
 * Whether the text begins with what was typed, but for one letter that is wrong, missing, too many,
 * or swapped with the next.
 */
export function beginsAlmost(text: string, typed: string): boolean {
  let at = 0;
  while (at < typed.length && typed.charCodeAt(at) === text.charCodeAt(at)) {
    at += 1;
  }
  if (at === typed.length) {
    return true;
  }
  return (
    (at < text.length && goesOn(text, at + 1, typed, at + 1)) ||
    goesOn(text, at + 1, typed, at) ||
    goesOn(text, at, typed, at + 1) ||
    (at + 1 < typed.length &&
      typed.charCodeAt(at) === text.charCodeAt(at + 1) &&
      typed.charCodeAt(at + 1) === text.charCodeAt(at) &&
      goesOn(text, at + 2, typed, at + 2))
  );
}

/** Whether the rest of what was typed stands there in the text. */
function goesOn(text: string, atText: number, typed: string, atTyped: number): boolean {
  for (let i = atTyped, j = atText; i < typed.length; i += 1, j += 1) {
    if (typed.charCodeAt(i) !== text.charCodeAt(j)) {
      return false;
    }
  }
  return true;
}

/** Whether one letter wrong, missing or swapped makes the one the other. */
export function isOneApart(a: string, b: string): boolean {
  let start = 0;
  while (start < a.length && a[start] === b[start]) {
    start += 1;
  }
  const restA = a.slice(start);
  const restB = b.slice(start);
  return (
    restA.slice(1) === restB.slice(1) ||
    restA.slice(1) === restB ||
    restA === restB.slice(1) ||
    (restA[0] === restB[1] && restA[1] === restB[0] && restA.slice(2) === restB.slice(2))
  );
}

/**
 * Letters to be put in, left out, changed or swapped with the next to make one text of the other
 * (optimal string alignment).
 */
export function editDistance(a: string, b: string): number {
  const rows = Array.from({ length: a.length + 1 }, (_, i) =>
    Array.from({ length: b.length + 1 }, (__, j) => {
      if (i === 0) {
        return j;
      }
      if (j === 0) {
        return i;
      }
      return 0;
    }),
  );
  const at = (i: number, j: number): number => rows[i]?.[j] ?? 0;
  for (let i = 1; i <= a.length; i += 1) {
    for (let j = 1; j <= b.length; j += 1) {
      const cost = a[i - 1] === b[j - 1] ? 0 : 1;
      const swapped =
        i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]
          ? at(i - 2, j - 2) + 1
          : Infinity;
      (rows[i] as number[])[j] = Math.min(
        at(i - 1, j) + 1,
        at(i, j - 1) + 1,
        at(i - 1, j - 1) + cost,
        swapped,
      );
    }
  }
  return at(a.length, b.length);
}
