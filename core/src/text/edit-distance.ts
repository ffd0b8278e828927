/** A slip of the fingers: one letter wrong, missing, too many, or swapped with the next. */

/** Whether the text begins with what was typed, but for one letter that is wrong, missing, too many, or swapped with the next. */
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
