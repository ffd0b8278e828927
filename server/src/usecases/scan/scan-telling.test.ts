import { beforeEach, describe, expect, it } from '@jest/globals';
import type { ServerEvent } from '@clever-drawer/core/api';
import { EventHub } from '../../jobs/event-hub.ts';
import type { ScanJob } from '../../jobs/scan-jobs.ts';
import { atTheStart, ScanTelling } from './scan-telling.ts';

let now = 0;
let heard: ServerEvent[] = [];
let job: ScanJob;
let telling: ScanTelling;

beforeEach(() => {
  now = Date.parse('2026-11-28T09:00:00Z');
  heard = [];
  job = {
    stop: new SharedArrayBuffer(4),
    stopped: false,
    progress: atTheStart({ id: 'scan' }, '/loft'),
    finished: Promise.resolve(),
  };
  const clock = (): Date => new Date(now);
  const events = new EventHub(clock);
  events.listen('here', (event) => heard.push(event));
  telling = new ScanTelling({ events, clock }, 'here', job);
});

const shown = (): unknown[] =>
  heard.map((event) => (event.event === 'scan' ? event.progress.done : event.event));

describe('how far a scan is', () => {
  it('is told at most ten times a second', () => {
    for (let done = 1; done <= 30; done += 1) {
      now += 10;
      telling.progress({ done });
    }
    expect(shown()).toEqual([1, 11, 21]);
  });
  it('is told at once where it matters, and known in between', () => {
    telling.progress({ done: 1 });
    telling.progress({ done: 2 });
    expect(job.progress.done).toBe(2);
    telling.progress({ done: 3 }, true);
    expect(shown()).toEqual([1, 3]);
  });
  it('says what is left at the pace of what was examined, without what was as before', () => {
    telling.begin(100, { total: 200, unchanged: 100 });
    expect(job.progress.secondsLeft).toBeNull();
    now += 5_000;
    telling.progress({ done: 120 });
    // Twenty took five seconds, so eighty take twenty.
    expect(job.progress.secondsLeft).toBe(20);
  });
});

describe('what a scan has found', () => {
  it('is fetched at most every two seconds, and at its end', () => {
    for (let batch = 0; batch < 10; batch += 1) {
      now += 500;
      telling.saved();
    }
    expect(shown()).toEqual(['catalog', 'catalog']);
    telling.end('done');
    expect(shown()).toEqual(['catalog', 'catalog', 0, 'catalog']);
    expect(job.progress.state).toBe('done');
  });
});
