import { faultsOf } from './axe';
import { inDemo, openStation, signIn, SIZES, type Station } from './station';
import { textOf } from './textOf';
import { until } from './until';

let station: Station;
beforeAll(async () => {
  station = await openStation();
});
afterAll(() => station.close());

interface Standing {
  guides: { guideId: string; answers: number; marks: object[]; flocks: { task: string }[] }[];
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
    if (i === 2) {
      // What was begun is there again.
      const chosen = page.getByRole('checkbox', { checked: true });
      const said = await textOf(chosen);
      await page.reload();
      await page.getByText('fairly sure: right 80 times in a hundred.').waitFor();
      expect(await textOf(chosen)).toBe(said);
    }
    await page.keyboard.press('Space');
    await page.getByText(/^It is the /).waitFor();
    // The count is of a visit.
    await page.getByText(new RegExp(`of ${i < 2 ? i : i - 1} right$`)).waitFor();
    await page.keyboard.press('Space');
  }
  await expect(until(async () => (await standing()).guides[0]?.answers === 3)).resolves.toBe(true);
  expect((await standing()).memories.length).toBeGreaterThan(0);
});

it('shows many at once: the odd one is found by thumb, a colony is counted by keys, a flock is guessed when it is gone', async () => {
  const page = await station.page(SIZES[0]);
  await signIn(page, station.url);
  const { guides } = (await (await page.request.get(`${station.url}/api/guides`)).json()) as {
    guides: { id: string; slug: string }[];
  };
  const crabs = guides.find(({ slug }) => slug === 'ledge-crabs')!.id;
  const to = (way: string) => page.goto(`${station.url}/guides/${crabs}/practice?way=${way}`);
  await to('flock');
  const twenty = page.getByRole('radiogroup', { name: 'Which is the odd one' }).getByRole('radio');
  await twenty.last().click();
  expect(await twenty.count()).toBe(20);
  await page.getByRole('button', { name: 'Answer' }).click();
  await page.getByText(/^Number \d+ is the odd one/).waitFor();
  expect(await faultsOf(page)).toEqual([]);
  await to('tally');
  await page.getByRole('img', { name: /^A colony of \d+/ }).waitFor();
  for (const key of ['1', '1', '2']) await page.keyboard.press(key);
  expect(await faultsOf(page)).toEqual([]);
  await page.keyboard.press('Space');
  await page.getByRole('table', { name: 'What was counted' }).waitFor();
  await to('many&glimpse=1');
  await page.getByText('They are gone.').waitFor();
  await page.getByLabel('How many, about').fill('40');
  await page.keyboard.press('Enter');
  await page.getByText(/^There were \d+\.$/).waitFor();
  await page.getByRole('img', { name: 'A flock' }).waitFor();
  const flocks = async () =>
    ((await (await page.request.get(`${station.url}/api/practice/standing`)).json()) as Standing).guides.find(
      ({ guideId }) => guideId === crabs,
    )?.flocks;
  await expect(until(async () => (await flocks())?.length === 3)).resolves.toBe(true);
  expect((await flocks())!.map(({ task }) => task)).toEqual(['many', 'odd', 'tally']);
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

it('walks a key by keys alone: each couplet is judged at once, and the walk is kept', async () => {
  const page = await station.page(SIZES[1]);
  await signIn(page, station.url);
  const { guides } = (await (await page.request.get(`${station.url}/api/guides`)).json()) as {
    guides: { id: string; slug: string }[];
  };
  const terns = guides.find(({ slug }) => slug === 'tessary-terns')!.id;
  await page.goto(`${station.url}/guides/${terns}/practice?way=walk`);
  await page.getByText('Couplet 1', { exact: true }).waitFor();
  expect(await faultsOf(page)).toEqual([]);
  for (;;) {
    await page.keyboard.press('1');
    await page.getByText(/^(Right: \d|Not \d)/).waitFor();
    const last = await page.getByRole('button', { name: 'What it is' }).count();
    await page.keyboard.press('Space');
    if (last) break;
    await page
      .getByRole('button', { name: /^Take \d/ })
      .first()
      .waitFor();
  }
  await page.getByText(/^It is the /).waitFor();
  await page.getByText(/couplets right, in/).waitFor();
  const kept = async () => {
    const all = (await (await page.request.get(`${station.url}/api/practice/standing`)).json()) as {
      guides: { guideId: string; walks: object[] }[];
    };
    return all.guides.find(({ guideId }) => guideId === terns)?.walks.length === 1;
  };
  await expect(until(kept)).resolves.toBe(true);
  await page.goto(`${station.url}/practice/${terns}`);
  await page.getByText(/of 1 walked without a miss/).waitFor();
});
