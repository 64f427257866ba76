import type { Page } from 'playwright-core';
import sharp from 'sharp';
import { faultsOf } from './axe';
import { openStation, signIn, SIZES, type Station } from './station';
import { textOf } from './textOf';

let station: Station;
beforeAll(async () => {
  station = await openStation();
});
afterAll(() => station.close());

const noisy = (width: number, height: number, quality: number) =>
  sharp({ create: { width, height, channels: 3, background: '#567', noise: { type: 'gaussian', mean: 128, sigma: 60 } } })
    .jpeg({ quality })
    .toBuffer();

/** A JPEG with remarks in it, which make it as large as wanted and its picture no larger. */
function remarked(jpeg: Buffer, size: number): Buffer {
  const most = 0xffff;
  const remark = Buffer.concat([Buffer.from([0xff, 0xfe, most >> 8, most & 0xff]), Buffer.alloc(most - 2, 'scale ')]);
  const remarks = Array.from({ length: Math.ceil((size - jpeg.length) / remark.length) }, () => remark);
  return Buffer.concat([jpeg.subarray(0, 2), ...remarks, jpeg.subarray(2)]);
}

/** A new specimen of the demo's crabs, on its page. */
async function begun(page: Page, readings: object[] = []): Promise<string> {
  const headers = { origin: station.url };
  const { guides } = (await (await page.request.get(`${station.url}/api/guides`)).json()) as {
    guides: { id: string; slug: string }[];
  };
  const guideId = guides.find(({ slug }) => slug === 'ledge-crabs')!.id;
  const id = crypto.randomUUID();
  const data = {
    version: 0,
    guideId,
    label: 'Photos',
    situation: {},
    readings,
    determinations: [],
    hidden: false,
  };
  expect((await page.request.put(`${station.url}/api/specimens/${id}`, { headers, data })).status()).toBe(200);
  await page.goto(`${station.url}/specimens/${id}`);
  await page.getByRole('button', { name: 'Add a photo' }).waitFor();
  return id;
}

/** A file let go over, or pasted into, the page, as a hand does it. */
const hand = (page: Page, how: 'drop' | 'paste', files: { name: string; type: string; bytes: Buffer }[]) =>
  page.evaluate(
    ([kind, given]) => {
      const data = new DataTransfer();
      for (const { name, type, base64 } of given)
        data.items.add(new File([Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))], name, { type }));
      if (kind === 'paste') {
        const event = new ClipboardEvent('paste', { clipboardData: data, bubbles: true });
        document.body.dispatchEvent(event);
        return;
      }
      const zone = document.querySelector('[data-testid="drop-photos"]')!;
      for (const name of ['dragenter', 'dragover', 'drop'])
        zone.dispatchEvent(new DragEvent(name, { dataTransfer: data, bubbles: true, cancelable: true }));
    },
    [how, files.map(({ name, type, bytes }) => ({ name, type, base64: bytes.toString('base64') }))] as const,
  );

const kept = async (page: Page, id: string) =>
  (await (await page.request.get(`${station.url}/api/specimens/${id}`)).json()) as {
    photo?: string;
    media?: { hash: string; view?: string; credit?: string }[];
    readings: { at?: object }[];
  };

/** The specimen as the server has it, once it is as it is waited for. */
async function keptOnce(page: Page, id: string, right: (specimen: Awaited<ReturnType<typeof kept>>) => boolean) {
  for (let tries = 0; tries < 200; tries++) {
    const specimen = await kept(page, id);
    if (right(specimen)) return specimen;
    await page.waitForTimeout(100);
  }
  throw new Error('The server never had it so.');
}

describe('photos of a specimen', () => {
  it('are dropped and pasted, several at once, and what is none is told by its name', async () => {
    const page = await station.page({ width: 1280, height: 800 });
    const problems: string[] = [];
    page.on('pageerror', (error) => problems.push(error.message));
    await signIn(page, station.url);
    const id = await begun(page);
    const type = 'image/jpeg';
    const jpegs = [await noisy(300, 200, 80), await noisy(200, 300, 80), await noisy(100, 100, 80)];
    const heic = Buffer.concat([Buffer.from([0, 0, 0, 24]), Buffer.from('ftypheic'), Buffer.alloc(40)]);
    await hand(page, 'drop', [
      { name: 'one.jpg', type, bytes: jpegs[0] },
      { name: 'two.jpg', type, bytes: jpegs[1] },
      { name: 'bad.jpg', type, bytes: Buffer.from('not a picture') },
      { name: 'phone.heic', type: 'image/heic', bytes: heic },
    ]);
    await page.getByText(/^bad\.jpg: This file is not a photo/).waitFor();
    await page.getByText(/^phone\.heic: This is a HEIC picture/).waitFor();
    await page.getByRole('radio', { name: 'photo 2' }).waitFor();
    await hand(page, 'paste', [{ name: 'three.jpg', type, bytes: jpegs[2] }]);
    await page.getByRole('radio', { name: 'photo 3' }).waitFor();
    await page.getByRole('button', { name: 'What it shows, and whose it is' }).click();
    await page.getByRole('radiogroup', { name: 'View' }).getByRole('radio').first().click();
    await page.getByLabel('Credit').fill('A. Orvane');
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Show it first' }).click();
    const { photo, media } = await keptOnce(
      page,
      id,
      ({ photo: top, media: all }) => all?.[2]?.credit !== undefined && top === all[2].hash,
    );
    expect(media).toHaveLength(3);
    expect(media![2]).toMatchObject({ credit: 'A. Orvane', view: expect.any(String) });
    expect(photo).toBe(media![2].hash);
    expect(await faultsOf(page)).toEqual([]);
    expect(problems).toEqual([]);
  });

  it('are pointed at with keys alone', async () => {
    const page = await station.page({ width: 390, height: 844 });
    await signIn(page, station.url);
    const id = await begun(page, [{ character: 'front-edge', states: ['three-teeth'] }]);
    await hand(page, 'paste', [{ name: 'one.jpg', type: 'image/jpeg', bytes: await noisy(300, 200, 80) }]);
    const chip = page.getByRole('radio', { name: /^1 Front edge/ });
    await chip.focus();
    await page.keyboard.press('Space');
    await page.keyboard.press('Shift+ArrowUp');
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('Enter');
    await page.getByLabel(/^1: Front edge.*, pointed at$/).waitFor();
    const { readings } = await keptOnce(page, id, (specimen) => specimen.readings[0].at !== undefined);
    expect(readings).toMatchObject([{ at: { x: 0.495, y: 0.45 } }]);
    expect(await faultsOf(page)).toEqual([]);
  });

  it('are gone on with after a lost connection and a reload, from where they stopped', async () => {
    const page = await station.page({ width: 390, height: 844 });
    await signIn(page, station.url);
    const id = await begun(page);
    // Three pieces of 4 MB.
    const bytes = remarked(await noisy(600, 400, 80), 9 * 1024 * 1024);
    const offsets: number[] = [];
    let lost = true;
    await page.route('**/api/uploads/*', (route) => {
      const request = route.request();
      const offset = Number(request.headers()['upload-offset']);
      if (request.method() !== 'PATCH') return route.continue();
      if (lost && offset > 0) return route.abort('connectionreset');
      offsets.push(offset);
      return route.continue();
    });
    const [chooser] = await Promise.all([
      page.waitForEvent('filechooser'),
      page.getByRole('button', { name: 'Add a photo' }).click(),
    ]);
    const cut = page.waitForEvent('requestfailed', {
      predicate: (request) => request.method() === 'PATCH',
      timeout: 60_000,
    });
    await chooser.setFiles({ name: 'large.jpg', mimeType: 'image/jpeg', buffer: bytes });
    await cut;
    expect((await kept(page, id)).photo).toBeUndefined();
    // Not before the page is left, which tries again by itself.
    page.once('domcontentloaded', () => (lost = false));
    const whole = page.waitForResponse((answer) => answer.request().method() === 'PATCH' && answer.status() === 200);
    await page.reload();
    await whole;
    const piece = 4 * 1024 * 1024;
    expect(offsets).toEqual([0, piece, 2 * piece]);
    const { photo } = await keptOnce(page, id, (specimen) => specimen.photo !== undefined);
    const original = await page.request.get(`${station.url}/api/photos/${photo}?size=original`);
    expect((await original.body()).equals(bytes)).toBe(true);
  });
});

it('side by side a photo lies on a plate by two places set with keys alone, and is looked at in three ways', async () => {
  const page = await station.page(SIZES[1]);
  await signIn(page, station.url);
  const id = await begun(page);
  const bytes = await noisy(600, 400, 80);
  await hand(page, 'paste', [{ name: 'one.jpg', type: 'image/jpeg', bytes }]);
  await page.getByLabel('Photo of the specimen').waitFor();
  await keptOnce(page, id, (specimen) => specimen.photo !== undefined);
  await page.goto(`${station.url}/specimens/${id}/beside?by=width-ratio`);
  const table = page.getByTestId('photo-table');
  await table.waitFor();
  expect(await textOf(page.getByTestId('places'))).toMatch(/^On this photo: front edge/);
  await table.focus();
  for (let step = 0; step < 3; step++) await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('Enter');
  await page.getByText(/^On this photo: rear edge/).waitFor();
  await page.keyboard.press('Escape');
  for (let step = 0; step < 6; step++) await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Enter');
  await page.getByText(/^Matched by front edge on the midline and rear edge/).waitFor();
  expect(await faultsOf(page)).toEqual([]);
  // What was set, and how it is looked at, outlive a reload.
  const slider = page.getByRole('slider');
  await page.getByRole('radio', { name: 'shine through' }).click();
  await slider.waitFor();
  // The address follows a moment after: a slow page has not written it yet.
  await page.waitForURL(/=through/);
  await page.reload();
  await slider.focus();
  await page.keyboard.press('End');
  expect(await slider.inputValue()).toBe('100');
  await page.getByText(/^Matched by/).waitFor();
  await page.getByRole('radio', { name: 'wipe over' }).click();
  expect(await faultsOf(page)).toEqual([]);
});
