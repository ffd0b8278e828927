/** What came and was updated, upwards, and what went, downwards, month by month. */
import { scaleBand, scaleLinear } from 'd3';
import type { ComingMonth } from '@clever-drawer/core/review';
import { monthWords } from '../model/month-words.ts';
import { wholeTicks } from './bars.tsx';
import { Marks, type Mark } from './marks.tsx';
import * as texts from '../texts.ts';

const height = 230;
const margin = { left: 36, right: 8, top: 10, bottom: 48 };
export const comingsHeight = height;

export function ComingsColumns({
  width,
  months,
}: {
  readonly width: number;
  readonly months: readonly ComingMonth[];
}) {
  const x = scaleBand(
    months.map(({ month }) => month),
    [margin.left, width - margin.right],
  ).padding(0.25);
  const up = Math.max(1, ...months.map(({ came, updated }) => came.length + updated.length));
  const down = Math.max(0, ...months.map(({ went }) => went.length));
  const y = scaleLinear([-down, up], [height - margin.bottom, margin.top]).nice();
  const every = Math.max(1, Math.ceil((months.length * 56) / Math.max(1, width)));
  const columnWidth = Math.min(44, x.bandwidth());
  const marks = months.flatMap((month): Mark[] => {
    const left = (x(month.month) ?? 0) + (x.bandwidth() - columnWidth) / 2;
    const parts = [
      { what: 'came' as const, plugins: month.came, from: 0, to: month.came.length },
      {
        what: 'updated' as const,
        plugins: month.updated,
        from: month.came.length,
        to: month.came.length + month.updated.length,
      },
      { what: 'went' as const, plugins: month.went, from: -month.went.length, to: 0 },
    ];
    return parts
      .filter(({ plugins }) => plugins.length > 0)
      .map(({ what, plugins, from, to }) => ({
        id: `${month.month} ${what}`,
        x: left + columnWidth / 2,
        y: (y(from) + y(to)) / 2,
        label: texts.pluginsOfMonth(
          monthWords(month.month),
          plugins.length,
          texts.comingWords[what],
        ),
        plugins,
        shape: (
          <rect
            className={`coming ${what}`}
            x={left}
            y={y(to)}
            width={columnWidth}
            height={Math.max(2, y(from) - y(to))}
          />
        ),
      }));
  });
  return (
    <>
      <defs>
        <pattern id="updated-hatch" width="6" height="6" patternUnits="userSpaceOnUse">
          <rect className="hatch-ground" width="6" height="6" />
          <path className="hatch" d="M0,6L6,0" />
        </pattern>
      </defs>
      <g className="axis">
        {wholeTicks(y.ticks(5)).map((tick) => (
          <g key={tick} transform={`translate(0,${y(tick)})`}>
            <line x1={margin.left} x2={width - margin.right} />
            <text x={margin.left - 7} textAnchor="end">
              {Math.abs(tick)}
            </text>
          </g>
        ))}
        {months.map(
          ({ month }, index) =>
            index % every === 0 && (
              <text
                key={month}
                x={(x(month) ?? 0) + x.bandwidth() / 2}
                y={height - margin.bottom + 16}
                textAnchor="middle"
              >
                {monthWords(month, true)}
              </text>
            ),
        )}
        <text className="unit" x={margin.left} y={height - 8}>
          {texts.pluginsFilled}
        </text>
      </g>
      <Marks marks={marks} />
    </>
  );
}
