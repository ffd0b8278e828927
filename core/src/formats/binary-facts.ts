/** What the header of a program file tells. */

/** What the header of a program tells. */
export interface Binary {
  readonly system: 'linux' | 'windows' | 'macos';
  /** `x86_64`, `x86`, `arm64`, `arm`, or `machine N` for others. */
  readonly architectures: readonly string[];
  /** Names other programs can call; null where the file does not list them. */
  readonly exports: ReadonlySet<string> | null;
}

/** Exported names beyond this many are not read. */
export const exportLimit = 200_000;
