/** @jest-environment jsdom */
import { expect, it } from '@jest/globals';
import { render, screen } from '@testing-library/react';
import { dialogOf, fetchedBehind, partOf } from './behind.ts';
import { isDialogOpen } from './keys.ts';
import { NoticesProvider } from './notices.tsx';
import * as texts from './texts.ts';

const Dialog = ({ name }: { readonly name: string }) => <p>Rename {name}</p>;

it('is fetched once, whoever draws a part of it, and drawn when it is there', async () => {
  let asked = 0;
  const dialogs = fetchedBehind(() => {
    asked += 1;
    return Promise.resolve({ Dialog });
  });
  const Part = partOf(dialogs, (module) => module.Dialog);
  render(
    <>
      <Part name="Silt" />
      <Part name="Kelp" />
    </>,
  );
  expect(screen.queryByText('Rename Silt')).toBeNull();
  await screen.findByText('Rename Silt');
  expect([screen.getAllByText(/^Rename/).length, asked]).toEqual([2, 1]);
});

it('keeps the keys of the screen quiet while a dialog is on its way', async () => {
  const dialogs = fetchedBehind(() => Promise.resolve({ Dialog }));
  const Asked = dialogOf(dialogs, (module) => module.Dialog);
  render(<Asked name="Silt" />);
  expect(isDialogOpen()).toBe(true);
  await screen.findByText('Rename Silt');
  expect(isDialogOpen()).toBe(false);
});

it('tells where it could not be fetched, and is asked for again by the next one', async () => {
  let isThere = false;
  const dialogs = fetchedBehind(() =>
    isThere ? Promise.resolve({ Dialog }) : Promise.reject(new Error('no server')),
  );
  const Part = partOf(dialogs, (module) => module.Dialog);
  const { unmount } = render(
    <NoticesProvider>
      <Part name="Silt" />
    </NoticesProvider>,
  );
  await screen.findByText(texts.partIsMissing);
  unmount();
  isThere = true;
  render(<Part name="Silt" />);
  await screen.findByText('Rename Silt');
});
