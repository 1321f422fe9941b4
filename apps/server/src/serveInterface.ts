import { statSync } from 'node:fs';
import { join } from 'node:path';
import type { NextFunction, Request, RequestHandler, Response } from 'express';
import sirv from 'sirv';

/**
 * The built interface: hashed files for ever, the page itself fresh; every other address is the page's own. The files are
 * listed once, and anew when another version lies there: who comes while a server is being replaced gets one whole
 * version, not the new page with the old list of its parts.
 */
export function serveInterface(folder: string): RequestHandler {
  const page = join(folder, 'index.html');
  const versionNow = (): number => statSync(page, { throwIfNoEntry: false })?.mtimeMs ?? 0;
  let version = versionNow();
  let files = listed(folder);
  return (request: Request, response: Response, next: NextFunction) => {
    if (!['GET', 'HEAD'].includes(request.method) || /^\/(api|sync)(\/|$)/.test(request.path)) {
      next();
      return;
    }
    // A file that goes while it is being read ends this answer, not the server.
    response.once('pipe', (file) => file.once('error', () => response.destroy()));
    const isPart = request.path.startsWith('/static/');
    const listAnew = (): boolean => {
      const now = versionNow();
      if (now === version || now === 0) return false;
      [version, files] = [now, listed(folder)];
      return true;
    };
    if (!isPart) listAnew();
    files(request, response, () => {
      // A file that is gone is told, not answered with the page: an old page would take that for a script. One of a newer
      // page, which others may have handed out, is looked for once more.
      if (isPart) {
        if (listAnew()) files(request, response, next);
        else next();
        return;
      }
      request.url = '/';
      files(request, response, next);
    });
  };
}

const listed = (folder: string): ReturnType<typeof sirv> =>
  sirv(folder, {
    gzip: true,
    brotli: true,
    setHeaders: (response, path) =>
      response.setHeader(
        'Cache-Control',
        path.startsWith('/static/') ? 'public, max-age=31536000, immutable' : 'no-cache',
      ),
  });
