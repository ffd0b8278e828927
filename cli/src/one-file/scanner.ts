/**
 * The scanner as one file for plain Node: what a bundler makes of this is the program itself, its
 * reading threads and its opening processes, whichever it is started as.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { isMainThread } from 'node:worker_threads';

const opening = '--open-plugins';
const [, , first, libraries] = process.argv;

if (!isMainThread) {
  await import('../../../server/src/scanner/worker.ts');
} else if (first === opening && libraries !== undefined) {
  // Where koffi looks for its native part besides its own package.
  Object.assign(process, { resourcesPath: libraries });
  await import('../../../server/src/opener/child/worker.mjs');
} else {
  await scan();
}

async function scan(): Promise<void> {
  const { Opener } = await import('../../../server/src/opener/index.ts');
  const { ReaderPool } = await import('../../../server/src/scanner/index.ts');
  const { scanCommand } = await import('../scan-command.ts');
  const { unpackKoffi } = await import('./koffi.ts');
  const directory = mkdtempSync(join(tmpdir(), 'clever-drawer-scanner-'));
  process.once('exit', () => {
    rmSync(directory, { recursive: true, force: true });
  });
  process.stdout.on('error', () => {
    process.exit(0);
  });
  process.exitCode = await scanCommand(
    process.argv.slice(2),
    {
      out: (line) => {
        process.stdout.write(`${line}\n`);
      },
      error: (line) => {
        process.stderr.write(`${line}\n`);
      },
    },
    {
      readers: () => new ReaderPool(2, process.env, new URL(import.meta.url)),
      opener: (limit) => {
        unpackKoffi(directory);
        return new Opener({ limit, program: [import.meta.filename, opening, directory] });
      },
    },
    `node ${basename(import.meta.filename)}`,
  );
}
