/**
 * Which cabinet is looked in, and why: each kind of slot opens the one that claimed it last, and keeps
 * what was chosen instead until that is taken back.
 */
import { useEffect } from 'react';
import { cabinetSlotWords, type CabinetSlot } from '@clever-drawer/core/order';
import { useArrangement, useComputer } from '../studio/contexts.ts';
import { useStored } from '../ui/use-stored.ts';
import { CabinetItems } from './menu-items.tsx';
import { Menu } from '../ui/menu.tsx';
import * as texts from './texts.ts';

export function CabinetChoice({ slot }: { slot: CabinetSlot }) {
  const { client } = useComputer();
  const { cabinets, cabinet, chooseCabinet } = useArrangement();
  const [byHand, setByHand] = useStored(`load.cabinet.${client.computer}.${slot}`, '');
  const chosen = cabinets.find((one) => one.id === byHand)?.id;
  const owner = cabinets.find((one) => one.opensFor.includes(slot))?.id;
  const own = chosen ?? owner;
  useEffect(() => {
    if (own !== undefined && own !== cabinet?.id) {
      chooseCabinet(own);
    }
    // Only another slot, or another cabinet that has it, opens one: what the user chooses meanwhile stays.
    // eslint-disable-next-line react-hooks/exhaustive-deps -- see above
  }, [slot, own]);
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
  const reason = whyOpen(cabinet.id, { chosen, owner, slot });
  return (
    <Menu
      boxClass="from"
      align="end"
      className="link-words"
      onSelect={(id) => {
        setByHand(id);
        const next = id === '' ? owner : cabinets.find((one) => one.id === id)?.id;
        if (next !== undefined) {
          chooseCabinet(next);
        }
      }}
      items={<CabinetItems slot={slot} isByHand={chosen !== undefined} />}
    >
      {texts.from} <strong>{cabinet.name}</strong>
      {reason !== null && <span className="why"> {reason}</span>}
    </Menu>
  );
}

interface Openers {
  /** The cabinet that was chosen by hand for such slots, and the one that says it opens for them. */
  readonly chosen: string | undefined;
  readonly owner: string | undefined;
  readonly slot: CabinetSlot;
}

/** Why a cabinet is open, where something opened it. */
function whyOpen(open: string, { chosen, owner, slot }: Openers): string | null {
  const words = cabinetSlotWords[slot];
  if (open === chosen) {
    return texts.chosenFor(words);
  }
  return open === owner ? texts.opensFor(words) : null;
}
