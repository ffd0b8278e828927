/**
 * Which cabinet is looked in: each kind of slot opens the one that claimed it last, and keeps what was
 * chosen instead.
 */
import { useEffect } from 'react';
import type { CabinetSlot } from '@clever-drawer/core/order';
import { useArrangement, useComputer } from '../studio/contexts.ts';
import { writeStored, readStored } from '../ui/keys.ts';
import { CabinetItems } from './menu-items.tsx';
import { Menu } from '../ui/menu.tsx';
import * as texts from './texts.ts';

export function CabinetChoice({ slot }: { slot: CabinetSlot }) {
  const { client } = useComputer();
  const { cabinets, cabinet, chooseCabinet } = useArrangement();
  const key = `load.cabinet.${client.computer}.${slot}`;
  const owner = cabinets.find((one) => one.opensFor.includes(slot))?.id;
  useEffect(() => {
    const chosen = cabinets.find((one) => one.id === readStored(key, ''))?.id;
    const own = chosen ?? owner;
    if (own !== undefined && own !== cabinet?.id) {
      chooseCabinet(own);
    }
    // Only another slot, or another cabinet that has it, opens one: what the user chooses meanwhile stays.
    // eslint-disable-next-line react-hooks/exhaustive-deps -- see above
  }, [key, owner]);
  if (!cabinet) {
    return null;
  }
  if (cabinets.length < 2) {
    return (
      <span className="from text-soft">
        {texts.from} <strong>{cabinet.name}</strong>
      </span>
    );
  }
  return (
    <Menu
      boxClass="from"
      align="end"
      className="link-words"
      onSelect={(id) => {
        writeStored(key, id);
        chooseCabinet(id);
      }}
      items={<CabinetItems slot={slot} />}
    >
      {texts.from} <strong>{cabinet.name}</strong>
    </Menu>
  );
}
