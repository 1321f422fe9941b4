import type { CookieOptions, Request, Response } from 'express';
import { parse } from 'cookie';
import type { Config } from '../config.js';
import { hashToken, SESSION_COOKIE, STUDENT_COOKIE } from './tokens.js';

const options = (config: Config): CookieOptions => ({
  httpOnly: true,
  sameSite: 'lax',
  secure: config.isSecure,
  path: '/',
});

/** Over https the prefix has browsers take the cookie from this very host alone (RFC 6265bis, 4.1.3.2). */
const nameOf = (config: Config, name: string): string =>
  config.isSecure ? `__Host-${name}` : name;

export function giveCookie(
  response: Response,
  config: Config,
  name: string,
  token: string,
  days: number,
): void {
  response.cookie(nameOf(config, name), token, {
    ...options(config),
    maxAge: days * 86_400_000,
  });
}

export function takeCookie(response: Response, config: Config, name: string): void {
  response.clearCookie(nameOf(config, name), options(config));
}

/** What the headers of a request or of a socket's upgrade hold under one of our names. */
export function cookieIn(
  header: string | undefined,
  config: Config,
  name: string,
): string | undefined {
  return parse(header ?? '')[nameOf(config, name)];
}

export const cookieOf = (request: Request, config: Config, name: string): string | undefined =>
  cookieIn(request.headers.cookie, config, name);

/** What of sessions a cookie header holds, each as it is stored: for ending what was opened with one. */
export const sessionsIn = (header: string | undefined, config: Config): string[] =>
  [SESSION_COOKIE, STUDENT_COOKIE].flatMap((name) => {
    const token = cookieIn(header, config, name);
    return token ? [hashToken(token)] : [];
  });
