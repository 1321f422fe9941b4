import type { Request, Response } from 'express';
import type { Config } from '../config.js';
import { escaped } from './publishedPage.js';

/** How much HTML somebody pastes. */
const MOST = 2000;

/**
 * A stand-in for a school's own site: whoever pastes the HTML of a published deck sees it stand in a page. Only what
 * frames a deck of this computer is taken over, sign by sign.
 */
export const schoolSite =
  (config: Config) =>
  (request: Request, response: Response): void => {
    const { html } = request.query;
    const pasted = typeof html === 'string' ? html.slice(0, MOST) : '';
    const frame = pasted === '' ? null : frameIn(pasted, request, config);
    response
      .type('html')
      .set(
        'Content-Security-Policy',
        "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; frame-src http: https:; frame-ancestors 'none'",
      )
      // Who embeds is told to what is embedded.
      .set('Referrer-Policy', 'strict-origin-when-cross-origin')
      .send(page(pasted, frame));
  };

/** The frame that is asked for, written anew; null where it is none of a deck that is published here. */
function frameIn(pasted: string, request: Request, config: Config): string | null {
  const told = (name: string): string =>
    new RegExp(`\\s${name}="([^"<>]*)"`).exec(pasted)?.[1]?.replaceAll('&amp;', '&') ?? '';
  const source = URL.canParse(told('src')) ? new URL(told('src')) : null;
  const port = (request.get('host') ?? '').split(':')[1] ?? '';
  const isOurs =
    source !== null &&
    (source.origin === config.publicAddress ||
      (['localhost', '127.0.0.1'].includes(source.hostname) && source.port === port));
  if (!source || !isOurs || !source.pathname.startsWith('/at/')) return null;
  const size = (name: string): string => (/^\d{2,4}$/.test(told(name)) ? told(name) : '');
  const [width, height] = [size('width'), size('height')];
  const style = width
    ? `style="width:${width}px;height:${height || '400'}px"`
    : 'style="width:100%;aspect-ratio:16/10"';
  return `<iframe src="${escaped(source.href)}" title="${escaped(told('title'))}" ${style} allow="fullscreen"></iframe>`;
}

const page = (pasted: string, frame: string | null): string => `<!doctype html>
<html lang="en">
<meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Petrel Isle School</title>
<style>
body{margin:0;font:17px/1.6 Georgia,serif;color:#222;background:#fff}
header{background:#27445c;color:#fff;padding:18px 32px;font:600 22px sans-serif}
main{max-width:960px;margin:0 auto;padding:24px 32px}
iframe{border:1px solid #bbb;max-width:100%}
textarea{width:100%;min-height:90px;font:14px monospace;box-sizing:border-box}
button{font:600 16px sans-serif;padding:8px 18px;min-height:40px}
.no{background:#fbe9e2;padding:10px 14px}
</style>
<header>Petrel Isle School · the week’s pages</header>
<main>
<h1>The island in our lessons</h1>
<p>This page stands in for a school’s own site. Paste the HTML that Gobrel gives for a published deck.</p>
<form method="get">
<label>HTML <textarea name="html" maxlength="${MOST}">${escaped(pasted)}</textarea></label>
<button>Show it on this page</button>
</form>
${frame ?? (pasted ? '<p class="no" role="alert">There is no frame of a published deck in that.</p>' : '')}
<p>Homework for Thursday: walk the deck to one of its ends, and tell which.</p>
</main>
</html>`;
