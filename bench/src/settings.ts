/**
 * Finding among 2,000 plugins with 20,000 saved settings beside them, a keystroke at a time: plugins
 * and settings together, against MiniSearch over the same settings alone.
 */
import MiniSearch from 'minisearch';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import {
  entryOf,
  Finder,
  habitsOf,
  noUse,
  settingsShown,
  withSettings,
} from '@clever-drawer/core/search';
import { createStudio } from '@clever-drawer/core/studio';
import { makePlugins } from '@clever-drawer/demo';
import { measured, type Measured } from './measure.ts';

const size = { plugins: 2_000, settings: 20_000 } as const;
const shown = 9;

/** What people call what they save (made up); each with a number, so that most differ. */
const words = ['snare', 'voice', 'night', 'hall', 'eel', 'heron', 'loft', 'old', 'bell', 'bright'];

const word = (n: number): string => words[n % words.length] ?? '';

function manyPlugins(): Plugin[] {
  return makePlugins(7, size.plugins).map(
    ({ name, vendor, type, number }): Plugin => ({
      id: asId(`p${number}`),
      name,
      vendor: vendor.name,
      kind: 'effect',
      types: [type],
      arrived: '',
      copies: [],
    }),
  );
}

export function benchSettings(): Promise<Measured[]> {
  const plugins = manyPlugins();
  const {
    catalog: { settings: things },
    settingFinder,
  } = createStudio()({
    computer: '',
    catalog: plugins,
    order: new Map(),
    usage: [],
    found: Array.from({ length: size.settings }, (_, n) => ({
      id: asId<Plugin['id']>(`s${n}`),
      name: `${word(n * 7)} ${word(n >> 4)} ${n % 90}`,
      plugin: plugins[(n * 31) % plugins.length]?.id ?? asId(''),
      bank: n % 3 === 0 ? `${word(n >> 2)} bank` : null,
      format: 'LV2' as const,
      path: `/settings/${n}`,
      identity: null,
    })),
  });
  const finder = new Finder(plugins.map((plugin) => entryOf(plugin)));
  const settings = settingFinder();
  const mini = new MiniSearch({
    fields: ['name', 'plugin', 'bank'],
    searchOptions: { prefix: true, combineWith: 'AND', boost: { name: 3 } },
  });
  mini.addAll(
    things.map(({ id, name, setting }) => ({
      id,
      name,
      plugin: setting?.pluginNames.join(' ') ?? '',
      bank: setting?.bank ?? '',
    })),
  );
  const habits = habitsOf(noUse);
  const queries = things
    .filter((_, n) => n % 97 === 0)
    .flatMap(({ name, setting }) => {
      const whole = `${setting?.pluginNames[0]?.slice(0, 4) ?? ''} ${name}`;
      return [1, 2, 3, 5, 8, 12].flatMap((letters) => [
        name.slice(0, letters),
        whole.slice(0, letters),
      ]);
    });
  const lasting = (work: (query: string) => unknown): number[] => {
    queries.slice(0, 200).forEach(work);
    return queries.map((query) => {
      const from = performance.now();
      work(query);
      return performance.now() - from;
    });
  };
  const ours = lasting((query) =>
    withSettings(
      finder.find(query, habits, shown).hits,
      settings.find(query, settingsShown),
      shown,
    ),
  );
  const theirs = lasting((query) => mini.search(query).slice(0, shown));
  return Promise.resolve([
    measured(`find, ${size.plugins} plugins and ${size.settings} settings, a keystroke`, ours, {
      name: 'MiniSearch over the settings',
      samples: theirs,
    }),
  ]);
}
