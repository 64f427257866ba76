import type { Page } from 'playwright-core';
import { faultsOf } from './axe';
import { inDemo, openStation, SIZES, type Station } from './station';
import { textOf } from './textOf';

let station: Station;
beforeAll(async () => {
  station = await openStation();
});
afterAll(() => station.close());

const NAME = 'Wenna Skaith';
const PASSWORD = 'long enough';

/** A station of one's own, and its keeper in it. */
async function keeps(page: Page): Promise<void> {
  await page.goto(station.url);
  await page.getByRole('button', { name: 'Make a station of your own' }).click();
  await page.getByLabel('Name of the station').fill('Skerry hut');
  await page.getByLabel('Your account').fill('Isolde Varn');
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Make the station' }).click();
  await page.getByRole('heading', { level: 1, name: 'Daybook' }).waitFor();
}

it('a keeper makes a set and invites; who comes by the link takes it by keys alone; and it is seen how it went', async () => {
  const keeper = await station.page(SIZES[1]);
  await keeps(keeper);
  await keeper.goto(`${station.url}/practice/sets/new`);
  await keeper.getByRole('radio', { name: /^Ledge crabs/ }).click();
  await keeper.getByLabel('Title').fill('Two crabs');
  await keeper.getByLabel('How many').fill('2');
  await keeper.getByRole('button', { name: 'Add them' }).click();
  await keeper.getByText(/^2: /).waitFor();
  expect(await faultsOf(keeper)).toEqual([]);
  await keeper.getByRole('button', { name: 'Hand it out' }).click();
  await keeper.getByText('Nobody has begun it yet.').waitFor();
  await keeper.goto(`${station.url}/people`);
  await keeper.getByRole('radiogroup', { name: 'They come as' }).getByRole('radio', { name: 'learner' }).click();
  await keeper.getByRole('button', { name: 'Make a link' }).click();
  const link = await textOf(keeper.getByTestId('link'));
  expect(await faultsOf(keeper)).toEqual([]);

  const learner = await station.page(SIZES[0]);
  await learner.goto(link);
  await learner.getByRole('heading', { level: 1, name: 'Join Skerry hut' }).waitFor();
  expect(await faultsOf(learner)).toEqual([]);
  await learner.getByLabel('Your name').press('Tab');
  await learner.getByLabel('Your name').fill(NAME);
  await learner.getByLabel('A password').fill(PASSWORD);
  await learner.keyboard.press('Enter');
  await learner.getByRole('heading', { level: 1, name: 'Daybook' }).waitFor();
  await learner.getByRole('link', { name: 'Practice', exact: true }).press('Enter');
  await learner.getByRole('link', { name: /^Sets/ }).press('Enter');
  await learner.getByRole('link', { name: /^Two crabs/ }).press('Enter');
  await learner.getByRole('button', { name: 'Begin' }).press('Enter');
  for (let i = 1; i <= 2; i++) {
    await learner.getByText(`Item ${i} of 2`).waitFor();
    if (i === 2) {
      // What was answered is kept; one goes on where one was.
      await learner.reload();
      await learner.getByText('Item 2 of 2').waitFor();
    }
    await learner.keyboard.press('1');
    await learner.keyboard.press('s');
    await learner.keyboard.press('Space');
    await learner.getByText(/^It is the /).waitFor();
    await learner.keyboard.press('Space');
  }
  await learner.getByText(/^\d of 2 right\.$/).waitFor();
  expect(await faultsOf(learner)).toEqual([]);
  // A learner is told before they write, and refused if they do.
  await learner.goto(`${station.url}/specimens/new`);
  await learner.getByText(/^You are a learner here/).waitFor();

  await keeper.goto(`${station.url}/practice/sets`);
  await keeper.getByRole('link', { name: /^Results of one: Two crabs/ }).click();
  await keeper.getByText(NAME).waitFor();
  await keeper.getByText('2 of 2', { exact: true }).waitFor();
  // Sent away, they are out at once, and what they did stays.
  await keeper.goto(`${station.url}/people`);
  await keeper.getByRole('button', { name: `Remove ${NAME} …` }).click();
  await keeper.getByRole('button', { name: `Remove ${NAME} from the station` }).click();
  await keeper.getByText('one person').waitFor();
  await learner.reload();
  await learner.getByRole('button', { name: 'Open the demo' }).waitFor();
});

it('somebody outside is asked by a link, sees neither name nor place, and says by keys what they make of it', async () => {
  const asker = await station.page(SIZES[1]);
  await inDemo(asker, station.url, '/specimens/0192f3a0-0000-7001-8000-000000000021');
  await asker.getByRole('button', { name: 'Ask somebody' }).click();
  await asker.getByLabel('What you want to know').fill('Which of them?');
  await asker.getByRole('button', { name: 'Ask what they make of it' }).click();
  await asker.getByText(/nobody has answered yet/).waitFor();
  await asker.getByRole('button', { name: 'A link for somebody outside' }).click();
  const link = await textOf(asker.getByTestId('link'));

  const stranger = await station.page(SIZES[0]);
  await stranger.goto(link);
  await stranger.getByText('demo asks: Which of them?').waitFor();
  expect(await stranger.getByText('slab 3').count()).toBe(0);
  expect(await faultsOf(stranger)).toEqual([]);
  await stranger.getByRole('radio', { name: 'weaver cone' }).focus();
  await stranger.keyboard.press('Space');
  await stranger.getByRole('radio', { name: 'a guess' }).press('Space');
  await stranger.getByLabel('Your name').fill('Ada of Ostren');
  // What was filled in is there again.
  await stranger.reload();
  await stranger.getByLabel('Your name').waitFor();
  expect(await stranger.getByLabel('Your name').inputValue()).toBe('Ada of Ostren');
  await stranger.getByRole('button', { name: 'Say so: it is kept as it is' }).press('Enter');
  await stranger.getByText('It is kept, and demo sees it. This page may be closed.').waitFor();

  await asker.reload();
  await asker.getByText(/^Ada of Ostren \(by link\): .*, a guess$/).waitFor();
  await asker.getByRole('button', { name: 'Decide, and say why' }).click();
  await asker.getByLabel('How you decide, and why').fill('A guess is no name.');
  await asker.getByRole('button', { name: 'Decide so' }).click();
  await asker.getByText(/^Decided by demo, .*: A guess is no name\.$/).waitFor();
  await stranger.goto(link);
  await stranger.getByText(/^This link is good no more/).waitFor();
});

it('a reviewer goes through the desk by keys alone: agrees, names, takes back, asks for a view that its recorder finds', async () => {
  const page = await station.page(SIZES[1]);
  await inDemo(page, station.url);
  await page.goto(`${station.url}/review`);
  const waits = page.getByText(/^\d+ wait/);
  await waits.waitFor();
  const left = async () => Number.parseInt(await textOf(waits), 10);
  const label = () => textOf(page.getByRole('heading', { level: 2 }).first());
  /** Press a key; another record is at hand then. */
  const say = async (key: string): Promise<string> => {
    const before = await label();
    await page.keyboard.press(key);
    await page.waitForFunction(
      (was) => document.querySelector('h2, [role=heading][aria-level="2"]')?.textContent !== was,
      before,
    );
    return before;
  };
  await page.getByText('What is it?').waitFor();
  const all = await left();
  await say('1');
  const named = await say('2');
  expect(await left()).toBe(all - 2);
  // The focus begins where the next record does.
  expect(await page.evaluate(() => document.activeElement?.textContent)).toBe('Desk');
  await page.keyboard.press('z');
  await page.waitForFunction((was) => document.querySelector('h2, [role=heading][aria-level="2"]')?.textContent === was, named);
  expect(await left()).toBe(all - 1);
  await page.getByRole('button', { name: /^Needs another view/ }).waitFor();
  const asked = await say('v');
  await say('p');
  expect(await left()).toBe(all - 3);
  expect(await faultsOf(page)).toEqual([]);
  // What was said is kept, and stands on the specimen.
  await page.reload();
  await waits.waitFor();
  expect(await left()).toBe(all - 3);
  const { specimens } = (await (await page.request.get(`${station.url}/api/specimens?search=${asked}`)).json()) as {
    specimens: { id: string }[];
  };
  await page.goto(`${station.url}/specimens/${specimens[0].id}`);
  await page.getByText(/needs another view/).waitFor();
});

it('a place on a photo is spoken of by keys alone, and the thread is there for the other', async () => {
  const page = await station.page(SIZES[0]);
  await inDemo(page, station.url);
  const specimen = `${station.url}/specimens/0192f3a0-0000-7041-8000-000000000001`;
  await page.goto(specimen);
  await page.getByRole('button', { name: 'Say something' }).press('Enter');
  await page.getByRole('radio', { name: 'a place on the photo' }).press('Space');
  await page.getByRole('radio', { name: 'a ring' }).press('Space');
  await page.getByLabel('What you say').fill('This edge is worn.');
  await page.getByRole('button', { name: 'Draw on the photo' }).press('Enter');
  for (const key of ['Shift+ArrowUp', 'Enter', 'Shift+ArrowRight', 'Enter']) await page.keyboard.press(key);
  await page.getByText('It is drawn.').waitFor();
  // What is written and drawn is there again.
  await page.reload();
  await page.getByRole('button', { name: 'Say something' }).press('Enter');
  await page.getByText('It is drawn.').waitFor();
  await page.getByRole('button', { name: 'Say it' }).press('Enter');
  await page.getByRole('img', { name: '3: This edge is worn.' }).waitFor();
  expect(await faultsOf(page)).toEqual([]);
  await page.getByRole('button', { name: 'Resolved: 3 on the photo' }).press('Enter');
  await page.getByRole('button', { name: 'Resolved (2)' }).waitFor();
});

it('who belongs to two stations goes from one to the other, and comes in by a passkey of their device', async () => {
  const keeper = await station.page(SIZES[1]);
  const make = async (page: Page, name: string, account: string) => {
    await page.goto(station.url);
    const data = { station: name, name: account, password: PASSWORD };
    const made = await page.request.post(`${station.url}/api/stations`, { headers: { origin: station.url }, data });
    expect(made.status()).toBe(201);
  };
  await make(keeper, 'Holm observatory', 'Rika Thorn');
  await keeper.goto(`${station.url}/people`);
  await keeper.getByRole('button', { name: 'Make a link' }).click();
  const link = await textOf(keeper.getByTestId('link'));

  const page = await station.page(SIZES[0]);
  await make(page, 'Gannel hut', 'Osric Maune');
  await page.goto(link);
  await page.getByRole('heading', { level: 1, name: 'Join Holm observatory' }).waitFor();
  expect(await faultsOf(page)).toEqual([]);
  await page.getByRole('button', { name: 'Join as Osric Maune' }).press('Enter');
  await page.getByRole('heading', { level: 1, name: 'Daybook' }).waitFor();
  await page.goto(`${station.url}/account`);
  await page.getByText('Holm observatory, here').waitFor();
  expect(await faultsOf(page)).toEqual([]);
  await page.getByRole('button', { name: 'Switch to it: Gannel hut' }).press('Enter');
  await page.getByRole('heading', { level: 1, name: 'Daybook' }).waitFor();

  const device = await page.context().newCDPSession(page);
  await device.send('WebAuthn.enable');
  await device.send('WebAuthn.addVirtualAuthenticator', {
    options: { protocol: 'ctap2', transport: 'internal', hasResidentKey: true, hasUserVerification: true, isUserVerified: true },
  });
  await page.goto(`${station.url}/account`);
  await page.getByText('Gannel hut, here').waitFor();
  await page.getByLabel('This device').fill('the hut’s tablet');
  await page.getByRole('button', { name: 'Make a passkey here' }).press('Enter');
  await page.getByRole('button', { name: 'End it: the passkey “the hut’s tablet”' }).waitFor();
  await page.getByText(/^made .*, not used yet$/).waitFor();
  expect(await faultsOf(page)).toEqual([]);
  await page.getByRole('button', { name: 'Sign out', exact: true }).click();
  await page.getByRole('button', { name: 'Sign in with a passkey' }).press('Enter');
  await page.getByRole('heading', { level: 1, name: 'Daybook' }).waitFor();
  await page.goto(`${station.url}/account`);
  await page.getByText('Gannel hut, here').waitFor();
  await page.getByText(/^last used /).waitFor();
});
