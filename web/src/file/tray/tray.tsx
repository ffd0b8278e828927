/**
 * The tray at the foot: what was gathered, over any number of searches, and what can be done to all
 * of it.
 */
import { faceOf, type Plugin } from '@clever-drawer/core/catalog';
import { Inbox, X } from 'lucide-react';
import type { MenuTarget } from '../../annotate/menu-target.ts';
import { useArrangement, useCatalog } from '../../studio/contexts.ts';
import { TrayActs } from '../forms/behind.ts';
import { Faceplate } from '../../ui/faceplate.tsx';
import { useDragRole } from '../drag/drag-store.ts';
import * as texts from '../texts.ts';

interface Props {
  readonly tray: ReadonlySet<string>;
  readonly onTakeOut: (id: string) => void;
  readonly onEmpty: () => void;
  readonly onFile: () => void;
  readonly onMenu: (target: MenuTarget) => void;
}

/** Plugins drawn one by one; the rest is a number. */
const drawn = 6;

export function Tray({ tray, onTakeOut, onEmpty, onFile, onMenu }: Props) {
  const { pluginById } = useCatalog();
  const plugins = [...tray].map((id) => pluginById.get(id)).filter((p) => p !== undefined);
  const count = plugins.length;
  return (
    <section className="tray" aria-label={texts.tray}>
      <span className="tray-name hand">
        <Inbox size={17} aria-hidden /> {texts.tray}
        {count > 0 && (
          <span className="count" data-testid="tray-count">
            {count}
          </span>
        )}
      </span>
      {count === 0 && (
        <span className="tray-empty">
          {texts.collectPluginsHereWith} <kbd>Space</kbd>
          {texts.fromAsManySearchesAs}
        </span>
      )}
      <TrayItems plugins={plugins} onTakeOut={onTakeOut} count={count} />
      {count > 0 && (
        <TrayActs
          plugins={plugins.map((plugin) => plugin.id)}
          onFile={onFile}
          onEmpty={onEmpty}
          onMenu={onMenu}
        />
      )}
    </section>
  );
}

interface TrayItemsProps {
  readonly plugins: Plugin[];
  readonly onTakeOut: (id: string) => void;
  readonly count: number;
}

function TrayItems({ plugins, onTakeOut, count }: TrayItemsProps) {
  return (
    <ul className="tray-items" aria-label={texts.inTheTray}>
      {plugins.slice(-drawn).map((plugin) => (
        <TrayItem key={plugin.id} plugin={plugin} onTakeOut={onTakeOut} />
      ))}
      {count > drawn && <li>{texts.andMore(count - drawn)}</li>}
    </ul>
  );
}

function TrayItem({
  plugin,
  onTakeOut,
}: {
  readonly plugin: Plugin;
  readonly onTakeOut: (id: string) => void;
}) {
  const { nameOf } = useArrangement();
  // One drag takes all of the tray along, as from the list.
  const ref = useDragRole<HTMLLIElement>({ dragged: { kind: 'plugins', plugin: plugin.id } });
  return (
    <li ref={ref}>
      <Faceplate seed={faceOf(plugin)} width={30} />
      <span>{nameOf(plugin)}</span>
      <button
        type="button"
        aria-label={texts.removeFromTheTray(nameOf(plugin))}
        onClick={() => {
          onTakeOut(plugin.id);
        }}
      >
        <X size={13} aria-hidden />
      </button>
    </li>
  );
}
