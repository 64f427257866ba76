import type { Page } from 'playwright-core';
import { faultsOf } from './axe';
import { openStation, signIn, SIZES, type Station } from './station';
import { textOf } from './textOf';

let station: Station;
beforeAll(async () => {
  station = await openStation();
});
afterAll(() => station.close());

interface Truth {
  scale: { at: [number, number] }[];
  measures: { character: string; value: number; lines: [number, number][][] }[];
}

/** A photograph of a crab by the camera, with its guide and what is true of it. */
async function pictured(page: Page): Promise<{ guideId: string; hash: string; truth: Truth }> {
  const headers = { origin: station.url };
  const get = async <T>(path: string) => (await (await page.request.get(`${station.url}${path}`)).json()) as T;
  const { guides } = await get<{ guides: { id: string; slug: string }[] }>('/api/guides');
  const guideId = guides.find(({ slug }) => slug === 'ledge-crabs')!.id;
  const shot = { guide: guideId, view: 'dorsal', form: 'murica/adult.male.plain', seed: 'measured', scaleBar: 'bar' };
  const { id: taken } = (await (await page.request.post(`${station.url}/api/camera`, { headers, data: shot })).json()) as {
    id: string;
  };
  const truth = await get<Truth>(`/api/camera/${taken}/truth`);
  const buffer = await (await page.request.get(`${station.url}/api/camera/${taken}.png`)).body();
  const photo = { name: 'crab.png', mimeType: 'image/png', buffer };
  const { hash } = (await (await page.request.post(`${station.url}/api/photos`, { headers, multipart: { photo } })).json()) as {
    hash: string;
  };
  return { guideId, hash, truth };
}

/** A crab on the Bench with a photograph, and what is true of it. */
async function photographed(page: Page): Promise<{ id: string; truth: Truth }> {
  const headers = { origin: station.url };
  const { guideId, hash, truth } = await pictured(page);
  const id = crypto.randomUUID();
  const data = {
    version: 0,
    guideId,
    label: 'Measured',
    situation: {},
    readings: [],
    determinations: [],
    hidden: false,
    photo: hash,
  };
  expect((await page.request.put(`${station.url}/api/specimens/${id}`, { headers, data })).status()).toBe(200);
  return { id, truth };
}

/** Where a pixel of the photo is on the screen, while all of the photo is in sight. */
async function onScreen(page: Page, [x, y]: readonly [number, number]): Promise<[number, number]> {
  // A button below it may have been pressed before: where a page is scrolled to, depends on how fast it is.
  await page.getByTestId('photo-table').scrollIntoViewIfNeeded();
  const table = (await page.getByTestId('photo-table').boundingBox())!;
  const scale = Math.min((table.width - 2) / 1600, (table.height - 2) / 1200);
  return [table.x + table.width / 2 + (x - 800) * scale, table.y + table.height / 2 + (y - 600) * scale];
}

async function setPoints(page: Page, places: readonly [number, number][]): Promise<void> {
  for (const at of places) {
    await page.mouse.move(...(await onScreen(page, at)));
    await page.mouse.down();
    await page.mouse.up();
  }
}

const measured = async (page: Page): Promise<number> => Number.parseFloat(await textOf(page.getByTestId('measured')));

describe.each(SIZES)('a carapace is measured on a photo, $kind', ({ width, height }) => {
  it('point by point, from the Bench and back, with its error', async () => {
    const page = await station.page({ width, height });
    const problems: string[] = [];
    page.on('pageerror', (error) => problems.push(error.message));
    await signIn(page, station.url);
    const { id, truth } = await photographed(page);
    const { value, lines } = truth.measures.find(({ character }) => character === 'width-ratio')!;
    await page.goto(`${station.url}/specimens/${id}/bench?character=width-ratio`);
    await page.getByRole('link', { name: 'Measure it on a photo' }).click();
    await page.getByTestId('photo-table').waitFor();
    await page.getByText('Set: left edge of the carapace at its widest').waitFor();
    const set = (places: readonly [number, number][]) => setPoints(page, places);
    await set([lines[0][0], lines[0].at(-1)!]);
    await page.getByText('Set: front edge on the midline').waitFor();
    // What was set is there again after a reload.
    await page.reload();
    await page.getByText('Set: front edge on the midline').waitFor();
    await set([lines[1][0], lines[1].at(-1)!]);
    await page.getByText('All is set.', { exact: false }).first().waitFor();
    expect(Math.abs((await measured(page)) / value - 1)).toBeLessThan(0.03);
    // Blind once more: what was set is out of sight, and the mean of both is told.
    await page.getByRole('button', { name: 'Again, blind: with the earlier points hidden' }).click();
    await page.getByText('Set: left edge of the carapace at its widest').waitFor();
    await page.getByRole('button', { name: 'Undo' }).waitFor();
    await set([lines[0][0], lines[0].at(-1)!]);
    await page.getByText('Set: front edge on the midline').waitFor();
    await set([lines[1][0], lines[1].at(-1)!]);
    await page.getByText('measured 2 times').waitFor();
    expect(await faultsOf(page)).toEqual([]);
    const sent = page.waitForResponse(
      (answer) => answer.url().includes('/api/measurements/') && answer.request().method() === 'PUT',
    );
    await page.getByRole('button', { name: 'Use it' }).click();
    expect((await sent).status()).toBe(200);
    await page.getByRole('link', { name: 'Measure it on a photo' }).waitFor();
    expect(Number(await page.getByLabel('value', { exact: true }).inputValue()) / value).toBeCloseTo(1, 1);
    await page.goto(`${station.url}/specimens/${id}`);
    await page.getByText('Points (TPS)').waitFor();
    await page.getByText('2 times', { exact: false }).first().waitFor();
    expect(problems).toEqual([]);
  });
});

it('a photograph of a guide is measured as a character says, and what it came to stands in its words', async () => {
  const page = await station.page(SIZES[0]);
  await signIn(page, station.url);
  const { guideId, hash, truth } = await pictured(page);
  const headers = { origin: station.url };
  const draft = `${station.url}/api/drafts/${crypto.randomUUID()}`;
  await page.request.put(draft, { headers, data: { guideId, as: 'own', title: 'Crabs, measured' } });
  const figure = {
    ...{ id: 'taken', photo: hash, width: 1600, height: 1200, taxon: 'murica', view: 'dorsal' },
    ...{ credit: 'O. Mereth', licence: 'CC-BY-4.0', caption: 'A male.' },
  };
  const edits = [{ do: 'part', set: { figures: [figure] }, drop: [] }];
  const put = await page.request.post(`${draft}/edits`, { headers, data: { batch: crypto.randomUUID(), after: 0, edits } });
  expect(put.status()).toBe(200);
  await page.goto(`${draft.replace('/api/drafts/', '/guides/write/')}?part=figures`);
  await page.getByRole('button', { name: /^Change Petralda murica/ }).click();
  await page.getByRole('button', { name: 'Measure on it' }).click();
  await page
    .getByRole('radiogroup', { name: 'What is measured' })
    .getByRole('radio', { name: 'Carapace width ÷ length' })
    .click();
  await page.getByText('Set: left edge of the carapace at its widest').waitFor();
  const { value, lines } = truth.measures.find(({ character }) => character === 'width-ratio')!;
  await setPoints(page, [lines[0][0], lines[0].at(-1)!]);
  await page.getByText('Set: front edge on the midline').waitFor();
  await setPoints(page, [lines[1][0], lines[1].at(-1)!]);
  await page.getByText('All is set.', { exact: false }).first().waitFor();
  const told = await textOf(page.getByTestId('told'));
  expect(Math.abs(Number(/: ([\d.]+) ± /.exec(told)![1]) / value - 1)).toBeLessThan(0.03);
  expect(await faultsOf(page)).toEqual([]);
  await page.getByRole('button', { name: 'Write it down' }).click();
  const words = page.getByLabel('What is to be seen on it');
  await words.waitFor();
  await expect(words.inputValue()).resolves.toBe(`A male. ${told}.`);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await page.getByText(/ · A male\. · O\. Mereth$/).waitFor();
});

it('by keys alone a length is measured with a scale, to the pixel', async () => {
  const page = await station.page(SIZES[1]);
  await signIn(page, station.url);
  const { id, truth } = await photographed(page);
  const { value, lines } = truth.measures.find(({ character }) => character === 'carapace-width')!;
  await page.goto(`${station.url}/specimens/${id}/measure?character=carapace-width`);
  const table = page.getByTestId('photo-table');
  await table.waitFor();
  await page.getByLabel('Its length').fill('10');
  await table.focus();
  let [x, y] = [800, 600];
  for (const at of [...truth.scale.map((one) => one.at), lines[0][0], lines[0].at(-1)!]) {
    const [tx, ty] = at.map(Math.round);
    const go = async (by: number, less: string, more: string) => {
      for (let i = 0; i < Math.floor(Math.abs(by) / 10); i++) await page.keyboard.press(`Shift+${by < 0 ? less : more}`);
      for (let i = 0; i < Math.abs(by) % 10; i++) await page.keyboard.press(by < 0 ? less : more);
    };
    await go(tx - x, 'ArrowLeft', 'ArrowRight');
    await go(ty - y, 'ArrowUp', 'ArrowDown');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Escape');
    [x, y] = [tx, ty];
  }
  await page.getByText('All is set.', { exact: false }).first().waitFor();
  expect(Math.abs((await measured(page)) / value - 1)).toBeLessThan(0.02);
  // The last point is held again and moved: ten pixels more make it wider.
  const before = await measured(page);
  await page.keyboard.press('PageUp');
  await page.keyboard.press('Shift+ArrowRight');
  await page.waitForFunction((so) => document.querySelector('[data-testid=measured]')?.textContent !== so, String(before));
  expect(await measured(page)).toBeGreaterThan(before);
  await page.keyboard.press('Control+z');
  await expect(measured(page)).resolves.toBe(before);
});

/** A tern whose wing-beat is to be told. */
async function flyingTern(page: Page): Promise<string> {
  const headers = { origin: station.url };
  const { guides } = (await (await page.request.get(`${station.url}/api/guides`)).json()) as {
    guides: { id: string; slug: string }[];
  };
  const guideId = guides.find(({ slug }) => slug.endsWith('terns'))!.id;
  const id = crypto.randomUUID();
  const data = { version: 0, guideId, label: 'Beat', situation: {}, readings: [], determinations: [], hidden: false };
  expect((await page.request.put(`${station.url}/api/specimens/${id}`, { headers, data })).status()).toBe(200);
  return id;
}

it('a beat is tapped with Space, kept over a reload, and used on the Bench; and marked on a clip', async () => {
  const page = await station.page(SIZES[0]);
  await signIn(page, station.url);
  const id = await flyingTern(page);
  await page.goto(`${station.url}/specimens/${id}/bench?character=wing-beat`);
  await page.getByRole('link', { name: 'Count the beat' }).click();
  const pad = page.getByRole('button', { name: /^Tap at each beat/ });
  await pad.focus();
  for (let beat = 0; beat < 6; beat++) await page.keyboard.press('Space', { delay: 30 });
  await page.getByText('6 beats', { exact: true }).waitFor();
  await page.reload();
  await page.getByText('6 beats', { exact: true }).waitFor();
  expect(await faultsOf(page)).toEqual([]);
  await page.getByRole('radio', { name: 'practice clip' }).click();
  const slider = page.getByRole('slider', { name: 'Moment' });
  for (const second of ['1', '1.5', '2', '2.5', '3']) {
    await slider.fill(second);
    await page.getByRole('button', { name: 'Beat here' }).click();
  }
  // Even as they are, they are known to a picture of the clip: 4 × (1/25 ÷ √6) ÷ 4 gaps.
  expect(await textOf(page.getByTestId('tempo'))).toBe('2 ± 0.016 beats/s');
  expect(await faultsOf(page)).toEqual([]);
  const kept = page.waitForResponse((answer) => answer.request().method() === 'PUT' && answer.ok());
  await page.getByRole('button', { name: 'Use it' }).click();
  await page.waitForURL(/bench/);
  expect(((await (await kept).json()) as { readings: object[] }).readings).toMatchObject([
    { character: 'wing-beat', value: 2, error: 0.016 },
  ]);
});

it('a beat is marked on a film from a file, moment by moment', async () => {
  const page = await station.page(SIZES[0]);
  await signIn(page, station.url);
  // A second and a half of wings, filmed as a browser films.
  const film = await page.evaluate(async () => {
    const canvas = document.createElement('canvas');
    const pen = canvas.getContext('2d')!;
    const recorder = new MediaRecorder(canvas.captureStream(30), { mimeType: 'video/webm' });
    const parts: Blob[] = [];
    recorder.ondataavailable = ({ data }) => parts.push(data);
    recorder.start();
    const begun = performance.now();
    await new Promise<void>((done) => {
      const draw = () => {
        const second = (performance.now() - begun) / 1000;
        pen.fillStyle = '#9cc';
        pen.fillRect(0, 0, canvas.width, canvas.height);
        pen.fillStyle = '#333';
        pen.fillRect(80, 75 - 60 * Math.sin(4 * Math.PI * second), 140, 8);
        if (second < 1.5) requestAnimationFrame(draw);
        else done();
      };
      draw();
    });
    await new Promise((done) => {
      recorder.onstop = done;
      recorder.stop();
    });
    return [...new Uint8Array(await new Blob(parts).arrayBuffer())];
  });
  await page.goto(`${station.url}/specimens/${await flyingTern(page)}/tempo?source=film`);
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Choose a clip' }).click();
  await (await chooser).setFiles({ name: 'wings.webm', mimeType: 'video/webm', buffer: Buffer.from(film) });
  const slider = page.getByRole('slider', { name: 'Moment' });
  for (const second of ['0.25', '0.5', '0.75', '1']) {
    await slider.fill(second);
    await page.waitForFunction((at) => Math.abs(document.querySelector('video')!.currentTime - Number(at)) < 0.01, second);
    await page.getByRole('button', { name: 'Beat here' }).click();
  }
  expect(await textOf(page.getByTestId('tempo'))).toMatch(/^4 ± 0\.\d+ beats\/s$/);
  expect(await faultsOf(page)).toEqual([]);
  // What is no film is said to be none, and what was marked stays.
  const other = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Another clip' }).click();
  await (await other).setFiles({ name: 'wings.mp4', mimeType: 'video/mp4', buffer: Buffer.from('no film') });
  await page.getByText('The clip cannot be shown').waitFor();
  expect(await textOf(page.getByTestId('tempo'))).toMatch(/^4 ± /);
});
