import type { Config } from '../config.js';
import { cookieIn } from './cookies.js';
import { READER_COOKIE } from './tokens.js';

/** Whether a publication `b` of a deck `d` can be read now, by those who know its pass word if it has one. */
export const IS_LIVE = `b.withdrawn_at IS NULL AND d.trashed_at IS NULL
  AND (b.ends_at IS NULL OR b.ends_at > now())`;

/** Decks whose pass words one device remembers. */
const MOST_PASSES = 12;

/** What a device holds for the pass words that it has told. */
export const passesIn = (header: string | undefined, config: Config): string[] =>
  (cookieIn(header, config, READER_COOKIE) ?? '')
    .split('.')
    .filter((token) => token !== '')
    .slice(-MOST_PASSES);

/** What it holds from now on. */
export const withPass = (header: string | undefined, config: Config, token: string): string =>
  [...passesIn(header, config).filter((known) => known !== token), token]
    .slice(-MOST_PASSES)
    .join('.');
