/** How long since, against how often: a circle for all plugins of about the same, larger for more. */
import { scaleBand, scaleSqrt } from 'd3';
import { dustAges, dustLoads, type DustMark } from '@clever-drawer/core/review';
import { Marks, type Mark } from './marks.tsx';
import * as texts from '../texts.ts';

const left = 58;
const top = 12;
const rowHeight = 33;
const bottom = top + dustLoads.length * rowHeight;

export const dustHeight = bottom + 46;

/** "16 to 31" of the step that begins at 16. */
export function loadsWords(step: number): string {
  const least = dustLoads[step] ?? 0;
  const next = dustLoads[step + 1];
  if (next === undefined) {
    return texts.orMore(least);
  }
  return next === least + 1 ? String(least) : texts.fromTo(least, next - 1);
}

/** "not for 3 to 6 months" */
export function ageWords(age: number): string {
  const name = dustAges[age]?.name ?? '';
  if (name === 'never') {
    return texts.neverLoaded;
  }
  return name === 'this week' ? texts.loadedThisWeek : texts.lastLoadedAgo(name);
}

/** From this age on something gathers dust: three months. */
const dusty = 3;

export function DustPlot({
  width,
  marks,
}: {
  readonly width: number;
  readonly marks: readonly DustMark[];
}) {
  const x = scaleBand(
    dustAges.map((_, at) => String(at)),
    [left, width - 34],
  );
  const most = Math.max(1, ...marks.map(({ plugins }) => plugins.length));
  const radius = scaleSqrt([0, most], [0, Math.min(rowHeight, x.bandwidth()) * 0.62]);
  const yOf = (step: number): number => bottom - (step + 0.5) * rowHeight;
  const drawn = marks.map((mark): Mark => {
    const [cx, cy] = [(x(String(mark.age)) ?? 0) + x.bandwidth() / 2, yOf(mark.loads)];
    const count = mark.plugins.length;
    return {
      id: `${mark.age} ${mark.loads}`,
      x: cx,
      y: cy,
      label: texts.pluginsOfAge(count, ageWords(mark.age), mark.loads, loadsWords(mark.loads)),
      plugins: mark.plugins,
      shape: (
        <>
          <circle
            className={mark.age >= dusty ? 'dot dusty' : 'dot'}
            cx={cx}
            cy={cy}
            r={Math.max(5, radius(count))}
          />
          <text className="dot-count" x={cx + Math.max(5, radius(count)) + 4} y={cy}>
            {count}
          </text>
        </>
      ),
    };
  });
  return (
    <>
      <g className="axis">
        {dustLoads.map((_, step) => (
          <text key={step} x={left - 8} y={yOf(step)} textAnchor="end">
            {step === dustLoads.length - 1
              ? `${dustLoads[step]}+`
              : loadsWords(step).replace(' to ', '–')}
          </text>
        ))}
        <line x1={left} x2={width - 8} y1={bottom} y2={bottom} />
        {dustAges.map(({ name }, at) => (
          <text
            key={name}
            x={(x(String(at)) ?? 0) + x.bandwidth() / 2}
            y={bottom + 15}
            textAnchor="middle"
          >
            {name.replace(' months', ' mo').replace(' weeks', ' wk').replace(' to ', '–')}
          </text>
        ))}
        <text className="unit" x={left} y={bottom + 36}>
          {texts.sinceTheLastLoad}
        </text>
      </g>
      <Marks marks={drawn} />
    </>
  );
}
