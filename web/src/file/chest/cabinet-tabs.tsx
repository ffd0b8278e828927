/** The cabinets as tabs over the chest, which are dragged into another order, with a menu for the one that is shown. */
import { Plus } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { ActOf } from '@clever-drawer/core/acts';
import type { Cabinet } from '@clever-drawer/core/order';
import { useActs, useArrangement } from '../../studio/contexts.ts';
import { CabinetForm, CabinetMenu } from '../forms/behind.ts';
import { useDragRole, useDrag, type Drag } from '../drag/drag-store.ts';
import * as texts from '../texts.ts';

/** How long something dragged rests on a tab before its cabinet opens. Milliseconds. */
const openAfter = 500;

export function CabinetTabs() {
  const { act } = useActs();
  const { cabinet, chooseCabinet } = useArrangement();
  const [form, setForm] = useState<'new' | Cabinet | null>(null);
  const make = (made: ActOf<'add-cabinet'>): void => {
    if (act(made)) {
      chooseCabinet(made.id);
    }
  };
  return (
    <div className="cabinet-tabs">
      <TabRow />
      <button
        type="button"
        className="new-cabinet"
        title={texts.aNewCabinetWhole}
        onClick={() => {
          setForm('new');
        }}
      >
        <Plus size={14} aria-hidden />
        <span className="visually-hidden">{texts.newCabinet}</span>
      </button>
      {cabinet && (
        <CabinetMenu
          cabinet={cabinet}
          onChange={() => {
            setForm(cabinet);
          }}
          onMake={make}
        />
      )}
      {form !== null && (
        <CabinetForm
          cabinet={form === 'new' ? null : form}
          onMake={make}
          onClose={() => {
            setForm(null);
          }}
        />
      )}
    </div>
  );
}

function TabRow() {
  const { cabinets, cabinet, chooseCabinet } = useArrangement();
  return (
    <div role="tablist" aria-label={texts.cabinets}>
      {cabinets.map((one) => (
        <Tab
          key={one.id}
          cabinet={one}
          isShown={one.id === cabinet?.id}
          onShow={() => {
            chooseCabinet(one.id);
          }}
        />
      ))}
    </div>
  );
}

/** How a tab looks while something is in the air: what rests on it has its cabinet opened. */
function lookOf({ id }: Cabinet, drag: Drag | null): '' | 'dragged' | 'takes' | 'opening' {
  if (drag?.dragged.kind === 'cabinet' && drag.dragged.cabinet === id) {
    return 'dragged';
  }
  if (drag?.target?.kind !== 'cabinet' || drag.target.cabinet !== id) {
    return '';
  }
  return drag.dragged.kind === 'cabinet' ? 'takes' : 'opening';
}

interface TabProps {
  readonly cabinet: Cabinet;
  readonly isShown: boolean;
  readonly onShow: () => void;
}

function Tab({ cabinet, isShown, onShow }: TabProps) {
  const ref = useDragRole<HTMLButtonElement>({
    dragged: { kind: 'cabinet', cabinet: cabinet.id },
    target: { kind: 'cabinet', cabinet: cabinet.id },
  });
  const look = useDrag((drag) => lookOf(cabinet, drag));
  const isOver = look === 'opening';
  useEffect(() => {
    if (!isOver || isShown) {
      return;
    }
    const timer = setTimeout(onShow, openAfter);
    return () => {
      clearTimeout(timer);
    };
  }, [isOver, isShown, onShow]);
  return (
    <button
      ref={ref}
      type="button"
      role="tab"
      aria-selected={isShown}
      className={`cabinet-tab hand ${look}`}
      onClick={onShow}
    >
      {cabinet.name}
    </button>
  );
}
