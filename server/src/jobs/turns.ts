/** One after the other, for each key by itself. */
export class Turns {
  readonly #last = new Map<string, Promise<unknown>>();

  take<T>(key: string, work: () => Promise<T>): Promise<T> {
    const next = (this.#last.get(key) ?? Promise.resolve()).then(work, work);
    this.#last.set(
      key,
      next.catch(() => undefined),
    );
    return next;
  }
}
