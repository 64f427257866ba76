import { inDemo, openStation, SIZES, type Station } from './station';
import { until } from './until';

let station: Station;
beforeAll(async () => {
  station = await openStation();
});
afterAll(() => station.close());

interface Standing {
  guides: { answers: number; marks: object[] }[];
  memories: object[];
}

it('is done by keys alone: a name, how sure, the truth, the next; and kept', async () => {
  const page = await station.page(SIZES[1]);
  await inDemo(page, station.url);
  const standing = async () => (await (await page.request.get(`${station.url}/api/practice/standing`)).json()) as Standing;
  await page.getByRole('link', { name: 'Practice', exact: true }).press('Enter');
  await page.getByRole('heading', { name: 'Practice', level: 1 }).waitFor();
  await page.getByRole('link', { name: /^Ledge crabs/ }).press('Enter');
  for (let i = 1; i <= 3; i++) {
    await page.getByRole('checkbox', { name: 'cannot be told' }).waitFor();
    await page.keyboard.press(String(1 + (i % 2)));
    await page.keyboard.press('f');
    await page.getByText('fairly sure: right 80 times in a hundred.').waitFor();
    await page.keyboard.press('Space');
    await page.getByText(/^It is the /).waitFor();
    await page.getByText(new RegExp(`of ${i} right$`)).waitFor();
    await page.keyboard.press('Space');
  }
  await expect(until(async () => (await standing()).guides[0]?.answers === 3)).resolves.toBe(true);
  expect((await standing()).memories.length).toBeGreaterThan(0);
});

it('goes on without a connection, by touch and mark first; what was answered is sent when it is back', async () => {
  const page = await station.page(SIZES[0], { keeps: true });
  await inDemo(page, station.url);
  const standing = async () => (await (await page.request.get(`${station.url}/api/practice/standing`)).json()) as Standing;
  const answers = async () => (await standing()).guides.reduce((sum, one) => sum + one.answers, 0);
  const before = await answers();
  await page.goto(`${station.url}/practice`);
  await page
    .getByRole('link', { name: /^Terns/ })
    .first()
    .click();
  const picture = page.getByRole('img', { name: /^An individual/ });
  await picture.waitFor();
  await page.context().setOffline(true);
  for (let i = 0; i < 2; i++) {
    const { x, y, width, height } = (await picture.boundingBox())!;
    // Across the bird, until a part is met that something is read on.
    const mark = page.getByRole('radiogroup', { name: 'The mark' }).getByRole('radio');
    for (let k = 1; k < 10 && (await mark.count()) === 0; k++) await page.mouse.click(x + (width * k) / 10, y + height * 0.45);
    expect(await mark.count()).toBeGreaterThan(0);
    await page.getByRole('checkbox').first().click();
    await page.getByRole('radio', { name: 'leaning' }).click();
    await page.getByRole('button', { name: 'Answer' }).click();
    await page.getByText(/^It is the /).waitFor();
    await page.getByRole('button', { name: 'Next' }).click();
    await picture.waitFor();
  }
  await page.context().setOffline(false);
  await expect(until(async () => (await answers()) === before + 2)).resolves.toBe(true);
});
