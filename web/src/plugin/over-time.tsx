/** What happened to a plugin over time: its loads by month, and what the scans found. */
import { max, scaleBand, scaleLinear, type ScaleBand, type ScaleLinear } from 'd3';
import type { PluginView } from '@clever-drawer/core/api';
import { describe } from '@clever-drawer/core/problem';
import { sayTime } from '../ui/time-words.ts';
import * as texts from './texts.ts';

const width = 280;
const height = 92;
const foot = 16;
const shownMonths = 12;

/** The last twelve months up to now, as YYYY-MM. */
function lastMonths(now: Date): string[] {
  return Array.from({ length: shownMonths }, (_, i) =>
    new Date(Date.UTC(now.getUTCFullYear(), now.getUTCMonth() - (shownMonths - 1 - i), 1))
      .toISOString()
      .slice(0, 7),
  );
}

export function Loads({ view }: { view: PluginView | undefined }) {
  const loads = new Map((view?.loads ?? []).map(({ month, loads: count }) => [month, count]));
  const months = lastMonths(new Date());
  const all = [...loads.values()].reduce((sum, count) => sum + count, 0);
  const most = max(months, (month) => loads.get(month) ?? 0) ?? 0;
  const x = scaleBand().domain(months).range([0, width]).padding(0.25);
  const y = scaleLinear()
    .domain([0, Math.max(1, most)])
    .range([height - foot, 14]);
  const name = (month: string): string =>
    new Date(`${month}-01T00:00:00Z`).toLocaleDateString('en-GB', {
      month: 'short',
      timeZone: 'UTC',
    });
  return (
    <section aria-labelledby="loads">
      <h2 id="loads">{texts.loads}</h2>
      {all === 0 ? (
        <p className="text-soft">{texts.neverLoaded}</p>
      ) : (
        <>
          <p className="text-soft">{texts.inAll(all, most)}</p>
          <LoadsChart months={months} name={name} loads={loads} x={x} y={y} />
        </>
      )}
    </section>
  );
}

interface LoadsChartProps {
  readonly months: string[];
  readonly name: (month: string) => string;
  readonly loads: Map<string, number>;
  readonly x: ScaleBand<string>;
  readonly y: ScaleLinear<number, number>;
}

function LoadsChart({ months, name, loads, x, y }: LoadsChartProps) {
  return (
    <svg
      className="loads-chart"
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={texts.loadsByMonth(
        months.map((month) => `${name(month)} ${loads.get(month) ?? 0}`).join(', '),
      )}
    >
      {months.map((month) => {
        const count = loads.get(month) ?? 0;
        return <MonthBar key={month} x={x} month={month} y={y} count={count} name={name} />;
      })}
      <line x1="0" x2={width} y1={height - foot} y2={height - foot} />
    </svg>
  );
}

interface MonthBarProps {
  readonly x: ScaleBand<string>;
  readonly month: string;
  readonly y: ScaleLinear<number, number>;
  readonly count: number;
  readonly name: (month: string) => string;
}

function MonthBar({ x, month, y, count, name }: MonthBarProps) {
  return (
    <g>
      <rect
        x={x(month)}
        y={y(count)}
        width={x.bandwidth()}
        height={height - foot - y(count)}
        rx="1.5"
      />
      {count > 0 && (
        <text x={(x(month) ?? 0) + x.bandwidth() / 2} y={y(count) - 3} textAnchor="middle">
          {count}
        </text>
      )}
      <text x={(x(month) ?? 0) + x.bandwidth() / 2} y={height - 4} textAnchor="middle">
        {name(month).slice(0, 1)}
      </text>
    </g>
  );
}

export function Findings({ view }: { view: PluginView | undefined }) {
  return (
    <section aria-labelledby="findings">
      <h2 id="findings">{texts.whatScansFound}</h2>
      <ul className="plain-rows findings-rows">
        {(view?.findings ?? []).map((finding) => (
          <li key={finding.id}>
            <span>
              {texts.findingWords[finding.sort]}{' '}
              <span className="text-soft">
                {finding.format}
                {finding.sort === 'updated' &&
                  finding.from !== finding.to &&
                  ` · ${finding.from ?? texts.noVersion} → ${finding.to ?? texts.noVersion}`}
                {finding.problem && ` · ${describe(finding.problem)}`}
              </span>
            </span>
            <span className="text-soft when">{sayTime(finding.at)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
