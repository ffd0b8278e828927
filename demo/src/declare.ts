/** From a true type to what a copy declares in its standard's own words: right, broad, nothing or wrong. */
import type { Kind } from '@clever-drawer/core/catalog';
import { groupOf, kindOfType, lv2Classes, vst3SubCategories } from '@clever-drawer/core/taxonomy';
import type { DemoPlugin } from './plugins.ts';

/** The declared value whose row names the type or, failing that, its group. */
function wordFor(
  rows: Readonly<Record<string, { readonly types: readonly string[] }>>,
  type: string,
): string | null {
  const by = (wanted: string): string | undefined =>
    Object.keys(rows).find((word) => rows[word]?.types.includes(wanted));
  return by(type) ?? by(groupOf(type)) ?? null;
}

const lv2Base: Record<Kind, string | null> = {
  effect: null,
  instrument: 'InstrumentPlugin',
  'note-effect': 'MIDIPlugin',
  tool: 'UtilityPlugin',
  unknown: null,
};

/** Class names below `lv2:` besides `Plugin` itself. */
export function lv2ClassesOf(plugin: DemoPlugin): string[] {
  const kind = kindOfType(plugin.type);
  const exact = wordFor(lv2Classes, plugin.type);
  switch (plugin.declares) {
    case 'right':
      return [exact ?? lv2Base[kind]].filter((c) => c !== null);
    case 'broad':
      return [wordFor(lv2Classes, groupOf(plugin.type)) ?? lv2Base[kind]].filter((c) => c !== null);
    case 'nothing':
      return [];
    case 'wrong':
      if (kind === 'instrument') {
        return ['ReverbPlugin'];
      }
      return [plugin.number % 3 === 0 ? 'InstrumentPlugin' : 'DelayPlugin'];
  }
}

export function vst3SubCategoriesOf(plugin: DemoPlugin): string[] {
  const kind = kindOfType(plugin.type);
  const base = kind === 'instrument' ? 'Instrument' : 'Fx';
  const exact = wordFor(vst3SubCategories, plugin.type);
  switch (plugin.declares) {
    case 'right':
      return exact === null ? [base] : [base, exact];
    case 'broad':
      return [base];
    case 'nothing':
      return [];
    case 'wrong':
      if (kind === 'instrument') {
        return ['Fx'];
      }
      if (plugin.number % 3 === 0) {
        return ['Instrument', 'Synth'];
      }
      return ['Fx', 'Delay'];
  }
}

/** Audio ins and outs and notes, as a plugin of that kind has them. */
export function portsOf(plugin: DemoPlugin): {
  audioIn: number;
  audioOut: number;
  notesIn: boolean;
  notesOut: boolean;
} {
  const kind = kindOfType(plugin.type);
  const channels = plugin.number % 5 === 0 ? 1 : 2;
  if (kind === 'note-effect') {
    return { audioIn: 0, audioOut: 0, notesIn: true, notesOut: true };
  }
  if (kind === 'instrument') {
    return { audioIn: 0, audioOut: 2, notesIn: true, notesOut: false };
  }
  return { audioIn: channels, audioOut: channels, notesIn: false, notesOut: false };
}
