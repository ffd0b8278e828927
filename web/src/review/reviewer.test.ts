/** @jest-environment jsdom */
import { beforeEach, describe, expect, it, jest } from '@jest/globals';
import { wholeReview } from '@clever-drawer/core';
import type { MaterialHere } from './model/material.ts';
import { NotedWorker, sourceOf } from './reviewer.test-data.ts';
import type * as reviewers from './reviewer.ts';

const here = (): MaterialHere => ({ plugins: [], chains: [], folders: [], formatOrder: [] });
const wish = wholeReview(0);

describe('the worker of a review, from the page', () => {
  let reviewer: ReturnType<typeof reviewers.theReviewer>;
  beforeEach(async () => {
    Object.assign(globalThis, { Worker: NotedWorker });
    jest.resetModules();
    const { theReviewer } = await import('./reviewer.ts');
    reviewer = theReviewer();
  });

  it('is given what it works on once, and again only what is another', () => {
    const [window, told] = [here(), sourceOf(true)];
    const then = (): void => undefined;
    reviewer.hold(window);
    reviewer.ask([window, told], { part: 'worth', wish }, then);
    reviewer.ask([window, told], { part: 'own', wish }, then);
    reviewer.ask([here(), told], { part: 'own', wish }, then);
    reviewer.ask([window, sourceOf(true)], { part: 'own', wish }, then);
    expect(NotedWorker.latest?.asks).toEqual([
      'hold here',
      'hold told',
      'worth',
      'own',
      'hold here',
      'own',
      'hold here',
      'hold told',
      'own',
    ]);
  });

  it('answers each who asked, and works the same out once for all who wait for it', () => {
    const [window, told] = [here(), sourceOf(true)];
    const heard: unknown[] = [];
    const hear = (who: string) => (review: object) => heard.push([who, review]);
    reviewer.ask([window, told], { part: 'worth', wish }, hear('first'));
    reviewer.ask([window, told], { part: 'use', wish }, hear('other part'));
    reviewer.ask([window, told], { part: 'worth', wish }, hear('second'));
    reviewer.ask([window, told], { part: 'worth', wish: wholeReview(1) }, hear('other time'));
    const worker = NotedWorker.latest;
    expect(worker?.asks.slice(2)).toEqual(['worth', 'use', 'worth']);
    worker?.answer(1, 1);
    worker?.answer(0, 0);
    expect(heard).toEqual([
      ['other part', { use: 1 }],
      ['first', { worth: 0 }],
      ['second', { worth: 0 }],
    ]);
    // What was answered is worked out anew when it is asked for again.
    reviewer.ask([window, told], { part: 'worth', wish }, hear('later'));
    expect(worker?.asks.at(-1)).toBe('worth');
    worker?.answer(2, 2);
    worker?.answer(3, 3);
    expect(heard.slice(3)).toEqual([
      ['other time', { worth: 2 }],
      ['later', { worth: 3 }],
    ]);
  });
});
