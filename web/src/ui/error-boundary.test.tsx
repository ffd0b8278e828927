/**
 * @jest-environment jsdom
 */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { ErrorBoundary } from './error-boundary.tsx';

let copied = '';

beforeEach(() => {
  // React tells of what was caught; that is not what is looked at here.
  jest.spyOn(globalThis.console, 'error').mockImplementation(() => undefined);
  Object.assign(navigator, {
    clipboard: {
      writeText: (text: string) => {
        copied = text;
        return Promise.resolve();
      },
    },
  });
});
afterEach(() => {
  cleanup();
  jest.restoreAllMocks();
});

function Fragile({ isBroken }: { isBroken: boolean }) {
  if (isBroken) {
    throw new Error('a drawer without a bottom');
  }
  return <p>whole</p>;
}

const page = (isBroken: boolean, at: string) => (
  <>
    <nav>still there</nav>
    <ErrorBoundary what="This screen" at={at}>
      <Fragile isBroken={isBroken} />
    </ErrorBoundary>
  </>
);

describe('a part that cannot be drawn', () => {
  it('says what happened and leaves the rest usable', () => {
    render(page(true, '/file'));
    expect([
      screen.getByRole('alert').textContent.includes('a drawer without a bottom'),
      screen.getByText('still there').tagName,
    ]).toEqual([true, 'NAV']);
  });
  it('offers to copy what happened, with the place in the code', () => {
    render(page(true, '/file'));
    fireEvent.click(screen.getByRole('button', { name: 'Copy the details' }));
    expect(copied).toMatch(/Error: a drawer without a bottom[\s\S]*Fragile/);
  });
  it('is drawn again where one went somewhere else', () => {
    const { rerender } = render(page(true, '/file'));
    rerender(page(false, '/load'));
    expect(screen.getByText('whole').tagName).toBe('P');
  });
});
