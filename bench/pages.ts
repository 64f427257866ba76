import type { Guide } from '@plesion/core/guide';
import { terns } from '@plesion/demo';
import type { Page } from 'playwright-core';
import { enterDemo, openStation } from '../e2e/station';

const FORMS = 2000;
const RUNS = 5;

/** Terns without end: the guide of the terns with so many species that it has 2,000 forms. */
function manyTerns(): Guide {
  const species = terns.taxa.find(({ id }) => id === 'sodalis')!;
  const extra = Array.from({ length: FORMS / 4 - 6 }, (_, i) => ({
    ...species,
    id: `sodalis-${i}`,
    name: `Halistris sodalis${i}`,
    names: [],
  }));
  const scores = terns.scores.filter(({ scope }) => scope.taxon === 'sodalis');
  const copied = extra.flatMap(({ id }, i) =>
    scores.filter((_, k) => k % 7 === i % 7).map((score) => ({ ...score, scope: { ...score.scope, taxon: id } })),
  );
  return {
    ...terns,
    id: 'many-terns',
    title: 'Terns without end',
    taxa: [...terns.taxa, ...extra],
    scores: [...terns.scores, ...copied],
  };
}

const median = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(values.length / 2)];

/** Milliseconds from asking for a page, everything it needs being kept already, until what it is for is on the screen. */
async function timed(page: Page, url: string, ready: string): Promise<number> {
  const once = async () => {
    const start = performance.now();
    await page.goto(url, { waitUntil: 'commit' });
    await page.locator(ready).first().waitFor();
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
    return performance.now() - start;
  };
  await once();
  const runs: number[] = [];
  for (let i = 0; i < RUNS; i++) runs.push(await once());
  return median(runs);
}

/** Milliseconds from pressing a link in the running application until what the page is for is on the screen. */
async function followed(page: Page, from: string, link: string, ready: string): Promise<number> {
  const runs: number[] = [];
  for (let i = 0; i < RUNS; i++) {
    await page.goto(from);
    await page.locator(link).first().waitFor();
    await page.waitForTimeout(600);
    const start = performance.now();
    await page.locator(link).first().click();
    await page.locator(ready).first().waitFor();
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
    runs.push(performance.now() - start);
  }
  return median(runs);
}

/** Scrolls a list from top to bottom; the longest time in which no frame was drawn, and the share of frames late by more than one. */
async function scrolled(page: Page): Promise<{ longest: number; late: number }> {
  await page.mouse.move(195, 500);
  // As text: a compiled function would bring helpers along that the page has not.
  await page.evaluate(`
    window.frames_ = [];
    requestAnimationFrame(function tick(at) {
      window.frames_.push(at);
      requestAnimationFrame(tick);
    });
  `);
  for (let i = 0; i < 60; i++) {
    await page.mouse.wheel(0, 600);
    await page.waitForTimeout(30);
  }
  const frames = await page.evaluate<number[]>('window.frames_');
  const gaps = frames.slice(1).map((at, i) => at - frames[i]);
  return { longest: Math.max(...gaps), late: gaps.filter((gap) => gap > 34).length / gaps.length };
}

/** How soon the pages of the book are there, beside the application's barest page, and how lists of 2,000 forms scroll. */
export async function reportPages(print: (line?: string) => void): Promise<void> {
  const station = await openStation();
  try {
    const page = await station.page({ width: 390, height: 844 });
    await enterDemo(page, station.url);
    const { guides } = (await (await page.request.get(`${station.url}/api/guides`)).json()) as {
      guides: { id: string; slug: string }[];
    };
    const id = guides.find(({ slug }) => slug === terns.id)!.id;
    const bare = await timed(page, `${station.url}/appearance`, 'text=On this device');
    print();
    print(`Pages on a phone’s screen, loaded anew with everything kept; medians of ${RUNS}, in ms and beside the barest page.`);
    print(`the barest page                          ${bare.toFixed(0)}`);
    const say = (name: string, ms: number) =>
      print(`${name.padEnd(41)}${ms.toFixed(0)}   ${(ms / bare).toFixed(1)} × the barest   (aim: under 1000 ms)`);
    say(
      'list of guides, each with its plate',
      await timed(page, `${station.url}/guides`, 'a:has-text("Terns of the Tessary Isles") svg'),
    );
    say(
      'page of a form, all plates',
      await timed(page, `${station.url}/guides/${id}/form?form=sodalis/adult.breeding`, 'text=Easily taken for'),
    );
    say(
      'plate wall of 24 forms',
      await timed(page, `${station.url}/guides/${id}/wall`, 'main a svg'),
    );
    const book = `${station.url}/guides/${id}`;
    print('the same, followed from the page before, the application running:');
    say(
      '  list of guides',
      await followed(page, `${station.url}/`, 'a:has-text("Guides")', 'a:has-text("Terns of the Tessary Isles") svg'),
    );
    say('  plate wall', await followed(page, book, 'a:has-text("Plate wall")', 'main a svg'));
    say(
      '  page of a form',
      await followed(page, `${book}/wall`, 'main a:has(svg)', 'text=Easily taken for'),
    );
    const many = (await (
      await page.request.post(`${station.url}/api/guides`, { data: manyTerns(), headers: { origin: station.url } })
    ).json()) as { id: string };
    for (const [name, path, ready] of [
      [`plate wall of ${FORMS} forms`, 'wall', 'main a svg'],
      [`taxa of ${FORMS} forms`, 'taxa', 'text=black-tip tern'],
    ] as const) {
      say(name, await timed(page, `${station.url}/guides/${many.id}/${path}`, ready));
      const { longest, late } = await scrolled(page);
      const nodes = await page.evaluate(() => document.querySelectorAll('*').length);
      print(
        `  scrolled: longest still ${longest.toFixed(0)} ms, ${(100 * late).toFixed(0)} in 100 frames late; ${nodes} nodes on the page`,
      );
    }
  } finally {
    await station.close();
  }
}
