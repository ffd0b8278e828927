/** Keys a load, month by month: the mean as a line, the median as marks below or above it. */
import { curveMonotoneX, line, scaleLinear, scalePoint } from 'd3';
import type { KeysOfMonth } from '@clever-drawer/core/review';
import { monthWords } from '../model/month-words.ts';
import { Marks, type Mark } from './marks.tsx';
import * as texts from '../texts.ts';

const height = 210;
const margin = { left: 36, right: 16, top: 14, bottom: 44 };
export const keysHeight = height;

interface Props {
  readonly width: number;
  readonly months: readonly KeysOfMonth[];
  /** Plugins that were loaded in a month. */
  readonly pluginsOf: (month: string) => readonly string[];
}

export function KeysLine({ width, months, pluginsOf }: Props) {
  const x = scalePoint(
    months.map(({ month }) => month),
    [margin.left + 12, width - margin.right],
  );
  const most = Math.max(4, ...months.map(({ keys }) => keys));
  const y = scaleLinear([0, most], [height - margin.bottom, margin.top]).nice();
  const at = (month: KeysOfMonth): [number, number] => [x(month.month) ?? 0, y(month.keys)];
  const path = line<KeysOfMonth>(
    (month) => at(month)[0],
    (month) => at(month)[1],
  ).curve(curveMonotoneX)([...months]);
  const every = Math.max(1, Math.ceil((months.length * 56) / Math.max(1, width)));
  const marks = months.map((month): Mark => {
    const [cx, cy] = at(month);
    const seconds = month.seconds === null ? '' : texts.andSeconds(month.seconds.toFixed(1));
    return {
      id: month.month,
      x: cx,
      y: cy,
      label: texts.keysOfMonth(
        monthWords(month.month),
        month.keys.toFixed(1),
        seconds,
        month.median,
        month.loads,
      ),
      plugins: pluginsOf(month.month),
      shape: (
        <>
          <rect className="reach" x={cx - 12} y={margin.top} width={24} height={height - 58} />
          <path className="median" d={`M${cx - 6},${y(month.median)}h12`} />
          <circle className="dot" cx={cx} cy={cy} r={4.5} />
        </>
      ),
    };
  });
  return (
    <>
      <g className="axis">
        {y.ticks(4).map((tick) => (
          <g key={tick} transform={`translate(0,${y(tick)})`}>
            <line x1={margin.left} x2={width - margin.right} />
            <text x={margin.left - 7} textAnchor="end">
              {tick}
            </text>
          </g>
        ))}
        {months.map(
          ({ month }, index) =>
            index % every === 0 && (
              <text key={month} x={x(month)} y={height - margin.bottom + 16} textAnchor="middle">
                {monthWords(month, true)}
              </text>
            ),
        )}
        <text className="unit" x={margin.left} y={height - 8}>
          {texts.keysALoad}
        </text>
      </g>
      <path className="keys-path" d={path ?? ''} />
      <Marks marks={marks} />
    </>
  );
}
