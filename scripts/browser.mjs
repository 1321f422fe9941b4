import { existsSync } from 'node:fs';

/**
 * Debian's Chromium without a screen. The headless shell draws no windows around its pages, which is a quarter of what a
 * test of the interface costs; the whole browser does as well where that is what is installed.
 */
export const BROWSER_PACKAGE = 'chromium-headless-shell';

const PROGRAMS = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];

/** @returns {string | undefined} where the browser is; undefined when none is installed */
export const browserProgram = () => PROGRAMS.find((program) => existsSync(program));

/** It is run as root and without a network. */
export const BROWSER_ARGUMENTS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
