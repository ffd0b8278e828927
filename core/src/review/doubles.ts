/** What doubles: plugins alike in all that matters, of which only one is ever used. */
import { isPresent } from '../catalog/plugin.ts';
import { grouped } from '../grouped.ts';
import { productOf } from '../exchange/product-name.ts';
import { fold } from '../text/fold.ts';
import { loadsOf, type ReviewMaterial, type StudiedPlugin } from './studied.ts';

/** Plugins that are alike; at most one of them was loaded. */
export interface Doubling {
  readonly plugins: readonly string[];
  readonly used: string | null;
}

/** What most plugins are alone with: only those that share it are looked at closer. */
const roughly = ({ vendor, types, name }: StudiedPlugin): string =>
  `${vendor ?? ''} ${types[0] ?? ''} ${name.slice(0, 3).toLowerCase()}`;

/** The same types, ports and series of one vendor: “Tidehook Denoise” and “Tidehook Denoise 2 LE”. */
function likenessOf(plugin: StudiedPlugin): string {
  const [front] = plugin.copies.filter(({ state }) => state === 'present');
  const ports = `${front?.audioIn ?? '?'} ${front?.audioOut ?? '?'}`;
  const series = fold(productOf(plugin.name).base);
  return [fold(plugin.vendor ?? ''), plugin.types.toSorted().join(), ports, series].join('\n');
}

/** Groups of alike plugins of which at most one is loaded, those with a used one first. */
export function doublingOf({
  plugins,
  uses,
}: Pick<ReviewMaterial, 'plugins' | 'uses'>): Doubling[] {
  const loads = loadsOf(uses);
  const meant = plugins.filter(
    (plugin) => isPresent(plugin) && !plugin.isHidden && plugin.types.length > 0,
  );
  const rough = grouped(meant.map((plugin) => [roughly(plugin), plugin] as const));
  const alike = grouped(
    [...rough.values()]
      .filter((group) => group.length > 1)
      .flatMap((group) => group.map((plugin) => [likenessOf(plugin), plugin.id] as const)),
  );
  return [...alike.values()]
    .filter((ids) => ids.length > 1)
    .map((ids) => ({ ids, used: ids.filter((id) => loads.has(id)) }))
    .filter(({ used }) => used.length < 2)
    .map(({ ids, used }): Doubling => ({ plugins: ids, used: used[0] ?? null }))
    .sort((a, b) => Number(b.used !== null) - Number(a.used !== null));
}
