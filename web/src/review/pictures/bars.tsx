/** Bars that lie, each with a part of it filled. */
import { scaleLinear } from 'd3';
import { Marks, type Mark } from './marks.tsx';
import { shortened } from './shortened.ts';

export interface Bar {
  readonly id: string;
  readonly name: string;
  readonly whole: number;
  /** Filled; the whole where there are no parts. */
  readonly part: number;
  /** Said behind it. */
  readonly says: string;
  readonly label: string;
  readonly plugins: readonly string[];
}

interface Props {
  readonly width: number;
  readonly bars: readonly Bar[];
  /** What the axis counts. */
  readonly unit: string;
  readonly left?: number;
}

const barHeight = 24;
const right = 84;
const foot = 38;

export const barsHeight = (bars: number): number => bars * barHeight + foot;

export function Bars({ width, bars, unit, left = 110 }: Props) {
  const most = Math.max(1, ...bars.map(({ whole }) => whole));
  const x = scaleLinear([0, most], [left, Math.max(left + 40, width - right)]).nice();
  const bottom = bars.length * barHeight + 4;
  const marks = bars.map((bar, at): Mark => {
    const y = at * barHeight + 3;
    return {
      id: bar.id,
      x: left,
      y,
      label: bar.label,
      plugins: bar.plugins,
      shape: (
        <>
          <rect className="reach" x={0} y={y - 3} width={width} height={barHeight} />
          <text className="row-name" x={left - 8} y={y + 9} textAnchor="end">
            {shortened(bar.name, Math.floor((left - 12) / 6.6))}
          </text>
          <rect
            className="bar-whole"
            x={left}
            y={y}
            width={x(bar.whole) - left}
            height={18}
            rx={3}
          />
          <rect className="bar-part" x={left} y={y} width={x(bar.part) - left} height={18} rx={3} />
          <text className="bar-says" x={x(bar.whole) + 7} y={y + 9}>
            {bar.says}
          </text>
        </>
      ),
    };
  });
  return (
    <>
      <g className="axis">
        {wholeTicks(x.ticks(6)).map((tick) => (
          <g key={tick} transform={`translate(${x(tick)},0)`}>
            <line y1={0} y2={bottom} />
            <text y={bottom + 12} textAnchor="middle">
              {tick}
            </text>
          </g>
        ))}
        <text className="unit" x={left} y={bottom + 28}>
          {unit}
        </text>
      </g>
      <Marks marks={marks} />
    </>
  );
}

/** What is counted is whole. */
export const wholeTicks = (ticks: readonly number[]): number[] => ticks.filter(Number.isInteger);
