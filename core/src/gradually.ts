/** A value that takes long to work out: in steps ahead, or what is left of it when it is needed. */
export class Gradually<T> {
  #steps: Generator<undefined, T, undefined> | null;
  #worked: { readonly value: T } | null = null;

  /** `steps` yields after each step, none of which takes long, and returns the value. */
  constructor(steps: Generator<undefined, T, undefined>) {
    this.#steps = steps;
  }

  /** Does one more step; false once the value is there. */
  step(): boolean {
    const next = this.#steps?.next();
    if (next?.done === true) {
      this.#worked = { value: next.value };
      this.#steps = null;
    }
    return this.#worked === null;
  }

  /** The value; what is left to be done for it is done now. */
  whole(): T {
    while (this.#worked === null) {
      this.step();
    }
    return this.#worked.value;
  }

  /** The value where it is there. */
  get ready(): T | null {
    return this.#worked?.value ?? null;
  }
}

/** So many are done in one step. */
const inOneStep = 100;

/** Does something with each, and yields after every hundred. */
export function* eachInSteps<T>(all: readonly T[], act: (one: T, at: number) => void) {
  for (const [at, one] of all.entries()) {
    act(one, at);
    if (at % inOneStep === inOneStep - 1) {
      yield;
    }
  }
}
