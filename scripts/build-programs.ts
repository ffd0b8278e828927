/**
 * Builds what runs without a browser into dist/, so that no TypeScript is compiled while it runs: the
 * server as ./start starts it, and the command line with the packages it needs in it. Each thread and
 * process that they start is a file beside them.
 */
import { build } from 'esbuild';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { at, common, ofServer, packagesBeside, reader } from './bundle.ts';

const out = at('dist');

/** Threads that read, and processes that open: where the programs beside them look for them. */
const helpers = { ...reader, 'child/worker': at('server/src/opener/child/worker.mjs') };

rmSync(out, { recursive: true, force: true });
await build({
  ...common,
  entryPoints: { start: at('scripts/start.ts'), ...ofServer, ...helpers },
  outdir: out,
  plugins: [packagesBeside],
});
await build({
  ...common,
  entryPoints: { main: at('cli/src/main.ts'), ...helpers },
  outdir: join(out, 'cli'),
  // koffi brings a native part; PostgreSQL's packages are loaded by what speaks to the database only.
  external: ['koffi', 'pg', 'pg-*', 'typeorm'],
  minifySyntax: true,
  minifyWhitespace: true,
  legalComments: 'none',
});
