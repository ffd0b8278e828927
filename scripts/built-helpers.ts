/**
 * Before tests: builds the programs of the server's threads and processes, and says where they are.
 * From its source each of them takes more than a second of a processor to start.
 */
import { build } from 'esbuild';
import { at, common, ofServer, packagesBeside, reader } from './bundle.ts';

export default async function builtHelpers(): Promise<void> {
  const outdir = at('.cache/helpers');
  await build({
    ...common,
    splitting: false,
    // The program itself as well, with what it opens plugins with: tests that start it wait less.
    entryPoints: {
      ...ofServer,
      ...reader,
      'child/worker': at('server/src/opener/child/worker.mjs'),
      start: at('scripts/start.ts'),
    },
    outdir,
    plugins: [packagesBeside],
  });
  process.env.CLEVER_DRAWER_HELPERS = outdir;
}
