import { describe, expect, it } from '@jest/globals';
import { eachInSteps, Gradually } from './gradually.ts';

/** Adds numbers up to some, and notes each that it has added. */
function sumOf(count: number) {
  const added: number[] = [];
  function* steps() {
    let sum = 0;
    yield* eachInSteps(
      Array.from({ length: count }, (_, at) => at),
      (one) => {
        added.push(one);
        sum += one;
      },
    );
    return sum;
  }
  return { sum: new Gradually(steps()), added };
}

describe('a value that is worked out in steps', () => {
  it('does nothing until it is asked to, then a hundred at a time', () => {
    const { sum, added } = sumOf(250);
    expect([added.length, sum.ready]).toEqual([0, null]);
    expect([sum.step(), added.length, sum.ready]).toEqual([true, 100, null]);
    expect([sum.step(), added.length, sum.ready]).toEqual([true, 200, null]);
    expect([sum.step(), added.length, sum.ready]).toEqual([false, 250, 31_125]);
    expect([sum.step(), added.length]).toEqual([false, 250]);
  });
  it('is there at once when it is needed, wherever it stood', () => {
    const { sum, added } = sumOf(250);
    sum.step();
    expect([sum.whole(), added.length, sum.ready]).toEqual([31_125, 250, 31_125]);
    expect([sum.whole(), added.length]).toEqual([31_125, 250]);
  });
});
