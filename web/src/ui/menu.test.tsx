/** @jest-environment jsdom */
import { expect, it, jest } from '@jest/globals';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { MenuItem } from './menu-item.tsx';
import { Menu } from './menu.tsx';

/** Does it, and lets the menu find its place. */
const settled = (does: () => void): Promise<void> =>
  act(async () => {
    does();
    await new Promise((resolve) => {
      setTimeout(resolve);
    });
  });

const shown = (onSelect: (key: string) => void): HTMLElement => {
  render(
    <Menu
      className="word"
      label="Vendor: any"
      onSelect={onSelect}
      items={<MenuItem eventKey="a">A</MenuItem>}
    >
      any
    </Menu>,
  );
  return screen.getByRole('button', { name: 'Vendor: any' });
};

it('is a button that says it is closed, and makes no items', () => {
  const button = shown(() => undefined);
  expect(button.getAttribute('aria-expanded')).toBe('false');
  expect(button.className).toBe('word dropdown-toggle');
  expect(screen.queryByText('A')).toBeNull();
});

it('opens by a press, keeps the focus on its button, and tells what was chosen', async () => {
  const onSelect = jest.fn();
  const button = shown(onSelect);
  button.focus();
  await settled(() => fireEvent.click(button));
  const item = await screen.findByText('A');
  await settled(() => fireEvent.click(item));
  expect(onSelect).toHaveBeenCalledWith('a');
  const after = screen.getByRole('button', { name: 'Vendor: any' });
  expect(document.activeElement).toBe(after);
  expect(after.getAttribute('aria-expanded')).toBe('false');
});

it('opens by the key that goes down, closes by Esc, and opens again', async () => {
  const button = shown(() => undefined);
  await settled(() => fireEvent.keyDown(button, { key: 'ArrowDown' }));
  await screen.findByText('A');
  const open = screen.getByRole('button', { name: 'Vendor: any' });
  expect(open.getAttribute('aria-expanded')).toBe('true');
  await settled(() => fireEvent.keyDown(open, { key: 'Escape' }));
  expect(open.getAttribute('aria-expanded')).toBe('false');
  await settled(() => fireEvent.click(open));
  expect(open.getAttribute('aria-expanded')).toBe('true');
});
