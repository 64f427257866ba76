import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { inDemo, openStation, SIZES, type Station } from './station';

let station: Station;
let folder: string;
beforeAll(async () => {
  station = await openStation();
  folder = mkdtempSync(join(tmpdir(), 'plesion-archive-'));
});
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await station.close();
});

/** A person with a station of their own, in which nothing was written yet. */
async function enterNew(page: Page, name: string): Promise<void> {
  const { status } = await page.request
    .post(`${station.url}/api/stations`, {
      headers: { origin: station.url },
      data: { station: name, name, password: 'long enough' },
    })
    .then((answer) => ({ status: answer.status() }));
  expect(status).toBe(201);
  await page.goto(`${station.url}/account`);
  await page.getByRole('heading', { name: 'What the station holds' }).waitFor();
}

const [PHONE, WIDE] = SIZES;

describe('an archive', () => {
  it('takes a station along as one file, into a new one', async () => {
    const page = await station.page(PHONE);
    await inDemo(page, station.url, '/account');
    await page.getByRole('button', { name: /Export the station|Export it again/ }).click();
    await page.getByText(/An archive of .* lies ready for a day/).waitFor();
    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Download the archive' }).press('Enter');
    const archive = join(folder, 'station.zip');
    await (await coming).saveAs(archive);
    await page.getByText(/make a new station first/).waitFor();

    const own = await station.page(PHONE);
    await enterNew(own, 'Skerry hut');
    const specimens = own.getByRole('meter', { name: 'Specimens' });
    expect(await specimens.getAttribute('aria-valuenow')).toBe('0');
    const asked = own.waitForEvent('filechooser');
    await own.getByRole('button', { name: 'Choose an archive' }).press('Enter');
    await (await asked).setFiles(archive);
    await own.getByText('Imported: Quell Harbour demo station').waitFor();
    await own.getByRole('meter', { name: 'Specimens' }).and(own.locator('[aria-valuenow="203"]')).waitFor();
    await own.goto(station.url);
    await own.getByText('203 specimens').waitFor();
    // The tern’s photo came along.
    await own.getByText('What is it?').waitFor();
    const photo = await own.request.get(`${station.url}/api/specimens?search=pier`).then((answer) => answer.json());
    const [{ photo: hash }] = (photo as { specimens: { photo: string }[] }).specimens;
    expect((await own.request.get(`${station.url}/api/photos/${hash}`)).status()).toBe(200);
  });

  it('that is none is refused, and the station stays as it was', async () => {
    const page = await station.page(WIDE);
    await enterNew(page, 'Reef hut');
    const asked = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Choose an archive' }).press('Enter');
    await (await asked).setFiles({ name: 'photo.zip', mimeType: 'application/zip', buffer: Buffer.from('no archive') });
    await page.getByText('The archive was not imported').waitFor();
    await page.getByText(/This file is not an archive of a Plesion station/).waitFor();
    await page.getByRole('button', { name: 'Choose an archive' }).waitFor();
  });
});
