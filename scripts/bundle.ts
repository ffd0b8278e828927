/** How programs without a browser are bundled, and what their threads and processes are made of. */
import type { BuildOptions, Plugin } from 'esbuild';
import { existsSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';

const root = resolve(import.meta.dirname, '..');
/** A path in this repository. */
export const at = (path: string): string => join(root, path);

/** How every program is bundled. */
export const common: BuildOptions = {
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
export const packagesBeside: Plugin = {
  name: 'packages-beside',
  setup: (bundler) => {
    bundler.onResolve({ filter: /^[^./]/ }, ({ path, resolveDir }) =>
      !path.startsWith('@clever-drawer/') && isOfRoot(path, resolveDir)
        ? { path, external: true }
        : undefined,
    );
  },
};

/** Reads bundles and sorts catalogs. */
export const reader = { 'worker-start': at('server/src/scanner/worker.ts') };

/** What the server starts beside its readers: the practice host, and who works reviews out. */
export const ofServer = {
  'practice/start': at('server/src/host/practice/process.ts'),
  'review-worker-start': at('server/src/reviewer/review-worker.ts'),
};
