/** Works a review out beside the page, so that nothing the hand does waits for it. */
import { reviewPart, usesIn, type ReviewMaterial } from '@clever-drawer/core';
import type { Asked, Answered } from './model/asked.ts';

let material: ReviewMaterial | null = null;

self.onmessage = ({ data }: MessageEvent<Asked>): void => {
  if (data.ask === 'hold') {
    const { loads, ...others } = data.material;
    material = { ...others, uses: usesIn(loads) };
    return;
  }
  if (material) {
    const { number, part, wish } = data;
    const answer: Answered = { number, review: { [part]: reviewPart[part](material, wish) } };
    self.postMessage(answer);
  }
};
