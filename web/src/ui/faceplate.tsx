/** A picture drawn from an id, always the same for it: a panel with knobs, sliders or a curve. */
import { memo } from 'react';

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

function drawing(seed: number) {
  const count = 2 + (seed % 3);
  const at = (i: number): number => 24 + (i - (count - 1) / 2) * 13;
  const turn = (i: number): number => (((seed >>> (3 * i + 4)) % 9) - 4) * 30;
  switch ((seed >>> 5) % 4) {
    case 0:
      return (
        <path
          d={`M6 ${18 + (seed % 7)} q 9 ${-12 + (seed % 9)} 18 0 t 18 ${-(seed % 5)}`}
          fill="none"
          stroke={pale}
          strokeWidth="1.8"
          strokeLinecap="round"
        />
      );
    case 1:
      return Array.from({ length: count }, (_, i) => <Knob key={i} at={at} i={i} seed={seed} />);
    case 2:
      return Array.from({ length: 7 }, (_, i) => (
        <rect
          key={i}
          x={7 + i * 5}
          y={24 - ((seed >>> (3 * i)) % 13)}
          width="3"
          height={2 + ((seed >>> (3 * i)) % 13)}
          fill={pale}
          opacity={i % 2 ? 0.75 : 1}
        />
      ));
    default:
      return Array.from({ length: count }, (_, i) => (
        <g key={i} transform={`translate(${at(i)} 18) rotate(${turn(i)})`}>
          <circle r="4.6" fill={pale} />
          <rect x="-.7" y="-4.2" width="1.4" height="3.4" fill="#22292c" />
        </g>
      ));
  }
}

interface KnobProps {
  readonly at: (i: number) => number;
  readonly i: number;
  readonly seed: number;
}

function Knob({ at, i, seed }: KnobProps) {
  return (
    <g>
      <rect x={at(i) - 0.8} y="10" width="1.6" height="14" fill={pale} opacity=".5" />
      <rect
        x={at(i) - 3.5}
        y={11 + ((seed >>> (4 * i)) % 10)}
        width="7"
        height="3.4"
        rx="1"
        fill={pale}
      />
    </g>
  );
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
    return (
      <img
        className="faceplate"
        src={picture}
        alt=""
        width={width}
        height={height}
        loading="lazy"
        draggable={false}
      />
    );
  }
  const number = numberOf(seed);
  return (
    <svg className="faceplate" width={width} height={height} viewBox="0 0 48 28" aria-hidden="true">
      <rect width="48" height="28" fill={panels[number % panels.length]} />
      <rect x="3" y="3" width={14 + (number % 27)} height="3" rx="1" fill="#fff" opacity=".28" />
      {drawing(number)}
    </svg>
  );
});
