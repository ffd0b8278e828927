import { describe, expect, it } from '@jest/globals';
import { isNewer } from './version.ts';

describe('isNewer', () => {
  it('compares number by number, as numbers', () => {
    expect(isNewer('1.10.0', '1.9.9')).toBe(true);
    expect(isNewer('1.9.9', '1.10.0')).toBe(false);
    expect(isNewer('2', '1.9')).toBe(true);
    expect(isNewer('1.2.1', '1.2')).toBe(true);
  });
  it('says no for the same, however it is written', () => {
    expect(isNewer('1.2', '1.2.0')).toBe(false);
    expect(isNewer('v1.2.0 (build)', '1.2')).toBe(false);
  });
  it('says no where one is not known', () => {
    expect(isNewer('2.0', null)).toBe(false);
    expect(isNewer(null, '1.0')).toBe(false);
    expect(isNewer('2.0', 'beta')).toBe(false);
  });
});
