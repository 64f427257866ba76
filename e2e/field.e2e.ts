import type { Page } from 'playwright-core';
import { inDemo, openStation, SIZES, type Station } from './station';
import { until } from './until';

let station: Station;
beforeAll(async () => {
  station = await openStation();
});
afterAll(() => station.close());

interface Capture {
  id: string;
  mark?: string;
  sex?: string;
  what: string;
  overrides: { what: string; reason: string; by: string }[];
}

const capturesWith = async (page: Page, ring: string) =>
  ((await (await page.request.get(`${station.url}/api/captures?ring=${ring}`)).json()) as { captures: Capture[] }).captures;

/** Touches, counted. */
function fingerOn(page: Page) {
  let touches = 0;
  return {
    touches: () => touches,
    async touch(role: 'button' | 'radio' | 'link', name: string | RegExp) {
      touches++;
      await page
        .getByRole(role, { name, exact: typeof name === 'string' })
        .first()
        .click();
    },
  };
}

/** From Field to the sheet of the visit under way at the spit. */
async function toSheet(page: Page): Promise<string> {
  await page.goto(`${station.url}/field`);
  await page.getByRole('button', { name: 'Catch at Long Spit' }).last().click();
  await page.getByRole('heading', { name: 'Catch, Long Spit' }).waitFor();
  return (await page.getByLabel(/^Ring offered: /).getAttribute('aria-label'))!.replace('Ring offered: ', '');
}
const plain = (read: string) => read.replace(/ · /g, '');

describe.each(SIZES)('the catch sheet, $kind', (size) => {
  let page: Page;
  beforeAll(async () => {
    page = await station.page(size);
    await inDemo(page, station.url);
  });

  it('keeps a bird in four touches, and offers the next ring', async () => {
    const offered = await toSheet(page);
    const finger = fingerOn(page);
    await finger.touch('radio', 'ring tern');
    await finger.touch('radio', 'AHY');
    await finger.touch('radio', 'male');
    await finger.touch('button', /^Save the catch/);
    expect(finger.touches()).toBe(4);
    await page.getByRole('status').getByText(`Saved: ${offered}, ring tern`).waitFor();
    const next = (await page.getByLabel(/^Ring offered: /).getAttribute('aria-label'))!;
    expect(next).not.toContain(offered);
    // An empty sheet, begun at its heading.
    await page.waitForFunction(() => document.activeElement?.textContent === 'Catch, Long Spit');
    expect(await page.getByRole('radio', { name: 'ring tern', checked: true }).count()).toBe(0);
    const [kept] = await until(async () => {
      const found = await capturesWith(page, plain(offered));
      return found.length ? found : undefined;
    });
    expect(kept).toMatchObject({ what: 'ringed', sex: 'male', overrides: [] });
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByLabel(`Ring offered: ${offered}`).waitFor();
    await until(async () => (await capturesWith(page, plain(offered))).length === 0);
  });

  it('stops where a rule of the guide is broken, and keeps why it stands all the same, over a reload', async () => {
    const offered = await toSheet(page);
    const finger = fingerOn(page);
    await finger.touch('radio', 'ring tern');
    await finger.touch('radio', 'HY');
    await finger.touch('radio', 'female');
    await finger.touch('button', /^Save the catch/);
    await page.getByRole('alert').getByText('Young of the year').first().waitFor();
    expect(await capturesWith(page, plain(offered))).toEqual([]);
    await page.reload();
    await page.getByRole('radio', { name: 'HY', exact: true, checked: true }).waitFor();
    await page.getByLabel('Why it stands all the same').fill('A feather was sent.');
    await page.getByText('Save all the same').click();
    await page.getByRole('status').getByText(`Saved: ${offered}`).waitFor();
    const [kept] = await until(async () => {
      const found = await capturesWith(page, plain(offered));
      return found.length ? found : undefined;
    });
    expect(kept.overrides).toMatchObject([{ what: 'young-unsexed', reason: 'A feather was sent.', by: 'demo' }]);
  });

  it('reads a ring twice, shows who bears it, and says what does not go together', async () => {
    await toSheet(page);
    const male = (await capturesWith(page, 'H')).find(({ sex, what }) => sex === 'male' && what === 'ringed')!;
    const finger = fingerOn(page);
    await finger.touch('radio', 'met again');
    await page.getByLabel('Ring on its leg').fill(male.mark!.toLowerCase().replace(' ', ''));
    await page.getByLabel('Read it a second time').fill(`${male.mark!.slice(0, -1)}x`);
    await page.getByText(/capture.*the last/).waitFor();
    await finger.touch('button', /^Save the catch/);
    await page
      .getByText(/^Read it again/)
      .first()
      .waitFor();
    await page.getByLabel('Read it a second time').fill(male.mark!);
    await finger.touch('radio', 'female');
    await page
      .getByRole('alert')
      .getByText(/^Male on .*, female on /)
      .waitFor();
  });
});

it('without a connection catches are kept, each with a ring of its own, and sent when it is back', async () => {
  const page = await station.page(SIZES[0], { keeps: true });
  await inDemo(page, station.url);
  const first = await toSheet(page);
  await page.context().setOffline(true);
  const rings: string[] = [first];
  for (let i = 0; i < 2; i++) {
    const finger = fingerOn(page);
    await finger.touch('radio', 'consort tern');
    await finger.touch('radio', 'AHY');
    await finger.touch('radio', 'unknown');
    await finger.touch('button', /^Save the catch/);
    await page.getByRole('status').getByText(`Saved: ${rings[i]}`).waitFor();
    rings.push((await page.getByLabel(/^Ring offered: /).getAttribute('aria-label'))!.replace('Ring offered: ', ''));
  }
  expect(new Set(rings).size).toBe(3);
  expect(await capturesWith(page, plain(first)).catch(() => [])).toEqual([]);
  await page.context().setOffline(false);
  for (const ring of rings.slice(0, 2)) await until(async () => (await capturesWith(page, plain(ring))).length === 1);
});

it('a visit without a licence on file stops, until it is said why; a contradiction is settled by a reason', async () => {
  const page = await station.page(SIZES[1]);
  await inDemo(page, station.url, '/field/visits/new');
  await page.getByRole('radio', { name: 'Long Spit' }).click();
  await page.getByText(/On file: Ringing permit 7.*for the authority to say/).waitFor();
  await page.getByRole('radio', { name: 'lamp', exact: true }).click();
  await page.getByText(/No licence for lamp is on file/).waitFor();
  await page.getByRole('button', { name: 'Begin the visit' }).click();
  await page.getByText('Say why it is begun all the same; it is recorded.').waitFor();
  await page.getByLabel('Why it is begun all the same').fill('Moths only.');
  await page.getByRole('button', { name: 'Begin the visit' }).click();
  await page.getByText('No licence was on file: “Moths only.” (demo)').waitFor();
  await page.goto(`${station.url}/field`);
  const wrong = page.getByRole('region', { name: 'Does not go together' });
  await wrong.getByRole('link').first().waitFor();
  const before = await wrong.getByRole('link').count();
  await wrong.getByRole('link').first().click();
  await page.getByLabel('Why both stand').first().fill('Laid an egg.');
  await page.getByRole('button', { name: 'Settle it' }).first().click();
  await page.getByText('Settled: Laid an egg.').waitFor();
  await page.goto(`${station.url}/field`);
  await page.waitForFunction(
    (many) => document.querySelectorAll('[aria-label="Does not go together"] a').length === many - 1,
    before,
  );
});

it('a cage is counted by large buttons, each press undone, and told in keepers’ notation', async () => {
  const page = await station.page(SIZES[0]);
  await inDemo(page, station.url, '/field/counts');
  await page.getByRole('button', { name: 'Count again: Cage 2, lantern moths' }).click();
  const grown = page.getByRole('region', { name: 'grown' });
  for (let i = 0; i < 4; i++) await grown.getByRole('button', { name: /^\d+ ?male$/ }).click();
  await grown.getByRole('button', { name: /^\d+ ?female$/ }).click();
  await page.getByRole('button', { name: 'Undo the last' }).click();
  await page.getByText('4 heads · 4.0.0').waitFor();
  await page.getByText('100 in 100 are males (51–100)').waitFor();
  const id = /counts\/(.+)$/.exec(page.url())![1];
  const tallies = await until(async () => {
    const answer = await page.request.get(`${station.url}/api/counts/${id}`);
    const body = (await answer.json()) as { tallies?: { males: number; females: number }[] };
    const [first] = body.tallies ?? [];
    return first?.males === 4 && first.females === 0 ? body.tallies : undefined;
  });
  expect(tallies).toMatchObject([{ label: 'grown', males: 4, females: 0, unsexed: 0 }, { label: 'pupae' }]);
});

it('the sheet is arranged with keys alone, and the catch asks in that order', async () => {
  const page = await station.page(SIZES[1]);
  await inDemo(page, station.url, '/field/sheet');
  await page.getByRole('button', { name: 'Sex further up' }).press('Enter');
  await page.getByRole('button', { name: 'Remove Note' }).press('Enter');
  // The page is left within the same moment.
  await toSheet(page);
  const order = await page.locator('[role=radiogroup]').evaluateAll((all) => all.map((one) => one.getAttribute('aria-label')));
  expect(order.indexOf('Sex')).toBeLessThan(order.indexOf('Age'));
  expect(await page.getByLabel('Note', { exact: true }).count()).toBe(0);
});

describe('the keeper’s book', () => {
  interface Member {
    label: string;
    kept: { pen?: string; sex?: { called: string }; weights?: { grams: number }[]; separations?: object[] };
  }
  const bookOf = async (page: Page): Promise<Member[]> => {
    const { guides } = (await (await page.request.get(`${station.url}/api/guides`)).json()) as {
      guides: { id: string; slug: string }[];
    };
    const { id } = guides.find(({ slug }) => slug === 'lantern-moths')!;
    return ((await (await page.request.get(`${station.url}/api/guides/${id}/colony`)).json()) as { members: Member[] }).members;
  };
  const ofBook = async (page: Page, label: string) => (await bookOf(page)).find((one) => one.label === label);

  it('goes on without a connection, and what was written is sent when it is back', async () => {
    const page = await station.page(SIZES[0], { keeps: true });
    await inDemo(page, station.url, '/field/colony');
    await page.getByRole('link', { name: /^Moth 84/ }).click();
    await page.getByRole('button', { name: 'Write the line' }).waitFor();
    await page.context().setOffline(true);
    await page.getByLabel('Moved to', { exact: true }).fill('cage 9');
    await page.getByRole('button', { name: 'Write the line' }).click();
    await page.getByText('No connection').waitFor();
    await page.getByText('Now in cage 9.').waitFor();
    await page.getByLabel('Weight, g').fill('1.4');
    await page.getByRole('button', { name: 'Write the line' }).click();
    await page.getByRole('button', { name: 'Lines so far (2)' }).waitFor();
    await page.context().setOffline(false);
    await until(async () => {
      const moth = await ofBook(page, 'Moth 84');
      return moth?.kept.pen === 'cage 9' && moth.kept.weights?.[0].grams === 1.4;
    });
    await page.getByText('No connection').waitFor({ state: 'detached' });
  });

  it('is there again on the same page, with what was written, for whom the session ended in the middle of it', async () => {
    const page = await station.page(SIZES[0]);
    await inDemo(page, station.url, '/field/colony');
    await page.getByRole('link', { name: /^Moth 83/ }).click();
    const at = page.url();
    await page.getByLabel('Moved to', { exact: true }).fill('cage 8');
    // It ends with the very write.
    await page.route(/api\/individuals\//, async (asked) => {
      await page.context().clearCookies();
      await asked.fulfill({ status: 401, json: { code: 'signed-out', message: 'Sign in first.' } });
      await page.unroute(/api\/individuals\//);
    });
    await page.getByRole('button', { name: 'Write the line' }).click();
    await page.getByRole('button', { name: 'Open the demo' }).click();
    await page.getByText('Now in cage 8.').waitFor();
    expect(page.url()).toBe(at);
    await until(async () => (await ofBook(page, 'Moth 83'))?.kept.pen === 'cage 8');
  });

  it('of which a part does not come works all the same; a page that does not come leaves the places, and opens later', async () => {
    const page = await station.page(SIZES[0]);
    await page.route(/SexCard/, (asked) => asked.abort());
    await inDemo(page, station.url, '/field/colony');
    await page.getByRole('link', { name: /^Moth 84/ }).click();
    const missing = page.getByText('A part of this page is not on this device yet');
    await missing.waitFor();
    await page.getByRole('button', { name: 'Write the line' }).waitFor();
    await page.unroute(/SexCard/);
    await page.getByRole('button', { name: 'Fetch it' }).click();
    await missing.waitFor({ state: 'detached' });
    await page.context().setOffline(true);
    await page.getByRole('link', { name: 'Guides' }).click();
    await page.getByRole('heading', { name: 'This page is not on this device yet' }).waitFor();
    expect(await page.getByRole('link', { name: 'Guides' }).getAttribute('aria-current')).toBe('page');
    await page.goBack();
    await page.getByRole('heading', { name: 'Moth 84', exact: true }).waitFor();
    await page.getByRole('link', { name: 'Guides' }).click();
    await page.getByRole('heading', { name: 'This page is not on this device yet' }).waitFor();
    await page.context().setOffline(false);
    await page.getByRole('heading', { name: 'Guides', exact: true }).waitFor();
  });

  it('has pens with who is in them; one that is called otherwise takes them with it', async () => {
    const page = await station.page(SIZES[0]);
    await inDemo(page, station.url, '/field/colony');
    await page.getByText('14 of 10 places', { exact: false }).waitFor();
    await page.getByText('4 more than it takes').waitFor();
    await page.getByRole('button', { name: 'More of cage 4' }).click();
    await page.getByText('14 of the book').waitFor();
    await page.getByRole('button', { name: 'Change it: cage 4' }).click();
    await page.getByLabel('What it is called').fill('Shed');
    await page.getByLabel('How many it takes').fill('20');
    await page.getByRole('button', { name: 'Write the pen down' }).click();
    await page.getByText('14 of 20 places', { exact: false }).waitFor();
    await page.getByRole('button', { name: 'More of Shed' }).waitFor();
    expect((await bookOf(page)).filter(({ kept }) => kept.pen === 'Shed')).toHaveLength(14);
  });

  it('has a pedigree that two fingers enlarge and one moves', async () => {
    const page = await station.page(SIZES[0]);
    await inDemo(page, station.url, '/field/colony');
    await page.getByRole('button', { name: 'Pedigree' }).click();
    const surface = page.getByLabel(/^The pedigree of/).first();
    await surface.waitFor();
    const label = page.getByText('Moth 48', { exact: true }).first();
    const { x, y, width, height } = (await surface.boundingBox())!;
    const [middle, half] = [x + width / 2, y + height / 2];
    const fingers = await page.context().newCDPSession(page);
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', ...places: [number, number][]) =>
      fingers.send('Input.dispatchTouchEvent', { type, touchPoints: places.map(([px, py], id) => ({ x: px, y: py, id })) });
    const apart = (d: number): [number, number][] => [
      [middle - d, half],
      [middle + d, half],
    ];
    const before = (await label.boundingBox())!;
    await touch('touchStart', ...apart(40));
    for (let d = 45; d <= 60; d += 5) await touch('touchMove', ...apart(d));
    await touch('touchEnd');
    await until(async () => (await label.boundingBox())!.height > before.height * 1.3);
    const enlarged = (await label.boundingBox())!;
    await touch('touchStart', [middle, half]);
    for (let d = 10; d <= 60; d += 10) await touch('touchMove', [middle, half - d]);
    await touch('touchEnd');
    await until(async () => (await label.boundingBox())!.y < enlarged.y - 30);
    expect((await label.boundingBox())!.height).toBeCloseTo(enlarged.height, 0);
  });

  it('finds who laid an egg by keeping one alone, and settles the sex that was written', async () => {
    const page = await station.page(SIZES[1]);
    await inDemo(page, station.url, '/field/colony');
    await page.getByText('These can be true, but all the others speak against them:').waitFor();
    await page.getByRole('link', { name: /^the sex of Moth 17 is wrong/ }).waitFor();
    await page.getByRole('button', { name: 'Whose egg is it?' }).click();
    await page.getByLabel('It lay in', { exact: true }).getByText('cage 2', { exact: true }).click();
    await page.getByRole('button', { name: 'Kept alone: Moth 17' }).click();
    await page.getByRole('radio', { name: 'laid an egg' }).click();
    await page.getByRole('button', { name: 'Write it down' }).click();
    await page.getByText('Moth 17 lays: it is a female.').waitFor();
    await page.getByRole('radio', { name: 'a female' }).click();
    await page.getByLabel('How it was found out').fill('Laid alone in the glass.');
    await page.getByRole('button', { name: 'Settle it', exact: true }).last().click();
    await page.getByText('Moth 17 lays: it is a female.').waitFor({ state: 'detached' });
    await page.getByText(/^1\. Moth 17: 9\d in 100/).waitFor();
    expect((await ofBook(page, 'Moth 17'))?.kept).toMatchObject({
      sex: { called: 'female' },
      separations: [{ from: 'cage 2', found: 'laid' }],
    });
  });
});
