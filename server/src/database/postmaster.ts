/**
 * The server process of a PostgreSQL cluster: found by its `postmaster.pid`, and only believed when
 * the process proves to be it. Numbers of processes are given out again, so the number alone says
 * nothing: no signal ever goes to a process that is not proven ours.
 */
import { readdir, readFile, readlink, realpath } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { readSmallText } from '../files/index.ts';

/** A server process that is proven to be that of the cluster. */
export interface Postmaster {
  readonly pid: number;
  readonly port: number;
  /** Whether it takes connections, by its own word. */
  readonly isReady: boolean;
}

/** The start in the file and that of the process may differ by so many seconds. */
const startTolerance = 10;
/** Clock ticks a second in /proc, on all of Debian's architectures (proc(5), sysconf(3)). */
const ticksPerSecond = 100;

/** The server that runs on the cluster's directory; null when none does. */
export async function findPostmaster(data: string): Promise<Postmaster | null> {
  const text = (await readSmallText(join(data, 'postmaster.pid'))) ?? '';
  const lines = text.split('\n').map((line) => line.trim());
  // Lines (pidfile.h of PostgreSQL): process, data directory, start, port, socket, address, memory, state.
  const [pid, start, port] = [lines[0], lines[2], lines[3]].map(Number);
  if (!isCount(pid) || !isCount(start) || !isCount(port) || port > 65_535) {
    return null;
  }
  const isReady = lines[7] === 'ready';
  return (await isServerOf(pid, data, start)) ? { pid, port, isReady } : null;
}

const isCount = (value: number | undefined): value is number =>
  value !== undefined && Number.isInteger(value) && value > 0;

/** Whether the process is PostgreSQL, works in that directory and began when the file says. */
async function isServerOf(pid: number, data: string, start: number): Promise<boolean> {
  try {
    const [program, directory, wanted, began] = await Promise.all([
      readlink(`/proc/${pid}/exe`),
      readlink(`/proc/${pid}/cwd`),
      realpath(data),
      startOf(pid),
    ]);
    return (
      basename(program.replace(/ \(deleted\)$/, '')) === 'postgres' &&
      directory === wanted &&
      Math.abs(began - start) <= startTolerance
    );
  } catch {
    return false;
  }
}

/** When a process began, in seconds since 1970 (fields of /proc/PID/stat and /proc/stat). */
async function startOf(pid: number): Promise<number> {
  const [stat, system] = await Promise.all([
    readFile(`/proc/${pid}/stat`, 'utf8'),
    readFile('/proc/stat', 'utf8'),
  ]);
  // The second field is the program's name in brackets, which may itself hold spaces and brackets.
  const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
  const boot = Number(/^btime (\d+)$/m.exec(system)?.[1]);
  return boot + Number(fields[19]) / ticksPerSecond;
}

/** Whether any process works in that directory, as all of a server's do. */
export async function worksIn(data: string): Promise<boolean> {
  const wanted = await realpath(data).catch(() => null);
  const processes = (await readdir('/proc')).filter((name) => /^\d+$/.test(name));
  const places = await Promise.all(
    processes.map((pid) => readlink(`/proc/${pid}/cwd`).catch(() => null)),
  );
  return wanted !== null && places.includes(wanted);
}

/** How long a fast shutdown may take before the immediate one, and how often is looked. Milliseconds. */
const patience = 30_000;
const look = 50;

/**
 * Stops the server on that directory, if one runs: fast (SIGINT), then at once (SIGQUIT), as
 * PostgreSQL's documents name them.
 */
export async function stopPostmaster(data: string): Promise<void> {
  for (const signal of ['SIGINT', 'SIGQUIT'] as const) {
    const running = await findPostmaster(data);
    if (!running) {
      return;
    }
    process.kill(running.pid, signal);
    for (let waited = 0; waited < patience; waited += look) {
      if ((await findPostmaster(data)) === null) {
        return;
      }
      await new Promise((resolve) => setTimeout(resolve, look));
    }
  }
}
