/** What can be done to the cabinet that is shown. */
import { MoreHorizontal } from 'lucide-react';
import { Dropdown } from 'react-bootstrap';
import type { ActOf } from '@clever-drawer/core/acts';
import { asId } from '@clever-drawer/core/id';
import { allFolders, type Cabinet } from '@clever-drawer/core/order';
import { planLike } from '@clever-drawer/core/plans';
import { useActs, useArrangement, useOrder } from '../../studio/contexts.ts';
import { MenuItem } from '../../ui/menu-item.tsx';
import { addCabinetAct, shareFavouritesAct } from '../model/acts.ts';
import * as formTexts from '../forms/texts.ts';

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
          ? formTexts.separateFavouritesForEachCabinet
          : formTexts.oneFavouritesFolderForAllCabinets}
      </MenuItem>
    )
  );
}

interface CabinetMenuProps {
  readonly cabinet: Cabinet;
  readonly onChange: () => void;
  readonly onMake: (made: ActOf<'add-cabinet'>) => void;
}

export function CabinetMenu({ cabinet, onChange, onMake }: CabinetMenuProps) {
  const { order } = useOrder();
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
        aria-label={formTexts.actionsForTheCabinet(cabinet.name)}
      >
        <MoreHorizontal size={15} aria-hidden />
      </Dropdown.Toggle>
      <CabinetItems
        onChange={onChange}
        onDuplicate={() => {
          onMake(
            addCabinetAct(
              formTexts.again(cabinet.name),
              cabinet.opensFor,
              planLike(order.records, cabinet, true),
            ),
          );
        }}
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
      <MenuItem onClick={onChange}>{formTexts.nameAndSlots}</MenuItem>
      <MenuItem onClick={onDuplicate}>{formTexts.duplicate}</MenuItem>
      {before && (
        <MenuItem
          onClick={() => {
            act({ act: 'move-cabinet', cabinet: cabinet.id, before: before.id });
          }}
        >
          {formTexts.moveBefore(before.name)}
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
          {formTexts.moveAfter(behind.name)}
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
        {cabinet.sortedBy ? formTexts.myOwnOrderOfFolders : formTexts.foldersByName}
      </MenuItem>
      {cabinets.length > 1 && <ShareItem cabinet={cabinet} />}
      <Dropdown.Divider />
      <MenuItem
        onClick={() => {
          act({ act: 'remove-cabinet', cabinet: asId(cabinet.id) });
        }}
      >
        {formTexts.removeTheCabinetItsPluginsStay}
      </MenuItem>
    </Dropdown.Menu>
  );
}
