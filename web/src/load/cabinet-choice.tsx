/**
 * Which cabinet is looked in: each sort of slot opens its own by itself, and keeps what was chosen
 * instead.
 */
import { useEffect } from 'react';
import { Dropdown } from 'react-bootstrap';
import type { CabinetSlot } from '@clever-drawer/core';
import { useArrangement, useComputer } from '../studio/contexts.ts';
import { remember, remembered } from '../ui/keys.ts';
import { MenuItem } from '../ui/menu-item.tsx';
import * as texts from './texts.ts';

export function CabinetChoice({ slot }: { slot: CabinetSlot }) {
  const { client } = useComputer();
  const { cabinets, cabinet, chooseCabinet } = useArrangement();
  const key = `load.cabinet.${client.computer}.${slot}`;
  useEffect(() => {
    const kept = cabinets.find((one) => one.id === remembered(key, ''));
    const own =
      kept ??
      (cabinet?.opensFor.includes(slot)
        ? cabinet
        : cabinets.find((one) => one.opensFor.includes(slot)));
    if (own && own.id !== cabinet?.id) {
      chooseCabinet(own.id);
    }
    // Only another slot opens another cabinet: what the user chooses meanwhile stays.
    // eslint-disable-next-line react-hooks/exhaustive-deps -- see above
  }, [key]);
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
    <Dropdown
      className="from"
      align="end"
      onSelect={(id) => {
        if (id) {
          remember(key, id);
          chooseCabinet(id);
        }
      }}
    >
      <Dropdown.Toggle as="button" type="button" className="link-words">
        {texts.from} <strong>{cabinet.name}</strong>
      </Dropdown.Toggle>
      <CabinetItems slot={slot} />
    </Dropdown>
  );
}

function CabinetItems({ slot }: { readonly slot: CabinetSlot }) {
  const { cabinets, cabinet } = useArrangement();
  return (
    <Dropdown.Menu>
      {cabinets.map((one) => (
        <MenuItem key={one.id} eventKey={one.id} active={one.id === cabinet?.id}>
          {one.name}
          {one.opensFor.includes(slot) && (
            <span className="text-soft"> {texts.opensForTheseSlots}</span>
          )}
        </MenuItem>
      ))}
    </Dropdown.Menu>
  );
}
