import { afterAll, describe, expect, it } from '@jest/globals';
import { mkdirSync, mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { outOfReach } from './out-of-reach.ts';

const place = mkdtempSync(join(tmpdir(), 'clever-drawer-reach-'));
mkdirSync(join(place, 'disk'));
afterAll(() => {
  rmSync(place, { recursive: true });
});
const here = String(statSync(place).dev);
const missing = join(place, 'disk', 'echo.lv2');

describe('a bundle that is missing', () => {
  it('below a directory that could not be looked into is out of reach', () => {
    const isOut = outOfReach([join(place, 'disk')], new Map([[missing, here]]));
    expect(isOut(missing)).toBe(true);
  });
  it('beside it is not', () => {
    const isOut = outOfReach([join(place, 'dis')], new Map([[missing, here]]));
    expect(isOut(missing)).toBe(false);
  });
  it('that lay on another disk is out of reach', () => {
    expect(outOfReach([], new Map([[missing, '4711']]))(missing)).toBe(true);
  });
  it('that lay on the disk that is there is not', () => {
    expect(outOfReach([], new Map([[missing, here]]))(missing)).toBe(false);
  });
  it('is gone where something else lies in its directory', () => {
    const known = new Map([[join(place, 'echo.lv2'), '4711']]);
    expect(outOfReach([], known)(join(place, 'echo.lv2'))).toBe(false);
  });
  it('of which no disk is known is not', () => {
    expect(outOfReach([], new Map([[missing, null]]))(missing)).toBe(false);
  });
});
