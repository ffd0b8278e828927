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
/** Where everything was found on this disk. */
const on = (device: string | null) => (): string | null => device;

describe('a bundle that is missing', () => {
  it('below a directory that could not be looked into is out of reach', () => {
    const isOut = outOfReach([join(place, 'disk')], on(here));
    expect(isOut(missing)).toBe(true);
  });
  it('beside it is not', () => {
    const isOut = outOfReach([join(place, 'dis')], on(here));
    expect(isOut(missing)).toBe(false);
  });
  it('that lay on another disk is out of reach', () => {
    expect(outOfReach([], on('4711'))(missing)).toBe(true);
  });
  it('that lay on the disk that is there is not', () => {
    expect(outOfReach([], on(here))(missing)).toBe(false);
  });
  it('is gone where something else lies in its directory', () => {
    expect(outOfReach([], on('4711'))(join(place, 'echo.lv2'))).toBe(false);
  });
  it('of which no disk is known is not', () => {
    expect(outOfReach([], on(null))(missing)).toBe(false);
  });
});
