/** Speaking to the running application. */
import { createReadStream } from 'node:fs';
import type { ComputerView, Refusal } from '@clever-drawer/core/api';
import type { Terminal } from './terminal.ts';

/** Where the application runs, and the key of a private one. */
export interface Running {
  readonly to: string;
  readonly key: string | undefined;
}

/** How it was named. A key itself would stand in the list of processes; `-` is standard input. */
export interface NamedRunning {
  readonly to: string;
  readonly keyFile: string | undefined;
}

/** More than any key has. Bytes. */
const keyLimit = 1_024;

async function keyIn(file: string): Promise<string | null> {
  try {
    const input = file === '-' ? process.stdin : createReadStream(file, { end: keyLimit });
    let text = '';
    for await (const piece of input) {
      text += String(piece);
      if (text.length > keyLimit) {
        return null;
      }
    }
    return text.trim();
  } catch {
    return null;
  }
}

/** Where it is looked for unless it is said. */
export const usualAddress = 'http://127.0.0.1:4747';

/** The application that was named; null when its key cannot be read, which has been said. */
export async function runningAt(
  { to, keyFile }: NamedRunning,
  terminal: Terminal,
): Promise<Running | null> {
  const key = keyFile === undefined ? undefined : await keyIn(keyFile);
  if (key === null) {
    terminal.error(`${keyFile ?? ''} holds no key, or cannot be read.`);
    return null;
  }
  return { to, key };
}

/** What it answers; null when it does not answer or refuses, which has been said. */
export async function askRunning(
  { to, key }: Running,
  path: string,
  terminal: Terminal,
  init: RequestInit = {},
): Promise<Response | null> {
  const headers: Record<string, string> = {
    ...(init.headers as Record<string, string> | undefined),
    ...(key === undefined ? {} : { Authorization: `Bearer ${key}` }),
  };
  const response = await fetch(new URL(path, to), { ...init, headers }).catch(() => null);
  if (!response) {
    terminal.error(`Clever Drawer does not answer at ${to}. Start it with ./start, or say --to.`);
    return null;
  }
  if (response.ok) {
    return response;
  }
  const refusal = (await response.json().catch(() => null)) as Refusal | null;
  terminal.error(
    refusal?.problems.map(({ message }) => message).join('\n') ??
      `${to} answered ${response.status}.`,
  );
  return null;
}

/** The computer of that name, or the first; null when there is none, which has been said. */
export async function computerNamed(
  running: Running,
  name: string | undefined,
  terminal: Terminal,
): Promise<ComputerView | null> {
  const response = await askRunning(running, '/api/computers', terminal);
  if (!response) {
    return null;
  }
  const computers = (await response.json()) as ComputerView[];
  const found = name === undefined ? computers[0] : computers.find((one) => one.name === name);
  if (!found) {
    const known = computers.map((one) => one.name).join(', ');
    terminal.error(`There is no computer ${name ?? ''}. There is ${known}.`);
  }
  return found ?? null;
}
