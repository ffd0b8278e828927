/** A scan knows the time only by the clock that it was handed. */
import { afterAll, beforeAll, expect, it } from '@jest/globals';
import { rmSync } from 'node:fs';
import type { ComputerView, ScanProgress, ServerEvent } from '@clever-drawer/core/api';
import { serve, type Running } from './main.ts';
import { newData, newPlace, writeBundle } from './testing.ts';

const bundles = 450;
let server: Running;
let data = '';
let place = '';

beforeAll(async () => {
  data = await newData();
  place = newPlace();
  for (let n = 0; n < bundles; n += 1) {
    writeBundle(place, `kelp${n}.lv2`, { uri: `urn:kelp:${n}`, name: `Kelp ${n}` });
  }
  server = await serve({
    data,
    port: 0,
    web: null,
    clock: () => new Date('2026-11-26T12:00:00Z'),
  });
});

afterAll(async () => {
  await server.stop();
  rmSync(data, { recursive: true });
  rmSync(place, { recursive: true });
});

/** All progress of the scan, up to its end. */
async function progressOf(computer: string): Promise<ScanProgress[]> {
  const stream = await fetch(`${server.address}/api/computers/${computer}/events`);
  await fetch(`${server.address}/api/computers/${computer}/scans`, { method: 'POST' });
  const steps: ScanProgress[] = [];
  let text = '';
  for await (const chunk of stream.body ?? []) {
    text += new TextDecoder().decode(chunk);
    const lines = text.split('\n');
    text = lines.pop() ?? '';
    const events = lines
      .filter((line) => line.startsWith('data: '))
      .map((line) => JSON.parse(line.slice(6)) as ServerEvent);
    steps.push(...events.flatMap((event) => (event.event === 'scan' ? [event.progress] : [])));
    if (steps.some((progress) => progress.state !== 'running')) {
      return steps;
    }
  }
  return steps;
}

it('tells that nothing is left to wait for while that clock stands still', async () => {
  const computers = (await (
    await fetch(`${server.address}/api/computers`)
  ).json()) as ComputerView[];
  const computer = computers[0]?.id ?? '';
  await fetch(`${server.address}/api/computers/${computer}/places`, {
    method: 'POST',
    body: JSON.stringify({ path: place }),
    headers: { 'Content-Type': 'application/json' },
  });
  const steps = await progressOf(computer);
  const midway = steps.filter(({ done, total }) => done > 0 && total !== null && done < total);
  expect(midway.length).toBeGreaterThan(0);
  expect(new Set(midway.map((progress) => progress.secondsLeft))).toEqual(new Set([0]));
});
