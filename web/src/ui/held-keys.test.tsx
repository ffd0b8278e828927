/** @jest-environment jsdom */
import { afterEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, render, screen } from '@testing-library/react';
import { useState, type ReactNode } from 'react';
import { fetchedLater } from './fetched-later.tsx';

afterEach(cleanup);

function press(key: string): KeyboardEvent {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
  document.body.dispatchEvent(event);
  return event;
}

const frames = async (count: number): Promise<void> => {
  for (let n = 0; n < count; n += 1) {
    await act(
      () =>
        new Promise<void>((resolve) => {
          requestAnimationFrame(() => {
            resolve();
          });
        }),
    );
  }
};

describe('a part that is fetched later', () => {
  const taken: string[] = [];
  function Field(): ReactNode {
    const [typed, setTyped] = useState('');
    return (
      <input
        autoFocus
        aria-label="field"
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') {
            taken.push(typed);
          }
        }}
      />
    );
  }

  /** The part, held keys and all, and what brings it. */
  function awaited() {
    let bring: (part: typeof Field) => void = () => undefined;
    const Later = fetchedLater(
      () =>
        new Promise<typeof Field>((resolve) => {
          bring = resolve;
        }),
      'keys held',
    );
    const arrive = (): Promise<void> =>
      act(async () => {
        bring(Field);
        await Promise.resolve();
      });
    return { Later, arrive };
  }

  it('is given the keys that came before it was there, and they do nothing elsewhere', async () => {
    const { Later, arrive } = awaited();
    const elsewhere: string[] = [];
    const listen = (event: KeyboardEvent): void => {
      elsewhere.push(event.key);
    };
    document.addEventListener('keydown', listen);
    render(<Later />);
    for (const key of ['a', 'x', 'Backspace', 'l', 'Enter']) {
      expect(press(key).defaultPrevented).toBe(true);
    }
    expect(press('ArrowDown').defaultPrevented).toBe(false);
    expect(elsewhere).toEqual(['ArrowDown']);
    await arrive();
    await frames(10);
    expect(screen.getByLabelText<HTMLInputElement>('field').value).toBe('al');
    expect(taken).toEqual(['al']);
    // From now on keys are not held.
    expect(press('z').defaultPrevented).toBe(false);
    document.removeEventListener('keydown', listen);
  });

  it('takes what is pressed while those are given behind them', async () => {
    const { Later, arrive } = awaited();
    render(<Later />);
    for (const key of 'night') {
      press(key);
    }
    await arrive();
    await frames(2);
    expect(press('Enter').defaultPrevented).toBe(true);
    await frames(12);
    expect(taken.at(-1)).toBe('night');
  });

  it('is drawn at once when it was fetched before', async () => {
    const Later = fetchedLater(() => Promise.resolve(Field));
    const first = render(<Later />);
    await frames(2);
    first.unmount();
    render(<Later />);
    expect(screen.getByLabelText('field')).toBeTruthy();
  });
});
