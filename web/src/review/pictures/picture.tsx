/** A picture in its sheet: what it asks, the drawing, the same figures as a table, and saving it. */
import { csvFormatRows } from 'd3';
import { Download, Table2 } from 'lucide-react';
import { useId, useRef, useState, type ReactNode, type RefObject } from 'react';
import { Dropdown } from 'react-bootstrap';
import { MenuItem } from '../../ui/menu-item.tsx';
import { useNotices } from '../../ui/notices.tsx';
import { saveAs } from '../../ui/save-as.ts';
import { useWidth } from '../../ui/use-width.ts';
import { messageOf } from '../../api/client.ts';
import { pngOf, svgTextOf } from './save-picture.ts';
import * as texts from '../texts.ts';

/** Figures as a table. */
export interface Figures {
  readonly heads: readonly string[];
  readonly rows: readonly (readonly (string | number)[])[];
}

interface Props {
  readonly title: string;
  /** What it says, in one sentence. */
  readonly says: string;
  readonly figures: Figures;
  readonly height: number;
  /** What will stand here; shown while there are no figures. */
  readonly empty: string;
  /** Draws into that width. Pixels. */
  readonly children: (width: number) => ReactNode;
  readonly tools?: ReactNode;
}

export function Picture({ title, says, figures, height, empty, children, tools }: Props) {
  const id = useId();
  const [isTable, setTable] = useState(false);
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 0);
  const isEmpty = figures.rows.length === 0;
  return (
    <section className="review-sheet" aria-labelledby={id}>
      <header>
        <h2 id={id}>{title}</h2>
        {!isEmpty && (
          <span className="picture-tools">
            {tools}
            <button
              type="button"
              className="bare-button"
              aria-pressed={isTable}
              aria-label={texts.showAsATable(title)}
              title={texts.theSameNumbersAsA}
              onClick={() => {
                setTable(!isTable);
              }}
            >
              <Table2 size={15} aria-hidden />
            </button>
            <SaveMenu title={title} figures={figures} box={box} hasPicture={!isTable} />
          </span>
        )}
      </header>
      <p className="text-soft">{isEmpty ? empty : says}</p>
      <div ref={box}>
        {!isEmpty && isTable && <FiguresTable title={title} figures={figures} />}
        {!isEmpty && !isTable && width > 0 && (
          <svg width={width} height={height} role="group" aria-label={title}>
            {children(width)}
          </svg>
        )}
      </div>
    </section>
  );
}

function FiguresTable({ title, figures }: { readonly title: string; readonly figures: Figures }) {
  return (
    <div className="figure-table" tabIndex={0} role="region" aria-label={texts.numbers(title)}>
      <table>
        <caption className="visually-hidden">{title}</caption>
        <thead>
          <tr>
            {figures.heads.map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {figures.rows.map((row, at) => (
            <tr key={at}>
              {row.map((value, column) => (
                <td key={figures.heads[column]} className={typeof value === 'number' ? 'num' : ''}>
                  {value}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface SaveProps {
  readonly title: string;
  readonly figures: Figures;
  readonly box: RefObject<HTMLDivElement | null>;
  readonly hasPicture: boolean;
}

function SaveMenu({ title, figures, box, hasPicture }: SaveProps) {
  const { notify } = useNotices();
  const save = async (how: string | null): Promise<void> => {
    const svg = box.current?.querySelector('svg');
    if (how === 'csv') {
      const rows = [figures.heads, ...figures.rows].map((row) => row.map(String));
      saveAs(new Blob([`${csvFormatRows(rows)}\r\n`], { type: 'text/csv' }), `${title}.csv`);
    } else if (svg && how === 'svg') {
      saveAs(new Blob([svgTextOf(svg)], { type: 'image/svg+xml' }), `${title}.svg`);
    } else if (svg) {
      saveAs(await pngOf(svg), `${title}.png`);
    }
  };
  return (
    <Dropdown
      align="end"
      onSelect={(how) => {
        save(how).catch((error: unknown) => {
          notify(messageOf(error), 'trouble');
        });
      }}
    >
      <Dropdown.Toggle
        as="button"
        type="button"
        className="bare-button"
        aria-label={texts.save(title)}
      >
        <Download size={15} aria-hidden />
      </Dropdown.Toggle>
      <Dropdown.Menu>
        {hasPicture && <MenuItem eventKey="svg">{texts.asADrawingSvg}</MenuItem>}
        {hasPicture && <MenuItem eventKey="png">{texts.asAPicturePng}</MenuItem>}
        <MenuItem eventKey="csv">{texts.itsNumbersCsv}</MenuItem>
      </Dropdown.Menu>
    </Dropdown>
  );
}
