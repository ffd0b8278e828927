/** The cabinet in view on paper: a chart for the wall of the studio. */
import { ArrowLeft, Printer } from 'lucide-react';
import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import type { Folder } from '@clever-drawer/core/order';
import { useArrangement, useCatalog, useComputer } from '../studio/contexts.ts';
import { useDocumentTitle } from '../ui/use-document-title.ts';
import './keep.css';
import * as texts from './texts.ts';

export function ChartPage() {
  const { computer } = useComputer();
  const { cabinet, arrangement } = useArrangement();
  useDocumentTitle(texts.chart);
  const folders = cabinet ? (arrangement.below.get(cabinet.id) ?? []) : [];
  return (
    <main id="content" tabIndex={-1} className="chart">
      <p className="chart-acts">
        <Link className="btn btn-bare" to="/keep?tab=files">
          <ArrowLeft size={15} aria-hidden /> {texts.back}
        </Link>
        <Button
          onClick={() => {
            window.print();
          }}
        >
          <Printer size={16} aria-hidden /> {texts.printIt}
        </Button>
      </p>
      <h1>
        {cabinet?.name} · {computer.name}
      </h1>
      <div className="chart-folders">
        {folders.map((folder) => (
          <ChartFolder key={folder.id} folder={folder} />
        ))}
      </div>
    </main>
  );
}

function ChartFolder({ folder }: { readonly folder: Folder }) {
  const { arrangement, nameOf } = useArrangement();
  const { pluginById } = useCatalog();
  if (folder.form === 'divider') {
    return <p className="chart-divider hand">{folder.name}</p>;
  }
  const names = (arrangement.members.get(folder.id) ?? []).flatMap((id) => {
    const plugin = pluginById.get(id);
    return plugin ? [{ id, name: nameOf(plugin) }] : [];
  });
  const below = arrangement.below.get(folder.shortcutTo ?? folder.id) ?? [];
  return (
    <section className="chart-folder">
      <h2>
        {folder.name} <span>{names.length}</span>
      </h2>
      <ul>
        {names.map(({ id, name }) => (
          <li key={id}>{name}</li>
        ))}
      </ul>
      {below.map((one) => (
        <ChartFolder key={one.id} folder={one} />
      ))}
    </section>
  );
}
