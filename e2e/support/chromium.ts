import { existsSync } from 'node:fs';

/** Debian's Chromium. */
export const CHROMIUM = '/usr/bin/chromium';
const SHELL = '/usr/bin/chromium-headless-shell';

/** The same without the window around the page, where it is installed: it has less to do. */
export const PAGES_ONLY = existsSync(SHELL) ? SHELL : CHROMIUM;

export const ARGS = [
  '--headless',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
