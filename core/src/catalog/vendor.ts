/** Who made a plugin, as far as spellings can be folded without asking. */
import { fold } from '../fold.ts';

/** Words that vendors add or leave out at will (common practice, no published source). */
const loose = new Set(['ltd', 'limited', 'inc', 'llc', 'gmbh', 'co', 'audio', 'dsp', 'software', 'plugins', 'lv2', 'vst', 'vst3', 'clap', 'au', 'ladspa']);

/** What spellings of one vendor share: without mail address, punctuation, case and loose words. Empty for none. */
export function foldVendor(vendor: string | null): string {
  if (vendor === null) return '';
  const words = fold(vendor.replace(/<[^>]*>|\([^)]*\)|\S+@\S+/g, ' ')).match(/[\p{L}\p{N}]+/gu) ?? [];
  const kept = words.filter((word) => !loose.has(word));
  return (kept.length > 0 ? kept : words).join('');
}
