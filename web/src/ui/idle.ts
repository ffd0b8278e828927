/** What can wait until the first screen stands and the window has nothing better to do. */

let stands: () => void = () => undefined;
const standing = new Promise<void>((resolve) => {
  stands = resolve;
});

/** The first screen shows what it was opened for. */
export const firstScreenStands = (): void => {
  stands();
};

/** Some screens have nothing to wait for, and nobody waits longer than this. Milliseconds. */
const longest = 3_000;
const given = new Promise<void>((resolve) => {
  setTimeout(resolve, longest);
});

/** Does something once the first screen stands, as soon as the window has nothing better to do. */
export function whenIdle(act: () => void): void {
  void Promise.race([standing, given]).then(() => {
    if ('requestIdleCallback' in globalThis) {
      requestIdleCallback(act, { timeout: 2_000 });
    } else {
      setTimeout(act, 500);
    }
  });
}
