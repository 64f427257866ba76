import type { Page } from 'playwright-core';
import { enterDemo, openStation, type Station } from './station';
import { textOf } from './textOf';

let station: Station;
beforeAll(async () => {
  station = await openStation();
});
afterAll(() => station.close());

describe('a newcomer with a phone', () => {
  let page: Page;
  const problems: string[] = [];
  const call = () => page.getByTestId('call');
  const beam = () => page.getByRole('group', { name: /^Beam between/ }).first();

  beforeAll(async () => {
    page = await station.page({ width: 390, height: 844 });
    page.on('pageerror', (error) => problems.push(error.message));
    await enterDemo(page, station.url);
  });

  it('is met by a photographed tern, and comes to its bench in one press', async () => {
    await page.getByRole('link', { name: /^What is it\?.*Pier tern/s }).click();
    await page.getByRole('button', { name: 'Photograph, show it whole' }).waitFor();
    await page.getByRole('heading', { name: 'Nothing read yet' }).waitFor();
    await expect(page.getByRole('dialog').count()).resolves.toBe(0);
  });

  it('reads three characters off it: each time the standing moves, and it is told why that is not yet a name', async () => {
    const characters = [
      ['Tail against wing tips', 'level'],
      ['Cap', 'down to the bill'],
      ['Tip of the bill', 'dark'],
    ] as const;
    for (const [label, state] of characters) {
      const before = await beam().getAttribute('aria-label');
      await page
        .getByRole('group', { name: /age, sex|Shape|Pattern|Colour|What it does/ })
        .getByRole('button', { name: new RegExp(`^${label}`) })
        .first()
        .click();
      await page.getByRole('radiogroup', { name: label }).getByRole('radio', { name: state, exact: true }).last().click();
      await page.getByRole('button', { name: 'Done' }).click();
      await page.waitForFunction(
        (was) => document.querySelector('[role=group][aria-label^="Beam between"]')?.getAttribute('aria-label') !== was,
        before,
      );
    }
    await expect(textOf(call())).resolves.toMatch(/Not yet a name|One of two|species no/);
    await expect(textOf(call())).resolves.toMatch(/needs .*independent characters/);
  });

  it('finds in the daybook how far it has come', async () => {
    await page
      .getByTestId('saving')
      .filter({ hasText: /^Saved$/ })
      .waitFor();
    await page.getByRole('link', { name: 'Daybook', exact: true }).click();
    await page
      .getByRole('link', { name: /^(?!What is it).*Pier tern/s })
      .first()
      .waitFor();
  });

  it('leafs through the guide: wall, form, character and word, in lamp light', async () => {
    await page.getByRole('link', { name: 'Guides', exact: true }).click();
    await page.getByRole('link', { name: 'Terns of the Tessary Isles' }).click();
    await page.getByRole('link', { name: /^Plate wall/ }).click();
    await page.getByText('24 forms', { exact: true }).waitFor();
    await page.getByRole('radio', { name: 'crest' }).click();
    await page.getByRole('checkbox', { name: 'with a shaggy mane, 8 forms' }).click();
    await page.getByText('8 of 24 forms left').waitFor();
    await page.getByRole('link', { name: /palliax.*adult, breeding dress/s }).click();
    await page.getByText('Description').waitFor();
    await page.getByRole('link', { name: /Nape: with a shaggy mane/ }).click();
    await page.getByText('How far to trust it').waitFor();
    await page
      .getByRole('button', { name: /: what is /i })
      .first()
      .click();
    await page.getByRole('note').first().waitFor();
    await page.goto(`${station.url}/appearance`);
    await page.getByRole('radio', { name: 'lamp, for night work' }).click();
    await page.waitForFunction(() => getComputedStyle(document.body).backgroundColor === 'rgb(10, 6, 5)');
    await page.reload();
    await page.getByRole('radio', { name: 'lamp, for night work' }).waitFor();
    await expect(page.evaluate(() => document.documentElement.dataset.light)).resolves.toBe('lamp');
    await expect(page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).resolves.toBe(true);
    expect(problems).toEqual([]);
  });
});

describe('an empty daybook', () => {
  it('offers the same tern to a station of one’s own', async () => {
    const page = await station.page({ width: 390, height: 844 });
    await page.goto(station.url);
    await page.getByRole('button', { name: 'Make a station of your own' }).click();
    await page.getByLabel('Name of the station').fill('Skerry');
    await page.getByLabel('Your account').fill('nell');
    await page.getByLabel('Password').fill('long enough');
    await page.getByRole('button', { name: 'Make the station' }).click();
    await page.getByRole('button', { name: 'Try it on a photographed tern' }).click();
    await page.getByRole('heading', { name: 'Nothing read yet' }).waitFor();
    expect(page.url()).toMatch(/\/specimens\/[\w-]+\/bench$/);
  });
});
