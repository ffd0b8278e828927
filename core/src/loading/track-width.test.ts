import { describe, expect, it } from '@jest/globals';
import {
  channelsThrough,
  misfitsWidth,
  widthBehind,
  widthOfTrack,
  widthWords,
  type Ports,
} from './track-width.ts';

const ports = (audioIn: number | null, audioOut: number | null): Ports => ({ audioIn, audioOut });

describe('the width of a track', () => {
  it('is stereo in a session that was saved before there were widths', () => {
    expect([widthOfTrack({}), widthOfTrack({ width: 1 })]).toEqual([2, 1]);
  });
});

describe('a number of channels', () => {
  it('is called mono or stereo where it is', () => {
    expect([0, 1, 2, 6].map(widthWords)).toEqual(['nothing', 'mono', 'stereo', '6 channels']);
  });
  it('gets through a copy as far as both its ends let it', () => {
    const all = [ports(1, 2), ports(2, 1), ports(null, 2), ports(2, null)];
    expect(all.map(channelsThrough)).toEqual([1, 1, 2, null]);
  });
});

describe('the channels that reach a slot', () => {
  it('change behind a copy that takes them all and gives another number', () => {
    expect(widthBehind(1, [ports(1, 2)])).toBe(2);
    expect(widthBehind(2, [ports(2, 2), ports(2, 1)])).toBe(1);
  });
  it('stay behind a copy that does not fit, or whose ports are not known', () => {
    expect(widthBehind(2, [ports(1, 1), ports(1, 6)])).toBe(2);
    expect(widthBehind(2, [undefined, ports(null, null), ports(2, null), ports(2, 0)])).toBe(2);
  });
});

describe('a copy that does not fit', () => {
  it('gives or takes fewer channels than there are', () => {
    expect([ports(1, 1), ports(1, 2), ports(2, 1)].map((one) => misfitsWidth(one, 2))).toEqual([
      true,
      true,
      true,
    ]);
  });
  it('is none that gives as many, or of which it is not known', () => {
    const fitting = [ports(2, 2), ports(0, 2), ports(null, 2), ports(4, 2), ports(null, null)];
    expect(fitting.map((one) => misfitsWidth(one, 2))).not.toContain(true);
    expect(misfitsWidth(ports(0, 0), 2)).toBe(false);
    expect(misfitsWidth(ports(2, 2), 1)).toBe(false);
  });
});
