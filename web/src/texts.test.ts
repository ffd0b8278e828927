/** The catalogues of texts, a file a screen: what can be said of all of them. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';

const root = import.meta.dirname;
const screens = readdirSync(root, { recursive: true, encoding: 'utf8' })
  .filter((path) => path.endsWith('/texts.ts'))
  .map((path) => path.slice(0, -'/texts.ts'.length));

type Text = string | ((...values: readonly unknown[]) => string) | object;

interface Entry {
  readonly name: string;
  readonly text: Text;
  /** Types of what is filled in, in order. */
  readonly takes: readonly string[];
}

/** The types of a text's parameters, read from the source: nothing of them is left at run time. */
function takesOf(source: string, name: string): readonly string[] {
  const [, parameters = ''] =
    new RegExp(`^export const ${name} = \\(([^)]*)\\): string =>`, 'm').exec(source) ?? [];
  return [...parameters.matchAll(/:\s*(\w+)/g)].flatMap(([, type]) => type ?? []);
}

const catalogues: { readonly screen: string; readonly entries: readonly Entry[] }[] = [];
for (const screen of screens) {
  const source = readFileSync(join(root, screen, 'texts.ts'), 'utf8');
  const module = (await import(`./${screen}/texts.ts`)) as Record<string, Text>;
  catalogues.push({
    screen,
    entries: Object.entries(module).map(([name, text]) => ({
      name,
      text,
      takes: takesOf(source, name),
    })),
  });
}

/** The code of a screen, without its catalogue and its tests. */
function codeOf(screen: string): string {
  // A part of a screen, as what comes behind it, is shown by all of it.
  const [whole = screen] = screen.split('/');
  return readdirSync(join(root, whole), { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx?$/.test(file) && !/(^|\/)texts\.ts$|\.test\./.test(file))
    .map((file) => readFileSync(join(root, whole, file), 'utf8'))
    .join('\n');
}

interface Values {
  readonly number: number;
  readonly string: string;
  readonly boolean: boolean;
}
const one: Values = { number: 1, string: '⟨name⟩', boolean: true };
const two: Values = { number: 2, string: '⟨name⟩', boolean: false };

/** All that a text says with these values, tables taken apart. */
function saidWith({ text, takes }: Pick<Entry, 'text' | 'takes'>, values: Values): string[] {
  if (typeof text === 'string') {
    return [text];
  }
  if (typeof text === 'function') {
    return [
      (text as (...values: readonly unknown[]) => string)(
        ...takes.map((type) => values[type as keyof Values]),
      ),
    ];
  }
  return Object.values(text).flatMap((part) => saidWith({ text: part as Text, takes }, values));
}

const allSaid = (values: Values): readonly string[] =>
  catalogues.flatMap(({ screen, entries }) =>
    entries.flatMap((entry) =>
      saidWith(entry, values).map((said) => `${screen}/${entry.name}:${said}`),
    ),
  );

describe('the texts of the interface', () => {
  it('stand in a catalogue for each screen and for what screens share', () => {
    expect(screens).toEqual(
      expect.arrayContaining(['scan', 'sort', 'file', 'rule', 'load', 'plugin', 'review', 'keep']),
    );
    expect(allSaid(two).length).toBeGreaterThan(800);
  });

  it('are all shown somewhere', () => {
    const unused = catalogues.flatMap(({ screen, entries }) => {
      const code = codeOf(screen);
      return entries
        .filter(({ name }) => !new RegExp(`\\b(?:texts|formTexts)\\.${name}\\b`).test(code))
        .map(({ name }) => `${screen}/${name}`);
    });
    expect(unused).toEqual([]);
  });

  it('know what is filled in, and show every name of it', () => {
    const functions = catalogues.flatMap(({ screen, entries }) =>
      entries
        .filter(({ text }) => typeof text === 'function')
        .map((entry) => ({ ...entry, screen, said: saidWith(entry, one)[0] ?? '' })),
    );
    expect(functions.length).toBeGreaterThan(200);
    const wrong = functions.filter(
      ({ text, takes, said }) =>
        takes.length !== (text as () => string).length ||
        takes.some((type) => !(type in one)) ||
        said.split(one.string).length - 1 < takes.filter((type) => type === 'string').length,
    );
    expect(wrong.map(({ screen, name }) => `${screen}/${name}`)).toEqual([]);
  });

  it('are whole: nothing missing, nothing doubled', () => {
    const broken = /undefined|NaN|\[object| {2}|\$\{|,,|\.\.(?!\.)|=>/;
    expect([...allSaid(one), ...allSaid(two)].filter((said) => broken.test(said))).toEqual([]);
  });

  it('say one as one, and two as two', () => {
    // "1 plugins", "1 are"; but "card 1 lets in", "slot 1".
    const oneAsMany = /(?<!card |slot )\b1 (?:clear )?(?:are\b|(?!is\b|was\b|has\b)[a-z]+s\b)/;
    const twoAsOne = /\b2 (?:is|was|has|plugin|copy|folder|question|load)\b/;
    expect(allSaid(one).filter((said) => oneAsMany.test(said))).toEqual([]);
    expect(allSaid(two).filter((said) => twoAsOne.test(said))).toEqual([]);
  });
});
