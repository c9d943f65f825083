import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect } from '@playwright/test';

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/** What of WCAG 2.2 AA the page breaks, with the element; by night its contrast too. */
export async function violations(page: Page): Promise<string[]> {
  const all = await told(axeOf(page).withTags(TAGS));
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect.poll(() => themeOf(page)).toBe('dark');
  // Names and roles are the same by night.
  const byNight = await told(axeOf(page).withRules(['color-contrast']));
  await page.emulateMedia({ colorScheme: 'light' });
  await expect.poll(() => themeOf(page)).toBe('light');
  const otherwise = await namedOtherwise(page);
  const narrow = await cutOffAt(page, { width: 320, height: 640 });
  return [...all, ...otherwise, ...narrow, ...byNight.map((each) => `by night, ${each}`)];
}

type Size = { width: number; height: number };

/**
 * What leaves a screen of this size, is cut off there, lies under something else or is broken within
 * a word: nobody scrolls two ways to read.
 */
export async function cutOffAt(page: Page, screen: Size): Promise<string[]> {
  const size = page.viewportSize();
  await page.setViewportSize(screen);
  const look = async () => [
    ...(await cutOff(page)),
    ...(await covered(page)),
    ...(await brokenWords(page)),
  ];
  let found = await look();
  // What is laid out by the width of the window follows it a few frames later.
  for (let n = 0; n < 20 && found.length > 0; n++) {
    await page.waitForTimeout(50);
    found = await look();
  }
  if (size) await page.setViewportSize(size);
  return found.map((each) => `at ${screen.width} points, ${each}`);
}

/** Words and buttons beyond the screen or the box that hides them; not what is scrolled within. */
function cutOff(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const isSeen = (element: Element) => {
      const { left, right } = element.getBoundingClientRect();
      if (left < -1 || right > window.innerWidth + 1) return false;
      for (let box = element.parentElement; box; box = box.parentElement) {
        const edge = box.getBoundingClientRect();
        const hides = /hidden|clip/.test(getComputedStyle(box).overflowX);
        if (hides && (right > edge.right + 2 || left < edge.left - 2)) return false;
      }
      return true;
    };
    const isScrolled = (element: Element) => {
      for (let box = element.parentElement; box; box = box.parentElement) {
        if (!/auto|scroll/.test(getComputedStyle(box).overflowX)) continue;
        if (box.scrollWidth > box.clientWidth) return true;
      }
      return false;
    };
    const hasWords = ({ childNodes }: Element) =>
      [...childNodes].some(({ nodeType, textContent }) => nodeType === 3 && textContent?.trim());
    return [...document.querySelectorAll<HTMLElement>('body :not(svg *)')]
      .filter((element) => element.role === 'button' || hasWords(element))
      .filter((element) => element.offsetWidth > 0 && element.offsetHeight > 0)
      .filter((element) => !isSeen(element) && !isScrolled(element))
      .map(({ textContent }) => `cut off: ${textContent}`);
  });
}

/** Words that go on in the next line without a hyphen; a fingerprint of a file may. */
function brokenWords(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const WORD = /(?<![^\s/–-])[^\s/–-]{2,24}(?![^\s/–-])/g;
    const broken: string[] = [];
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let text = texts.nextNode(); text; text = texts.nextNode()) {
      if (!text.parentElement?.checkVisibility()) continue;
      for (const { 0: word, index } of (text.textContent ?? '').matchAll(WORD)) {
        const range = document.createRange();
        range.setStart(text, index);
        range.setEnd(text, index + word.length);
        const lines = new Set([...range.getClientRects()].map(({ top }) => Math.round(top)));
        if (lines.size > 1) broken.push(`broken: ${word} of ${text.textContent}`);
      }
    }
    return broken;
  });
}

/**
 * Words whose middle another thing lies over, and controls of which it hides an edge. What stays at
 * the foot of the screen may: the rest is scrolled out from under it.
 */
function covered(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    /** The part of it that is not scrolled away. */
    const shownOf = (element: Element) => {
      let { left, right, top, bottom } = element.getBoundingClientRect();
      for (let box = element.parentElement; box; box = box.parentElement) {
        if (getComputedStyle(box).overflowY === 'visible') continue;
        const edge = box.getBoundingClientRect();
        [left, right] = [Math.max(left, edge.left), Math.min(right, edge.right)];
        [top, bottom] = [Math.max(top, edge.top), Math.min(bottom, edge.bottom)];
      }
      return { left, right, top, bottom };
    };
    const stays = (element: Element | null): boolean =>
      element !== null &&
      (/sticky|fixed/.test(getComputedStyle(element).position) || stays(element.parentElement));
    const isControl = ({ role }: Element) =>
      ['button', 'checkbox', 'link', 'radio'].includes(role ?? '');
    const isCovered = (element: Element) => {
      const { left, right, top, bottom } = shownOf(element);
      if (right - left < 8 || bottom - top < 8) return false;
      const middle = (left + right) / 2;
      return (isControl(element) ? [left + 3, middle, right - 3] : [middle]).some((x) => {
        const over = document.elementFromPoint(x, (top + bottom) / 2);
        if (!over || over.contains(element) || element.contains(over)) return false;
        // The words in a field lie under what is typed into it.
        return !stays(over) && !['INPUT', 'TEXTAREA'].includes(over.tagName);
      });
    };
    return [...document.querySelectorAll<HTMLElement>('body :not(svg *)')]
      .filter((element) => isControl(element) || element.childNodes[0]?.nodeType === 3)
      .filter((element) => element.offsetWidth > 0 && element.offsetHeight > 0)
      .filter((element) => element.checkVisibility({ checkVisibilityCSS: true }))
      .filter(isCovered)
      .map(({ textContent }) => `under something else: ${textContent}`);
  });
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

/**
 * Tells what is broken alone: to say where all else stands, and to put it together on a page of its
 * own, as is done for pages within pages, takes four fifths of the time.
 */
function axeOf(page: Page): AxeBuilder {
  return new AxeBuilder({ page }).options({ resultTypes: ['violations'] }).setLegacyMode();
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
