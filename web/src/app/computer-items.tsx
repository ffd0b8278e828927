/** The computers of the house, to choose the one that is shown. */
import { useComputer } from '../studio/contexts.ts';
import { MenuItem } from '../ui/menu-item.tsx';

export function ComputerItems() {
  const { computer, computers } = useComputer();
  return computers.map((one) => (
    <MenuItem key={one.id} eventKey={one.id} active={one.id === computer.id}>
      {one.name}
    </MenuItem>
  ));
}
