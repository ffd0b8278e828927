/** A window that keeps count: what it was told is saved has to be there for ever. */
import { randomUUID } from 'node:crypto';
import type { ComputerView, OrderView } from '@clever-drawer/core/api';

/** What was tried and what went wrong. */
export class Tally {
  tried = 0;
  /** Times that the server could not be asked, or said that it could not save: no failure. */
  away = 0;
  readonly failures: string[] = [];
  slowest = 0;

  fail(words: string): void {
    this.failures.push(words);
  }
}

export interface Answer {
  /** 0: no answer at all. */
  readonly status: number;
  readonly body: unknown;
}

/** Asks, and keeps how long it took. Never throws. */
export async function ask(
  tally: Tally,
  method: string,
  url: string,
  body?: string,
): Promise<Answer> {
  const from = performance.now();
  try {
    const response = await fetch(url, {
      method,
      signal: AbortSignal.timeout(30_000),
      ...(body === undefined ? {} : { body, headers: { 'Content-Type': 'application/json' } }),
    });
    const answer: Answer = { status: response.status, body: await response.json() };
    tally.slowest = Math.max(tally.slowest, performance.now() - from);
    return answer;
  } catch {
    return { status: 0, body: null };
  }
}

/** The address of the first computer; null while nobody answers. */
export async function firstComputer(tally: Tally, address: string): Promise<string | null> {
  const { status, body } = await ask(tally, 'GET', `${address}/api/computers`);
  const [computer] = status === 200 ? (body as ComputerView[]) : [];
  return computer ? `${address}/api/computers/${computer.id}` : null;
}

export async function readOrder(tally: Tally, computer: string): Promise<OrderView | null> {
  const { status, body } = await ask(tally, 'GET', `${computer}/order`);
  return status === 200 ? (body as OrderView) : null;
}

/** Adds a folder; gives its id when that was confirmed. Anything but a yes or "not now" is a failure. */
export async function addFolder(
  tally: Tally,
  computer: string,
  cabinet: string,
): Promise<string | null> {
  const id = randomUUID();
  const plain = { parent: null, form: 'folder', name: 'Kept', rule: null, before: null };
  const act = { act: 'add-folder', id, cabinet, ...plain };
  tally.tried += 1;
  const { status, body } = await ask(tally, 'POST', `${computer}/acts`, JSON.stringify(act));
  if (status === 200) {
    return id;
  }
  tally.away += 1;
  if (status !== 0 && status !== 503 && status !== 507) {
    tally.fail(`an act was answered with ${status}: ${JSON.stringify(body).slice(0, 300)}`);
  }
  return null;
}

/** Which of the confirmed ids are missing; all of them have to be there. */
export async function checkKept(
  tally: Tally,
  computer: string,
  confirmed: readonly string[],
): Promise<void> {
  const order = await readOrder(tally, computer);
  if (!order) {
    tally.fail('the order could not be read afterwards');
    return;
  }
  const there = new Set<string>(order.records.map((record) => record.id));
  const lost = confirmed.filter((id) => !there.has(id));
  if (lost.length > 0) {
    tally.fail(`${lost.length} of ${confirmed.length} confirmed acts were lost`);
  }
}
