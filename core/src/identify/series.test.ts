/** Series, held against counting the others anew for each plugin. */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { groupOf } from '../taxonomy/tree.ts';
import type { SeriesShare } from './evidence.ts';
import { gatherSeries, type InSeries } from './series.ts';

/** Slow: everybody else who is called by the word, counted for each group. */
function counted(word: string, plugin: InSeries, all: readonly InSeries[]): SeriesShare[] {
  const others = all.filter(
    (other) =>
      other !== plugin &&
      other.vendor === plugin.vendor &&
      other.types.length > 0 &&
      other.name.toLowerCase().split(' ').includes(word),
  );
  const groups = [...new Set(others.flatMap(({ types }) => types.map(groupOf)))].sort();
  return groups.map((group) => {
    const types = [...new Set(others.flatMap((other) => other.types))]
      .filter((type) => type !== group && groupOf(type) === group)
      .sort();
    const type =
      types.find((one) => others.filter((o) => o.types.includes(one)).length * 2 > others.length) ??
      group;
    const matching = others.filter((other) =>
      other.types.some((one) => one === type || (type === group && groupOf(one) === group)),
    );
    const taught = matching.filter(({ isTaught }) => isTaught).length;
    return { word, type, count: matching.length, of: others.length, taught };
  });
}

const plugins = fc.array(
  fc.record({
    name: fc.constantFrom('Kelpie One', 'Kelpie Two', 'Samphire One', 'Kelpie Samphire'),
    vendor: fc.constantFrom('quoin', 'tern', ''),
    types: fc.uniqueArray(
      fc.constantFrom('delay', 'delay/looper', 'reverb/hall', 'reverb/room', 'eq'),
      { maxLength: 3 },
    ),
    isTaught: fc.boolean(),
  }),
  { maxLength: 12 },
);

describe('series', () => {
  it('tell what the others of a vendor called by a word are', () => {
    fc.assert(
      fc.property(plugins, (all) => {
        const sharesOf = gatherSeries(all);
        for (const plugin of all.filter(({ vendor }) => vendor !== '')) {
          const words = ['kelpie', 'samphire'].filter((word) =>
            plugin.name.toLowerCase().includes(word),
          );
          const expected = words.flatMap((word) => counted(word, plugin, all));
          const byText = (a: SeriesShare, b: SeriesShare): number =>
            JSON.stringify(a) < JSON.stringify(b) ? -1 : 1;
          expect([...sharesOf(plugin)].sort(byText)).toEqual([...expected].sort(byText));
        }
      }),
    );
  });
  it('of thousands are counted once', () => {
    const all = Array.from({ length: 5_000 }, (_, at): InSeries => {
      return { name: `Kelpie ${at}`, vendor: 'quoin', types: ['delay'], isTaught: false };
    });
    const sharesOf = gatherSeries(all);
    const shares = all.map((plugin) => sharesOf(plugin)[0]?.count);
    expect(new Set(shares)).toEqual(new Set([4_999]));
  });
});
