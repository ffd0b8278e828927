/** Works a review out beside the page, so that nothing the hand does waits for it. */
import { reviewPart, usesIn, type ReviewMaterial } from '@clever-drawer/core';
import type { Answered, Asked, MaterialTold } from './model/asked.ts';
import type { MaterialHere } from './model/material.ts';

let here: MaterialHere | null = null;
let told: Pick<ReviewMaterial, 'uses' | 'comings' | 'sessions'> | null = null;
/** Both together, as long as they are the same. */
let material: ReviewMaterial | null = null;

const unpacked = ({ loads, comings, sessions }: MaterialTold) => ({
  uses: usesIn(loads),
  comings,
  sessions,
});

self.onmessage = ({ data }: MessageEvent<Asked>): void => {
  switch (data.ask) {
    case 'hold here':
      here = data.here;
      material = null;
      return;
    case 'hold told':
      told = unpacked(data.told);
      material = null;
      return;
    case 'review':
      if (here && told) {
        material ??= { ...here, ...told };
        const { number, part, wish } = data;
        const answer: Answered = { number, review: { [part]: reviewPart[part](material, wish) } };
        self.postMessage(answer);
      }
      return;
    default:
      data satisfies never;
  }
};
