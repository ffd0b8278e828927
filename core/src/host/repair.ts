/** Which copy that is here is the one an old session asks for. */
import { preferred, type CopyCard, type Plugin } from '../catalog/plugin.ts';
import { nameKeyOf, type NameKey } from '../catalog/name-key.ts';
import { whyNotCopy, type Accepts } from '../find/fits.ts';
import { fold } from '../fold.ts';
import type { Format } from '../formats/found-copy.ts';
import { editDistance } from '../rules/values.ts';
import { isGenericWord } from '../types/generic.ts';
import type { HostCopy } from './host-session.ts';

/** A catalogued copy with what tells which product it is. */
export interface Known { readonly card: CopyCard; readonly plugin: Plugin; readonly identity: string | null; readonly replaces: readonly string[] }

/** `isSure` when it is the same product by identity or by what the catalog knows; else it is a guess by name. */
export interface Repair { readonly copy: CopyCard; readonly plugin: Plugin; readonly because: string; readonly isSure: boolean }

/** Names as near as that may be the same; common practice, no source. */
const nearBy = 2, nearFrom = 6;

/** The best match that the host would open, with its reason; null when nothing here is like it. */
export function repairFor(asked: HostCopy, known: readonly Known[], accepts: Accepts, order: readonly Format[] = preferred): Repair | null {
  const there = known.filter(({ card }) => whyNotCopy(card, accepts) === null && card.path !== asked.path), rank = (format: Format): number => { const at = order.indexOf(format); return at < 0 ? order.length : at; };
  const best = (isIt: (one: Known) => boolean, because: (one: Known) => string, isSure: boolean): Repair | null => {
    const [found] = there.filter(isIt).sort((a, b) => rank(a.card.format) - rank(b.card.format) || (a.card.path < b.card.path ? -1 : 1));
    return found ? { copy: found.card, plugin: found.plugin, because: because(found), isSure } : null;
  };
  const meant = known.find(({ card, identity }) => card.format === asked.format && card.path === asked.path && identity === asked.identity)?.plugin;
  const key = keyOf(asked), isSameName = ({ plugin }: Known): boolean => { const other = keyOf(plugin); return other.bare === key.bare && other.width === key.width; };
  const isSameVendor = ({ plugin }: Known): boolean => asked.vendor !== null && plugin.vendor !== null && fold(plugin.vendor) === fold(asked.vendor);
  return best(({ card, identity }) => asked.identity !== null && card.format === asked.format && identity === asked.identity, () => 'the same one at another path', true)
    ?? best(({ replaces }) => asked.identity !== null && replaces.includes(asked.identity), () => 'it says that it takes the place of the one asked for', true)
    ?? best(({ plugin }) => plugin.id === meant?.id, ({ card }) => `the same plugin as ${card.format}`, true)
    ?? best((one) => isSameName(one) && isSameVendor(one), ({ card }) => `the same name and vendor, as ${card.format}`, true)
    ?? best(isSameName, ({ plugin }) => `the same name${plugin.vendor === null ? '' : `, by ${plugin.vendor}`}`, false)
    ?? best((one) => isSameVendor(one) && isNear(keyOf(one.plugin).bare, key.bare), () => 'nearly the same name, by the same vendor', false);
}

const keyOf = ({ name, vendor }: { readonly name: string; readonly vendor: string | null }): NameKey => nameKeyOf(name, vendor, false, isGenericWord);

const isNear = (a: string, b: string): boolean => Math.min(a.length, b.length) >= nearFrom && (a.startsWith(b) || b.startsWith(a) || editDistance(a, b) <= nearBy);
