/** How far the chest is scrolled while something is dragged: never from under the pointer by surprise. */

/** Pixels inside the edge at which resting scrolls. */
const edge = 14;
/** How long one has to rest there. Milliseconds. */
const dwell = 800;
const slow = 3;
const fastest = 18;

export interface Rest {
  /** Where the pointer is, from the top of the window. Pixels. */
  readonly y: number;
  /** How long it has been at that edge. Milliseconds. */
  readonly since: number;
}

/** Pixels to scroll in this frame; negative goes up. Outside the box at once, at its edge only after resting. */
export function edgeScroll({ y, since }: Rest, top: number, bottom: number): number {
  if (y < top) {
    return -Math.min(fastest, slow + (top - y) / 8);
  }
  if (y > bottom) {
    return Math.min(fastest, slow + (y - bottom) / 8);
  }
  if (since < dwell) {
    return 0;
  }
  if (y < top + edge) {
    return -slow;
  }
  return y > bottom - edge ? slow : 0;
}

/** The edge a pointer is at or beyond; null in between. */
export function edgeAt(y: number, top: number, bottom: number): 'top' | 'bottom' | null {
  if (y < top + edge) {
    return 'top';
  }
  return y > bottom - edge ? 'bottom' : null;
}
