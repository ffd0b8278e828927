/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import type { OrderRecord } from '@clever-drawer/core/order';
import { copyOf, pluginOf } from '@clever-drawer/core/testing';
import { cabinetOf, folderOf } from '../studio/order.test-data.ts';
import { readDraft } from '../ui/draft-text.ts';
import {
  press,
  showScreen,
  type ScreenSaid,
  type ShownScreen,
} from '../studio/screen.test-data.tsx';

const { RuleScreen } = await import('./rule-screen.tsx');

const there = (name: string, more: Partial<Plugin> = {}): Plugin =>
  pluginOf(name, { vendor: 'Quoin', copies: [copyOf(name)], ...more });

const plugins = [
  there('Wharf Echo', { types: ['delay/tape'] }),
  there('Harbour Echo', { types: ['delay/tape'], vendor: 'Mothlight' }),
  there('Sluice', { types: ['dynamics/compressor'] }),
];
const echoes = { field: 'name', relation: 'has', values: ['echo'] } as const;
const smart = folderOf('Echoes', {
  form: 'smart',
  rule: { cards: [{ lines: [echoes] }], never: [] },
});
const records: readonly OrderRecord[] = [cabinetOf('c'), folderOf('Plain'), smart];

const show = (folder: string, said: Partial<ScreenSaid> = {}): ShownScreen =>
  showScreen(RuleScreen, {
    at: `/rule/${folder}`,
    path: '/rule/:folder',
    plugins,
    records,
    ...said,
  });

const text = (): HTMLTextAreaElement => screen.getByRole('textbox', { name: /^As text/ });
const write = (rule: string): void => {
  fireEvent.change(text(), { target: { value: rule } });
};
const counts = (): (string | null)[] =>
  screen.getAllByTestId('figure').map((figure) => figure.textContent);
const inside = (): (string | null | undefined)[] =>
  within(screen.getByRole('list', { name: 'Inside' }))
    .queryAllByRole('listitem')
    .map((row) => row.querySelector('.name')?.textContent);
const button = (name: string | RegExp): HTMLElement => screen.getByRole('button', { name });

beforeEach(() => {
  localStorage.clear();
  sessionStorage.clear();
});
afterEach(cleanup);

describe('a rule that cannot be edited', () => {
  it('of an ordinary folder, says that it has none', () => {
    show('Plain');
    expect(screen.getByRole('heading').textContent).toBe('Plain has no rule');
    expect(screen.getByRole('link').getAttribute('href')).toBe('/file');
  });
  it('of a folder that is gone, says so', () => {
    show('nothing');
    expect(screen.getByRole('heading').textContent).toBe('This folder has been removed');
  });
  it('without a cabinet has nowhere to be', () => {
    show('new', { records: [] });
    expect(screen.getByRole('heading').textContent).toBe('There is no cabinet yet');
  });
  it('shown in another cabinet, is that of the folder meant', () => {
    show('Shortcut', {
      records: [...records, folderOf('Shortcut', { form: 'smart', shortcutTo: smart.id })],
    });
    expect(screen.getByRole('heading', { name: 'The rule of Echoes' })).toBeTruthy();
  });
});

describe('the rule of a smart folder', () => {
  it('is a sentence, cards and text, with what is inside and why', () => {
    show('Echoes');
    expect(text().value).toBe('name has echo');
    expect(screen.getByRole('group', { name: 'Condition 1' })).toBeTruthy();
    expect(counts()).toEqual(['2 inside', '+0 would join', '−0 would leave']);
    expect(inside().sort()).toEqual(['Harbour Echo', 'Wharf Echo']);
    expect([...document.querySelectorAll('mark')].map((one) => one.textContent)).toEqual([
      'Echo',
      'Echo',
    ]);
  });

  it('says what would join and leave, before it is saved as one act', () => {
    const { acts, address } = show('Echoes');
    write('name has wharf, sluice');
    expect(counts()).toEqual(['2 inside', '+1 would join', '−1 would leave']);
    expect(inside().sort()).toEqual(['Harbour Echo', 'Sluice', 'Wharf Echo']);
    fireEvent.click(button(/^Save/));
    expect(acts).toEqual([
      {
        act: 'set-rule',
        folder: 'Echoes',
        name: 'Echoes',
        rule: {
          cards: [{ lines: [{ field: 'name', relation: 'has', values: ['wharf', 'sluice'] }] }],
          never: [],
        },
        smart: { alwaysIn: [], alwaysOut: [], sortedBy: null, atMost: null },
      },
    ]);
    expect(address()).toBe('/file?open=Echoes');
  });

  it('is saved by a key, and left by another', () => {
    const { acts } = show('Echoes');
    fireEvent.keyDown(text(), { key: 's', ctrlKey: true });
    expect(acts).toHaveLength(1);
    cleanup();
    const { address } = show('Echoes');
    press('Escape');
    expect(address()).toBe('/file?open=Echoes');
  });

  it('stays where it is when it cannot be saved', () => {
    const { address } = show('Echoes', { canAct: false });
    fireEvent.click(button(/^Save/));
    expect(address()).toBe('/rule/Echoes');
  });

  it('is refused with a reason while something is missing', () => {
    const { acts } = show('Echoes');
    const save = (): void => {
      fireEvent.click(button(/^Save/));
    };
    fireEvent.change(screen.getByLabelText('Name'), { target: { value: ' ' } });
    save();
    expect(screen.getByText('The folder needs a name before it can be saved.')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Echoes' } });
    fireEvent.click(button('Add condition (and)'));
    save();
    expect(screen.getByText(/^A condition has no value yet/)).toBeTruthy();
    fireEvent.click(button('Remove condition 2'));
    fireEvent.click(button('Remove condition 1'));
    save();
    expect(screen.getByText(/^A rule needs at least one condition/)).toBeTruthy();
    write('name wants echo');
    save();
    expect(screen.getByText(/^The text is not understood yet/)).toBeTruthy();
    expect(acts).toEqual([]);
  });

  it('wrong as text, says where, and goes back to the cards', () => {
    show('Echoes');
    write('name wants echo');
    const alert = screen.getByRole('alert');
    expect(alert.textContent).toContain('Line 1, column 6');
    expect(text().className).toContain('is-invalid');
    // What was understood last still holds.
    expect(counts()[0]).toBe('2 inside');
    fireEvent.click(button('Back to the cards'));
    expect(text().value).toBe('name has echo');
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

describe('lines and cards', () => {
  it('change what they ask about and how they compare', () => {
    show('Echoes');
    fireEvent.change(screen.getByLabelText('What it asks about'), { target: { value: 'vendor' } });
    expect(text().value).not.toContain('name');
    fireEvent.change(screen.getByLabelText('What it asks about'), { target: { value: 'name' } });
    fireEvent.change(screen.getByLabelText('How it compares'), {
      target: { value: 'starts with' },
    });
    const field = screen.getByRole('combobox', { name: 'name starts with: add a value' });
    fireEvent.change(field, { target: { value: 'wharf' } });
    fireEvent.keyDown(field, { key: ',' });
    expect(text().value).toBe('name starts with echo, wharf');
    expect(inside()).toContain('Wharf Echo');
    fireEvent.keyDown(field, { key: 'Backspace' });
    expect(screen.queryByRole('button', { name: 'Drop wharf' })).toBeNull();
  });

  it('take one of several cards, and an exception', () => {
    show('Echoes');
    write('name has wharf\n\nname has harbour\n\nnever\nvendor is Mothlight');
    expect(screen.getByRole('region', { name: 'This is true, card 2' })).toBeTruthy();
    expect(screen.getByRole('region', { name: /^Except when/ })).toBeTruthy();
    expect(counts()).toEqual(['1 inside', '+0 would join', '−1 would leave']);
    fireEvent.click(button('Add alternative (or)'));
    fireEvent.click(button('Add another exception'));
    expect(screen.getByRole('region', { name: 'This is true, card 3' })).toBeTruthy();
    expect(screen.getAllByRole('region', { name: /^Except when/ })).toHaveLength(2);
  });

  it('that let nothing in, or what another lets in already, are warned of', async () => {
    show('Echoes');
    write('name has zzz\n\nname has echo\n\nname has echo\nvendor is Quoin');
    expect(await screen.findByText('No plugin meets this condition.')).toBeTruthy();
    expect(
      await screen.findByText('Card 2 already matches everything this card does.'),
    ).toBeTruthy();
    write('name has wharf\nname has sluice');
    expect(await screen.findByText('No plugin meets all of these at once.')).toBeTruthy();
    write('name has echo\n\nnever\nname has echo');
    expect(await screen.findByText(/^The exceptions remove everything/)).toBeTruthy();
  });

  it('of numbers and times have fields of their own', () => {
    show('Echoes');
    write('times loaded at least 3');
    const number = screen.getByLabelText<HTMLInputElement>('times loaded at least, number');
    expect(number.value).toBe('3');
    fireEvent.change(number, { target: { value: '5' } });
    expect(text().value).toBe('times loaded at least 5');
    write('arrived within the last 2 weeks');
    fireEvent.change(screen.getByLabelText(/^arrived within the last, how many/), {
      target: { value: '3' },
    });
    expect(text().value).toBe('arrived within the last 3 weeks');
    fireEvent.change(screen.getByLabelText(/^arrived within the last, of what/), {
      target: { value: 'months' },
    });
    expect(text().value).toBe('arrived within the last 3 months');
    fireEvent.change(screen.getByLabelText('How it compares'), { target: { value: 'before' } });
    fireEvent.change(screen.getByLabelText('arrived before, day'), {
      target: { value: '2026-05-01' },
    });
    expect(text().value).toBe('arrived before 2026-05-01');
  });

  it('offer what the catalog knows, and refuse what it does not', async () => {
    show('Echoes');
    write('vendor is Quoin');
    const field = screen.getByRole('combobox', { name: 'vendor is: add a value' });
    fireEvent.focus(field);
    fireEvent.click(await screen.findByRole('option', { name: /^Mothlight/ }));
    expect(text().value).toBe('vendor is Quoin, Mothlight');
    fireEvent.click(button('Remove Quoin'));
    expect(text().value).toBe('vendor is Mothlight');
  });
});

describe('what is kept by hand', () => {
  it('is kept out, let in, and left to the rule again', () => {
    const { acts } = show('Echoes');
    fireEvent.click(button('Exclude: Wharf Echo'));
    expect(counts()).toEqual(['1 inside', '+0 would join', '−1 would leave']);
    const byHand = screen.getByRole('region', { name: 'By hand' });
    expect(within(byHand).getByRole('listitem').textContent).toContain(
      'Wharf Echo always excluded',
    );
    fireEvent.click(within(byHand).getByRole('button', { name: 'Let the rule decide' }));
    expect(screen.queryByRole('region', { name: 'By hand' })).toBeNull();
    fireEvent.click(button('Exclude: Wharf Echo'));
    fireEvent.click(button('Include: Wharf Echo'));
    expect(screen.getByRole('region', { name: 'By hand' }).textContent).toContain(
      'Wharf Echo always in',
    );
    fireEvent.click(button(/^Save/));
    expect(acts).toMatchObject([{ smart: { alwaysIn: ['wharf echo'], alwaysOut: [] } }]);
  });

  it('is let in from what is just outside', async () => {
    show('Echoes');
    write('name has echo\nvendor is Quoin');
    const near = await screen.findByRole('region', { name: 'Near misses' });
    fireEvent.click(within(near).getByRole('button', { name: 'Include: Harbour Echo' }));
    expect(counts()[0]).toBe('2 inside');
    expect(screen.getByText('always included, by hand')).toBeTruthy();
  });

  it('that is gone from the catalog still stands there', () => {
    show('Echoes', {
      records: [cabinetOf('c'), { ...smart, alwaysIn: [asId('lost')] }],
    });
    expect(screen.getByRole('region', { name: 'By hand' }).textContent).toContain(
      'a plugin that is gone',
    );
    expect(counts()[0]).toBe('2 inside');
  });
});

describe('how many it shows, and in which order', () => {
  it('is chosen; only some are shown by use at first', () => {
    const { acts } = show('Echoes');
    expect(screen.queryByLabelText('Limit')).toBeNull();
    fireEvent.change(screen.getByLabelText('How many it shows'), { target: { value: 'some' } });
    expect(screen.getByLabelText<HTMLSelectElement>('In which order').value).toBe('lately');
    const most = screen.getByLabelText<HTMLInputElement>('Limit');
    expect(most.value).toBe('20');
    fireEvent.change(most, { target: { value: '-3' } });
    expect(most.value).toBe('1');
    fireEvent.change(most, { target: { value: '90000' } });
    expect(most.value).toBe('20000');
    fireEvent.change(screen.getByLabelText('In which order'), { target: { value: '' } });
    fireEvent.click(button(/^Save/));
    expect(acts).toMatchObject([{ smart: { sortedBy: null, atMost: 20_000 } }]);
  });

  it('of a folder that shows some, nothing leaves by that alone', () => {
    show('Echoes', {
      records: [cabinetOf('c'), { ...smart, atMost: 1, alwaysOut: [asId('sluice')] }],
    });
    expect(counts()).toEqual(['2 inside', '+0 would join', '−0 would leave']);
  });
});

describe('a new smart folder', () => {
  it('starts with what was given, below a folder, and has a name of its own', () => {
    const { acts } = show('new?text=name%20has%20sluice&name=Gates&parent=Plain', {
      path: '/rule/:folder',
    });
    expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe('Gates');
    expect(counts()).toEqual(['1 inside']);
    fireEvent.click(button(/^Save/));
    expect(acts).toMatchObject([
      {
        act: 'add-folder',
        cabinet: 'c',
        parent: 'Plain',
        form: 'smart',
        name: 'Gates',
        before: null,
      },
    ]);
  });

  it('begins from a ready rule, which names it where it has no name', async () => {
    show('new');
    const begin = async (name: RegExp): Promise<void> => {
      fireEvent.click(button('Start from a ready-made rule …'));
      fireEvent.click(await screen.findByRole('button', { name }));
    };
    await begin(/^All by Quoin/);
    expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe('Quoin');
    expect(counts()).toEqual(['2 inside']);
    await begin(/^All by Mothlight/);
    expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe('Quoin');
    expect(counts()).toEqual(['1 inside']);
  });

  it('goes on from what was not saved, or starts anew', async () => {
    show('new');
    fireEvent.change(screen.getByLabelText('Name'), { target: { value: 'Unfinished' } });
    await waitFor(() => {
      expect(readDraft('rule new c ')).toContain('Unfinished');
    });
    cleanup();
    show('new');
    expect(screen.getByText(/^Unsaved draft restored/)).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe('Unfinished');
    fireEvent.click(button('Start over'));
    expect(screen.getByLabelText<HTMLInputElement>('Name').value).toBe('');
  });
});
