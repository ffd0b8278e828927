/** Work that is done one after the other. */

/** Does one piece of work after the other, whether or not the one before it succeeded. */
export type SerialQueue = <T>(work: () => Promise<T>) => Promise<T>;

/** Makes a row in which work takes its turn. */
export function createSerialQueue(): SerialQueue {
  let last: Promise<unknown> = Promise.resolve();
  return (work) => {
    const next = last.then(work, work);
    last = next.catch(() => undefined);
    return next;
  };
}
