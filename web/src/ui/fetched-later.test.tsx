/** @jest-environment jsdom */
import { expect, it } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import { fetchedLater } from './fetched-later.tsx';
import { NoticesProvider } from './notices.tsx';
import * as texts from './texts.ts';

const Meanwhile = () => <p>soon</p>;

it('shows what stands there meanwhile, and then what was fetched', async () => {
  const Part = fetchedLater(() => Promise.resolve(() => <p>there</p>), 'at once', Meanwhile);
  render(<Part />, { wrapper: NoticesProvider });
  expect(screen.getByText('soon')).not.toBeNull();
  expect(await screen.findByText('there')).not.toBeNull();
  expect(screen.queryByText('soon')).toBeNull();
});

it('tells what could not be fetched, and the screen stays', async () => {
  const Part = fetchedLater(() => Promise.reject(new Error('away')), 'at once', Meanwhile);
  render(<Part />, { wrapper: NoticesProvider });
  expect(await screen.findByText(texts.partIsMissing)).not.toBeNull();
  expect(screen.getByText('soon')).not.toBeNull();
});
