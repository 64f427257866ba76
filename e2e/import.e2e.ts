import type { Page } from 'playwright-core';
import { openStation, signIn, SIZES, type Station } from './station';

let station: Station;
beforeAll(async () => {
  station = await openStation();
});
afterAll(() => station.close());

const ROWS = [
  'Date;Place;Ring no.;Species;Sex',
  '01.06.2019;Long Spit;H 03001;Halistris sodalis;hen',
  '02.06.2019;Long Spit;H 03001;Halistris sodalsi;m',
  '31.06.2019;Long Spit;H 03002;Halistris sodalis;m',
].join('\n');

const total = async (page: Page) =>
  ((await (await page.request.get(`${station.url}/api/captures?ring=03001`)).json()) as { captures: object[] }).captures.length;

it('earlier years are tried, told otherwise over a reload, read in, and taken back', async () => {
  const page = await station.page(SIZES[0]);
  await signIn(page, station.url);
  const before = await total(page);
  await page.goto(`${station.url}/field/import`);
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Choose a CSV or an archive' }).click(),
  ]);
  const name = 'book.csv';
  await chooser.setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(ROWS) });
  await page.getByText('3 rows · ').waitFor();
  expect(await page.getByRole('button', { name: /^Read in/ }).isDisabled()).toBe(true);

  await page.getByRole('radio', { name: 'Terns of the Tessary Isles' }).click();
  await page.getByRole('button', { name: 'Try it so' }).click();
  await page.getByText('“Halistris sodalsi”').waitFor();
  await page.getByRole('radiogroup', { name: 'What hen means' }).getByRole('radio', { name: 'female' }).click();
  await page.reload();
  await page.getByRole('radiogroup', { name: 'What hen means' }).getByRole('radio', { name: 'female', checked: true }).waitFor();
  await page.getByRole('radiogroup', { name: 'What Halistris sodalsi is' }).getByRole('radio', { name: 'ring tern' }).click();
  await page.getByRole('radio', { name: 'are left out, all of them' }).click();
  await page.getByLabel(/^Why what a rule/).fill('as the book of that year has it');
  await page.getByRole('button', { name: 'Try it so' }).click();
  await page.getByRole('button', { name: 'Read in 2 captures' }).click();
  await page.getByText(`Read in: ${name}`).waitFor();
  expect(await total(page)).toBe(before + 2);

  await page.getByRole('button', { name: `Undo ${name}` }).click();
  await page.getByText('2 captures were removed.').waitFor();
  expect(await total(page)).toBe(before);
  await page.close();
});
