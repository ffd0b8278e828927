/** The cabinets as tabs over the chest, with what can be done to each. */
import { useDroppable } from '@dnd-kit/core';
import { MoreHorizontal, Plus } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Dropdown } from 'react-bootstrap';
import { allFolders, asId, planLike, type Cabinet } from '@clever-drawer/core';
import { useActs, useArrangement, useOrder } from '../studio/contexts.ts';
import { MenuItem } from '../ui/menu-item.tsx';
import { addCabinetAct, shareFavouritesAct } from './model/acts.ts';
import { CabinetForm } from './cabinet-form.tsx';

/** How long something dragged rests on a tab before its cabinet opens. Milliseconds. */
const openAfter = 500;

export function CabinetTabs() {
  const { order } = useOrder();
  const { act } = useActs();
  const { cabinet, chooseCabinet } = useArrangement();
  const [form, setForm] = useState<'new' | Cabinet | null>(null);
  const make = (made: ReturnType<typeof addCabinetAct>): void => {
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
        title="A new cabinet: another whole arrangement"
        onClick={() => {
          setForm('new');
        }}
      >
        <Plus size={14} aria-hidden />
        <span className="visually-hidden">New cabinet</span>
      </button>
      {cabinet && (
        <CabinetMenu
          cabinet={cabinet}
          onChange={() => {
            setForm(cabinet);
          }}
          onDuplicate={() => {
            make(
              addCabinetAct(
                `${cabinet.name}, again`,
                cabinet.opensFor,
                planLike(order.records, cabinet, true),
              ),
            );
          }}
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
    <div role="tablist" aria-label="Cabinets">
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

interface TabProps {
  readonly cabinet: Cabinet;
  readonly isShown: boolean;
  readonly onShow: () => void;
}

function Tab({ cabinet, isShown, onShow }: TabProps) {
  const { setNodeRef, isOver } = useDroppable({
    id: `cabinet:${cabinet.id}`,
    data: { kind: 'cabinet' },
  });
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
      ref={setNodeRef}
      type="button"
      role="tab"
      aria-selected={isShown}
      className={`cabinet-tab hand ${isOver ? 'opening' : ''}`}
      onClick={onShow}
    >
      {cabinet.name}
    </button>
  );
}

/** Whether favourites are one for all cabinets is the user's choice. */
function ShareItem({ cabinet }: { cabinet: Cabinet }) {
  const { order } = useOrder();
  const { act } = useActs();
  const favourites = allFolders(order.records).filter((f) => f.form === 'favourites');
  const own = favourites.find((f) => f.cabinet === cabinet.id);
  const isShared = favourites.some((f) => f.shortcutTo !== null);
  return (
    own && (
      <MenuItem
        onClick={() => {
          act(shareFavouritesAct(order.records, isShared ? null : own.id));
        }}
      >
        {isShared
          ? 'Favourites of its own for each cabinet'
          : 'One favourites folder for all cabinets'}
      </MenuItem>
    )
  );
}

interface CabinetMenuProps {
  readonly cabinet: Cabinet;
  readonly onChange: () => void;
  readonly onDuplicate: () => void;
}

function CabinetMenu({ cabinet, onChange, onDuplicate }: CabinetMenuProps) {
  const { cabinets } = useArrangement();
  const at = cabinets.findIndex((one) => one.id === cabinet.id);
  const before = cabinets[at - 1];
  const behind = cabinets[at + 1];
  return (
    <Dropdown className="cabinet-menu">
      <Dropdown.Toggle
        as="button"
        type="button"
        className="menu-dots always"
        aria-label={`Actions for the cabinet ${cabinet.name}`}
      >
        <MoreHorizontal size={15} aria-hidden />
      </Dropdown.Toggle>
      <CabinetItems
        onChange={onChange}
        onDuplicate={onDuplicate}
        before={before}
        cabinet={cabinet}
        behind={behind}
        at={at}
      />
    </Dropdown>
  );
}

interface CabinetItemsProps {
  readonly onChange: () => void;
  readonly onDuplicate: () => void;
  readonly before: Cabinet | undefined;
  readonly cabinet: Cabinet;
  readonly behind: Cabinet | undefined;
  readonly at: number;
}

function CabinetItems({ onChange, onDuplicate, before, cabinet, behind, at }: CabinetItemsProps) {
  const { act } = useActs();
  const { cabinets } = useArrangement();
  return (
    <Dropdown.Menu align="end">
      <MenuItem onClick={onChange}>Name and slots …</MenuItem>
      <MenuItem onClick={onDuplicate}>Duplicate</MenuItem>
      {before && (
        <MenuItem
          onClick={() => {
            act({ act: 'move-cabinet', cabinet: cabinet.id, before: before.id });
          }}
        >
          Put before {before.name}
        </MenuItem>
      )}
      {behind && (
        <MenuItem
          onClick={() => {
            act({
              act: 'move-cabinet',
              cabinet: cabinet.id,
              before: cabinets[at + 2]?.id ?? null,
            });
          }}
        >
          Put behind {behind.name}
        </MenuItem>
      )}
      <MenuItem
        onClick={() => {
          act({
            act: 'set-cabinet',
            cabinet: cabinet.id,
            set: { sortedBy: cabinet.sortedBy ? null : 'name' },
          });
        }}
      >
        {cabinet.sortedBy ? 'My own order of folders' : 'Folders by name, between the dividers'}
      </MenuItem>
      {cabinets.length > 1 && <ShareItem cabinet={cabinet} />}
      <Dropdown.Divider />
      <MenuItem
        onClick={() => {
          act({ act: 'remove-cabinet', cabinet: asId(cabinet.id) });
        }}
      >
        Remove the cabinet (its plugins stay in the catalog)
      </MenuItem>
    </Dropdown.Menu>
  );
}
