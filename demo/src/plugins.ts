/**
 * The made-up studio as data: what each plugin is, and how (badly) its copies say so. Same seed,
 * same studio.
 */
import { chanceFrom, type Chance } from './chance.ts';
import {
  compounds,
  misleading,
  plainWords,
  typeWords,
  vendors,
  type DemoVendor,
} from './vocabulary.ts';

export type Damage = 'turtle' | 'missing-file' | 'json' | 'no-classes' | 'empty' | 'no-name';

export interface DemoPlugin {
  readonly number: number;
  readonly name: string;
  readonly vendor: DemoVendor;
  /** The true type, which its copies may hide. */
  readonly type: string;
  readonly version: readonly [minor: number, micro: number];
  /** How the category is declared. */
  readonly declares: 'right' | 'broad' | 'nothing' | 'wrong';
  /** The vendor's spelling per format; null where the copy names none. */
  readonly spelling: { readonly LV2: string | null; readonly VST3: string | null };
  readonly hasModuleInfo: boolean;
  readonly hasPicture: boolean;
  readonly damage: Damage | null;
}

const damages: readonly Damage[] = [
  'turtle',
  'missing-file',
  'json',
  'no-classes',
  'empty',
  'no-name',
  'turtle',
  'json',
];
/** Plugins of the studio when nothing else is asked for. */
export const studioSize = 690;

/** Makes `count` plugins. The damaged ones come on top, eight of them. */
export function makePlugins(seed: number, count: number = studioSize): DemoPlugin[] {
  const chance = chanceFrom(seed);
  const names = new NameGiver(chance);
  const types = dealTypes(chance, count);
  const owners = dealVendors(chance, count);
  const plugins = types.map((type, i) =>
    makePlugin(chance, names, i, type, owners[i] ?? (vendors[0] as DemoVendor)),
  );
  return [...plugins, ...damages.map((damage, i) => makeDamaged(chance, names, count + i, damage))];
}

/** Every type at least once, then by how common it is. */
function dealTypes(chance: Chance, count: number): string[] {
  const all = Object.keys(typeWords);
  const bag = all.flatMap((type) =>
    typeWords[type]?.[0] === '*' ? Array<string>(5).fill(type) : [type, type],
  );
  const dealt = [...all];
  while (dealt.length < count) {
    dealt.push(chance.pick(bag));
  }
  return chance.shuffle(dealt.slice(0, count));
}

/** Vendors in their proportions. */
function dealVendors(chance: Chance, count: number): DemoVendor[] {
  const total = vendors.reduce((sum, v) => sum + v.plugins, 0);
  const dealt = vendors.flatMap((v) =>
    Array<DemoVendor>(Math.max(1, Math.round((v.plugins * count) / total))).fill(v),
  );
  while (dealt.length < count) {
    dealt.push(vendors[0] as DemoVendor);
  }
  return chance.shuffle(dealt).slice(0, count);
}

/** Gives names that no other plugin has. */
class NameGiver {
  readonly #chance: Chance;
  readonly #used = new Set<string>();
  readonly #series = new Map<string, string>();
  constructor(chance: Chance) {
    this.#chance = chance;
  }

  give(vendor: DemoVendor, type: string): string {
    const words = (typeWords[type] ?? []).filter((w) => w !== '*');
    for (;;) {
      const name = this.#attempt(vendor, words);
      if (!this.#used.has(name)) {
        this.#used.add(name);
        return name;
      }
    }
  }

  #attempt(vendor: DemoVendor, words: readonly string[]): string {
    const style = this.#chance.next();
    const head = this.#chance.happens(0.2)
      ? this.#chance.pick(plainWords)
      : this.#chance.pick(compounds);
    if (style < 0.13) {
      return head;
    }
    if (style < 0.3) {
      return `${this.#seriesOf(vendor)} ${this.#chance.pick(words)}`;
    }
    if (style < 0.35) {
      return `${head} ${this.#chance.pick(words)} ${this.#chance.pick(['II', '2', 'Mk 3', 'LE'])}`;
    }
    if (style < 0.4) {
      return `${head}${this.#chance.pick(words).replaceAll(' ', '')}`;
    }
    return `${head} ${this.#chance.pick(words)}`;
  }

  #seriesOf(vendor: DemoVendor): string {
    const known = this.#series.get(vendor.name);
    if (known !== undefined && this.#chance.happens(0.7)) {
      return known;
    }
    const fresh = this.#chance.pick(compounds);
    this.#series.set(vendor.name, fresh);
    return fresh;
  }
}

function makePlugin(
  chance: Chance,
  names: NameGiver,
  number: number,
  dealt: string,
  vendor: DemoVendor,
): DemoPlugin {
  const misled =
    number % 43 === 7 ? misleading[Math.floor(number / 43) % misleading.length] : undefined;
  const type = misled?.[0] ?? dealt;
  const name = misled ? `${chance.pick(compounds)} ${misled[1]}` : names.give(vendor, type);
  return {
    number,
    type,
    vendor,
    name: isTrial(number) ? `${name} (Trial)` : name,
    version: [chance.below(6) * 2, chance.below(9)],
    declares: chance.pick([
      'right',
      'right',
      'right',
      'right',
      'right',
      'right',
      'broad',
      'broad',
      'nothing',
      'nothing',
      'nothing',
      'wrong',
    ]),
    spelling: { LV2: spell(chance, vendor), VST3: spell(chance, vendor) },
    hasModuleInfo: !chance.happens(0.09),
    hasPicture: chance.happens(0.28),
    damage: null,
  };
}

/** Every fiftieth or so is a trial version and says so in its name. */
const isTrial = (number: number): boolean => number % 53 === 11;

function spell(chance: Chance, vendor: DemoVendor): string | null {
  if (chance.happens(0.05)) {
    return null;
  }
  return chance.happens(0.75) ? vendor.name : chance.pick(vendor.spellings);
}

function makeDamaged(chance: Chance, names: NameGiver, number: number, damage: Damage): DemoPlugin {
  const vendor = chance.pick(vendors);
  const type = chance.pick(Object.keys(typeWords));
  return {
    number,
    type,
    vendor,
    damage,
    name: names.give(vendor, type),
    version: [0, 1],
    declares: 'right',
    hasPicture: false,
    hasModuleInfo: true,
    spelling: { LV2: vendor.name, VST3: vendor.name },
  };
}
