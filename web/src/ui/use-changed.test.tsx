/** @jest-environment jsdom */
import { expect, it } from '@jest/globals';
import { renderHook } from '@testing-library/react';
import { useChanged } from './use-changed.ts';

it('what follows from a value is done when it became another one, and not for the first', () => {
  const done: string[] = [];
  const { rerender } = renderHook(
    ({ value, who }) => {
      useChanged(value, (now) => {
        done.push(`${who} ${now}`);
      });
    },
    { initialProps: { value: 'ebb', who: 'a' } },
  );
  rerender({ value: 'ebb', who: 'b' });
  expect(done).toEqual([]);
  rerender({ value: 'flow', who: 'c' });
  rerender({ value: 'flow', who: 'd' });
  expect(done).toEqual(['c flow']);
});
