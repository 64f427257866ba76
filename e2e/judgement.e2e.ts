import { readFile } from 'node:fs/promises';
import { lengths, toCsv } from '@plesion/core/test';
import type { Page } from 'playwright-core';
import { openStation, signIn, SIZES, type Station } from './station';
import { until } from './until';

let station: Station;
beforeAll(async () => {
  station = await openStation();
});
afterAll(() => station.close());

const LIVING = '0192f3a0-0000-7001-8000-000000000021';
const TWINS = '0192f3a0-0000-7001-8000-000000000024';

describe.each(SIZES)('a second opinion one can trust, $kind', ({ kind, width, height }) => {
  let page: Page;
  const problems: string[] = [];
  const open = (path: string) => page.goto(`${station.url}${path}`);

  beforeAll(async () => {
    page = await station.page({ width, height });
    page.on('pageerror', (error) => problems.push(error.message));
    await signIn(page, station.url);
  });

  it('keeps the danger in sight, whatever is folded or scrolled', async () => {
    await open(`/specimens/${LIVING}/bench`);
    const danger = page.getByTestId('danger');
    await danger.getByText('Danger').waitFor();
    await danger.getByText(/Keep away: do not touch it/).waitFor();
    await page.getByRole('button', { name: /^Danger .*less$/ }).click();
    await page.mouse.move(width / 2, height - 200);
    await page.mouse.wheel(0, 4000);
    await page.waitForTimeout(300);
    const box = (await danger.boundingBox())!;
    expect(box.y).toBeGreaterThanOrEqual(0);
    expect(box.y + box.height).toBeLessThan(height / 2);
    await page.getByText('withheld: danger').first().waitFor();
  });

  it('says what it rests on and which famous character is a trap', async () => {
    await page.getByTestId('firmness').filter({ hasText: 'Rests on one reading: without the size of the tents' }).waitFor();
    await page.getByText(/^Stain at the tip of the base: famous, but \d+ in 100 alike here\.$/).waitFor();
  });

  if (kind === 'phone')
    it('is as long at rest as it was, and stands where it was left when one comes back', async () => {
      await open(`/specimens/${LIVING}/bench`);
      const ways = page.getByRole('region', { name: 'The two in front' });
      const last = page.getByRole('region', { name: 'All characters, in working order' });
      // Of the part that is scrolled: how far it is, and how long.
      const scrolled = () =>
        ways.evaluate((one) => {
          let box = one.parentElement!;
          while (box.scrollHeight <= box.clientHeight || getComputedStyle(box).overflowY === 'visible') box = box.parentElement!;
          return { top: box.scrollTop, length: box.scrollHeight };
        });
      await until(() => last.evaluate((one) => getComputedStyle(one).contentVisibility === 'auto'));
      const { length } = await scrolled();
      await last.scrollIntoViewIfNeeded();
      await ways.scrollIntoViewIfNeeded();
      const { top, length: after } = await scrolled();
      expect(after).toBe(length);
      expect(top).toBeGreaterThan(0);
      await ways.getByRole('button', { name: /^Compare/ }).click();
      await ways.waitFor({ state: 'detached' });
      await page.goBack();
      await ways.waitFor();
      await until(async () => Math.abs((await scrolled()).top - top) < 2);
    });

  it('lets one follow the other source, and take it back', async () => {
    await page.getByText('bulging always').waitFor();
    await page.getByRole('button', { name: 'Follow Mereth’s reef survey first' }).click();
    await page.getByText('Mereth’s reef survey before Orvane’s shell book.').waitFor();
    await page.getByRole('button', { name: 'Undo' }).first().click();
    await page.getByText('Orvane’s shell book before Mereth’s reef survey.').waitFor();
  });

  it('lifts what was withheld when it is a photograph, and still says what it is', async () => {
    await page.getByRole('link', { name: /Situation: change views/ }).click();
    await page.getByRole('radio', { name: 'a photograph', exact: true }).click();
    await page.getByRole('button', { name: /Bench/ }).last().click();
    await page.getByTestId('danger').waitFor();
    await page
      .getByRole('button', { name: /^(Danger|Take care) .*more$/ })
      .or(page.getByText(/offered because this is a photograph/))
      .first()
      .waitFor();
    await expect(page.getByText('withheld: danger').count()).resolves.toBe(0);
    // The other size reads the same specimen: it is a living one again when this is done.
    await page.getByRole('link', { name: /Situation: change views/ }).click();
    await page.getByRole('radio', { name: 'alive', exact: true }).click();
    await page.getByRole('button', { name: /Bench/ }).last().click();
    await page
      .getByTestId('saving')
      .filter({ hasText: /^Saved$/ })
      .waitFor();
  });

  it('sets the two in front side by side in one tap, and gives them as a page', async () => {
    await open(`/specimens/${TWINS}/bench`);
    await page.getByRole('button', { name: 'Compare these two' }).click();
    await page.getByTestId('paragraph').filter({ hasText: 'begin with the width ÷ length of the shell' }).waitFor();
    await page.getByTestId('compared-spire-angle').waitFor();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      // By key: the page may still grow above it while a pointer is on its way.
      page.getByRole('button', { name: 'Download the page as PDF' }).press('Enter'),
    ]);
    expect(download.suggestedFilename()).toBe('comparison.pdf');
    const bytes = await readFile(await download.path());
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
  });

  // The same at every size: done once.
  if (kind === 'phone')
    it('leads a misleading name to the right page', async () => {
      await open('/guides');
      await page.getByLabel('Find by any name').fill('rose-tip');
      await page.getByText(/“rose-tip cone” is a misleading name of it/).waitFor();
      await page.getByRole('link', { name: /Turbiconus lenior, found as/ }).click();
      await page.getByText('From usual to extreme').waitFor();
      await page.getByRole('button', { name: /Compare with T\. vexillax, full-grown/ }).click();
      await page.getByText('Turbiconus vexillax: take care').waitFor();
    });

  if (kind === 'phone')
    it('learns a guide from a table, says what it is worth, and names a specimen with it', async () => {
      const table = lengths({ forms: 3, columns: 4, each: 30, apart: 0.06, seed: kind });
      const lines = toCsv(table).split('\n');
      lines[2] = lines[2].replace(/,[^,]+/, ',about 9');
      await open('/guides/learn');
      await page.getByLabel('Title of the guide').fill(`Measured ${kind}`);
      await page.getByLabel('or paste it').fill(lines.join('\n'));
      await page.getByText('Line 3: “about 9” in “length 1” is not a number.').waitFor();
      await page.getByRole('button', { name: 'Learn it' }).click();
      await page.getByText('called right').waitFor();
      await page
        .getByText(/÷ length \d above/)
        .first()
        .waitFor();
      await page.getByRole('button', { name: 'Open the guide' }).click();
      await page.getByRole('heading', { name: `Measured ${kind}` }).waitFor();
      await page.getByRole('button', { name: 'Name a specimen with it' }).click();
      await page.getByRole('button', { name: 'To the Bench' }).click();
      await page.getByText('Nothing read yet', { exact: true }).first().waitFor();
      const { x } = table.rows[0];
      for (const [c, column] of table.columns.entries()) {
        await page
          .getByRole('button', { name: new RegExp(`^${column}`) })
          .last()
          .click();
        await page.getByLabel('value', { exact: true }).last().fill(x[c].toFixed(3));
        const done = page.getByRole('button', { name: 'Done' });
        if (await done.count()) await done.click();
      }
      await page.getByText(/^4 read, 1 independent$/).waitFor();
    });

  it('met no error on the way', () => expect(problems).toEqual([]));
});
