/** @jest-environment jsdom */
import { beforeEach, expect, it, jest } from '@jest/globals';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { useRef } from 'react';
import { useLinesInView } from './lines-in-view.ts';

/** A browser that tells sizes when the test says so. */
class ToldSize {
  static tell: () => void = () => undefined;
  constructor(tell: () => void) {
    ToldSize.tell = tell;
  }
  observe(): void {
    // The test tells.
  }
  disconnect(): void {
    ToldSize.tell = () => undefined;
  }
}

const lineHeight = 20;
const count = 1_000;
const asked = jest.fn();
const scrolled = jest.fn();
let height = 0;

beforeEach(() => {
  asked.mockClear();
  scrolled.mockClear();
  height = 100;
  Object.assign(globalThis, { ResizeObserver: ToldSize });
  Object.defineProperty(HTMLElement.prototype, 'clientHeight', {
    configurable: true,
    get: () => {
      asked();
      return height;
    },
  });
  Object.defineProperty(HTMLElement.prototype, 'scrollHeight', {
    configurable: true,
    value: count * lineHeight,
  });
  Object.assign(HTMLElement.prototype, { scrollTo: scrolled });
});

function List() {
  const box = useRef<HTMLDivElement>(null);
  const lines = useLinesInView({
    count,
    getScrollElement: () => box.current,
    estimateSize: () => lineHeight,
  });
  return (
    <div ref={box} data-testid="list">
      {lines.getVirtualItems().map((line) => (
        <p key={line.key} data-testid="line" />
      ))}
      <button
        type="button"
        onClick={() => {
          lines.scrollToIndex(500);
        }}
      >
        On
      </button>
    </div>
  );
}

const drawn = (): number => screen.getAllByTestId('line').length;

it('a list stands before anything was laid out, and neither asks for its size nor scrolls', () => {
  render(<List />);
  expect(drawn()).toBe(Math.ceil(566 / lineHeight) + 1);
  expect(asked).not.toHaveBeenCalled();
  expect(scrolled).not.toHaveBeenCalled();
});

it('it draws as many lines as the size has room for that the browser tells', () => {
  render(<List />);
  act(() => {
    ToldSize.tell();
  });
  expect(drawn()).toBe(height / lineHeight + 1);
});

it('it draws more beyond the view while one scrolls, on both sides', () => {
  render(<List />);
  act(() => {
    ToldSize.tell();
  });
  const list = screen.getByTestId('list');
  list.scrollTop = 20 * lineHeight;
  fireEvent.scroll(list);
  expect(drawn()).toBe(height / lineHeight + 2 * 6);
});

it('it scrolls as soon as it is asked to', () => {
  render(<List />);
  act(() => {
    screen.getByRole('button', { name: 'On' }).click();
  });
  expect(scrolled).toHaveBeenCalled();
});
