import type { Along } from './along.js';

/** A file within a page: what it is called there, its media type, and its bytes in base64. */
export interface Carried {
  id: string;
  type: string;
  base64: string;
}

/** What a page may do: show what it carries. It reaches for nothing, wherever it is opened (CSP Level 3). */
const POLICY = [
  "default-src 'none'",
  "script-src 'unsafe-inline'",
  "style-src 'unsafe-inline'",
  'img-src data: blob:',
  'media-src data: blob:',
  'font-src data:',
  "base-uri 'none'",
  "form-action 'none'",
].join('; ');

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** So that no word of it ends the element that it stands in (HTML, "Restrictions for contents of script elements"). */
const inScript = (code: string): string =>
  code.replace(/<\/(script)/gi, '<\\/$1').replaceAll('<!--', '<\\!--');
const inStyle = (css: string): string => css.replace(/<\/(style)/gi, '<\\/$1');

/** A page of one file, in pieces to be put together in this order. It is HTML in UTF-8. */
export function alongPage(args: {
  along: Along;
  style: string;
  script: string;
  carried: Iterable<Carried>;
}): string[] {
  const { title, language } = args.along.edition;
  return [
    `<!doctype html>
<html lang="${escaped(language)}">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover">
<meta name="generator" content="Gobrel">
<meta http-equiv="Content-Security-Policy" content="${POLICY}">
<title>${escaped(title)}</title>
<style>`,
    inStyle(args.style),
    `</style>
</head>
<body>
<div id="root"></div>
<script type="application/json" id="along">`,
    JSON.stringify(args.along).replaceAll('<', '\\u003c'),
    '</script>\n',
    ...[...args.carried].map(
      ({ id, type, base64 }) =>
        `<script type="text/plain" id="${escaped(id)}" data-type="${escaped(type)}">${base64}</script>\n`,
    ),
    '<script type="module">',
    inScript(args.script),
    '</script>\n</body>\n</html>\n',
  ];
}

/** A name for the file, from a title: letters and numbers of any script, no longer than file systems like. */
export const fileNameOf = (title: string, ending: string): string =>
  `${
    title
      .normalize('NFC')
      .replace(/[^\p{L}\p{N}\p{M}]+/gu, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 80) || 'deck'
  }.${ending}`;
