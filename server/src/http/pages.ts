/** The built pages: one page for all screens, which finds its own way, and the files it needs. */
import { join } from 'node:path';
import express, { type Express } from 'express';

/** The addresses of the application's screens; each is the same page. At any other it says that nothing is there. */
const screens = /^\/(?:|(scan|sort|file|load|review|keep|chart|plugin|rule)(?:\/.*)?)$/;

/** Serves the directory of the built pages. */
export function servePages(app: Express, web: string): void {
  // Their names say what is in them (RFC 8246).
  app.use('/assets', express.static(join(web, 'assets'), { immutable: true, maxAge: '1y' }));
  app.use(express.static(web, { index: false, maxAge: '1h' }));
  app.get(/^\/(?!(?:api|assets)\/)/, (request, response, next) => {
    if (!request.accepts('html')) {
      next();
      return;
    }
    response.status(screens.test(request.path) ? 200 : 404);
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(join(web, 'index.html'));
  });
}
