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

export function giveCookie(
  response: Response,
  config: Config,
  name: string,
  token: string,
  days: number,
): void {
  response.cookie(name, token, { ...options(config), maxAge: days * 86_400_000 });
}

export function takeCookie(response: Response, config: Config, name: string): void {
  response.clearCookie(name, options(config));
}

export function cookieOf(request: Request, name: string): string | undefined {
  return parse(request.headers.cookie ?? '')[name];
}

/** What of sessions a cookie header holds, each as it is stored: for ending what was opened with one. */
export function sessionsIn(header: string | undefined): string[] {
  const cookies = parse(header ?? '');
  return [SESSION_COOKIE, STUDENT_COOKIE].flatMap((name) => {
    const token = cookies[name];
    return token ? [hashToken(token)] : [];
  });
}
