import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/** What of WCAG 2.2 AA the page breaks, with the element; by night its contrast too. */
export async function violations(page: Page): Promise<string[]> {
  const all = await told(new AxeBuilder({ page }).withTags(TAGS));
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect.poll(() => themeOf(page)).toBe('dark');
  // Names and roles are the same by night.
  const byNight = await told(new AxeBuilder({ page }).withRules(['color-contrast']));
  await page.emulateMedia({ colorScheme: 'light' });
  await expect.poll(() => themeOf(page)).toBe('light');
  const otherwise = await namedOtherwise(page);
  return [...all, ...otherwise, ...byNight.map((each) => `by night, ${each}`)];
}

/**
 * Controls whose name lacks the first words that they show: who presses by voice says these.
 * The signs of a step up or down are left out.
 */
function namedOtherwise(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const plain = (words: string) => words.toLowerCase().replace(/^[^\p{L}\d]+/u, '');
    return [...document.querySelectorAll('[role][aria-label]')].flatMap((control) => {
      if (!['button', 'checkbox', 'link', 'radio'].includes(control.role ?? '')) return [];
      const texts = document.createTreeWalker(control, NodeFilter.SHOW_TEXT);
      const shown = texts.nextNode()?.textContent ?? '';
      const name = control.ariaLabel ?? '';
      return plain(name).includes(plain(shown)) ? [] : [`“${shown}” is named “${name}”`];
    });
  });
}

async function told(axe: AxeBuilder): Promise<string[]> {
  const { violations: found } = await axe.analyze();
  return found.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join('\n')}`);
}

/** The theme that is drawn, by the ink of what is written. */
function themeOf(page: Page): Promise<'light' | 'dark'> {
  return page
    .getByRole('heading')
    .first()
    .evaluate((heading) => {
      const [red = 0] = (getComputedStyle(heading).color.match(/\d+/g) ?? []).map(Number);
      return red > 128 ? 'dark' : 'light';
    });
}
