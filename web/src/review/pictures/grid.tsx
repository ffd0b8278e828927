/** Rows against columns: a square where there is something, deeper where there is more. */
import { scaleBand } from 'd3';
import { Marks, type Mark } from './marks.tsx';
import { shortened } from './shortened.ts';

interface Heading {
  readonly id: string;
  readonly name: string;
}

export interface GridCell {
  readonly row: string;
  readonly column: string;
  readonly value: number;
  /** How deep it is, from 0 to 1. */
  readonly depth: number;
  readonly label: string;
  readonly plugins: readonly string[];
}

interface Props {
  readonly width: number;
  readonly rows: readonly Heading[];
  readonly columns: readonly Heading[];
  readonly cells: readonly GridCell[];
  /** Room for the headings. Pixels. */
  readonly left?: number;
}

const rowHeight = 25;
const top = 74;
const right = 46;
const letterWidth = 6.6;

export const gridHeight = (rows: number): number => top + rows * rowHeight + 6;

/** Four depths, so that each is told from the next, and a number stands readable on each. */
const stepOf = (depth: number): number => Math.min(4, 1 + Math.floor(depth * 4));

export function Grid({ width, rows, columns, cells, left = 130 }: Props) {
  const x = scaleBand(
    columns.map(({ id }) => id),
    [left, width - right],
  ).padding(0.06);
  const y = scaleBand(
    rows.map(({ id }) => id),
    [top, top + rows.length * rowHeight],
  ).padding(0.08);
  const marks = cells.flatMap((cell): Mark[] => {
    const [cx, cy] = [x(cell.column), y(cell.row)];
    if (cx === undefined || cy === undefined) {
      return [];
    }
    const middle = { x: cx + x.bandwidth() / 2, y: cy + y.bandwidth() / 2 };
    return [
      {
        id: `${cell.row} ${cell.column}`,
        ...middle,
        label: cell.label,
        plugins: cell.plugins,
        shape: (
          <>
            <rect
              className={`heat heat-${stepOf(cell.depth)}`}
              x={cx}
              y={cy}
              width={x.bandwidth()}
              height={y.bandwidth()}
              rx={3}
            />
            {x.bandwidth() > 16 && (
              <text
                className={`heat-text heat-text-${stepOf(cell.depth)}`}
                x={middle.x}
                y={middle.y}
              >
                {cell.value}
              </text>
            )}
          </>
        ),
      },
    ];
  });
  return (
    <>
      {rows.map(({ id, name }) => (
        <text
          key={id}
          className="row-name"
          x={left - 8}
          y={(y(id) ?? 0) + y.bandwidth() / 2}
          textAnchor="end"
        >
          {shortened(name, Math.floor((left - 12) / letterWidth))}
        </text>
      ))}
      {columns.map(({ id, name }) => (
        <text
          key={id}
          className="column-name"
          transform={`translate(${(x(id) ?? 0) + x.bandwidth() / 2},${top - 6}) rotate(-40)`}
        >
          {shortened(name, 13)}
        </text>
      ))}
      {rows.flatMap((row) =>
        columns.map((column) => (
          <rect
            key={`${row.id} ${column.id}`}
            className="heat-none"
            x={x(column.id)}
            y={y(row.id)}
            width={x.bandwidth()}
            height={y.bandwidth()}
            rx={3}
          />
        )),
      )}
      <Marks marks={marks} />
    </>
  );
}
