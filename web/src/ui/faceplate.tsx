/** A picture drawn from an id, always the same for it: a panel with knobs, sliders or a curve. */
import { memo } from 'react';
import { Picture } from './picture.tsx';

const panels = [
  '#5e4a78',
  '#2e4a55',
  '#8a5a2b',
  '#595448',
  '#405c3c',
  '#7d4038',
  '#445278',
  '#2f5b58',
] as const;
const pale = '#f3e9d2';

/** A whole number out of a text (FNV-1a, 32 bits). */
export function numberOf(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i += 1) {
    hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  }
  return hash >>> 0;
}

/** An outline in the syntax of SVG's paths; few elements are drawn sooner than many. */
const rect = (x: number, y: number, width: number, height: number): string =>
  `M${x} ${y}h${width}v${height}h${-width}z`;
const circle = (x: number, y: number, r: number): string =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0z`;

/** A tick on a knob, from its middle outwards, turned by so many degrees. */
function tick(x: number, y: number, degrees: number): string {
  const angle = (degrees * Math.PI) / 180;
  const to = (r: number): string =>
    `${(x + Math.sin(angle) * r).toFixed(1)} ${(y - Math.cos(angle) * r).toFixed(1)}`;
  return `M${to(0.8)}L${to(4.2)}`;
}

/** What is drawn on the panel: pale shapes, a pale line, or dark ticks on the shapes. */
interface Drawing {
  readonly shapes: string;
  readonly line: string;
  readonly ticks: string;
}

function drawing(seed: number): Drawing {
  const places = Array.from({ length: 2 + (seed % 3) }, (_, i) => i);
  const at = (i: number): number => 24 + (i - (places.length - 1) / 2) * 13;
  const nothing = { shapes: '', line: '', ticks: '' };
  switch ((seed >>> 5) % 4) {
    case 0: {
      const wave = `q 9 ${-12 + (seed % 9)} 18 0 t 18 ${-(seed % 5)}`;
      return { ...nothing, line: `M6 ${18 + (seed % 7)} ${wave}` };
    }
    case 1: {
      const knob = (i: number): string => rect(at(i) - 3.5, 11 + ((seed >>> (4 * i)) % 10), 7, 3.4);
      const slot = (i: number): string => `M${at(i)} 10v14`;
      return { ...nothing, shapes: places.map(knob).join(''), line: places.map(slot).join('') };
    }
    case 2: {
      const bar = (_: unknown, i: number): string => {
        const height = (seed >>> (3 * i)) % 13;
        return rect(7 + i * 5, 24 - height, 3, 2 + height);
      };
      return { ...nothing, shapes: Array.from({ length: 7 }, bar).join('') };
    }
    default: {
      const turn = (i: number): number => (((seed >>> (3 * i + 4)) % 9) - 4) * 30;
      return {
        ...nothing,
        shapes: places.map((i) => circle(at(i), 18, 4.6)).join(''),
        ticks: places.map((i) => tick(at(i), 18, turn(i))).join(''),
      };
    }
  }
}

interface DrawnFaceplateProps {
  readonly seed: string;
  readonly width?: number;
  readonly picture?: string | null | undefined;
}

export const Faceplate = memo(function DrawnFaceplate({
  seed,
  width = 44,
  picture,
}: DrawnFaceplateProps) {
  const height = Math.round((width * 28) / 48);
  if (picture) {
    return <Picture address={picture} className="faceplate" width={width} height={height} />;
  }
  const number = numberOf(seed);
  const { shapes, line, ticks } = drawing(number);
  const style = { background: panels[number % panels.length] };
  return (
    <svg
      className="faceplate"
      width={width}
      height={height}
      viewBox="0 0 48 28"
      aria-hidden="true"
      style={style}
    >
      <path d={rect(3, 3, 14 + (number % 27), 3)} fill="#fff" opacity=".28" />
      {shapes !== '' && <path d={shapes} fill={pale} />}
      {line !== '' && <path d={line} fill="none" stroke={pale} strokeWidth="1.6" />}
      {ticks !== '' && <path d={ticks} stroke="#22292c" strokeWidth="1.4" />}
    </svg>
  );
});
