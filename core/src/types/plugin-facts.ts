/** What a plugin is called and what it is, told from its copies. */
import { nameOfCopy, preferred } from '../catalog/plugin.ts';
import type { Kind } from '../catalog/kind.ts';
import type { FoundCopy } from '../formats/found-copy.ts';
import { readDeclared } from './declared.ts';

export interface PluginFacts {
  readonly name: string;
  readonly vendor: string | null;
  readonly kind: Kind;
  readonly types: readonly string[];
}

/**
 * The facts of the first copy, by preferred format and then path, that says each: a name of its own before a
 * file's name, a kind other than unknown. Types are those of the first copy that declares any.
 */
export function pluginFacts(copies: readonly FoundCopy[]): PluginFacts {
  const ordered = [...copies].sort((a, b) => preferred.indexOf(a.format) - preferred.indexOf(b.format) || (a.path < b.path ? -1 : a.path > b.path ? 1 : 0));
  const declared = ordered.map((copy) => readDeclared(copy.format, copy.declared));
  const first = ordered[0];
  return {
    name: ordered.find((copy) => copy.name !== null)?.name ?? (first ? nameOfCopy(first) : ''),
    vendor: ordered.find((copy) => copy.vendor !== null)?.vendor ?? null,
    kind: declared.find((d) => d.kind !== 'unknown')?.kind ?? 'unknown',
    types: declared.find((d) => d.types.length > 0)?.types ?? [],
  };
}
