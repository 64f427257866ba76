import type { Page } from 'playwright-core';
import { enterDemo, openStation, SIZES, type Station } from '../e2e/station';

/** How many times slower than this machine the telephone is taken to be. */
const SLOWER = 4;
const RUNS = 5;
const LONG_KEY = 'Strand beetles, after Tolmar';

const median = (values: number[]): number => {
  const answers = values.filter(Number.isFinite).sort((a, b) => a - b);
  if (answers.length < values.length / 2)
    throw new Error('Most touches were not answered; the page has changed under the bench.');
  return answers[Math.floor(answers.length / 2)];
};

async function slowed(page: Page, cache = true): Promise<Page> {
  const client = await page.context().newCDPSession(page);
  await client.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  await client.send('Network.setCacheDisabled', { cacheDisabled: !cache });
  return page;
}

/** Milliseconds from asking for an address, with nothing kept, until what it is for is on the screen. */
async function cold(station: Station, path: string, ready: string, inside: boolean): Promise<number> {
  const runs: number[] = [];
  for (let i = 0; i < RUNS; i++) {
    const page = await station.page(SIZES[0]);
    if (inside) await enterDemo(page, station.url);
    const fresh = await slowed(await page.context().newPage(), false);
    const start = performance.now();
    await fresh.goto(`${station.url}${path}`, { waitUntil: 'commit' });
    await fresh.locator(ready).first().waitFor();
    runs.push(performance.now() - start);
    await page.context().close();
  }
  return median(runs);
}

/** Run in the page: touch, and look at every frame whether what is expected is there. In words, since compilers name functions. */
const TOUCH = `([touched, expected]) => new Promise((done) => {
  const element = document.querySelector(touched);
  const before = document.querySelector(expected)?.outerHTML;
  const start = performance.now();
  element.click();
  requestAnimationFrame(function look() {
    const now = document.querySelector(expected);
    if (now?.outerHTML !== before) requestAnimationFrame(() => done(performance.now() - start));
    else if (performance.now() - start > 10000) done(NaN);
    else requestAnimationFrame(look);
  });
})`;

/** Milliseconds from a touch until the page has painted what changes by it; measured in the page. */
const answered = (page: Page, touch: string, changes: string): Promise<number> =>
  page.evaluate(`(${TOUCH})(${JSON.stringify([touch, changes])})`);

/** Milliseconds a key typed into a field keeps the page busy, until it is painted. */
const typed = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((done) => {
        const field = document.querySelector<HTMLInputElement>('input')!;
        const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!;
        const start = performance.now();
        set.call(field, `${field.value}a`);
        field.dispatchEvent(new Event('input', { bubbles: true }));
        requestAnimationFrame(() => requestAnimationFrame(() => done(performance.now() - start)));
      }),
  );

/** What of the demo is measured: a crab guide, a specimen that is not named yet, a key. */
async function measured(station: Station) {
  const page = await station.page(SIZES[0]);
  await enterDemo(page, station.url);
  const get = async <T>(path: string) => (await (await page.request.get(`${station.url}${path}`)).json()) as T;
  const { guides } = await get<{ guides: { id: string; slug: string }[] }>('/api/guides');
  const { specimens } = await get<{ specimens: { id: string; guideId?: string; named: boolean }[] }>('/api/specimens');
  const { keys } = await get<{ keys: { id: string; title: string }[] }>('/api/keys');
  const crabs = guides.find(({ slug }) => slug === 'ledge-crabs')?.id ?? guides[0].id;
  const bench = `/specimens/${specimens.find(({ named, guideId }) => !named && guideId)!.id}/bench`;
  return { page, crabs, bench, key: keys.find(({ title }) => title === LONG_KEY)!.id };
}

/** How long it takes to come in, at a telephone's speed. */
export async function reportCold(print: (line?: string) => void): Promise<void> {
  const station = await openStation();
  try {
    const { crabs, bench } = await measured(station);
    print(
      `Cold load at ${SLOWER} × slower, nothing kept; medians of ${RUNS}, beside the barest page (an address that leads nowhere).`,
    );
    const bare = await cold(station, '/nowhere', 'h1', true);
    print(`barest page            ${bare.toFixed(0)} ms`);
    const loads: [string, string, string, boolean, number][] = [
      ['door', '/', 'main [role=button]', false, 1.0],
      ['daybook', '/', 'main a[href^="/specimens/"]', true, 1.2],
      ['Bench', bench, '[role=radio]', true, 1.3],
      ['plate wall', `/guides/${crabs}/wall`, 'main a svg', true, 1.2],
      ['situation form', bench.replace('bench', 'situation'), 'main input', true, 1.1],
    ];
    for (const [name, path, ready, inside, aim] of loads) {
      const took = await cold(station, path, ready, inside);
      print(`${name.padEnd(22)} ${took.toFixed(0)} ms   ${(took / bare).toFixed(2)} ×   (aim: ${aim.toFixed(1)})`);
    }
  } finally {
    await station.close();
  }
}

/** What a hand waits for, at a telephone's speed. */
export async function reportTouch(print: (line?: string) => void): Promise<void> {
  const station = await openStation();
  try {
    const { page, crabs, bench, key } = await measured(station);
    print(`Touch to answer at ${SLOWER} × slower; medians.`);
    await slowed(page);
    await page.goto(`${station.url}${bench}`);
    await page.locator('[aria-label^="Look next"] [role=radio]').nth(1).waitFor();
    const marks: number[] = [];
    for (let i = 0; i < RUNS; i++) {
      await page.waitForTimeout(1_200);
      await page.evaluate((n) => {
        const tiles = [...document.querySelectorAll('[aria-label^="Look next"] [role=radio]')];
        document.querySelector('[data-touch]')?.removeAttribute('data-touch');
        tiles[n % 2].setAttribute('data-touch', '');
      }, i);
      marks.push(await answered(page, '[data-touch]', '[data-touch]'));
    }
    print(`a tile is marked          ${median(marks).toFixed(0)} ms   (aim: 50)`);

    await page.goto(`${station.url}/`);
    await page.locator('main input').waitFor();
    const keysTyped: number[] = [];
    for (let i = 0; i < RUNS; i++) {
      await page.waitForTimeout(500);
      keysTyped.push(await typed(page));
    }
    print(`a key typed in a search   ${median(keysTyped).toFixed(0)} ms   (aim: 50)`);

    await page.goto(`${station.url}/guides/${crabs}/wall`);
    await page.locator('[role=radiogroup][aria-label=Part] [role=radio]').first().click();
    await page.locator('[role=checkbox]').first().waitFor();
    const filters: number[] = [];
    for (let i = 0; i < RUNS; i++) {
      await page.waitForTimeout(500);
      filters.push(await answered(page, '[role=checkbox]', '[role=checkbox]'));
    }
    print(`a wall is narrowed        ${median(filters).toFixed(0)} ms   (aim: 150)`);

    await page.goto(`${station.url}/keys/${key}/walk`);
    // Its last leads go on, to couplets of their own.
    const take = page.getByRole('button', { name: /^Take lead/ }).last();
    const steps: number[] = [];
    for (let i = 0; i < RUNS; i++) {
      await page.waitForTimeout(400);
      await take.evaluate((one) => one.setAttribute('data-touch', ''));
      steps.push(await answered(page, '[data-touch]', 'main h2'));
    }
    print(`a couplet is decided      ${median(steps).toFixed(0)} ms   (aim: 100)`);
  } finally {
    await station.close();
  }
}
