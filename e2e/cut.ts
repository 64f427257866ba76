import type { Page } from 'playwright-core';
import { until } from './until';

/** The smallest phone there is. */
const SMALLEST = { width: 320, height: 640 };

/** What the edges of a page and of a card on it take of the width. */
const MARGINS = 64;

/** The least share of the window that is left to scroll in. */
const ROOM = 0.2;

/**
 * What of a page cannot be read to its end, a line each: words that run off to the right
 * where nothing scrolls, lines that end in dots, words that a box cuts, words in two pieces that a line of their own would hold.
 */
const cutIn = (page: Page) =>
  page.evaluate(
    ([share, margins]) => {
      const found = new Set<string>();
      const scrolls = (style: CSSStyleDeclaration, axis: 'X' | 'Y') => /auto|scroll/.test(style[`overflow${axis}`]);
      const parents = function* (element: Element) {
        for (let at = element.parentElement; at && at !== document.body; at = at.parentElement) yield at;
      };
      /** The words of an element that go on in the next line in their midst. */
      const broken = (element: Element) => {
        const range = document.createRange();
        const pieces = (node: Node, at: number, length: number) => {
          range.setStart(node, at);
          range.setEnd(node, at + length);
          return [...range.getClientRects()];
        };
        return [...element.childNodes]
          .filter(({ nodeType }) => nodeType === 3)
          .flatMap((node) => [...(node.textContent ?? '').matchAll(/[\p{L}\p{N}]{2,}/gu)].map((word) => ({ node, word })))
          .filter(({ node, word }) => {
            const all = pieces(node, word.index, word[0].length);
            const wide = all.reduce((sum, one) => sum + one.width, 0);
            return new Set(all.map(({ top }) => Math.round(top))).size > 1 && wide < innerWidth - margins;
          })
          .map(({ word }) => word[0]);
      };
      const sideways = (element: Element) =>
        [...parents(element)].some((at) => scrolls(getComputedStyle(at), 'X') && at.scrollWidth > at.clientWidth + 1);
      for (const element of document.querySelectorAll<HTMLElement>('#root *')) {
        const words = [...element.childNodes]
          .filter(({ nodeType }) => nodeType === 3)
          .map(({ textContent }) => textContent)
          .join('');
        const { right, bottom, width, height } = element.getBoundingClientRect();
        if (!words.trim() || width < 2 || height < 2 || getComputedStyle(element).opacity === '0') continue;
        // What lies in a drawing that is moved under the finger is reached by moving it.
        if ([...parents(element)].some((at) => getComputedStyle(at).touchAction === 'none')) continue;
        const style = getComputedStyle(element);
        for (const word of broken(element)) found.add(`broken: ${word}, in: ${words}`);
        if (right > innerWidth + 1 && !sideways(element)) found.add(`runs off: ${words}`);
        const hidden = style.overflowX === 'hidden' || style.overflowY === 'hidden';
        if (hidden && (element.scrollWidth > element.clientWidth + 2 || element.scrollHeight > element.clientHeight + 3))
          found.add(`ends in dots: ${words}`);
        for (const at of parents(element)) {
          const box = getComputedStyle(at);
          if (scrolls(box, 'X') || scrolls(box, 'Y')) break;
          const edge = at.getBoundingClientRect();
          if (edge.width < 2 || box.opacity === '0') break;
          if (box.overflowX === 'hidden' && (right > edge.right + 2 || bottom > edge.bottom + 2)) {
            found.add(`cut by its box: ${words}`);
            break;
          }
        }
      }
      const rooms = [...document.querySelectorAll('#root div')]
        .filter(
          (one) =>
            scrolls(getComputedStyle(one), 'Y') && one.scrollHeight > one.clientHeight + 4 && one.clientWidth > innerWidth * 0.7,
        )
        .map((one) => one.clientHeight);
      if (rooms.length && Math.max(...rooms) < innerHeight * share) found.add(`${Math.max(...rooms)} px are left to scroll in`);
      return [...found];
    },
    [ROOM, MARGINS] as const,
  );

/** Looks that are taken before what is found is believed: a chart is drawn anew a moment after its room has changed. */
const LOOKS = 10;

async function cutAtLast(page: Page): Promise<string[]> {
  for (let look = 1; ; look++) {
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
    const found = await cutIn(page);
    if (found.length === 0 || look === LOOKS) return found;
    await page.waitForTimeout(100);
  }
}

/** What is out of sight follows the window only when it comes into sight: here all of it does. */
const allInSight = (page: Page, on: boolean) =>
  page.evaluate((so) => {
    const sheet = new CSSStyleSheet();
    if (so) sheet.replaceSync('* { content-visibility: visible !important; }');
    document.adoptedStyleSheets = [sheet];
  }, on);

/** What is cut off on a page with letters twice as large, on a usual phone and on the smallest, a line each. The page then has its usual letters again. */
export async function cutWithLargeLetters(page: Page, phone: { width: number; height: number }): Promise<string[]> {
  const usual = await letterSize(page);
  await lettersOf(page, 'twice');
  // Else nothing would be looked at.
  await until(async () => (await letterSize(page)) >= 1.2 * usual);
  const found: string[] = [];
  await allInSight(page, true);
  for (const size of [phone, SMALLEST]) {
    await page.setViewportSize(size);
    found.push(...(await cutAtLast(page)).map((line) => `${line} (at ${size.width})`));
  }
  await allInSight(page, false);
  await lettersOf(page, 'usual');
  // What is pressed next would else move away beneath the finger.
  await until(async () => (await letterSize(page)) <= 1.1 * usual);
  return found;
}

/** As another page of the same device would change it: this one follows. */
async function lettersOf(page: Page, letters: 'usual' | 'twice'): Promise<void> {
  await page.evaluate((size) => {
    const look = JSON.stringify({ light: 'day', letters: size, motion: 'less', shortcuts: 'on' });
    localStorage.setItem('plesion.look', look);
    window.dispatchEvent(new StorageEvent('storage', { key: 'plesion.look', newValue: look }));
  }, letters);
}

/** Of all that is written, on the average, in px. */
const letterSize = (page: Page) =>
  page.evaluate(() => {
    const written = [...document.querySelectorAll('#root *')].filter((one) =>
      [...one.childNodes].some(({ nodeType, textContent }) => nodeType === 3 && textContent?.trim()),
    );
    return written.reduce((sum, one) => sum + Number.parseFloat(getComputedStyle(one).fontSize), 0) / written.length;
  });
