import { describe, expect, it } from '@jest/globals';
import type { SlotView, TrackView } from '@clever-drawer/core/api';
import { asId } from '@clever-drawer/core/id';
import { copyOf, pluginOf } from '@clever-drawer/core/testing';
import { otherWidth, pluginBefore, slotToFill, widthOfSlot, type Opening } from './slots.ts';

const slot = (id: string, more: Partial<SlotView> = {}): SlotView => ({
  id: asId(id),
  copy: null,
  asked: { format: 'VST3', path: '/x', identity: null, name: id, vendor: null, binary: null },
  plugin: asId(`plugin ${id}`),
  state: null,
  isBypassed: false,
  problem: null,
  ...more,
});
const track: TrackView = {
  id: asId('voice'),
  name: 'Voice',
  sort: 'track',
  width: 2,
  slots: [slot('a'), slot('b')],
};
const opening = (index: number, of = 'voice'): Opening => ({
  id: index,
  track: of,
  index,
  name: '',
  length: 1,
  last: asId(`coming ${String(index)}`),
});

describe('the slot a load goes to', () => {
  it('is the first empty one', () => {
    expect(slotToFill(track, null, [])).toEqual({ track: 'voice', index: 2 });
  });
  it('is the chosen one', () => {
    expect(slotToFill(track, { track: 'voice', index: 1 }, [])).toEqual({
      track: 'voice',
      index: 1,
    });
  });
  it('is never behind the first empty one', () => {
    expect(slotToFill(track, { track: 'voice', index: 9 }, [])?.index).toBe(2);
  });
  it('may be behind what is on its way on the same track', () => {
    const underWay = [opening(2), opening(3), opening(1), opening(2, 'other')];
    expect(slotToFill(track, { track: 'voice', index: 9 }, underWay)?.index).toBe(4);
  });
  it('is none without a track', () => {
    expect(slotToFill(undefined, null, [])).toBeNull();
  });
});

describe('the width of a slot', () => {
  const widener = pluginOf('Widener', {
    copies: [copyOf('wide', { audioIn: 1, audioOut: 2 }), copyOf('odd')],
  });
  const known = new Map([[widener.id, widener]]);
  const mono: TrackView = {
    ...track,
    width: 1,
    slots: [slot('a'), slot('b', { plugin: widener.id, copy: asId('wide') })],
  };
  it('is that of its track until a copy before it makes another one of it', () => {
    expect([0, 1, 2].map((index) => widthOfSlot(mono, index, known))).toEqual([1, 1, 2]);
  });
  it('is that of its track where copies are not known', () => {
    expect(widthOfSlot(mono, 2, new Map())).toBe(1);
  });
  it('is switched between stereo and mono', () => {
    expect([2, 1, 6].map(otherWidth)).toEqual([1, 2, 2]);
  });
});

describe('the plugin in front of a slot', () => {
  it('is what stands there', () => {
    expect(pluginBefore(track, 2, [])).toBe('plugin b');
  });
  it('is none in front of the first', () => {
    expect(pluginBefore(track, 0, [opening(3)])).toBeNull();
  });
  it('is what is on its way there on the same track', () => {
    expect(pluginBefore(track, 3, [opening(2), opening(2, 'choir')])).toBe('coming 2');
    expect(pluginBefore(track, 3, [opening(2, 'choir')])).toBeNull();
  });
  it('is the last one of a chain on its way', () => {
    const chain = { ...opening(2), length: 3 };
    expect(pluginBefore(track, 5, [chain])).toBe('coming 2');
    expect(pluginBefore(track, 3, [chain])).toBeNull();
  });
});
