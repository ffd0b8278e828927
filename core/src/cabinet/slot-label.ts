/** The few letters that stand in a slot. */

/** At most this many characters of a slot label are shown. */
export const slotLabelLength = 10;

/**
 * A label made from a name: the name when it fits, else its first words as far as they fit, else its first letters.
 * "Slackwater Delay" → "Slackwater"; "Harbourmaster Strip" → "Harbourm…".
 */
export function slotLabelFor(name: string): string {
  if (name.length <= slotLabelLength) return name;
  const words = name.split(/\s+/);
  let label = words[0] ?? name;
  for (const word of words.slice(1)) {
    if (label.length + 1 + word.length > slotLabelLength) break;
    label += ` ${word}`;
  }
  return label.length <= slotLabelLength ? label : `${label.slice(0, slotLabelLength - 2)}…`;
}
