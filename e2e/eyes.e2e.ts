import type { Page } from 'playwright-core';
import { faultsOf } from './axe';
import { inDemo, openStation, signIn, SIZES, type Station } from './station';
import { textOf } from './textOf';
import { until } from './until';

let station: Station;
beforeAll(async () => {
  station = await openStation();
});
afterAll(() => station.close());

it('no part of the kit has a fault that axe finds, by day and by lamp, with letters as usual and twice as large', async () => {
  const page = await station.page(SIZES[0]);
  await inDemo(page, station.url, '/kit');
  // It is for those who build: nobody comes upon it.
  await page.getByRole('heading', { name: 'There is no such page' }).waitFor();
  await page.evaluate(() => localStorage.setItem('plesion.kit', 'on'));
  await page.reload();
  const faults: Record<string, string[]> = {};
  await page.getByRole('button', { name: 'Send the form' }).click();
  await page.getByText('Say which stage it is.').waitFor();
  for (const light of ['day', 'lamp'])
    for (const letters of ['usual', 'twice']) {
      await page.getByRole('radio', { name: light, exact: true }).click();
      await page.getByRole('radio', { name: letters, exact: true }).click();
      await page.getByRole('radio', { name: letters, exact: true, checked: true }).waitFor();
      const found = await faultsOf(page);
      if (found.length) faults[`${light}, ${letters}`] = found;
    }
  expect(faults).toEqual({});
});

describe('by keys alone', () => {
  it('a dialog takes the focus, keeps it, and gives it back', async () => {
    const page = await station.page(SIZES[0]);
    await inDemo(page, station.url);
    await page.evaluate(() => localStorage.setItem('plesion.kit', 'on'));
    await page.goto(`${station.url}/kit`);
    const opener = page.getByRole('button', { name: 'Open a dialog' });
    await opener.press('Enter');
    const dialog = page.getByRole('dialog', { name: 'A dialog' });
    await dialog.waitFor();
    const inside = () => dialog.evaluate((one) => one === document.activeElement || one.contains(document.activeElement));
    expect(await inside()).toBe(true);
    for (const key of ['Tab', 'Tab', 'Tab', 'Tab', 'Tab', 'Shift+Tab', 'Shift+Tab']) {
      await page.keyboard.press(key);
      expect(await inside()).toBe(true);
    }
    // What lies behind is neither to be touched nor read.
    expect(await page.locator('h1').evaluate((one) => one.closest('[inert]') !== null)).toBe(true);
    await page.keyboard.press('Escape');
    await dialog.waitFor({ state: 'detached' });
    expect(await opener.evaluate((one) => one === document.activeElement)).toBe(true);
  });

  const focused = (page: Page) => page.evaluate(() => document.activeElement?.textContent ?? '');

  it('one comes to the heading of a page, and not to nowhere', async () => {
    const page = await station.page(SIZES[1]);
    await inDemo(page, station.url);
    await page.getByRole('link', { name: 'Guides', exact: true }).press('Enter');
    await page.getByRole('heading', { name: 'Guides', level: 1 }).waitFor();
    await page.waitForFunction(() => document.activeElement?.tagName === 'H1');
    expect(await focused(page)).toBe('Guides');
    await page.goBack();
    await page.waitForFunction(() => document.activeElement?.textContent === 'Daybook');
  });

  it('a form is sent by Enter in a field, and what is wrong with it takes the focus', async () => {
    const page = await station.page(SIZES[0]);
    await signIn(page, station.url);
    await page.goto(`${station.url}/lots`);
    const label = page.getByLabel('Label', { exact: true });
    await label.press('Enter');
    await page.getByText('Give the lot a label').waitFor();
    const focused = () => page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? '');
    expect(await focused()).toBe('Label');
    await page.keyboard.type('pitfall 9');
    await page.getByText('Give the lot a label').waitFor({ state: 'detached' });
    await page.keyboard.press('Enter');
    // What is chosen, not typed, takes it too, and the next Tab is among its choices.
    await page.waitForFunction(() => document.activeElement?.textContent?.includes('Say which guide it is read with'));
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => document.activeElement?.closest('[role=radiogroup]') !== null)).toBe(true);
    expect(await faultsOf(page)).toEqual([]);
    await page.keyboard.press('Space');
    await label.press('Enter');
    await page.waitForURL(/\/lots\/.+/);
  });

  it('more of a list takes the focus on to the first that has come', async () => {
    const page = await station.page(SIZES[1]);
    await inDemo(page, station.url);
    const specimens = page.locator('main a[href*="/specimens/"]:visible, [role=main] a[href*="/specimens/"]:visible');
    await page.getByRole('button', { name: 'Show earlier ones' }).waitFor();
    const before = await specimens.count();
    await page.getByRole('button', { name: 'Show earlier ones' }).focus();
    await page.keyboard.press('Enter');
    await page.waitForFunction((n) => document.querySelectorAll('a[href*="/specimens/"]').length > n, before);
    await page.waitForFunction(() => document.activeElement?.getAttribute('href')?.includes('/specimens/'));
  });

  it('options are one stop of Tab, gone through with arrows and chosen with Space, and the page stays where it is', async () => {
    const page = await station.page(SIZES[1]);
    await inDemo(page, station.url, '/appearance');
    const group = page.getByRole('radiogroup').first();
    await group.waitFor();
    const radios = group.getByRole('radio');
    const stops = await radios.evaluateAll((all) => all.map((one) => (one as HTMLElement).tabIndex));
    expect(stops.filter((stop) => stop === 0)).toHaveLength(1);
    const at = stops.indexOf(0);
    const next = (at + 1) % stops.length;
    await radios.nth(at).focus();
    await page.keyboard.press('ArrowRight');
    // Gone to, and not yet chosen.
    expect(await radios.nth(next).evaluate((one) => one === document.activeElement)).toBe(true);
    expect(await radios.nth(next).getAttribute('aria-checked')).toBe('false');
    await page.keyboard.press('Space');
    await page.waitForFunction(() => document.activeElement?.getAttribute('aria-checked') === 'true');
    expect(await radios.nth(next).getAttribute('aria-checked')).toBe('true');
    await page.keyboard.press('End');
    await page.keyboard.press('ArrowRight');
    expect(await radios.first().evaluate((one) => one === document.activeElement)).toBe(true);
    await radios.nth(at).press('Space');
  });

  /** A ledge crab of which nothing was read yet. */
  async function crab(page: Page): Promise<string> {
    await signIn(page, station.url);
    const { guides } = (await (await page.request.get(`${station.url}/api/guides`)).json()) as {
      guides: { id: string; slug: string }[];
    };
    const id = crypto.randomUUID();
    const made = await page.request.put(`${station.url}/api/specimens/${id}`, {
      headers: { origin: station.url },
      data: {
        version: 0,
        guideId: guides.find(({ slug }) => slug === 'ledge-crabs')!.id,
        label: 'By keys',
        situation: {},
        readings: [],
        determinations: [],
        hidden: false,
      },
    });
    expect(made.status()).toBe(200);
    return id;
  }

  it('the look that follows an answered one takes the focus to its heading, and to nowhere else', async () => {
    const page = await station.page(SIZES[0]);
    await page.goto(`${station.url}/specimens/${await crab(page)}/bench`);
    const looks: string[] = [];
    for (let i = 0; i < 3; i++) {
      const look = page.getByRole('region', { name: /^Look next: / });
      await look.getByRole('radio').first().waitFor();
      const title = await textOf(look.getByRole('heading').first());
      looks.push(title);
      await look.getByRole('radio').first().press('Space');
      await page.waitForFunction((before) => document.querySelector('[role=region] h2')?.textContent !== before, title);
      await page.waitForFunction(() => document.activeElement?.textContent?.startsWith('Look next: '));
    }
    expect(new Set(looks).size).toBe(3);
    // The first Tab from there is at its answers.
    await page.keyboard.press('Tab');
    expect(await page.evaluate(() => document.activeElement?.closest('[role=region]')?.getAttribute('aria-label'))).toMatch(
      /^Look next/,
    );
  });

  it('what is removed by a key is put back by the next, and the focus is never nowhere', async () => {
    const page = await station.page(SIZES[0]);
    await inDemo(page, station.url, '/guides/write');
    const rows = page.getByRole('button', { name: /^Remove: / });
    await rows.first().waitFor();
    const before = await rows.count();
    await rows.first().press('Enter');
    await page.waitForFunction(() => document.activeElement?.getAttribute('aria-label')?.startsWith('Undo: Removed: '));
    expect(await rows.count()).toBe(before - 1);
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => document.activeElement?.tagName === 'H1');
    await page.waitForFunction(
      (n) => document.querySelectorAll('[role=button][aria-label^="Remove: "], button[aria-label^="Remove: "]').length === n,
      before,
    );
  });

  it('a digit on a count of the Bench is the count, Backspace takes no reading away, and the character stays', async () => {
    const page = await station.page(SIZES[1]);
    const id = await crab(page);
    await page.goto(`${station.url}/specimens/${id}/bench`);
    await page.getByRole('button', { name: /^Side teeth, one side/ }).press('Enter');
    await page.getByRole('radiogroup', { name: 'Side teeth, one side' }).waitFor();
    await page.keyboard.press('5');
    await page.getByRole('radio', { name: '5', exact: true, checked: true }).waitFor();
    await page.keyboard.press('Backspace');
    const written = async () =>
      ((await (await page.request.get(`${station.url}/api/specimens/${id}`)).json()) as { readings: { value?: number }[] })
        .readings;
    await expect(until(async () => (await written()).length > 0)).resolves.toBe(true);
    expect(await written()).toMatchObject([{ character: 'side-teeth', value: 5 }]);
    expect(await page.getByRole('radiogroup', { name: 'Side teeth, one side' }).isVisible()).toBe(true);
    // The arrows go on in the list, and the focus goes along, into sight.
    const row = page.locator('[aria-current=true]').first();
    await row.focus();
    for (let i = 0; i < 12; i++) await page.keyboard.press('ArrowDown');
    await page.waitForFunction(() => document.activeElement?.getAttribute('aria-current') === 'true');
    expect(await textOf(row)).not.toMatch(/Side teeth/);
    expect(
      await page.evaluate(() => {
        const { top, bottom } = document.activeElement!.getBoundingClientRect();
        return top >= 0 && bottom <= window.innerHeight;
      }),
    ).toBe(true);
    // Keys of one letter can be switched off; the others stay.
    const at = await textOf(row);
    await page.evaluate(() =>
      localStorage.setItem(
        'plesion.look',
        JSON.stringify({ light: 'day', letters: 'usual', motion: 'device', shortcuts: 'off' }),
      ),
    );
    await page.reload();
    await page
      .getByRole('button', { name: /^Side teeth, one side/ })
      .first()
      .press('Enter');
    await page.keyboard.press('6');
    await page.keyboard.press('j');
    expect(await textOf(row)).toMatch(/Side teeth.*5/s);
    await page.keyboard.press('ArrowDown');
    await page.waitForFunction(
      () => !/Side teeth/.test(document.querySelector('[aria-current=true]')?.textContent ?? 'Side teeth'),
    );
    expect(at).not.toBe('');
  });
});

it('the columns of a wide Bench scroll within the window, with letters twice as large as well', async () => {
  const page = await station.page(SIZES[1]);
  await inDemo(page, station.url);
  const looks = { light: 'day', letters: 'twice', motion: 'less', shortcuts: 'on' };
  await page.evaluate((look) => localStorage.setItem('plesion.look', look), JSON.stringify(looks));
  const { specimens } = (await (await page.request.get(`${station.url}/api/specimens`)).json()) as {
    specimens: { id: string; guideId?: string; named: boolean }[];
  };
  await page.goto(`${station.url}/specimens/${specimens.find(({ guideId, named }) => guideId && !named)!.id}/bench`);
  await page.getByRole('radio').first().waitFor();
  const heights = await page.evaluate(() =>
    [...document.querySelectorAll('#root div')]
      .filter((one) => /auto|scroll/.test(getComputedStyle(one).overflowY) && one.scrollHeight > innerHeight)
      .map((one) => one.clientHeight <= innerHeight && one.scrollHeight > one.clientHeight),
  );
  expect(heights.length).toBeGreaterThan(1);
  expect(heights).not.toContain(false);
});
