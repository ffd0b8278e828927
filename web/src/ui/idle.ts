/** What can wait: until the first screen stands, nobody is typing, and the window has nothing better to do. */

let stands: () => void = () => undefined;
const standing = new Promise<void>((resolve) => {
  stands = resolve;
});

/** The first screen shows what it was opened for. */
export const firstScreenStands = (): void => {
  stands();
};

const after = (milliseconds: number): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, milliseconds);
  });

/** Some screens have nothing to wait for, and nobody waits longer than this. Milliseconds. */
const longestForScreen = 3_000;
const given = after(longestForScreen);

/** So long after a key or a press another one is likely; and so long at most is waited. Milliseconds. */
const quiet = 700;
const longestForHands = 10_000;
let lastTouch = -quiet;
for (const event of ['keydown', 'pointerdown'] as const) {
  globalThis.addEventListener(
    event,
    () => {
      lastTouch = performance.now();
    },
    { capture: true, passive: true },
  );
}

async function handsAtRest(): Promise<void> {
  const start = performance.now();
  for (;;) {
    const now = performance.now();
    const left = lastTouch + quiet - now;
    if (left <= 0 || now - start > longestForHands) {
      return;
    }
    await after(left);
  }
}

/** Does something small once the first screen stands, as soon as the window has nothing better to do. */
export function whenIdle(act: () => void): void {
  void Promise.race([standing, given]).then(() => {
    if ('requestIdleCallback' in globalThis) {
      requestIdleCallback(act, { timeout: 2_000 });
    } else {
      setTimeout(act, 500);
    }
  });
}

/** Does something large, which keys would have to wait for: when it is idle, and nobody types. */
export function whenAtRest(act: () => void): void {
  whenIdle(() => {
    void handsAtRest().then(act);
  });
}

let lane: Promise<unknown> = Promise.resolve();

/**
 * Does one after the other what brings something that nobody waits for, so that nothing that is
 * waited for queues behind it.
 */
export function oneByOne(bring: () => Promise<unknown>): void {
  // What failed is asked for again by who needs it.
  lane = lane.then(bring).catch(() => undefined);
}

/** A key that is pressed meanwhile waits for so long at most, but for a step that takes longer. Milliseconds. */
const moment = 6;

/**
 * Behind all that waits to be done. Not by requestIdleCallback: Chromium calls that neither between
 * keys nor for a second after them, and who types is who needs what is made ready.
 */
function behindAllElse(act: () => void): void {
  if ('scheduler' in globalThis) {
    void scheduler.postTask(act, { priority: 'background' });
  } else {
    setTimeout(act, moment);
  }
}

/**
 * Goes on with something large step by step, as long as a step says that more is left, in moments in
 * which the window has nothing better to do. What it gives stops it.
 */
export function inIdleMoments(goOn: () => boolean): () => void {
  let isStopped = false;
  const next = (): void => {
    const end = performance.now() + moment;
    let isMore = !isStopped;
    while (isMore && performance.now() < end) {
      isMore = goOn();
    }
    if (isMore) {
      behindAllElse(next);
    }
  };
  whenIdle(next);
  return () => {
    isStopped = true;
  };
}
