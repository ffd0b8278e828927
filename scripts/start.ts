/**
 * Starts everything and keeps it running until Ctrl-C: database, server and, the first time, the
 * demo studio.
 */
import { existsSync } from 'node:fs';
import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { homedir } from 'node:os';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { createTravel, demoComputer, seedStudio } from '@clever-drawer/demo';
import { serve, SetupError, startCluster, type Running } from '@clever-drawer/server';

interface Wanted {
  readonly data: string;
  readonly isDemo: boolean;
  readonly port: number;
}

function readWishes(): Wanted {
  const { values } = parseArgs({
    options: { empty: { type: 'boolean', default: false }, data: { type: 'string' } },
  });
  const isDemo = !values.empty;
  const port = Number(process.env['PORT'] ?? '4747');
  if (!Number.isInteger(port) || port < 1 || port > 65_535) {
    throw new SetupError(
      `PORT should be a number from 1 to 65535, not "${process.env['PORT'] ?? ''}".`,
    );
  }
  const base =
    process.getuid?.() === 0
      ? '/var/lib/clever-drawer'
      : join(process.env['XDG_DATA_HOME'] ?? join(homedir(), '.local/share'), 'clever-drawer');
  return { data: resolve(values.data ?? join(base, isDemo ? 'demo' : 'own')), isDemo, port };
}

/** The address of whoever runs on this data already. */
async function alreadyRunning(data: string): Promise<string | null> {
  const note = await readFile(join(data, 'running.json'), 'utf8').then(
    (text) => JSON.parse(text) as { pid: number; address: string },
    () => null,
  );
  if (!note || !isAlive(note.pid)) {
    return null;
  }
  return (await answers(note.address)) ? note.address : null;
}

const isAlive = (pid: number): boolean => {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
};

const answers = (address: string): Promise<boolean> =>
  fetch(`${address}/api/computers`, { signal: AbortSignal.timeout(2_000) }).then(
    (r) => r.ok,
    () => false,
  );

async function start({ data, isDemo, port }: Wanted): Promise<void> {
  const running = await alreadyRunning(data);
  if (running) {
    console.log(`Clever Drawer runs already: ${running}`);
    return;
  }
  await mkdir(data, { recursive: true });
  const half = join(data, 'seeding');
  if (existsSync(half)) {
    await discard(data);
  }
  const isSeeding = isDemo && !existsSync(join(data, 'cluster'));
  if (isSeeding) {
    await writeFile(half, '');
  }
  const web = resolve(import.meta.dirname, '../web/dist');
  const began = Date.now();
  const travel = createTravel();
  const config = {
    data,
    port,
    web,
    oscPort: port + 1,
    clock: travel.clock,
    ...(isDemo ? { firstComputer: demoComputer } : {}),
  };
  const server = await serve(config);
  stopOnSignals(server, data);
  await writeFile(
    join(data, 'running.json'),
    JSON.stringify({ pid: process.pid, address: server.address }),
  );
  if (isSeeding) {
    console.log('Writing and scanning the demo studio');
    await seedStudio(server.address, join(data, 'studio'), travel).catch(async (error: unknown) => {
      await server.stop();
      throw error;
    });
    await rm(half);
  }
  console.log(
    `Clever Drawer is ready (${((Date.now() - began) / 1000).toFixed(1)} s): ${server.address}\nCtrl-C stops it. The data is in ${data}.${server.oscPort === null ? '' : ` OSC messages are heard on UDP port ${server.oscPort}.`}`,
  );
}

/** A demo whose making was interrupted is made anew; it holds nothing of the user's yet. */
async function discard(data: string): Promise<void> {
  await (await startCluster(data)).stop();
  for (const name of ['cluster', 'cluster-password', 'studio', 'seeding']) {
    await rm(join(data, name), { recursive: true, force: true });
  }
}

function stopOnSignals(server: Running, data: string): void {
  let isStopping = false;
  const stop = (): void => {
    if (isStopping) {
      return;
    }
    isStopping = true;
    server
      .stop()
      .finally(() => rm(join(data, 'running.json'), { force: true }))
      .then(
        () => process.exit(0),
        (error: unknown) => {
          console.error(error);
          process.exit(1);
        },
      );
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) {
    process.on(signal, stop);
  }
}

const wanted = ((): Wanted | null => {
  try {
    return readWishes();
  } catch (error) {
    console.error(
      `${error instanceof Error ? error.message : String(error)}\nUse: ./start [--empty] [--data DIR]`,
    );
    return null;
  }
})();
if (wanted === null) {
  process.exit(2);
}
start(wanted).catch((error: unknown) => {
  if ((error as NodeJS.ErrnoException).code === 'EADDRINUSE') {
    console.error(
      `Port ${wanted.port} is in use by another program, or by Clever Drawer with other data. Choose another one: PORT=${wanted.port + 1} ./start`,
    );
  } else if (error instanceof SetupError) {
    console.error(error.message);
  } else {
    console.error(error);
  }
  process.exit(1);
});
