/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, it, jest } from '@jest/globals';
import { act, render } from '@testing-library/react';
import { Picture } from './picture.tsx';

/** Images that are there when the test says so. */
const asked: HTMLImageElement[] = [];
const RealImage = globalThis.Image;

beforeEach(() => {
  asked.length = 0;
  jest.useFakeTimers();
  globalThis.Image = function AskedImage() {
    const image = new RealImage();
    asked.push(image);
    return image;
  } as unknown as typeof RealImage;
});

afterEach(() => {
  jest.useRealTimers();
  globalThis.Image = RealImage;
});

const picture = (address: string) => (
  <Picture address={address} className="face" width={48} height={28} />
);
const shown = (container: HTMLElement): string | null =>
  container.querySelector('img')?.getAttribute('src') ?? null;
const waitAMoment = (): void => {
  act(() => {
    jest.advanceTimersByTime(200);
  });
};
const arrive = (image: HTMLImageElement | undefined): void => {
  act(() => {
    image?.dispatchEvent(new Event('load'));
  });
};

it('its place is kept until it has been fetched', () => {
  const { container } = render(picture('/first.png'));
  waitAMoment();
  expect(shown(container)).toBeNull();
  expect(container.querySelector('svg')?.getAttribute('width')).toBe('48');
  arrive(asked[0]);
  expect(shown(container)).toBe('/first.png');
});

it('what is gone again with the next letter is never asked for', () => {
  const { container, rerender } = render(picture('/passed.png'));
  rerender(picture('/stays.png'));
  waitAMoment();
  expect(asked.map((image) => image.getAttribute('src'))).toEqual(['/stays.png']);
  arrive(asked[0]);
  expect(shown(container)).toBe('/stays.png');
});

it('one that comes when another stands in its place is held and not shown', () => {
  const { container, rerender } = render(picture('/slow.png'));
  waitAMoment();
  rerender(picture('/other.png'));
  arrive(asked[0]);
  expect(shown(container)).toBeNull();
});

it('what was fetched once is drawn at once, and not asked for again', () => {
  const { container, rerender } = render(picture('/again.png'));
  waitAMoment();
  arrive(asked[0]);
  rerender(picture('/else.png'));
  rerender(picture('/again.png'));
  expect(shown(container)).toBe('/again.png');
  expect(asked).toHaveLength(1);
});

it('one that cannot be fetched leaves its place empty', () => {
  const { container } = render(picture('/missing.png'));
  waitAMoment();
  act(() => {
    asked[0]?.dispatchEvent(new Event('error'));
  });
  expect(shown(container)).toBeNull();
});
