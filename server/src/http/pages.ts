/** The built pages: one page for all screens, which finds its own way, and the files it needs. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express } from 'express';
import { builtFiles } from './built-files.ts';

/** The addresses of the application's screens; each is the same page. */
const screens = /^\/(?:|(scan|sort|file|load|review|keep|chart|plugin|rule)(?:\/.*)?)$/;

/** What is shown where the address names no screen. */
const firstScreen = 'file';

/** A file of the build, as Vite's manifest tells of it (Vite, Backend Integration). */
interface BuiltFile {
  readonly file: string;
  readonly name?: string;
  readonly isEntry?: boolean;
  /** Keys of files that come with it. */
  readonly imports?: readonly string[];
}
type Manifest = Readonly<Record<string, BuiltFile>>;

/** Serves the directory of the built pages. */
export function servePages(app: Express, web: string): void {
  app.use('/assets', builtFiles(join(web, 'assets')));
  app.use(express.static(web, { index: false, maxAge: '1h' }));
  const manifest = readManifest(web);
  app.get(screens, (request, response) => {
    response.setHeader('Cache-Control', 'no-cache');
    response.setHeader('Link', preloads(manifest, request.params[0] ?? firstScreen));
    response.sendFile(join(web, 'index.html'));
  });
}

/** The manifest of the build; empty where there is none, and then nothing is told ahead. */
function readManifest(web: string): Manifest {
  try {
    return JSON.parse(readFileSync(join(web, '.vite/manifest.json'), 'utf8')) as Manifest;
  } catch {
    return {};
  }
}

/**
 * What the page of a screen will ask for, as the value of a `Link` header (RFC 8288): the first file,
 * without which nothing begins, and beside it the list of computers and the screen's files.
 */
export function preloads(manifest: Manifest, screen: string): string {
  const files = new Set<string>();
  const add = (built: BuiltFile | undefined): void => {
    if (!built || files.has(built.file)) {
      return;
    }
    files.add(built.file);
    for (const key of built.imports ?? []) {
      add(manifest[key]);
    }
  };
  const builds = Object.values(manifest);
  add(builds.find(({ isEntry }) => isEntry));
  add(builds.find(({ name }) => name?.replace(/-(?:screen|page)$/, '') === screen));
  const [first, ...others] = [...files].map((file) => `</${file}>; rel=modulepreload`);
  const computers = '</api/computers>; rel=preload; as=fetch; crossorigin=anonymous';
  return [...(first === undefined ? [] : [first]), computers, ...others].join(', ');
}
