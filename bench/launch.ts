import type { Browser } from '@playwright/test';
import { chromium } from '@playwright/test';
import { ARGS, CHROMIUM } from '../e2e/support/chromium';

/** Debian's Chromium, as a person has it: what is measured is the whole of it. */
export function launch(): Promise<Browser> {
  return chromium.launch({ executablePath: CHROMIUM, args: ARGS });
}
