/**
 * Builds what runs without a browser into dist/, so that no TypeScript is compiled while it runs: the
 * server as ./start starts it, and the command line with the packages it needs in it. Each thread and
 * process that they start is a file beside them.
 */
import { build, type BuildOptions, type Plugin } from 'esbuild';
import { existsSync, rmSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';

const root = resolve(import.meta.dirname, '..');
const out = join(root, 'dist');
const at = (path: string): string => join(root, path);

const common: BuildOptions = {
  bundle: true,
  splitting: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  outExtension: { '.js': '.mjs' },
  chunkNames: '[name]-[hash]',
  logLevel: 'warning',
  // Packages of CommonJS that are built in ask for Node's own modules.
  banner: {
    js: `import { createRequire as makeRequire } from 'node:module';
const require = makeRequire(import.meta.url);`,
  },
};

/** Whether the package that a module asks for is the one in the root, and no other version nearer to it. */
function isOfRoot(path: string, from: string): boolean {
  const [first = '', second = ''] = path.split('/');
  const name = first.startsWith('@') ? `${first}/${second}` : first;
  let directory = from;
  while (directory !== root && !existsSync(join(directory, 'node_modules', name))) {
    directory = dirname(directory);
  }
  return directory === root && existsSync(join(root, 'node_modules', name));
}

/** Packages stay beside the program, but our own, and those that only a part of ours has in another version. */
const packagesBeside: Plugin = {
  name: 'packages-beside',
  setup: (bundler) => {
    bundler.onResolve({ filter: /^[^./]/ }, ({ path, resolveDir }) =>
      !path.startsWith('@clever-drawer/') && isOfRoot(path, resolveDir)
        ? { path, external: true }
        : undefined,
    );
  },
};

/** Threads that read, and processes that open: where the programs beside them look for them. */
const helpers = {
  'worker-start': at('server/src/scanner/worker.ts'),
  'child/worker': at('server/src/opener/child/worker.mjs'),
};

rmSync(out, { recursive: true, force: true });
await build({
  ...common,
  entryPoints: {
    start: at('scripts/start.ts'),
    'practice/start': at('server/src/host/practice/process.ts'),
    'review-worker-start': at('server/src/reviewer/review-worker.ts'),
    ...helpers,
  },
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
