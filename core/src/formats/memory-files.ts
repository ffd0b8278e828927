/** A bundle in memory, for tests and for bundles that come inside an archive. */
import { failed, ok } from '../problem.ts';
import { bytesSource } from './byte-source.ts';
import type { BundleFiles } from './bundle-files.ts';

/** `contents` maps paths below the root to bytes or text in Latin-1. */
export function memoryFiles(
  root: string,
  contents: Readonly<Record<string, string | Uint8Array>>,
): BundleFiles {
  const bytesOf = (content: string | Uint8Array): Uint8Array =>
    typeof content === 'string' ? Uint8Array.from(content, (c) => c.charCodeAt(0)) : content;
  return {
    root,
    isFile: contents[''] !== undefined,
    open(relative) {
      const content = contents[relative];
      return content === undefined
        ? failed({ code: 'file-missing', at: relative })
        : ok({ ...bytesSource(bytesOf(content)), close: () => undefined });
    },
    read(relative, limit) {
      const content = contents[relative];
      if (content === undefined) {
        return failed({ code: 'file-missing', at: relative });
      }
      if (content.length > limit) {
        return failed({ code: 'file-too-large', at: relative, got: content.length, limit });
      }
      return ok(bytesOf(content));
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
