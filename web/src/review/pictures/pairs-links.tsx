/** What is loaded after what: a line from the one before to the one after, thicker for more. */
import { linkHorizontal, scaleLinear, scalePoint } from 'd3';
import type { LoadedAfter } from '@clever-drawer/core/review';
import { Marks, type Mark } from './marks.tsx';
import { shortened } from './shortened.ts';
import * as texts from '../texts.ts';

const rowHeight = 26;
const top = 30;

/** Names of one side, in the order in which they first come. */
const sideOf = (pairs: readonly LoadedAfter[], side: 'before' | 'after'): string[] => [
  ...new Set(pairs.map((pair) => pair[side])),
];

export const pairsHeight = (pairs: readonly LoadedAfter[]): number =>
  top + Math.max(sideOf(pairs, 'before').length, sideOf(pairs, 'after').length) * rowHeight + 8;

interface Props {
  readonly width: number;
  readonly pairs: readonly LoadedAfter[];
  readonly nameOf: (plugin: string) => string;
}

export function PairsLinks({ width, pairs, nameOf }: Props) {
  const height = pairsHeight(pairs);
  const [befores, afters] = [sideOf(pairs, 'before'), sideOf(pairs, 'after')];
  const room = Math.min(210, width * 0.32);
  const letters = Math.floor(room / 7);
  const yOf = (ids: readonly string[]) =>
    scalePoint(ids, [top + rowHeight / 2, height - 8 - rowHeight / 2]).align(0);
  const [y1, y2] = [yOf(befores), yOf(afters)];
  const most = Math.max(1, ...pairs.map(({ times }) => times));
  const thick = scaleLinear([0, most], [1, 9]);
  const link = linkHorizontal<unknown, [number, number]>();
  const marks = pairs.map((pair): Mark => {
    const ends = {
      source: [room, y1(pair.before) ?? top] as [number, number],
      target: [width - room, y2(pair.after) ?? top] as [number, number],
    };
    const lift = pair.lift.toFixed(1);
    return {
      id: `${pair.before} ${pair.after}`,
      x: width / 2,
      y: (ends.source[1] + ends.target[1]) / 2,
      label: texts.afterOfWhatComesAfterIt(
        nameOf(pair.after),
        nameOf(pair.before),
        pair.times,
        Math.round(100 * pair.confidence),
        lift,
      ),
      plugins: [pair.before, pair.after],
      shape: (
        <>
          <path className="link-reach" d={link(ends) ?? ''} />
          <path className="link" d={link(ends) ?? ''} strokeWidth={thick(pair.times)} />
        </>
      ),
    };
  });
  return (
    <>
      <text className="unit" x={room - 8} y={12} textAnchor="end">
        {texts.loadedFirst}
      </text>
      <text className="unit" x={width - room + 8} y={12}>
        {texts.loadedRightAfterIt}
      </text>
      <Marks marks={marks} />
      {befores.map((id) => (
        <text key={id} className="row-name" x={room - 8} y={y1(id)} textAnchor="end">
          {shortened(nameOf(id), letters)}
        </text>
      ))}
      {afters.map((id) => (
        <text key={id} className="row-name" x={width - room + 8} y={y2(id)}>
          {shortened(nameOf(id), letters)}
        </text>
      ))}
    </>
  );
}
