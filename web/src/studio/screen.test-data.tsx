/** A screen as a person meets it in a test: at its address, over the real core and a server made up by the test. */
import { TextDecoder, TextEncoder } from 'node:util';
import { webcrypto } from 'node:crypto';
import type { ComponentType } from 'react';
import { configure, fireEvent, render } from '@testing-library/react';
import type { Act } from '@clever-drawer/core/acts';
import type { Beside } from './own-acts.ts';
import { studioOf, type StudioSaid } from './studio.test-data.tsx';

// A machine that others use as well is slow at times; what never comes is found all the same.
configure({ asyncUtilTimeout: 30_000 });

/** A size for what asks for one: jsdom lays nothing out. */
class NoSizes {
  observe(): void {
    // Nothing has a size.
  }
  unobserve(): void {
    // Nothing was observed.
  }
  disconnect(): void {
    // Nothing was observed.
  }
}

// The router asks for the first as it is read in, and jsdom has none of them.
Object.assign(globalThis, { TextEncoder, TextDecoder, ResizeObserver: NoSizes });
Object.assign(window, {
  matchMedia: () => ({
    matches: false,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }),
});
Object.defineProperty(globalThis, 'crypto', { configurable: true, value: webcrypto });
Object.assign(HTMLElement.prototype, {
  scrollIntoView: () => undefined,
  scrollTo: () => undefined,
});
// Lines of a list have to have a height to be drawn.
Object.defineProperty(HTMLElement.prototype, 'offsetHeight', { configurable: true, value: 40 });
const { BrowserRouter, Route, Routes } = await import('react-router');

export interface ScreenSaid extends Omit<StudioSaid, 'act' | 'did'> {
  /** Its address, and the pattern of its route where that is another. */
  readonly at: string;
  readonly path?: string;
  /** Whether acts succeed; all do. */
  readonly canAct?: boolean;
}

/** What a test sees beside the screen. */
export interface ShownScreen {
  /** What was done to the order, the first first. */
  readonly acts: readonly Act[];
  /** What was done beside the order, in words, and how it is taken back. */
  readonly beside: readonly ({ readonly words: string } & Beside)[];
  /** The address now. */
  readonly address: () => string;
}

const never = (): Promise<never> => Promise.reject(new Error('this can’t be undone'));

/** Draws a screen. */
export function showScreen(
  Screen: ComponentType,
  { at, path = at.split('?')[0] ?? at, canAct = true, ...said }: ScreenSaid,
): ShownScreen {
  const acts: Act[] = [];
  const beside: ({ readonly words: string } & Beside)[] = [];
  const wrapper = studioOf({
    ...said,
    act: (act, then) => {
      acts.push(act);
      then?.onStored?.();
      return canAct;
    },
    did: (words, steps) => {
      beside.push({ words, ...(steps ?? { undo: never, redo: never }) });
    },
  });
  window.history.replaceState(null, '', at);
  render(
    <BrowserRouter>
      <Routes>
        <Route path={path} element={<Screen />} />
        <Route path="*" element={<p>another screen</p>} />
      </Routes>
    </BrowserRouter>,
    { wrapper },
  );
  return { acts, beside, address: () => `${window.location.pathname}${window.location.search}` };
}

/** Presses a key where the focus is. */
export const press = (key: string, modifiers: object = {}): void => {
  fireEvent.keyDown(document.activeElement ?? document.body, { key, ...modifiers });
};
