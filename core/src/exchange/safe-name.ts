/**
 * Names of files and directories that Windows, macOS and Linux all take (Microsoft's "Naming Files,
 * Paths, and Namespaces", from memory; POSIX forbids only the slash and zero).
 */

/** Most bytes of a name; file systems take 255, and a figure and an ending come on top. */
const nameBytes = 180;
const reserved = /^(?:con|prn|aux|nul|com[0-9¹²³]|lpt[0-9¹²³])(?:\.|$)/i;
/** Control characters among them, also those above 127. */
const forbidden = /[<>:"/\\|?*\p{Cc}]/gu;

/** The name with what no system takes replaced. Never empty, never "." or "..". */
export function safeName(name: string): string {
  const plain = name
    .normalize('NFC')
    .replace(forbidden, '_')
    .replace(/^[\s.]+(?=[\s.]|$)|^\s+|[\s.]+$/gu, '');
  const dotless = plain.replace(/^\.+/, (dots) => '_'.repeat(dots.length));
  const whole = dotless === '' ? '_' : dotless;
  return cutBytes(reserved.test(whole) ? `_${whole}` : whole);
}

/** Cut to the most bytes, between characters. */
function cutBytes(name: string): string {
  const encoder = new TextEncoder();
  let left = name;
  while (encoder.encode(left).length > nameBytes) {
    left = Array.from(left).slice(0, -1).join('');
  }
  return left.replace(/[\s.]+$/u, '') || '_';
}

/** Safe names for siblings, each once also where capitals do not count: "Room", "room (2)". */
export function safeSiblings(names: readonly string[]): string[] {
  const taken = new Set<string>();
  return names.map((name) => {
    const safe = safeName(name);
    let unique = safe;
    for (let number = 2; taken.has(unique.toLowerCase()); number += 1) {
      unique = `${safe} (${number})`;
    }
    taken.add(unique.toLowerCase());
    return unique;
  });
}
