/** The built pages: one page for all screens, which finds its own way, and the files it needs. */
import { join } from 'node:path';
import express, { type Express } from 'express';

/** The addresses of the application's screens; each is the same page. */
const screens = /^\/(?:|(scan|sort|file|load|review|keep|chart|plugin|rule)(?:\/.*)?)$/;

/** Serves the directory of the built pages. */
export function servePages(app: Express, web: string): void {
  // Their names say what is in them (RFC 8246).
  app.use('/assets', express.static(join(web, 'assets'), { immutable: true, maxAge: '1y' }));
  app.use(express.static(web, { index: false, maxAge: '1h' }));
  app.get(screens, (_, response) => {
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(join(web, 'index.html'));
  });
}
