/**
 * The colours of day and dusk by the formula of WCAG 2.2 ("relative luminance", "contrast ratio"):
 * 4.5 for text (1.4.3), 3 for the border of a field (1.4.11).
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';

const sheet = readFileSync(join(import.meta.dirname, 'theme.css'), 'utf8');

/** The colours of a theme, by name. */
function coloursOf(theme: 'light' | 'dark'): ReadonlyMap<string, string> {
  const block = sheet.split(`[data-bs-theme='${theme}'] {`)[1]?.split('}')[0] ?? '';
  return new Map(
    [...block.matchAll(/--([\w-]+): (#[0-9a-f]{6});/g)].map(([, name = '', colour = '']) => [
      name,
      colour,
    ]),
  );
}

/** Relative luminance, from 0 to 1. */
function luminance(colour: string): number {
  const [red = 0, green = 0, blue = 0] = [1, 3, 5]
    .map((at) => parseInt(colour.slice(at, at + 2), 16) / 255)
    .map((share) => (share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4));
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}

function contrast(one: string, other: string): number {
  const [dark = 0, light = 0] = [luminance(one), luminance(other)].sort((a, b) => a - b);
  return (light + 0.05) / (dark + 0.05);
}

it('measures as the recommendation does', () => {
  expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 5);
  // The grey that just passes on white, as every table of it says.
  expect(contrast('#767676', '#ffffff')).toBeCloseTo(4.54, 2);
});

describe.each(['light', 'dark'] as const)('the %s theme', (theme) => {
  const colours = coloursOf(theme);
  const tooWeak = (names: readonly string[], least: number): string[] =>
    names.flatMap((name) =>
      ['paper', 'paper-2', 'ground'].flatMap((ground) =>
        contrast(colours.get(name) ?? '#000000', colours.get(ground) ?? '#000000') < least
          ? [`${name} on ${ground}`]
          : [],
      ),
    );

  it('has text that can be read', () => {
    expect(tooWeak(['ink', 'soft', 'faint', 'brick', 'brass-text', 'plum'], 4.5)).toEqual([]);
  });
  it('has fields whose border can be seen', () => {
    expect(tooWeak(['field-line', 'act'], 3)).toEqual([]);
  });
});
