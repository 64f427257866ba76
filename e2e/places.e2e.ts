import { mkdtempSync, rmSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { openOffice } from '../server/officeStandIn/office';
import { inDemo, openStation, signIn, SIZES, type Station } from './station';
import { textOf } from './textOf';

/** Marks that animals bear, where they were, and the ringing office. */
let station: Station;
let folder: string;
let office: Server;
let port: number;

const openAt = (at: number) =>
  new Promise<void>((resolve) => {
    const today = () => new Date().toISOString().slice(0, 10);
    office = openOffice(join(folder, 'books.json'), today).listen(at, '127.0.0.1', () => {
      ({ port } = office.address() as AddressInfo);
      resolve();
    });
  });
const closeOffice = () => new Promise<void>((resolve) => (office.closeAllConnections(), office.close(() => resolve())));

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'plesion-office-'));
  await openAt(0);
  station = await openStation({ OFFICE_URL: `http://127.0.0.1:${port}` });
});
afterAll(async () => {
  await station.close();
  await closeOffice();
  rmSync(folder, { recursive: true });
});

const order = (page: Page) =>
  page.getByRole('button', { name: /^Drag / }).evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')));

it('fields of the sheet are dragged by the mouse and by keys; those added one after the other are all there', async () => {
  const page = await station.page(SIZES[1]);
  await inDemo(page, station.url, '/field/sheet');
  for (const field of ['Natural marks', 'Position', 'Release'])
    await page.getByRole('button', { name: `Ask also: ${field}` }).click();
  await page.getByRole('button', { name: 'Drag Release' }).waitFor();
  expect(await order(page)).toEqual(expect.arrayContaining(['Drag Natural marks', 'Drag Position', 'Drag Release']));
  await page.getByRole('button', { name: 'Drag Kind' }).press('Space');
  await page.getByText('Kind is taken up, place 1 of 13.').waitFor({ state: 'attached' });
  await page.keyboard.press('ArrowDown');
  await page.getByText('Kind: place 2 of 13.').waitFor({ state: 'attached' });
  await page.keyboard.press('Space');
  await page.waitForFunction(() => document.querySelector('[aria-label^="Drag "]')?.getAttribute('aria-label') === 'Drag Age');
  const from = (await page.getByRole('button', { name: 'Drag Age' }).boundingBox())!;
  const to = (await page.getByRole('button', { name: 'Drag Sex', exact: true }).boundingBox())!;
  await page.mouse.move(from.x + 20, from.y + 20);
  await page.mouse.down();
  await page.mouse.move(from.x + 20, from.y + 40, { steps: 4 });
  await page.getByText('Age is taken up, place 1 of 13.').waitFor({ state: 'attached' });
  await page.mouse.move(to.x + 20, to.y + 30, { steps: 8 });
  await page.getByText('Age: place 3 of 13.').waitFor({ state: 'attached' });
  await page.mouse.up();
  await page.waitForFunction(
    () => document.querySelectorAll('[aria-label^="Drag "]')[2]?.getAttribute('aria-label') === 'Drag Age',
  );
  expect((await order(page)).slice(0, 3)).toEqual(['Drag Kind', 'Drag Sex', 'Drag Age']);
});

it('a mark is touched on the plate, found again by where and by words, and the position comes from the device', async () => {
  const page = await station.page(SIZES[0]);
  await page.context().grantPermissions(['geolocation'], { origin: station.url });
  await page.context().setGeolocation({ latitude: -41.1944, longitude: -28.0666, accuracy: 6.4 });
  await inDemo(page, station.url, '/field');
  await page.getByRole('button', { name: 'Catch at Long Spit' }).last().click();
  await page.getByRole('radio', { name: 'not ringed' }).click();
  await page.getByRole('radio', { name: 'ring tern' }).click();
  await page.getByRole('button', { name: 'Add a natural mark' }).click();
  await page.getByRole('button', { name: 'Save the mark' }).click();
  await page.getByText('Say what it looks like.').waitFor();
  await page.getByLabel('In words').fill('white feather on the crown');
  const plate = page.getByLabel('Plate: touch where it is');
  const { width, height } = (await plate.boundingBox())!;
  await plate.click({ position: { x: width * 0.3, y: height * 0.1 } });
  await page.getByRole('button', { name: 'Save the mark' }).click();
  await page.getByRole('button', { name: 'From this device' }).click();
  await page.getByText('-41.19440, -28.06660, at most 7 m off').waitFor();
  await page.getByRole('radio', { name: 'let go here' }).click();
  await page.getByRole('button', { name: /^Save the catch/ }).click();
  await page
    .getByRole('status')
    .getByText(/^Saved: /)
    .waitFor();

  await page.goto(`${station.url}/field/marks`);
  await page.getByLabel('In words').fill('crown white');
  await page.getByText('white feather on the crown').waitFor();
  await page.getByLabel('In words').fill('');
  await page.getByText('bare scar over the right eye').waitFor();
  const again = page.getByLabel('Plate: touch where it is');
  const box = (await again.boundingBox())!;
  await again.click({ position: { x: box.width * 0.31, y: box.height * 0.11 } });
  const first = page
    .locator('main, body')
    .getByText(/white feather on the crown|bare scar over the right eye/)
    .first();
  await page.waitForFunction(
    () => document.body.textContent.indexOf('white feather') < document.body.textContent.indexOf('bare scar'),
  );
  expect(await textOf(first)).toBe('white feather on the crown');
  await page.getByRole('link', { name: 'ring tern' }).first().click();
  await page.getByText('-41.19440, -28.06660, at most 7 m off').waitFor();
  expect(await page.getByRole('radio', { name: 'let go here', checked: true }).count()).toBe(1);
});

describe.each(SIZES)('the map, $kind', (size) => {
  it('is touched, moved by keys, and looked at between two months; the same stands there in words', async () => {
    const page = await station.page(size);
    await inDemo(page, station.url, '/field/map');
    const map = page.getByRole('img', { name: /^Map: \d+ records in sight/ });
    await map.waitFor();
    const all = await map.getAttribute('aria-label');
    await page.getByRole('button', { name: 'Show Long Spit' }).click();
    await page.getByRole('region', { name: 'This mark' }).getByText('Long Spit', { exact: true }).waitFor();
    await page.getByRole('button', { name: 'All places' }).click();
    await page.getByRole('slider', { name: 'From' }).focus();
    for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
    await page.waitForFunction(
      (before) => document.querySelector('[aria-label^="Map: "]')?.getAttribute('aria-label') !== before,
      all,
    );
    await page.waitForURL(/from=\d{4}-\d\d/);
    // A mark is found where it is drawn, also after the map was moved.
    await map.focus();
    await map.scrollIntoViewIfNeeded();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('+');
    await page.keyboard.press('0');
    const circle = (await map.locator('circle').first().boundingBox())!;
    await page.mouse.click(circle.x + circle.width / 2, circle.y + circle.height / 2);
    await page.getByRole('region', { name: 'This mark' }).waitFor();
  });
});

it('a season waits while the office is down, is taken when it is back, and recoveries are drawn as ways', async () => {
  const page = await station.page(SIZES[1]);
  await signIn(page, station.url);
  const was = port;
  await closeOffice();
  await page.goto(`${station.url}/field/office`);
  const year = String(new Date().getFullYear() - 1);
  await page.getByRole('radio', { name: year }).click();
  await page.getByRole('button', { name: `Report ${year}` }).click();
  await page.getByText(/The office cannot be reached\. The file is kept/).waitFor();
  await openAt(was);
  await page.getByRole('button', { name: `Try now: season ${year}` }).click();
  await page.getByText(/^Receipt \d{4}-00001: /).waitFor();
  await page.getByRole('button', { name: 'Ask now for recoveries' }).click();
  const recoveries = page.getByRole('region', { name: 'Recoveries' }).getByRole('link');
  await recoveries.first().waitFor();
  const before = await recoveries.count();
  await page.getByRole('button', { name: `Report ${year}` }).click();
  await page.getByRole('button', { name: 'Ask now for recoveries' }).click();
  await page.getByText(/^Receipt /).waitFor();
  expect([await page.getByText(/^Receipt /).count(), await recoveries.count()]).toEqual([1, before]);
  await recoveries.first().click();
  await page.getByRole('region', { name: 'Told by the ringing office' }).waitFor();
  await page.getByRole('button', { name: 'On the map' }).click();
  await page
    .getByRole('list', { name: 'Ways' })
    .getByText(/\d+ days? at liberty · [\d.]+ km [NESW]+/)
    .first()
    .waitFor();
});
