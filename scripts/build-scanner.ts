/**
 * Bundles the scanner for other computers into one file beside the pages. koffi's native part for
 * each system comes in packages of its own, of which npm installs only this system's: the others are
 * fetched once into .cache; where that cannot be done, the scanner opens on the systems it has and
 * only reads on the others.
 */
import { build, type Plugin } from 'esbuild';
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { gzipSync } from 'node:zlib';

const root = resolve(import.meta.dirname, '..');
const cache = join(root, '.cache', 'koffi');
const { version } = JSON.parse(
  readFileSync(join(root, 'node_modules/koffi/package.json'), 'utf8'),
) as { version: string };

/** As Node names them. */
const systems = [
  'linux-x64',
  'linux-arm64',
  'darwin-x64',
  'darwin-arm64',
  'win32-x64',
  'win32-arm64',
  'win32-ia32',
];

/** The package's directory: installed, fetched before, or fetched now; null where there is none. */
function packageOf(system: string): string | null {
  const installed = join(root, 'node_modules/@koromix', `koffi-${system}`);
  const cached = join(cache, `${system}-${version}`);
  const known = [installed, join(cached, 'package')].find(existsSync);
  return known ?? fetchPackage(system, cached);
}

function fetchPackage(system: string, to: string): string | null {
  try {
    mkdirSync(to, { recursive: true });
    const name = execFileSync(
      'npm',
      ['pack', `@koromix/koffi-${system}@${version}`, '--silent', '--fetch-retries=0'],
      {
        cwd: to,
        encoding: 'utf8',
        stdio: ['ignore', 'pipe', 'ignore'],
        timeout: 60_000,
      },
    ).trim();
    execFileSync('tar', ['-xzf', name], { cwd: to });
    return join(to, 'package');
  } catch {
    console.error(`koffi for ${system} could not be fetched: the scanner will only read there.`);
    return null;
  }
}

/** By koffi's own name of the system (`linux_x64`, `musl_x64`): gzip in base64. */
function nativesIn(directory: string): Record<string, string> {
  const found = readdirSync(directory).filter((name) =>
    existsSync(join(directory, name, 'koffi.node')),
  );
  return Object.fromEntries(
    found.map((name) => [
      name,
      gzipSync(readFileSync(join(directory, name, 'koffi.node')), { level: 9 }).toString('base64'),
    ]),
  );
}

const koffiNatives: Plugin = {
  name: 'koffi-natives',
  setup: (bundler) => {
    bundler.onResolve({ filter: /^koffi-natives$/ }, ({ path }) => ({
      path,
      namespace: 'natives',
    }));
    bundler.onLoad({ filter: /.*/, namespace: 'natives' }, () => {
      const natives = systems.flatMap((system) => {
        const directory = packageOf(system);
        return directory === null ? [] : [[system, nativesIn(directory)] as const];
      });
      return { contents: JSON.stringify(Object.fromEntries(natives)), loader: 'json' };
    });
  },
};

await build({
  entryPoints: [join(root, 'cli/src/one-file/scanner.ts')],
  outfile: join(root, 'web/dist/clever-drawer-scan.mjs'),
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  minifySyntax: true,
  minifyWhitespace: true,
  legalComments: 'inline',
  logLevel: 'warning',
  alias: { koffi: 'koffi/indirect' },
  // Packages of CommonJS in the bundle ask for Node's own modules.
  banner: {
    js: `// The scanner of Clever Drawer: node clever-drawer-scan.mjs --usual --open > copies.ndjson
import { createRequire as makeRequire } from 'node:module';
const require = makeRequire(import.meta.url);`,
  },
  plugins: [koffiNatives],
});
