/** A bundle in memory, for tests and for bundles that come inside an archive. */
import { failed, ok } from '../problem.ts';
import { bytesSource } from './byte-source.ts';
import type { BundleFiles } from './bundle-files.ts';

/** `contents` maps paths below the root to bytes or text in Latin-1. */
export function memoryFiles(
  root: string,
  contents: Readonly<Record<string, string | Uint8Array>>,
): BundleFiles {
  const bytesOf = (held: string | Uint8Array): Uint8Array =>
    typeof held === 'string' ? Uint8Array.from(held, (c) => c.charCodeAt(0)) : held;
  return {
    root,
    isFile: contents[''] !== undefined,
    open(relative) {
      const held = contents[relative];
      return held === undefined
        ? failed({ code: 'file-missing', at: relative })
        : ok({ ...bytesSource(bytesOf(held)), close: () => undefined });
    },
    read(relative, limit) {
      const held = contents[relative];
      if (held === undefined) {
        return failed({ code: 'file-missing', at: relative });
      }
      if (held.length > limit) {
        return failed({ code: 'file-too-large', at: relative, got: held.length, limit });
      }
      return ok(bytesOf(held));
    },
    list(relative) {
      const prefix = relative === '' ? '' : `${relative}/`;
      const names = Object.keys(contents)
        .filter((p) => p.startsWith(prefix))
        .map((p) => p.slice(prefix.length).split('/')[0] ?? '');
      return [...new Set(names)].sort();
    },
  };
}
