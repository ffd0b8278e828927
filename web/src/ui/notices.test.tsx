/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { act, cleanup, render, screen } from '@testing-library/react';
import { NoticesProvider, useNotices, type Notices } from './notices.tsx';

/** What is told in a window, and a way to tell it. */
function telling() {
  const latest: { notices?: Notices } = {};
  function Teller() {
    latest.notices = useNotices();
    return null;
  }
  render(
    <NoticesProvider>
      <Teller />
    </NoticesProvider>,
  );
  return {
    tell: (...args: Parameters<Notices['notify']>): void => {
      act(() => {
        latest.notices?.notify(...args);
      });
    },
    shown: () => screen.queryAllByTestId('notice').map((one) => one.firstChild?.textContent),
    later: (milliseconds: number): void => {
      act(() => {
        jest.advanceTimersByTime(milliseconds);
      });
    },
  };
}

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  cleanup();
  jest.useRealTimers();
});

describe('what is told at the foot of the window', () => {
  it('is said to screen readers without taking them from what they read', () => {
    telling();
    expect(screen.getByRole('status').getAttribute('aria-live')).toBe('polite');
  });
  it('goes by itself, troubles later', () => {
    const { tell, shown, later } = telling();
    tell('The host is full.', 'trouble');
    tell('Filed', 'done');
    later(3_500);
    expect(shown()).toEqual(['The host is full.']);
    later(16_500);
    expect(shown()).toEqual([]);
  });
  it('gives way to what is done next, but for troubles', () => {
    const { tell, shown } = telling();
    tell('The host is full.', 'trouble');
    tell('Filed', 'done');
    tell('Renamed', 'done');
    expect(shown()).toEqual(['The host is full.', 'Renamed']);
  });
  it('is at most three lines, the oldest troubles gone, and none of them twice', () => {
    const { tell, shown } = telling();
    for (const text of ['One', 'Two', 'Three', 'Four', 'Three']) {
      tell(text, 'trouble');
    }
    expect(shown()).toEqual(['Two', 'Four', 'Three']);
  });
  it('stays as long as it was told last', () => {
    const { tell, shown, later } = telling();
    tell('The host is full.', 'trouble');
    later(19_000);
    tell('The host is full.', 'trouble');
    later(2_000);
    expect(shown()).toEqual(['The host is full.']);
  });
  it('is closed by its button where it is a trouble', () => {
    const { tell, shown } = telling();
    tell('The host is full.', 'trouble');
    tell('Filed', 'done');
    const [close, ...others] = screen.getAllByRole('button');
    expect(others).toEqual([]);
    act(() => {
      close?.click();
    });
    expect(shown()).toEqual(['Filed']);
  });
});
