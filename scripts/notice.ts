/**
 * `npm run notice`: writes NOTICE, the licences of the fonts and packages that Clever Drawer ships or
 * needs to run, out of the packages themselves. `-- --check` says whether it is still true.
 */
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';

const root = resolve(import.meta.dirname, '..');
const target = join(root, 'NOTICE');

/** What pages are built with: nothing of it is in them. */
const builders = new Set(['@vitejs/plugin-react', 'sass', 'vite']);

/** The workspaces that run on a user's computer; those that only test and measure are left out. */
const running = ['core', 'server', 'web', 'demo', 'cli'];

interface Manifest {
  readonly version?: string;
  readonly license?: string | { readonly type?: string };
  readonly dependencies?: Readonly<Record<string, string>>;
  /** Native parts for each system; npm installs those of this one. */
  readonly optionalDependencies?: Readonly<Record<string, string>>;
}

const manifestOf = (directory: string): Manifest =>
  JSON.parse(readFileSync(join(directory, 'package.json'), 'utf8')) as Manifest;

interface Shipped {
  readonly name: string;
  readonly version: string;
  readonly licence: string;
  /** The text of the licence with its copyright lines; null where the package brings none. */
  readonly text: string | null;
}

/** Where Node finds a package from a directory: in the nearest `node_modules` above that has it. */
function find(name: string, from: string): string | null {
  for (let above = from; above.startsWith(root); above = dirname(above)) {
    const directory = join(above, 'node_modules', name);
    if (existsSync(join(directory, 'package.json'))) {
      return directory;
    }
  }
  return null;
}

/** All packages that the running workspaces need, directly or through others. */
function shippedPackages(): Shipped[] {
  const found = new Map<string, Shipped>();
  const waiting = running.map((workspace) => join(root, workspace));
  for (let at = waiting.shift(); at !== undefined; at = waiting.shift()) {
    const { dependencies, optionalDependencies } = manifestOf(at);
    for (const name of Object.keys({ ...dependencies, ...optionalDependencies })) {
      const isOurs = name.startsWith('@clever-drawer/');
      const directory = isOurs || builders.has(name) ? null : find(name, at);
      if (directory !== null && !found.has(directory)) {
        found.set(directory, describePackage(name, directory));
        waiting.push(directory);
      }
    }
  }
  return [...found.values()].sort((a, b) =>
    `${a.name} ${a.version}` < `${b.name} ${b.version}` ? -1 : 1,
  );
}

function describePackage(name: string, directory: string): Shipped {
  const { license, version = '' } = manifestOf(directory);
  const file = readdirSync(directory).find((one) => /^(licen[cs]e|copying)(\.|-|$)/i.test(one));
  return {
    name,
    version,
    licence: (typeof license === 'string' ? license : license?.type) ?? 'not named',
    text:
      file === undefined
        ? aboutBinary(directory)
        : readFileSync(join(directory, file), 'utf8').trim(),
  };
}

/** A package of nothing but a binary says in its README what libraries are in it, each with its licence. */
function aboutBinary(directory: string): string | null {
  const path = join(directory, 'README.md');
  const text = existsSync(path) ? readFileSync(path, 'utf8').trim() : '';
  return /licen[cs]/i.test(text) ? text : null;
}

/** The licences that such libraries name, whole, as Debian's base-files has them. */
const wholeTexts = ['LGPL-3', 'GPL-3', 'LGPL-2.1', 'MPL-2.0', 'Apache-2.0'].map((name) => ({
  name,
  path: join('/usr/share/common-licenses', name),
}));

/** Packages with the very same text of a licence share it. */
function noticeOf(packages: readonly Shipped[]): string {
  const byText = new Map<string, Shipped[]>();
  for (const one of packages) {
    const text = one.text ?? `(The package brings no text; it is under ${one.licence}.)`;
    byText.set(text, [...(byText.get(text) ?? []), one]);
  }
  const parts = [...byText].map(([text, those]) => {
    const names = those.map(({ name, version, licence }) => `${name} ${version} (${licence})`);
    return `${names.join('\n')}\n\n${text}`;
  });
  const line = '-'.repeat(80);
  const whole = wholeTexts.map(
    ({ name, path }) => `${name}\n\n${readFileSync(path, 'utf8').trim()}`,
  );
  return `Clever Drawer stands on the work of others. These are the fonts and packages that it ships or needs to
run, with their licences, as \`npm run notice\` read them out of the packages (${packages.length} of them).
PostgreSQL, Node.js and Chromium are installed from Debian or their makers and are not part of this.
The native parts are those of the system this was made on; for others npm installs the same ones built
for them. Libraries under the LGPL (libvips and others in @img/sharp-libvips-…) are separate files that
may be replaced by other builds of them. Clever Drawer itself: see LICENSE.

${line}
${[...parts, ...whole].join(`\n\n${line}\n`)}
`;
}

const packages = shippedPackages();
const notice = noticeOf(packages);
if (process.argv.includes('--check')) {
  const isTrue = existsSync(target) && readFileSync(target, 'utf8') === notice;
  console.log(
    isTrue ? 'NOTICE is as it should be.' : 'NOTICE is not as it should be: npm run notice',
  );
  process.exit(isTrue ? 0 : 1);
}
writeFileSync(target, notice);
console.log(`NOTICE names ${packages.length} packages.`);
