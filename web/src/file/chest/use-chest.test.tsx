/** @jest-environment jsdom */
import { describe, expect, it, jest } from '@jest/globals';
import { act, renderHook, screen } from '@testing-library/react';
import type { Act } from '@clever-drawer/core/acts';
import { asId } from '@clever-drawer/core/id';
import type { Folder, OrderRecord } from '@clever-drawer/core/order';
import { cabinetOf, folderOf } from '../../studio/order.test-data.ts';
import { studioOf } from '../../studio/studio.test-data.tsx';
import { useChest } from './use-chest.ts';

/** Two folders side by side; in the second another, and one in that. */
const folders = [
  folderOf('echoes', { position: 'G' }),
  folderOf('voices', { position: 'N' }),
  folderOf('breath', { parent: asId('voices') }),
  folderOf('whisper', { parent: asId('breath') }),
];

interface Given {
  readonly open?: string | null;
  readonly sortedBy?: 'name' | null;
  /** Whether acts can be done. */
  readonly isDone?: boolean;
}

/** The chest with a folder open, what was done to it, and what it opened. */
function chest({ open = null, sortedBy = null, isDone = true }: Given = {}) {
  const acts: Act[] = [];
  const setOpen = jest.fn<(folder: string | null) => undefined>();
  const records: readonly OrderRecord[] = [cabinetOf('c', { sortedBy }), ...folders];
  const wrapper = studioOf({
    records,
    act: (wanted) => {
      acts.push(wanted);
      return isDone;
    },
  });
  const commands = {
    setOpen,
    choose: () => undefined,
    moveOn: () => undefined,
    file: () => undefined,
    openMenu: () => undefined,
  };
  const { result } = renderHook(() => useChest(open, commands), { wrapper });
  const doing = (run: (chest: typeof result.current.acts) => void): void => {
    act(() => {
      run(result.current.acts);
    });
  };
  return { acts, opened: () => setOpen.mock.calls.map(([one]) => one), doing, now: result };
}
const folderCalled = (id: string): Folder => {
  const found = folders.find((one) => one.id === id);
  if (!found) {
    throw new Error(`no ${id}`);
  }
  return found;
};

describe('opening', () => {
  it('shows the open folder with all that it stands in', () => {
    expect(chest({ open: 'whisper' }).now.current.path).toEqual(['voices', 'breath', 'whisper']);
    expect(chest({ open: 'gone' }).now.current.path).toEqual([]);
  });
  it('a folder opens it, and one that is open is closed to what it stands in', () => {
    const { doing, opened } = chest({ open: 'whisper' });
    doing(({ toggle }) => {
      toggle('echoes');
      toggle('breath');
      toggle('voices');
    });
    expect(opened()).toEqual(['echoes', 'voices', null]);
  });
  it('happens where a folder is to be made inside', () => {
    const { doing, opened, now } = chest();
    doing(({ addBelow }) => {
      addBelow('echoes');
    });
    expect(opened()).toEqual(['echoes']);
    expect(now.current.editing).toEqual({ what: 'new', parent: 'echoes' });
    doing(({ rename }) => {
      rename('voices');
    });
    expect(now.current.editing).toEqual({ what: 'change', folder: 'voices' });
  });
});

describe('moving a folder', () => {
  it('goes one place along its row, and nowhere at its end', () => {
    const { doing, acts } = chest();
    doing(({ shift }) => {
      shift('voices', -1);
      shift('voices', 1);
      shift('gone', 1);
    });
    expect(acts).toEqual([
      { act: 'move-folder', folder: 'voices', parent: null, before: 'echoes' },
    ]);
  });
  it('says where its name decides, and moves nothing', () => {
    const { doing, acts } = chest({ sortedBy: 'name' });
    doing(({ shift }) => {
      shift('voices', -1);
    });
    expect(acts).toEqual([]);
    expect(screen.getByTestId('notice').textContent).toContain('Everyday');
  });
  it('goes into another one, which opens where that was done', () => {
    const { doing, acts, opened } = chest();
    doing(({ moveInto }) => {
      moveInto('echoes', 'voices');
    });
    expect(acts).toEqual([
      { act: 'move-folder', folder: 'echoes', parent: 'voices', before: null },
    ]);
    expect(opened()).toEqual(['voices']);
    const refused = chest({ isDone: false });
    refused.doing(({ moveInto }) => {
      moveInto('voices', 'whisper');
    });
    expect(refused.opened()).toEqual([]);
  });
  it('goes out of the one it stands in, behind that; one that stands in none stays', () => {
    const { doing, acts, now } = chest();
    doing(({ moveOut }) => {
      moveOut(folderCalled('whisper'));
      moveOut(folderCalled('echoes'));
    });
    expect(acts).toEqual([
      { act: 'move-folder', folder: 'whisper', parent: 'voices', before: null },
    ]);
    expect(now.current.acts.neighbourAbove(folderCalled('voices'))?.id).toBe('echoes');
    expect(now.current.acts.neighbourAbove(folderCalled('echoes'))).toBeUndefined();
  });
});

describe('removing a folder', () => {
  const remove = (id: string, given: Given): readonly (string | null)[] => {
    const { doing, opened, acts } = chest(given);
    doing((done) => {
      done.remove(id);
    });
    expect(acts).toEqual([{ act: 'remove-folder', folder: id }]);
    return opened();
  };
  it('that is open, or holds what is, opens what it stood in', () => {
    expect(remove('whisper', { open: 'whisper' })).toEqual(['breath']);
    expect(remove('voices', { open: 'whisper' })).toEqual([null]);
  });
  it('leaves what is open elsewhere', () => {
    expect(remove('echoes', { open: 'whisper' })).toEqual([]);
  });
  it('that could not be removed leaves it open', () => {
    expect(remove('whisper', { open: 'whisper', isDone: false })).toEqual([]);
  });
});
