/** Copies as `scan` writes them, gathered into plugins. */
import {
  bareCopy,
  describedBy,
  formats,
  type Format,
  type FoundCopy,
} from '@clever-drawer/core/formats';
import {
  identifyCatalog,
  type CopyToIdentify,
  type IdentifiedPlugin,
} from '@clever-drawer/core/identify';
import { flagIn, numberIn, textIn, textsIn, type Line } from './lines.ts';

/** A plugin with the copies that are it. */
export interface GroupedPlugin {
  readonly plugin: IdentifiedPlugin;
  readonly copies: readonly FoundCopy[];
}

export const formatIn = (line: Line): Format =>
  formats.find((format) => format === textIn(line, 'format')?.toUpperCase()) ?? 'VST2';

/** A copy out of a line; what is missing is null. */
export const copyIn = (line: Line): FoundCopy & { readonly uniqueId: number | null } => ({
  ...bareCopy(formatIn(line), textIn(line, 'path') ?? ''),
  identity: textIn(line, 'identity'),
  name: textIn(line, 'name'),
  vendor: textIn(line, 'vendor'),
  version: textIn(line, 'version'),
  declared: textsIn(line, 'declared'),
  architectures: Array.isArray(line['architectures']) ? textsIn(line, 'architectures') : null,
  audioIn: numberIn(line, 'audioIn'),
  audioOut: numberIn(line, 'audioOut'),
  notesIn: flagIn(line, 'notesIn'),
  notesOut: flagIn(line, 'notesOut'),
  replaces: textsIn(line, 'replaces'),
  uniqueId: numberIn(line, 'uniqueId'),
  controls: textsIn(line, 'controls'),
  ...describedBy(textIn(line, 'description')),
});

/** The plugins that the copies are; those that failed are left out. Ids are "1", "2", … */
export function groupLines(lines: readonly Line[]): GroupedPlugin[] {
  const copies = lines
    .filter((line) => textIn(line, 'status') !== 'failed')
    .map(
      (line, i): CopyToIdentify => ({
        id: String(i),
        facts: copyIn(line),
        isPresent: true,
        plugin: null,
      }),
    );
  let last = 0;
  const { plugins, pluginOf } = identifyCatalog(
    copies,
    { assignments: new Map(), spellings: new Map(), answers: new Map(), used: new Set() },
    () => String((last += 1)),
  );
  const copiesOf = new Map<string, FoundCopy[]>(plugins.map((plugin) => [plugin.id, []]));
  for (const { id, facts } of copies) {
    copiesOf.get(pluginOf.get(id) ?? '')?.push(facts);
  }
  return plugins.map((plugin) => ({ plugin, copies: copiesOf.get(plugin.id) ?? [] }));
}
