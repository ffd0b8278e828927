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

/** The directory of the package that a module asks for; null where it is none of npm's. */
function packageFor(path: string, from: string): string | null {
  const [first = '', second = ''] = path.split('/');
  const name = first.startsWith('@') ? `${first}/${second}` : first;
  for (let directory = from; directory.startsWith(root); directory = dirname(directory)) {
    const found = join(directory, 'node_modules', name);
    if (existsSync(found)) {
      return found;
    }
  }
  return null;
}

/** Packages stay beside the program, but those that only a part of ours has in another version. */
const packagesBeside: Plugin = {
  name: 'packages-beside',
  setup: (bundler) => {
    bundler.onResolve({ filter: /^[^./]/ }, ({ path, resolveDir }) => {
      const isOurs = path.startsWith('@clever-drawer/');
      const found = isOurs ? null : packageFor(path, resolveDir);
      return found === join(root, 'node_modules', found?.split('node_modules/')[1] ?? '')
        ? { path, external: true }
        : undefined;
    });
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
    ...helpers,
  },
  outdir: out,
  plugins: [packagesBeside],
  // Our own packages are TypeScript: they are built in.
  alias: {
    '@clever-drawer/core': at('core/src/index.ts'),
    '@clever-drawer/core/readers': at('core/src/readers.ts'),
    '@clever-drawer/core/documents': at('core/src/documents.ts'),
    '@clever-drawer/demo': at('demo/src/index.ts'),
    '@clever-drawer/server': at('server/src/main.ts'),
  },
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
