import type { Page } from 'playwright-core';
import { addresses } from './addresses';
import { enterDemo, openStation, type Station } from './station';

let station: Station;
beforeAll(async () => {
  station = await openStation();
});
afterAll(() => station.close());

/** A usual phone, and the smallest there is. */
const PHONES = [
  { width: 390, height: 844 },
  { width: 320, height: 640 },
];

/** The least share of the window that is left to scroll in. */
const ROOM = 0.2;

/**
 * What of a page cannot be read to its end, a line each: words that run off to the right
 * where nothing scrolls, lines that end in dots, words that a box cuts.
 */
const cutIn = (page: Page, least: number) =>
  page.evaluate((share) => {
    const found = new Set<string>();
    const scrolls = (style: CSSStyleDeclaration, axis: 'X' | 'Y') => /auto|scroll/.test(style[`overflow${axis}`]);
    const parents = function* (element: Element) {
      for (let at = element.parentElement; at && at !== document.body; at = at.parentElement) yield at;
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
      const style = getComputedStyle(element);
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
  }, least);

it('with letters twice as large nothing is cut, on a phone and on the smallest', async () => {
  const page = await station.page(PHONES[0]);
  await page.addInitScript(() =>
    localStorage.setItem('plesion.look', JSON.stringify({ light: 'day', letters: 'twice', motion: 'less', shortcuts: 'on' })),
  );
  await enterDemo(page, station.url);
  const get = async <T>(path: string) => (await (await page.request.get(`${station.url}${path}`)).json()) as T;
  const { guides } = await get<{ guides: { id: string; slug: string }[] }>('/api/guides');
  const { specimens } = await get<{ specimens: { id: string; guideId?: string }[] }>('/api/specimens');
  const cones = guides.find(({ slug }) => slug === 'tent-cones')!.id;
  // Where a danger stands above everything, room is scarcest.
  const danger = `/specimens/${specimens.find(({ guideId }) => guideId === cones)!.id}/bench`;
  const cut: Record<string, string[]> = {};
  for (const path of [...(await addresses(page, station.url)), danger]) {
    await page.setViewportSize(PHONES[0]);
    await page.goto(`${station.url}${path}`);
    await page.getByRole('heading', { level: 1 }).first().waitFor();
    await page.waitForLoadState('networkidle');
    for (const phone of PHONES) {
      await page.setViewportSize(phone);
      await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
      const found = await cutIn(page, ROOM);
      if (found.length) cut[`${path} at ${phone.width}`] = found;
    }
  }
  expect(cut).toEqual({});
}, 240_000);
