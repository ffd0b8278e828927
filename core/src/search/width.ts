/** The width that is typed beside a name: “limiter mono”. */
import type { Plugin } from '../catalog/plugin.ts';
import { wordsOf } from '../text/fold.ts';

const widthWords: Readonly<Record<string, number>> = { mono: 1, stereo: 2 };

/** What was typed, taken apart. */
export interface TypedWidth {
  /** Channels; null where no width stands beside other words. */
  readonly width: number | null;
  /** The other words. */
  readonly rest: string;
}

/** Takes a width out of what was typed. By itself “mono” is a name like any other. */
export function splitWidth(typed: string): TypedWidth {
  const words = wordsOf(typed);
  const others = words.filter((word) => widthWords[word] === undefined);
  const [width = null] = words.flatMap((word) => widthWords[word] ?? []);
  return others.length === 0 || width === null
    ? { width: null, rest: typed }
    : { width, rest: others.join(' ') };
}

/** Whether some copy gives so many channels out; false where that is not known. */
export const hasWidth = ({ copies }: Pick<Plugin, 'copies'>, width: number): boolean =>
  copies.some(({ audioOut }) => audioOut === width);
