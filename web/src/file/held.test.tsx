/** @jest-environment jsdom */
import { describe, expect, it, jest } from '@jest/globals';
import { act, render, screen } from '@testing-library/react';
import type { MouseEvent } from 'react';
import {
  createHeldStore,
  findAround,
  HeldContext,
  isTakenFrom,
  useDragRole,
  useHeld,
  type HeldStore,
  type Press,
} from './held.ts';
import type { Target } from './model/drop-plan.ts';

const gull = { kind: 'plugins', plugin: 'gull' } as const;
const halls: Target = { kind: 'front', folder: 'halls' };
const plates: Target = { kind: 'front', folder: 'plates' };
const pressOf = (plugin: string): Press => ({
  dragged: { kind: 'plugins', plugin },
  element: document.createElement('div'),
  event: {} as MouseEvent,
});

/** A store with something of the list in the air. */
function holding(): HeldStore {
  const store = createHeldStore();
  store.press(pressOf('gull'));
  store.begin();
  return store;
}

describe('a press', () => {
  it('waits for what carries it, and is given once', () => {
    const store = createHeldStore();
    const press = pressOf('gull');
    store.press(press);
    const taken: Press[] = [];
    store.takePresses((one) => void taken.push(one))();
    store.takePresses((one) => void taken.push(one));
    expect(taken).toEqual([press]);
  });

  it('that was let go waits no longer', () => {
    const store = createHeldStore();
    store.press(pressOf('gull'));
    store.release();
    const take = jest.fn();
    store.takePresses(take);
    expect(take).not.toHaveBeenCalled();
  });

  it('is what comes into the air', () => {
    expect(holding().now()).toEqual({ dragged: gull, target: null, part: 'before' });
  });
});

describe('what is in the air', () => {
  it('tells when it comes over something else, and only then', () => {
    const store = holding();
    const heard = jest.fn();
    store.subscribe(heard);
    store.moveOver(halls, 'before');
    store.moveOver({ ...halls }, 'before');
    expect(heard).toHaveBeenCalledTimes(1);
    store.moveOver(halls, 'inside');
    store.moveOver(plates, 'inside');
    store.moveOver(null, 'inside');
    expect(heard).toHaveBeenCalledTimes(4);
  });

  it('is nothing once it was let go, whatever the pointer is over then', () => {
    const store = holding();
    store.end();
    store.moveOver(halls, 'before');
    expect(store.now()).toBeNull();
  });

  it('was taken from the list or from a folder', () => {
    const held = holding().now();
    expect(isTakenFrom(held, 'gull', undefined)).toBe(true);
    expect(isTakenFrom(held, 'gull', 'halls')).toBe(false);
    expect(isTakenFrom(held, 'tern', undefined)).toBe(false);
    expect(isTakenFrom(null, 'gull', undefined)).toBe(false);
  });
});

function Front({ folder, onDraw }: { folder: string; onDraw: (folder: string) => void }) {
  const ref = useDragRole<HTMLDivElement>({
    dragged: { kind: 'folder', folder },
    target: { kind: 'front', folder },
  });
  const isOver = useHeld((held) => held?.target?.kind === 'front' && held.target.folder === folder);
  onDraw(folder);
  return (
    <div ref={ref} className={isOver ? 'over' : ''}>
      <span>{folder}</span>
    </div>
  );
}

describe('on the screen', () => {
  const shown = (): { store: HeldStore; drawn: string[] } => {
    const store = holding();
    const drawn: string[] = [];
    render(
      <HeldContext value={store}>
        {['halls', 'plates', 'springs'].map((folder) => (
          <Front key={folder} folder={folder} onDraw={(one) => void drawn.push(one)} />
        ))}
      </HeldContext>,
    );
    drawn.length = 0;
    return { store, drawn };
  };

  it('draws what is left and what is entered, and nothing else', () => {
    const { store, drawn } = shown();
    act(() => {
      store.moveOver(halls, 'before');
    });
    expect(drawn).toEqual(['halls']);
    act(() => {
      store.moveOver(plates, 'before');
    });
    expect(drawn).toEqual(['halls', 'halls', 'plates']);
    expect(screen.getByText('plates').parentElement?.className).toBe('over');
  });

  it('finds the innermost that is asked for', () => {
    const { store } = shown();
    const name = screen.getByText('springs');
    expect(findAround(store, name, 'target')).toEqual({
      element: name.parentElement,
      what: { kind: 'front', folder: 'springs' },
    });
    expect(findAround(store, document.body, 'dragged')).toBeNull();
  });
});
