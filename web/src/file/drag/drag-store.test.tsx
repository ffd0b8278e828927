/** @jest-environment jsdom */
import { describe, expect, it, jest } from '@jest/globals';
import { act, render, screen } from '@testing-library/react';
import {
  createDragStore,
  findAround,
  DragContext,
  isTakenFrom,
  useDragRole,
  useDrag,
  type DragStore,
} from './drag-store.ts';
import type { Target } from '../model/drop-plan.ts';

const gull = { kind: 'plugins', plugin: 'gull' } as const;
const halls: Target = { kind: 'front', folder: 'halls' };
const plates: Target = { kind: 'front', folder: 'plates' };
/** A store with something of the list in the air. */
function holding(): DragStore {
  const store = createDragStore();
  store.begin(gull);
  return store;
}

describe('what is in the air', () => {
  it('is what was taken hold of, over nothing yet', () => {
    expect(holding().now()).toEqual({ dragged: gull, target: null, part: 'before' });
  });

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
    const drag = holding().now();
    expect(isTakenFrom(drag, 'gull', undefined)).toBe(true);
    expect(isTakenFrom(drag, 'gull', 'halls')).toBe(false);
    expect(isTakenFrom(drag, 'tern', undefined)).toBe(false);
    expect(isTakenFrom(null, 'gull', undefined)).toBe(false);
  });
});

function Front({ folder, onDraw }: { folder: string; onDraw: (folder: string) => void }) {
  const ref = useDragRole<HTMLDivElement>({
    dragged: { kind: 'folder', folder },
    target: { kind: 'front', folder },
  });
  const isOver = useDrag((drag) => drag?.target?.kind === 'front' && drag.target.folder === folder);
  onDraw(folder);
  return (
    <div ref={ref} className={isOver ? 'over' : ''}>
      <span>{folder}</span>
    </div>
  );
}

describe('on the screen', () => {
  const shown = (): { store: DragStore; drawn: string[] } => {
    const store = holding();
    const drawn: string[] = [];
    render(
      <DragContext value={store}>
        {['halls', 'plates', 'springs'].map((folder) => (
          <Front key={folder} folder={folder} onDraw={(one) => void drawn.push(one)} />
        ))}
      </DragContext>,
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
