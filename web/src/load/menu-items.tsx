/** What stands in the menus of the Load screen. */
import { Dropdown } from 'react-bootstrap';
import type { SessionView } from '@clever-drawer/core/api';
import type { CabinetSlot } from '@clever-drawer/core/order';
import { useArrangement } from '../studio/contexts.ts';
import { MenuItem } from '../ui/menu-item.tsx';
import { sayTime } from '../ui/time-words.ts';
import * as texts from './texts.ts';

interface CabinetItemsProps {
  readonly slot: CabinetSlot;
  /** One was chosen by hand, which can be taken back. */
  readonly isByHand: boolean;
}

export function CabinetItems({ slot, isByHand }: CabinetItemsProps) {
  const { cabinets, cabinet } = useArrangement();
  return (
    <>
      {cabinets.map((one) => (
        <MenuItem key={one.id} eventKey={one.id} active={one.id === cabinet?.id}>
          {one.name}
          {one.opensFor.includes(slot) && (
            <span className="text-soft"> {texts.opensForTheseSlots}</span>
          )}
        </MenuItem>
      ))}
      {isByHand && (
        <>
          <Dropdown.Divider />
          <MenuItem eventKey="">{texts.theOneThatOpens}</MenuItem>
        </>
      )}
    </>
  );
}

export function SessionItems({ session }: { readonly session: SessionView }) {
  return (
    <>
      <MenuItem eventKey="save">{texts.saveThisSession}</MenuItem>
      <MenuItem eventKey="settings">{texts.supportedFormats}</MenuItem>
      <MenuItem eventKey="learnt">{texts.whatIsRemembered}</MenuItem>
      <Dropdown.Divider />
      <Dropdown.Header>
        {session.saved.length === 0 ? texts.noSessionIsSavedYet : texts.openAgain}
      </Dropdown.Header>
      {session.saved.map((saved) => (
        <MenuItem key={saved.id} eventKey={saved.id}>
          {saved.name}{' '}
          <span className="text-soft">
            · {texts.slots(saved.slots)}, {sayTime(saved.savedAt)}
          </span>
        </MenuItem>
      ))}
    </>
  );
}
