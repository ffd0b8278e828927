/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { followPress } from './press.ts';

/** A press at 100, 100 and what is heard of it. */
function pressed(button = 0): string[] {
  const heard: string[] = [];
  followPress(new MouseEvent('mousedown', { clientX: 100, clientY: 100, button }), {
    onBegin: ({ x, y }) => heard.push(`begin ${x},${y}`),
    onMove: ({ x, y }) => heard.push(`move ${x},${y}`),
    onDrop: () => heard.push('drop'),
    onCancel: () => heard.push('cancel'),
  });
  return heard;
}
const mouse = (name: 'mousemove' | 'mouseup', clientX: number): boolean =>
  document.dispatchEvent(new MouseEvent(name, { clientX, clientY: 100, cancelable: true }));
const escape = (): boolean =>
  document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  document.dispatchEvent(new MouseEvent('mouseup'));
  jest.runAllTimers();
  jest.useRealTimers();
});

describe('a press with the mouse', () => {
  it('is a drag from six pixels on, and drops where the button is let go', () => {
    const heard = pressed();
    mouse('mousemove', 105);
    expect(heard).toEqual([]);
    mouse('mousemove', 106);
    mouse('mousemove', 140);
    mouse('mouseup', 140);
    expect(heard).toEqual(['begin 100,100', 'move 106,100', 'move 140,100', 'drop']);
  });
  it('is none where it was let go before, and the pointer goes on', () => {
    const heard = pressed();
    mouse('mouseup', 103);
    mouse('mousemove', 140);
    expect(heard).toEqual([]);
  });
  it('is none with another button', () => {
    const heard = pressed(2);
    mouse('mousemove', 140);
    expect(heard).toEqual([]);
  });
  it('comes to nothing with Escape', () => {
    const heard = pressed();
    mouse('mousemove', 140);
    escape();
    mouse('mouseup', 140);
    expect(heard).toEqual(['begin 100,100', 'move 140,100', 'cancel']);
  });
  it('is no click where it dropped, and the next one is', () => {
    const clicked = jest.fn();
    document.body.addEventListener('click', clicked);
    pressed();
    mouse('mousemove', 140);
    mouse('mouseup', 140);
    document.body.click();
    expect(clicked).not.toHaveBeenCalled();
    jest.runAllTimers();
    document.body.click();
    expect(clicked).toHaveBeenCalledTimes(1);
    document.body.removeEventListener('click', clicked);
  });
});

describe('a press with a finger', () => {
  /** A finger at that place, as a browser tells of it. */
  const finger = (name: string, clientX: number): Event =>
    Object.assign(new Event(name, { cancelable: true }), {
      touches: name === 'touchend' ? [] : [{ clientX, clientY: 100 }],
    });
  const rested = (): string[] => {
    const heard: string[] = [];
    followPress(finger('touchstart', 100) as TouchEvent, {
      onBegin: () => heard.push('begin'),
      onMove: ({ x }) => heard.push(`move ${x}`),
      onDrop: () => heard.push('drop'),
      onCancel: () => heard.push('cancel'),
    });
    return heard;
  };
  it('is a drag once it has rested, and the page does not scroll then', () => {
    const heard = rested();
    jest.advanceTimersByTime(250);
    const moved = finger('touchmove', 140);
    document.dispatchEvent(moved);
    document.dispatchEvent(finger('touchend', 140));
    expect(heard).toEqual(['begin', 'move 140', 'drop']);
    expect(moved.defaultPrevented).toBe(true);
  });
  it('scrolls where it moves before, and is no drag then', () => {
    const heard = rested();
    const moved = finger('touchmove', 109);
    document.dispatchEvent(moved);
    jest.advanceTimersByTime(500);
    expect([heard, moved.defaultPrevented]).toEqual([[], false]);
  });
});
