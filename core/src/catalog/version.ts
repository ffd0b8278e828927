/** Versions as plugins tell them: numbers between dots, and more or less text. */

const numbersOf = (version: string): number[] => version.match(/\d+/g)?.map(Number) ?? [];

/**
 * Whether one version comes after another: number by number, a missing one counts as 0 (common
 * practice, no source). False where one is not known or has no number.
 */
export function isNewer(version: string | null, than: string | null): boolean {
  const [a, b] = [numbersOf(version ?? ''), numbersOf(than ?? '')];
  if (a.length === 0 || b.length === 0) {
    return false;
  }
  const differences = Array.from(
    { length: Math.max(a.length, b.length) },
    (_, at) => (a[at] ?? 0) - (b[at] ?? 0),
  );
  return (differences.find((difference) => difference !== 0) ?? 0) > 0;
}
