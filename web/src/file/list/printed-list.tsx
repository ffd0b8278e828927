/** The list for paper: all that the sentence leaves, where the screen draws only what is in view. */
import type { Row } from '@clever-drawer/core/search';
import { typeName } from '@clever-drawer/core/taxonomy';
import { useArrangement } from '../../studio/contexts.ts';
import { usePrinting } from '../../ui/use-printing.ts';
import { formatsOf } from './plugin-row.tsx';
import * as formTexts from '../forms/texts.ts';

export function PrintedList({ rows }: { readonly rows: readonly Row[] }) {
  const isPrinting = usePrinting();
  return isPrinting ? <Table rows={rows} /> : null;
}

function Table({ rows }: { readonly rows: readonly Row[] }) {
  const { arrangement } = useArrangement();
  return (
    <table className="printed-list">
      <thead>
        <tr>
          {formTexts.printedColumns.map((column) => (
            <th key={column} scope="col">
              {column}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ plugin, nickname }) => (
          <tr key={plugin.id}>
            <td>
              <strong>{nickname ?? plugin.name}</strong>
              {nickname !== null && ` ${formTexts.alsoCalled(plugin.name)}`}
            </td>
            <td>{plugin.vendor}</td>
            <td>{plugin.types.map(typeName).join(', ')}</td>
            <td>{formatsOf(plugin).join(', ')}</td>
            <td>
              {(arrangement.foldersOf.get(plugin.id) ?? []).map(({ name }) => name).join(', ')}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
