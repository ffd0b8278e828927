import { describe, expect, it } from '@jest/globals';
import { lv2Classes, vst3SubCategories } from './declared.ts';
import { filedNear, isFiledNear, leavesOpen } from './filed-near.ts';
import { isType } from './tree.ts';

describe('what is filed near its group', () => {
  const entries = Object.entries(filedNear);
  it('is of known types, and near other groups than its own', () => {
    expect(entries.length).toBeGreaterThan(10);
    expect(
      entries.flatMap(([type, groups]) => [type, ...groups]).filter((id) => !isType(id)),
    ).toEqual([]);
    expect(entries.filter(([type, groups]) => groups.some((one) => type.startsWith(one)))).toEqual(
      [],
    );
  });
  it('has no class of its own in LV2 and no sub-category in VST 3', () => {
    const declarable = new Set(
      [lv2Classes, vst3SubCategories].flatMap((rows) =>
        Object.values(rows).flatMap(({ types }) => types),
      ),
    );
    const types = entries.map(([type]) => type).filter((type) => type.includes('/'));
    expect(types.filter((type) => declarable.has(type))).toEqual([]);
  });
  it('is asked by type, and by its group where the type is not listed', () => {
    expect(isFiledNear('pitch/vocoder', new Set(['filter']))).toBe(true);
    expect(isFiledNear('pitch/harmoniser', new Set(['filter']))).toBe(false);
    expect(isFiledNear('eq/tone', new Set(['filter']))).toBe(true);
    expect(isFiledNear('delay', new Set(['delay']))).toBe(false);
  });
});

describe('a declaration that leaves open what a plugin does', () => {
  const typesOf = (name: string): readonly string[] => lv2Classes[name]?.types ?? [];
  it('is that of a tool and no more', () => {
    expect([typesOf('UtilityPlugin'), typesOf('FunctionPlugin')].map(leavesOpen)).toEqual([
      true,
      true,
    ]);
  });
  it('is none that says which tool, what else it is, or nothing', () => {
    const others = [
      typesOf('MixerPlugin'),
      [...typesOf('UtilityPlugin'), ...typesOf('DelayPlugin')],
      typesOf('Plugin'),
    ];
    expect(others.map(leavesOpen)).toEqual([false, false, false]);
  });
});
