/** Which copy that is here is the one an old session asks for. */
import { lazy } from '../memoize.ts';
import { editDistance } from '../text/edit-distance.ts';
import { preferred, type CopyCard, type Plugin } from '../catalog/plugin.ts';
import { nameKeyOf, type NameKey } from '../identify/name-key.ts';
import { whyNotCopy, type TakenBySession } from './loadability.ts';
import { fold } from '../text/fold.ts';
import { grouped } from '../grouped.ts';
import type { Format } from '../formats/found-copy.ts';
import { isGenericWord } from '../identify/generic-words.ts';
import type { HostCopy } from './host-session.ts';

/** A catalogued copy with what tells which product it is. */
export interface Known {
  readonly card: CopyCard;
  readonly plugin: Plugin;
  readonly identity: string | null;
  readonly replaces: readonly string[];
}

/**
 * `isSure` when it is the same product by identity or by what the catalog knows; else it is a guess
 * by name.
 */
export interface Repair {
  readonly copy: CopyCard;
  readonly plugin: Plugin;
  readonly because: string;
  readonly isSure: boolean;
}

/** Names as near as that may be the same; common practice, no source. */
const nearBy = 2;
const nearFrom = 6;

/**
 * The best match that a host which takes so much would open, with its reason; null when nothing
 * here is like it.
 */
export type RepairFor = (asked: HostCopy, accepts: TakenBySession) => Repair | null;

/**
 * Matches among all that is catalogued, which is put in order once: names are taken apart only
 * where nothing surer is found.
 */
export function createRepairer(
  known: readonly Known[],
  order: readonly Format[] = preferred,
): RepairFor {
  const rank = (format: Format): number => {
    const at = order.indexOf(format);
    return at < 0 ? order.length : at;
  };
  const sorted = [...known].sort(
    (a, b) => rank(a.card.format) - rank(b.card.format) || (a.card.path < b.card.path ? -1 : 1),
  );
  const by = (keysOf: (one: Known) => readonly string[]): ReadonlyMap<string, readonly Known[]> =>
    grouped(sorted.flatMap((one) => keysOf(one).map((key) => [key, one] as const)));
  const byIdentity = by(({ card, identity }) =>
    identity === null ? [] : [`${card.format} ${identity}`],
  );
  const byReplaced = by(({ replaces }) => replaces);
  const byPath = by(({ card }) => [card.path]);
  const byPlugin = by(({ plugin }) => [plugin.id]);
  const byVendor = by(({ plugin }) => (plugin.vendor === null ? [] : [fold(plugin.vendor)]));
  const named = lazy(() => by(({ plugin }) => [sameName(keyOf(plugin))]));
  const byName = (name: NameKey): readonly Known[] => named().get(sameName(name)) ?? [];
  return (asked, accepts) => {
    const best = (
      among: readonly Known[] | undefined,
      because: (one: Known) => string,
      isSure: boolean,
      isIt: (one: Known) => boolean = () => true,
    ): Repair | null => {
      const found = among?.find(
        (one) =>
          whyNotCopy(one.card, accepts) === null && one.card.path !== asked.path && isIt(one),
      );
      return found
        ? { copy: found.card, plugin: found.plugin, because: because(found), isSure }
        : null;
    };
    const identity = asked.identity;
    const key = keyOf(asked);
    const vendor = asked.vendor === null ? null : fold(asked.vendor);
    const isSameVendor = ({ plugin }: Known): boolean =>
      vendor !== null && plugin.vendor !== null && fold(plugin.vendor) === vendor;
    const meant = byPath
      .get(asked.path)
      ?.find((one) => one.card.format === asked.format && one.identity === identity)?.plugin;
    return (
      best(
        identity === null ? undefined : byIdentity.get(`${asked.format} ${identity}`),
        () => 'the same one at another path',
        true,
      ) ??
      best(
        identity === null ? undefined : byReplaced.get(identity),
        () => 'it says that it takes the place of the one asked for',
        true,
      ) ??
      best(
        meant && byPlugin.get(meant.id),
        ({ card }) => `the same plugin as ${card.format}`,
        true,
      ) ??
      best(
        byName(key),
        ({ card }) => `the same name and vendor, as ${card.format}`,
        true,
        isSameVendor,
      ) ??
      best(
        byName(key),
        ({ plugin }) => `the same name${plugin.vendor === null ? '' : `, by ${plugin.vendor}`}`,
        false,
      ) ??
      best(
        vendor === null ? undefined : byVendor.get(vendor),
        () => 'nearly the same name, by the same vendor',
        false,
        ({ plugin }) => isNear(keyOf(plugin).bare, key.bare),
      )
    );
  };
}

/** Names of the same key and width are the same. */
const sameName = ({ bare, width }: NameKey): string => `${bare} ${width ?? ''}`;
const keyOf = ({
  name,
  vendor,
}: {
  readonly name: string;
  readonly vendor: string | null;
}): NameKey => nameKeyOf(name, vendor, false, isGenericWord);

const isNear = (a: string, b: string): boolean =>
  Math.min(a.length, b.length) >= nearFrom &&
  (a.startsWith(b) || b.startsWith(a) || editDistance(a, b) <= nearBy);
