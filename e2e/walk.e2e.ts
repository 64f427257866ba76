import { readFile } from 'node:fs/promises';
import Papa from 'papaparse';
import type { Page } from 'playwright-core';
import { inDemo, openStation, SIZES, type Station } from './station';

let station: Station;
beforeAll(async () => {
  station = await openStation();
});
afterAll(() => station.close());

const call = (page: Page) => page.getByTestId('call');
const saved = (page: Page) =>
  page
    .getByTestId('saving')
    .filter({ hasText: /^Saved$/ })
    .waitFor();

/** Open a character from the list, answer it, and put it away again where it lies over the bench. */
async function character(page: Page, name: string, answer: (scope: Page) => Promise<void>): Promise<void> {
  await page
    .getByRole('group', { name: /age, sex|Shape|Pattern|Colour|What it does/ })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .first()
    .click();
  await answer(page);
  const done = page.getByRole('button', { name: 'Done' });
  if (await done.count()) await done.click();
}

/** The part where the character at hand is answered. */
async function choose(page: Page, label: string, state: string): Promise<void> {
  await page.getByRole('radiogroup', { name: label }).getByRole('radio', { name: state, exact: true }).last().click();
}

describe.each(SIZES)('from a crab on the shore to a name in the daybook, $kind', ({ kind, width, height }) => {
  let page: Page;
  const place = `Walker’s Ledge ${kind}`;
  const problems: string[] = [];

  beforeAll(async () => {
    page = await station.page({ width, height }, { keeps: true });
    page.on('pageerror', (error) => problems.push(error.message));
    await inDemo(page, station.url);
  });

  it('shows the demo daybook, finds in it, and says when nothing fits', async () => {
    await page.getByText('Petralda velloma ostrena').first().waitFor();
    await page.getByLabel('Find', { exact: true }).fill('ostren, north');
    await page.getByText('1 specimen found').waitFor();
    await page.getByLabel('Find', { exact: true }).fill('nothing like it');
    await page.getByText('None like that').waitFor();
    await page.getByRole('button', { name: 'Show all' }).click();
    await page.getByText('Petralda murica').first().waitFor();
  });

  it('meets a new specimen, names the field that is wrong, and goes to the Bench', async () => {
    await page.getByRole('button', { name: 'New specimen' }).click();
    await page.getByRole('radio', { name: 'Ledge crabs of the Tessary Isles' }).click();
    await page.getByText('Take care').waitFor();
    await page.getByLabel('Place', { exact: true }).fill(place);
    await page.getByLabel('Latitude', { exact: true }).fill('123');
    await page.getByRole('button', { name: 'To the Bench' }).click();
    await page.getByText('Latitude is a number from −90 to 90.').waitFor();
    await page.getByLabel('Latitude', { exact: true }).fill('-41.2');
    await page.getByLabel('Longitude', { exact: true }).fill('-28,1');
    await page.getByRole('radio', { name: 'South Tessary' }).click();
    await page.getByRole('radio', { name: 'hold and measure' }).click();
    await page.getByLabel('Label or number').fill('W-1');
    await page.getByRole('button', { name: 'To the Bench' }).click();
    await page.getByText('Nothing read yet', { exact: true }).first().waitFor();
    await saved(page);
  });

  it('reads characters by tile, count, value and two lengths, and the standing moves at once', async () => {
    await call(page).filter({ hasText: 'Not yet a name' }).waitFor();
    await character(page, 'Abdomen under the body', () => choose(page, 'Abdomen under the body', 'broad and rounded'));
    await character(page, 'Front edge between the eyes', () => choose(page, 'Front edge between the eyes', 'three teeth'));
    await character(page, 'Side teeth, one side', () => choose(page, 'Side teeth, one side', '4'));
    await character(page, 'Carapace width', async () => {
      await page.getByLabel('value', { exact: true }).fill('32,6');
      await page.getByLabel('±', { exact: true }).fill('0.3');
    });
    await character(page, 'Carapace width ÷ length', async () => {
      await page.getByLabel('carapace width', { exact: true }).fill('32.6');
      await page.getByLabel('carapace length', { exact: true }).fill('28.3');
      await page.getByText('= 1.15 ± 0.02').waitFor();
    });
    await page
      .getByRole('button', { name: /^Side teeth, one side: 4, [\d.]+ bits for Petralda murica/ })
      .first()
      .waitFor();
    await page.getByText('32.6 ± 0.3 mm').first().waitFor();
  });

  it('takes "not visible" with a reason as no evidence', async () => {
    await character(page, 'Grains on the back', async () => {
      await choose(page, 'Grains on the back', 'not visible');
      await page.getByRole('radio', { name: 'covered' }).click();
    });
    await page.getByText('not visible: covered').first().waitFor();
    await page.getByText('no evidence').first().waitFor();
  });

  it('undoes, and loses nothing on reload', async () => {
    await character(page, 'Closed fingers of the claw', () => choose(page, 'Closed fingers of the claw', 'leave a gap'));
    await page.getByText('leave a gap').first().waitFor();
    await call(page).filter({ hasText: 'Species yes: Petralda murica' }).waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page
      .getByRole('button', { name: /^Closed fingers of the claw: leave a gap/ })
      .first()
      .waitFor({ state: 'detached' });
    await page.reload();
    await page.getByText('32.6 ± 0.3 mm').first().waitFor();
    await page.getByText('not visible: covered').first().waitFor();
    // What stands above the list has come too: nothing moves under the hand any more.
    await call(page)
      .filter({ hasText: /Species/ })
      .waitFor();
    await character(page, 'Closed fingers of the claw', () => choose(page, 'Closed fingers of the claw', 'leave a gap'));
    await call(page).filter({ hasText: 'Species yes: Petralda murica' }).waitFor();
    await saved(page);
  });

  it('keeps changes on the device without a connection and sends them afterwards', async () => {
    await page.context().setOffline(true);
    await character(page, 'Hair on the legs', () => choose(page, 'Hair on the legs', 'a dense fringe'));
    await page.getByText('No connection').waitFor();
    // The root sends what waits as soon as the connection is back: nobody has to press anything.
    await page.context().setOffline(false);
    await saved(page);
  });

  it('answers the level asked', async () => {
    await page.getByRole('radiogroup', { name: 'Level' }).getByRole('radio', { name: 'sex' }).click();
    await page
      .getByLabel(/^Beam between female, .* and male/)
      .first()
      .waitFor();
    await page.getByRole('radiogroup', { name: 'Level' }).getByRole('radio', { name: 'sex' }).click();
    await page
      .getByLabel(/^Beam between Petralda murica, .* and/)
      .first()
      .waitFor();
  });

  it('writes the recommended name into the daybook, with its reasons', async () => {
    await page.getByRole('button', { name: 'Write down' }).click();
    await page
      .getByText(/Species yes: Petralda murica, .* on \d independent characters/)
      .first()
      .waitFor();
    await page.getByText('A name is not a promise').waitFor();
    await page.getByRole('button', { name: 'Into the daybook' }).click();
    await page.getByText('Names given').waitFor();
    await page.getByText('adult female', { exact: false }).first().waitFor();
  });

  it('names it otherwise only with a reason, and keeps both names', async () => {
    await page.getByRole('button', { name: 'Name it again' }).click();
    await page.getByRole('button', { name: 'Name it otherwise' }).click();
    await page.getByRole('radio', { name: 'cf. (compare)' }).click();
    await page.getByRole('button', { name: 'Into the daybook' }).click();
    await page.getByText('Say why you name it otherwise than recommended.').first().waitFor();
    await page.getByLabel('Why otherwise than recommended').fill('one claw was lost');
    await page.getByRole('button', { name: 'Into the daybook' }).click();
    await page.getByText('Otherwise than recommended: one claw was lost').waitFor();
    expect(await page.getByText(/guide version 1/).count()).toBe(2);
  });

  it('shows a photo of it, and takes nothing that is none', async () => {
    const choose = async (file: { name: string; mimeType: string; buffer: Buffer }, name: string) => {
      const [chooser] = await Promise.all([page.waitForEvent('filechooser'), page.getByRole('button', { name }).click()]);
      await chooser.setFiles(file);
    };
    await choose({ name: 'crab.png', mimeType: 'image/png', buffer: Buffer.from('not a picture') }, 'Add a photo');
    await page.getByText(/This file is not a photo that can be read/).waitFor();
    const buffer = await page.screenshot({ clip: { x: 0, y: 0, width: 200, height: 120 } });
    await choose({ name: 'crab.png', mimeType: 'image/png', buffer }, 'Add a photo');
    await page.getByLabel('Photo of the specimen').waitFor();
    await page.getByRole('button', { name: 'Another photo' }).waitFor();
  });

  it('is removed without being lost', async () => {
    await page.getByRole('button', { name: 'Remove from the daybook' }).click();
    await page.getByRole('button', { name: 'Restore' }).click();
    await page.getByRole('button', { name: 'Remove from the daybook' }).waitFor();
  });

  it('exports it as Darwin Core', async () => {
    await page.getByRole('link', { name: 'Daybook', exact: true }).click();
    await page.getByLabel('Find', { exact: true }).fill(place.toLowerCase());
    await page.getByText('1 specimen found').waitFor();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Download these as Darwin Core CSV' }).click(),
    ]);
    const { data } = Papa.parse<Record<string, string>>(await readFile(await download.path(), 'utf8'), { header: true });
    expect(data).toMatchObject([
      {
        scientificName: 'Petralda murica',
        identificationQualifier: 'cf. murica',
        identifiedBy: 'demo',
        sex: 'female',
        lifeStage: 'adult',
        locality: place,
        decimalLatitude: '-41.2',
        decimalLongitude: '-28.1',
        catalogNumber: 'W-1',
        basisOfRecord: 'HumanObservation',
      },
    ]);
    expect(data[0].previousIdentifications).toContain('Petralda murica (demo');
  });

  // The same at every size: done once.
  if (kind === 'wide')
    it('leafs through the guide, takes it out and in again without loss', async () => {
      await page.getByRole('link', { name: 'Guides', exact: true }).click();
      await page.getByRole('link', { name: 'Ledge crabs of the Tessary Isles' }).click();
      await page.getByText('Vask’s handbook').waitFor();
      const [download] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name: 'Download this guide as Plesion JSON' }).click(),
      ]);
      const file = await download.path();
      const before = JSON.parse(await readFile(file, 'utf8')) as { characters: unknown[] };
      expect(before.characters.length).toBeGreaterThanOrEqual(24);
      await page.getByRole('link', { name: /^Taxa/ }).click();
      await page.getByRole('link', { name: 'Petralda murica adult female, pale' }).click();
      await page.getByRole('img', { name: 'Plate, from above' }).waitFor();
      await page.getByRole('img', { name: 'Plate, from below' }).waitFor();
      await page.getByRole('link', { name: 'Guides', exact: true }).click();
      const [chooser] = await Promise.all([
        page.waitForEvent('filechooser'),
        page.getByRole('button', { name: /^Import a guide/ }).click(),
      ]);
      await chooser.setFiles(file);
      await page.getByText('version 1, is in the station').waitFor();
      const [second] = await Promise.all([
        page.waitForEvent('filechooser'),
        page.getByRole('button', { name: /^Import a guide/ }).click(),
      ]);
      await second.setFiles({
        name: 'broken.json',
        mimeType: 'application/json',
        buffer: Buffer.from(JSON.stringify({ ...before, taxa: [] })),
      });
      await page.getByText('The guide was not imported').waitFor();
      await page.getByText(/^taxa: /).waitFor();
    });

  it('never failed in the page', () => {
    expect(problems).toEqual([]);
  });
});

describe('the bench by keyboard', () => {
  it('reads, doubts, clears and undoes without a mouse', async () => {
    const page = await station.page({ width: 1280, height: 800 });
    await inDemo(page, station.url);
    await page.getByRole('button', { name: 'New specimen' }).click();
    await page.getByRole('radio', { name: 'Ledge crabs of the Tessary Isles' }).click();
    await page.getByRole('button', { name: 'To the Bench' }).click();
    await page.getByText('offered next').waitFor();
    await page.locator('body').press('?');
    await page.getByText('next and previous character').waitFor();
    await page.locator('body').press('?');
    await page.locator('body').press('j');
    await page.locator('body').press('2');
    await page.getByText('broad and rounded', { exact: true }).nth(1).waitFor();
    await page.locator('body').press('c');
    await page.getByText('broad and rounded (likely)').first().waitFor();
    await page.locator('body').press('n');
    await page.getByRole('button', { name: 'Abdomen under the body: not visible' }).first().waitFor();
    await page.locator('body').press('u');
    await page.getByText('broad and rounded (likely)').first().waitFor();
    await page.locator('body').press('Delete');
    await page.getByText('Nothing read yet. Begin with').waitFor();
    await page.locator('body').press('w');
    await page.getByRole('heading', { name: 'How far may it be named?' }).waitFor();
  });
});

describe('without a connection', () => {
  it('the application opens, shows what was seen last, and keeps what is read', async () => {
    const page = await station.page({ width: 390, height: 844 }, { keeps: true });
    await inDemo(page, station.url);
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined));
    // The first visit is not yet under the service worker; the second fills what it keeps.
    await page.reload();
    await page.getByText('Low-water pale one').click();
    await page.getByTestId('call').filter({ hasText: 'Not yet a name' }).waitFor();
    const bench = page.url();
    await page.goto(station.url);
    await page.getByText('Low-water pale one').waitFor();
    await page.context().setOffline(true);
    await page.reload();
    await page.getByText('Low-water pale one').waitFor();
    await page.goto(bench);
    await page.getByTestId('call').filter({ hasText: 'Not yet a name' }).waitFor();
    await character(page, 'Hair on the legs', () => choose(page, 'Hair on the legs', 'a few hairs'));
    await page.getByText('Kept on this device; will be sent').waitFor();
    await page.reload();
    await page.getByText('a few hairs').first().waitFor();
    await page.context().setOffline(false);
    await page.goto(station.url);
    await page.getByText('not sent yet').waitFor({ state: 'detached' });
    await page.goto(bench);
    await saved(page);
    await page.getByText('a few hairs').first().waitFor();
  });
});

describe('a station of one’s own', () => {
  it('begins with a guide and an empty daybook that says what to do', async () => {
    const page = await station.page({ width: 390, height: 844 });
    await page.goto(station.url);
    await page.getByRole('button', { name: 'Make a station of your own' }).click();
    await page.getByLabel('Name of the station').fill('Far Skerry');
    await page.getByLabel('Your account').fill('demo');
    await page.getByLabel('Password').fill('short');
    await page.getByRole('button', { name: 'Make the station' }).click();
    await page.getByText('use at least 8 characters').waitFor();
    await page.getByLabel('Password').fill('long enough');
    await page.getByRole('button', { name: 'Make the station' }).click();
    await page.getByText(/^These names cannot be used here\./).waitFor();
    await page.getByLabel('Your account').fill('skerry');
    await page.getByRole('button', { name: 'Make the station' }).click();
    await page.getByText('An empty daybook').waitFor();
    await page.getByRole('button', { name: 'Add the first specimen' }).click();
    await page.getByRole('button', { name: 'To the Bench' }).waitFor();
    await page.goto(`${station.url}/specimens/0192f3a0-0000-7001-8000-000000000001`);
    await page.getByText('There is no such specimen in this station.').waitFor();
    await page.goto(station.url);
    await page.getByRole('link', { name: 'Appearance' }).click();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await page.getByRole('button', { name: 'Open the demo' }).waitFor();
  });
});
