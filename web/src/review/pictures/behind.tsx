/** The plugins behind a mark, and what can be done with them. */
import { createContext, useContext, useMemo, useState, type ReactNode } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { Link, useNavigate } from 'react-router';
import { WithMenu } from '../../annotate/with-menu.tsx';
import { addToTray } from '../../annotate/stored-tray.ts';
import { useWriteTable } from '../../annotate/use-write-table.ts';
import { useArrangement, useCatalog, useComputer } from '../../studio/contexts.ts';
import * as texts from '../texts.ts';

interface BehindContext {
  readonly show: (title: string, plugins: readonly string[]) => void;
}

const Behind = createContext<BehindContext>({ show: () => undefined });

/** Shows the plugins behind something. */
export const useBehind = (): BehindContext => useContext(Behind);

interface Shown {
  readonly title: string;
  readonly plugins: readonly string[];
}

export function BehindProvider({ children }: { readonly children: ReactNode }) {
  const [shown, setShown] = useState<Shown | null>(null);
  const value = useMemo(
    () => ({
      show: (title: string, plugins: readonly string[]) => {
        setShown({ title, plugins });
      },
    }),
    [],
  );
  return (
    <Behind value={value}>
      {children}
      {shown && (
        <BehindDialog
          {...shown}
          onClose={() => {
            setShown(null);
          }}
        />
      )}
    </Behind>
  );
}

/** Names shown at once; all of them go into the tray and the table. */
const namesShown = 300;

function BehindDialog({ title, plugins, onClose }: Shown & { readonly onClose: () => void }) {
  const { computer } = useComputer();
  const writeTable = useWriteTable();
  const navigate = useNavigate();
  return (
    <Modal show scrollable onHide={onClose} animation={false} aria-labelledby="behind-title">
      <Modal.Header closeButton>
        <Modal.Title as="h1" id="behind-title">
          {title}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        {plugins.length === 0 ? <p>{texts.noPlugins}</p> : <PluginLinks plugins={plugins} />}
        {plugins.length > namesShown && <p>{texts.andMore(plugins.length - namesShown)}</p>}
      </Modal.Body>
      {plugins.length > 0 && (
        <Modal.Footer>
          <Button
            variant="quiet"
            onClick={() => {
              writeTable(plugins);
            }}
          >
            {texts.exportAsCsv}
          </Button>
          <Button
            onClick={() => {
              addToTray(computer.id, plugins);
              void navigate('/file');
            }}
          >
            {texts.addToTheTrayIn(plugins.length)}
          </Button>
        </Modal.Footer>
      )}
    </Modal>
  );
}

/** Plugins by name, each a link to its page, with how often it was loaded. */
export function PluginLinks({ plugins }: { readonly plugins: readonly string[] }) {
  const { pluginById, usage } = useCatalog();
  const { nameOf } = useArrangement();
  return (
    <ul className="behind-list">
      {plugins.slice(0, namesShown).map((id) => {
        const plugin = pluginById.get(id);
        const loads = usage.get(id)?.loads ?? 0;
        return (
          plugin && (
            <WithMenu as="li" key={id} plugins={[id]}>
              <Link to={`/plugin/${id}`}>{nameOf(plugin)}</Link>{' '}
              <span className="text-soft">{plugin.vendor ?? texts.noVendor}</span>
              <span className="behind-loads">
                {loads === 0 ? texts.neverLoaded : texts.load(loads)}
              </span>
            </WithMenu>
          )
        );
      })}
    </ul>
  );
}
