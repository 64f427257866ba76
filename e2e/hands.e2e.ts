import type { Page } from 'playwright-core';
import { handsOf } from './hands';
import { openStation, SIZES, type Station } from './station';
import { textOf } from './textOf';
import { until } from './until';

let station: Station;
let page: Page;
let hands: ReturnType<typeof handsOf>;
beforeAll(async () => {
  station = await openStation();
  page = await station.page(SIZES[1]);
  await page.goto(station.url);
  await page.getByRole('button', { name: 'Open the demo' }).waitFor();
  hands = handsOf(page);
});
afterAll(() => station.close());

const heading = (name: string | RegExp) => page.getByRole('heading', { name, level: 1 }).waitFor();

/** What a job took in keys, held to a bound a little above what it takes now: it may not grow unseen. */
async function within(most: number, job: () => Promise<void>): Promise<void> {
  const before = hands.count();
  await job();
  expect(hands.count() - before).toBeLessThanOrEqual(most);
}

/** Names of the readings of the specimen at hand. */
const readings = async (): Promise<string[]> => {
  const id = /specimens\/([^/]+)/.exec(page.url())![1];
  const { readings: all } = (await (await page.request.get(`${station.url}/api/specimens/${id}`)).json()) as {
    readings: { character: string }[];
  };
  return all.map(({ character }) => character).sort();
};

/** On the Bench, to a character by the keys of the list. */
async function toCharacter(name: string): Promise<void> {
  const current = () => textOf(page.locator('[aria-current=true]').first());
  while (!(await current()).startsWith(name)) {
    const before = await current();
    await hands.press('j');
    await until(async () => (await current()) !== before);
  }
}

/** One after the other, as a working day goes: each begins where the last one ended. */
describe('a day without a mouse', () => {
  it('signs in', () =>
    within(14, async () => {
      await hands.tabTo('Account');
      await hands.type('demo');
      await hands.press('Tab');
      await hands.type('demo');
      // Enter in the last field sends the form.
      await hands.press('Enter');
      await heading('Daybook');
    }));

  it('begins a specimen, reads five characters of five kinds and names it', () =>
    within(120, async () => {
      await hands.tabTo('New specimen');
      await hands.press('Enter');
      await heading(/specimen/i);
      await hands.tabTo(/of the Tessary Isles$/);
      while (!(await hands.here()).name.startsWith('Ledge crabs')) await hands.press('ArrowRight');
      await hands.press('Space');
      await page.getByRole('radio', { name: /^Ledge crabs/, checked: true }).waitFor();
      await hands.tabTo('To the Bench');
      await hands.press('Enter');
      await page.waitForURL(/\/bench/);
      await page.locator('[aria-current=true]').first().waitFor();
      // States by their numbers, a count by its digits.
      await toCharacter('Abdomen under the body');
      await hands.press('1');
      await toCharacter('Abdomen width ÷');
      await hands.tabTo('abdomen width');
      await hands.type('30');
      await hands.press('Tab');
      await hands.type('50');
      await hands.tabTo('Not visible');
      await toCharacter('Carapace width');
      await hands.tabTo('value');
      await hands.type('61');
      await hands.tabTo('Not visible');
      await toCharacter('Side teeth');
      await hands.press('5');
      await toCharacter('Form of the side teeth');
      await hands.press('2');
      await until(async () => (await readings()).length === 5);
      expect(await readings()).toEqual(['abdomen', 'abdomen-ratio', 'carapace-width', 'side-teeth', 'tooth-form']);
      await hands.press('w');
      await heading('How far may it be named?');
      await hands.tabTo('Into the daybook');
      await hands.press('Enter');
      await page.waitForURL(/\/specimens\/[^/]+$/);
      // The new page takes the focus to its heading; who tabs on before that is taken along.
      await page.getByRole('heading', { level: 1 }).filter({ hasNotText: 'How far may it be named?' }).waitFor();
    }));

  it('walks a key to its end', () =>
    within(60, async () => {
      await hands.tabTo('Guides');
      await hands.press('Enter');
      await heading('Guides');
      await page.getByRole('link', { name: /^Strand beetles, after Selwith/ }).waitFor();
      await hands.tabTo(/^Strand beetles, after Selwith/);
      await hands.press('Enter');
      await page.waitForURL(/\/keys\//);
      await heading(/^Strand beetles/);
      await hands.tabTo('1a: walk from couplet 1');
      await hands.press('Enter');
      // Where one is: one of the two always stands there, however slowly the one gives way to the other.
      const place = () => textOf(page.getByRole('heading', { name: /^Couplet \d|^The key comes to/ }).first());
      for (let at = await place(); at !== 'The key comes to'; at = await place()) {
        await hands.press('a');
        await until(async () => (await place()) !== at);
      }
    }));

  it('compares two forms', () =>
    within(80, async () => {
      await hands.tabTo('Guides');
      await hands.press('Enter');
      await heading('Guides');
      await page.getByRole('link', { name: /^Ledge crabs of the Tessary Isles/ }).waitFor();
      await hands.tabTo(/^Ledge crabs of the Tessary Isles/);
      await hands.press('Enter');
      await heading(/^Ledge crabs/);
      await hands.tabTo(/^Compare/);
      await hands.press('Enter');
      await page.waitForURL(/\/compare/);
      await hands.tabTo('P. cinerata, adult female, plain');
      await hands.press('Enter');
      await page.waitForURL(/forms=/);
      await hands.tabTo('P. murica, adult female, plain');
      await hands.press('Enter');
      await page
        .getByText(/\d+ in 100 alike/)
        .first()
        .waitFor();
    }));

  it('narrows a plate wall', () =>
    within(60, async () => {
      await page.goBack();
      await page.getByRole('link', { name: /^Plate wall/ }).waitFor();
      await hands.tabTo(/^Plate wall/);
      await hands.press('Enter');
      await heading('Plate wall');
      await page.getByText('18 forms', { exact: true }).waitFor();
      await hands.tabTo('Touch a part of the drawing');
      // The first part, then a state of it that not all forms show: its number says how many do.
      await hands.press('Tab');
      await hands.press('Space');
      await page.getByRole('checkbox').first().waitFor();
      await hands.press('Tab');
      for (let i = 0; !/, (?!18 )\d+ forms?$/.test((await hands.here()).name); i++)
        await hands.press(i % 4 === 3 ? 'Tab' : 'ArrowRight');
      await hands.press('Space');
      await page.getByText(/^\d+ of 18 forms left$/).waitFor();
      // What it is narrowed to is in the address, and outlives a reload.
      await page.waitForURL(/wanted=/);
      await page.reload();
      await page.getByText(/^\d+ of 18 forms left$/).waitFor();
    }));

  it('reads a key in', () =>
    within(100, async () => {
      await hands.tabTo('Guides');
      await hands.press('Enter');
      await heading('Guides');
      await hands.tabTo('Import a key');
      await hands.press('Enter');
      await page.waitForURL(/\/keys\/read/);
      await hands.tabTo('Show an example');
      await hands.press('Enter');
      // The button that was pressed is gone: the focus is at the field, not nowhere.
      expect((await hands.here()).lost).toBe(false);
      await page.getByText('Couplets', { exact: true }).first().waitFor();
      await hands.tabTo('Title', true);
      await hands.type('By keys');
      await hands.tabTo('Import');
      await hands.press('Enter');
      await page.waitForURL(/\/keys\/[0-9a-f-]{36}$/);
    }));

  it('learns a guide from a table', () =>
    within(60, async () => {
      await hands.tabTo('Guides');
      await hands.press('Enter');
      await heading('Guides');
      await hands.tabTo('Learn from a table');
      await hands.press('Enter');
      await heading('Learn from a table');
      await hands.tabTo('Title of the guide');
      await hands.type('Twins');
      await hands.tabTo('or paste it');
      const rows = Array.from(
        { length: 8 },
        (_, i) => `slender,${40 + (i % 4)},${21 + i * 0.3}\nbroad,${40 + (i % 3)},${27 + i * 0.4}`,
      );
      await hands.paste(['kind,length,width', ...rows].join('\n'));
      // A reload in the middle of it loses nothing.
      await page.reload();
      await page.getByText('16 rows').waitFor();
      await hands.tabTo('Learn it');
      await hands.press('Enter');
      await page.getByRole('button', { name: 'Open the guide' }).waitFor();
      await hands.tabTo('Open the guide');
      await hands.press('Enter');
      await heading('Twins');
    }));

  it('signs out', () =>
    within(40, async () => {
      await hands.tabTo('Sign out');
      await hands.press('Enter');
      await page.getByRole('button', { name: 'Open the demo' }).waitFor();
    }));
});
