/** @jest-environment jsdom */
import { expect, it } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { dialogOf, fetchedBehind, partOf } from './behind.ts';
import { isDialogOpen } from './keys.ts';
import { NoticesProvider } from './notices.tsx';
import * as texts from './texts.ts';
import { typedAhead } from './typed-ahead.ts';

const Dialog = ({ name }: { readonly name: string }) => <p>Rename {name}</p>;

function Field() {
  const [letters] = useState(typedAhead);
  return <input value={letters} readOnly />;
}

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

it('gives the letters that were typed meanwhile to the field of the dialog, and to no later one', async () => {
  const dialogs = fetchedBehind(() => Promise.resolve({ Field }));
  const Asked = dialogOf(dialogs, (module) => module.Field);
  const { unmount } = render(<Asked />);
  for (const key of ['S', 'i', 'l', 'x', 'Backspace', 't', 'Shift']) {
    fireEvent.keyDown(document.body, { key });
  }
  expect(await screen.findByRole('textbox')).toHaveProperty('value', 'Silt');
  unmount();
  render(<Asked />);
  expect(screen.getByRole('textbox')).toHaveProperty('value', '');
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
