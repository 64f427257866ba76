import type { Page, Request } from 'playwright-core';
import { addresses, danger } from './addresses';
import { faultsOf } from './axe';
import { cutWithLargeLetters } from './cut';
import { enterDemo, openStation, SIZES, type Station } from './station';
import { until } from './until';

/** Milliseconds without a request after which a page is taken to have all that it shows. */
const QUIET = 250;

/** Goes from page to page as within the application: to load all of it for each would take minutes. */
function walker(page: Page): (path: string) => Promise<void> {
  const open = new Set<Request>();
  let last = Date.now();
  page.on('request', (request) => open.add(request));
  const ended = (request: Request) => {
    open.delete(request);
    last = Date.now();
  };
  page.on('requestfinished', ended);
  page.on('requestfailed', ended);
  return async (path) => {
    last = Date.now();
    if (new URL(page.url()).pathname !== path)
      await page.evaluate((to) => {
        for (const heading of document.querySelectorAll('h1')) heading.setAttribute('data-left', '');
        history.pushState({}, '', to);
        dispatchEvent(new PopStateEvent('popstate', { state: {} }));
      }, path);
    await page.locator('h1:not([data-left])').first().waitFor();
    await until(async () => open.size === 0 && Date.now() - last > QUIET);
  };
}

/** Pages that are laid out otherwise on a wide screen; the others are one column, which is looked at on a phone. */
const LAID_OUT_WIDE =
  /^\/$|^\/(bench|keys|specimens\/new|practice\/|guides\/learn)|\/(bench|beside|measure|taxa|walk|edit)\b|^\/guides\/[^/]+$|^\/field($|\/(map|import))/;

const [phone, wide] = SIZES;

let station: Station;
let page: Page;
let goTo: (path: string) => Promise<void>;
let paths: string[];
beforeAll(async () => {
  station = await openStation();
  page = await station.page(phone);
});
afterAll(() => station.close());

/** What is wrong with the page that is shown, a line each. */
async function faultsHere(): Promise<string[]> {
  const found = await faultsOf(page);
  const [title, headings] = [await page.title(), await page.locator('h1').count()];
  if (!title.endsWith(' · Plesion')) found.push(`its title is “${title}”`);
  if (headings !== 1) found.push(`it has ${headings} headings of the first level`);
  return found;
}

/** The same of a page at each size and with large letters, by where it was seen. */
async function faultsAt(path: string): Promise<[where: string, faults: string[]][]> {
  await page.setViewportSize(phone);
  await goTo(path);
  const seen: [string, string[]][] = [[`${path} on a phone`, await faultsHere()]];
  if (LAID_OUT_WIDE.test(path)) {
    await page.setViewportSize(wide);
    await page.getByRole('banner').waitFor();
    seen.push([`${path} on a wide screen`, await faultsHere()]);
  }
  seen.push([`${path} with large letters`, await cutWithLargeLetters(page, phone)]);
  return seen;
}

it('the door has no fault that axe finds', async () => {
  await page.goto(station.url);
  await page.getByRole('button', { name: 'Open the demo' }).waitFor();
  expect(await faultsHere()).toEqual([]);
  await enterDemo(page, station.url);
  goTo = walker(page);
  paths = [...(await addresses(page, station.url)), await danger(page, station.url)];
});

/** So many tests share the pages between them: each has its own time. */
const PARTS = 5;

it.each(Array.from({ length: PARTS }, (_, part) => part))(
  'no page has a fault that axe finds, on a phone and where it is laid out otherwise when wide, or cuts anything with letters twice as large; each has one title and heading (part %i)',
  async (part) => {
    const share = Math.ceil(paths.length / PARTS);
    const mine = paths.slice(part * share, (part + 1) * share);
    expect(mine.length).toBeGreaterThan(0);
    const faults: Record<string, string[]> = {};
    for (const path of mine) for (const [where, found] of await faultsAt(path)) if (found.length) faults[where] = found;
    expect(faults).toEqual({});
  },
);
