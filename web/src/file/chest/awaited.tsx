/** Plugins for which a folder has a place, and that are not on this computer. */
import { X } from 'lucide-react';
import { Button } from 'react-bootstrap';
import { keyedById } from '@clever-drawer/core/grouped';
import { allPlacements, type Placement } from '@clever-drawer/core/order';
import { useActs, useArrangement, useCatalog, useOrder } from '../../studio/contexts.ts';
import * as formTexts from '../forms/texts.ts';

interface Props {
  /** All of the folder. */
  readonly placements: readonly Placement[];
}

/** Closed at first: what is not here can't be loaded. */
export function Awaited({ placements }: Props) {
  const { awaited } = useCatalog();
  const { nameOf } = useArrangement();
  const { order } = useOrder();
  const { act } = useActs();
  const byId = keyedById(awaited);
  const here = placements.filter(({ plugin }) => byId.has(plugin));
  if (here.length === 0) {
    return null;
  }
  const everywhere = allPlacements(order.records).filter(({ plugin }) => byId.has(plugin));
  const removals = [
    { words: formTexts.removeTheseFromTheFolder(here.length), of: here },
    ...(everywhere.length > here.length
      ? [{ words: formTexts.removeFromAllFolders(everywhere.length), of: everywhere }]
      : []),
  ];
  const remove = (some: readonly Placement[]): void => {
    act({ act: 'take-out', placements: some.map(({ id }) => id) });
  };
  return (
    <details className="awaited">
      <summary>{formTexts.notOnThisComputer(here.length)}</summary>
      <ul>
        {here.map((placement) => {
          const plugin = byId.get(placement.plugin);
          return (
            plugin && (
              <li key={placement.id}>
                <span>{nameOf(plugin)}</span> <span>{plugin.vendor}</span>
                <Button
                  size="sm"
                  variant="bare"
                  aria-label={formTexts.removeThePlaceOf(nameOf(plugin))}
                  onClick={() => {
                    remove([placement]);
                  }}
                >
                  <X size={14} aria-hidden />
                </Button>
              </li>
            )
          );
        })}
      </ul>
      <p className="text-soft">{formTexts.filledWhenInstalled}</p>
      {removals.map(({ words, of }) => (
        <Button
          key={words}
          size="sm"
          variant="quiet"
          className="me-1"
          onClick={() => {
            remove(of);
          }}
        >
          {words}
        </Button>
      ))}
    </details>
  );
}
