/** Style sheets stay when one leaves their screen: a class of one screen must not mean something in another. */
import { readdirSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { expect, it } from '@jest/globals';

const sources = resolve(import.meta.dirname, '..');
/** What every screen shares. */
const shared = new Set(['app', 'ui']);
/** A rule's head that begins with a class. */
const head = /^\s*\.([\w-]+)[^{}]*[{,]$/gm;

it('has no class that the style sheets of two screens begin a rule with', () => {
  const screens = new Map<string, Set<string>>();
  for (const path of readdirSync(sources, { recursive: true, encoding: 'utf8' })) {
    const screen = path.split('/')[0] ?? '';
    if (path.endsWith('.css') && !shared.has(screen)) {
      for (const [, name = ''] of readFileSync(join(sources, path), 'utf8').matchAll(head)) {
        screens.set(name, (screens.get(name) ?? new Set()).add(screen));
      }
    }
  }
  expect(screens.size).toBeGreaterThan(200);
  expect([...screens].filter(([, of]) => of.size > 1).map(([name]) => name)).toEqual([]);
});
