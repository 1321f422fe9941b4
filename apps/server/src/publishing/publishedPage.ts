import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { NextFunction, Request, Response } from 'express';
import { ownAddress } from '../access/addressOf.js';
import type { Config } from '../config.js';
import type { Live, PublishingService } from './PublishingService.js';

/**
 * The page of a published deck: the application's, with what those need who show an address as a card (Open Graph,
 * https://ogp.me), and the sites on which it may stand (CSP level 3, frame-ancestors).
 */
export const publishedPage =
  (config: Config, publishing: PublishingService) =>
  async (request: Request, response: Response, next: NextFunction): Promise<void> => {
    if (!['GET', 'HEAD'].includes(request.method)) {
      next();
      return;
    }
    // What is not there, or not any more, is told by the page itself, wherever it stands.
    const live = await publishing.live(codeOf(request)).catch(() => null);
    const sites = live ? live.sites : null;
    const isFramed = request.headers['sec-fetch-dest'] === 'iframe';
    const here = ownAddress(config, request);
    if (live && isFramed && !mayStandOn(request.headers.referer, sites, here)) {
      response.removeHeader('X-Frame-Options');
      response
        .type('html')
        .set('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'")
        .send(elsewhere(`${here}${request.originalUrl.split('?')[0]!}`));
      return;
    }
    const policy = String(response.getHeader('Content-Security-Policy') ?? '');
    const ancestors = sites === null ? '*' : ["'self'", ...sites].join(' ');
    try {
      response.removeHeader('X-Frame-Options');
      const page = await readFile(join(config.webFolder, 'index.html'), 'utf8');
      response
        .type('html')
        .set('Cache-Control', 'no-cache')
        .set(
          'Content-Security-Policy',
          policy.replace("frame-ancestors 'none'", `frame-ancestors ${ancestors}`),
        )
        .send(
          live && live.passHash === null
            ? page.replace('</head>', cardOf(live, here, request))
            : page,
        );
    } catch (error) {
      next(error);
    }
  };

const codeOf = (request: Request): string => String(request.params.code ?? '');

/** Who embeds is told by most browsers; where it is not, the policy holds all the same. */
function mayStandOn(referer: string | undefined, sites: Live['sites'], here: string): boolean {
  if (sites === null || !referer) return true;
  const origin = URL.canParse(referer) ? new URL(referer).origin : '';
  return origin === here || sites.includes(origin);
}

function cardOf({ title, picture }: Live, here: string, request: Request): string {
  const at = `${here}${request.originalUrl.split('?')[0]!}`;
  const told: [string, string][] = [
    ['og:type', 'website'],
    ['og:title', title],
    ['og:description', 'A deck of slides to walk through.'],
    ['og:url', at],
    ...(picture
      ? ([
          ['og:image', `${here}/api/published/${encodeURIComponent(codeOf(request))}/picture`],
          ['og:image:alt', 'Its first slide'],
        ] satisfies [string, string][])
      : []),
  ];
  const lines = told.map(
    ([name, content]) => `<meta property="${name}" content="${escaped(content)}">`,
  );
  return `${lines.join('\n')}\n</head>`;
}

const elsewhere = (address: string): string => `<!doctype html>
<html lang="en"><meta charset="utf-8"><title>Not shown here</title>
<style>body{font:16px/1.5 sans-serif;margin:0;height:100vh;display:grid;place-content:center;text-align:center;
background:#FAF7F0;color:#1E2B32;padding:0 24px}a{color:#17505C}</style>
<p>This deck may not be shown on this site.<br>
<a href="${escaped(address)}" target="_blank" rel="noopener">Open it in a window of its own</a></p></html>`;

const SIGNS: Record<string, string> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
/** As it stands in HTML, in words and within quotation marks. */
export const escaped = (words: string): string =>
  words.replace(/[&<>"']/g, (sign) => SIGNS[sign] ?? '');
