import { randomUUID } from 'node:crypto';
import type { Page } from 'playwright-core';
import { openStation, signIn, SIZES, type Station } from './station';

let station: Station;
beforeAll(async () => {
  station = await openStation();
});
afterAll(() => station.close());

const FAULTY = [
  '1a Feet long ... 2',
  '1b Feet short ... Fucalis algarum',
  '2a Jaws: short',
  '2b Jaws: long, like sickles ... Vadomera cursora',
  '3a Eyes: flat ... Fucalis nudalis',
  '3b Eyes: bulging ... Vadomera litorea',
].join('\n');

describe.each(SIZES)('keys, $kind', ({ kind, width, height }) => {
  let page: Page;
  const problems: string[] = [];
  const specimen = randomUUID();
  const open = (path: string) => page.goto(`${station.url}${path}`);
  const button = (name: string | RegExp) => page.getByRole('button', { name });
  const lead = (name: string) => page.getByRole('region', { name: `Lead ${name}` });
  const take = async (name: string) => {
    await button(`Take lead ${name}`).click();
  };
  const keyId = async (title: string) => {
    const { keys } = (await (await page.request.get(`${station.url}/api/keys`)).json()) as {
      keys: { id: string; title: string }[];
    };
    return keys.find((key) => key.title.includes(title))!.id;
  };

  const beetles = async () => {
    const { guides } = (await (await page.request.get(`${station.url}/api/guides`)).json()) as {
      guides: { id: string; slug: string }[];
    };
    return guides.find(({ slug }) => slug === 'strand-beetles')!.id;
  };

  beforeAll(async () => {
    page = await station.page({ width, height });
    page.on('pageerror', (error) => problems.push(error.message));
    await signIn(page, station.url);
    // One of the two double stone-claws, its length on the line between them.
    const readings = [
      { id: 'r1', character: 'body-length', value: 6.3, error: 0.1 },
      { id: 'r2', character: 'claws', states: ['simple'] },
      { id: 'r3', character: 'hind-angle', states: ['drawn-out'] },
    ];
    const body = {
      version: 0,
      guideId: await beetles(),
      label: `S4 ${kind}`,
      situation: { subject: 'dead' },
      readings,
      determinations: [],
      hidden: false,
    };
    expect(
      (
        await page.request.put(`${station.url}/api/specimens/${specimen}`, { data: body, headers: { origin: station.url } })
      ).status(),
    ).toBe(200);
  });

  it('are found on their guide, each with its picture, what is to consider, and ways out of it', async () => {
    await open('/guides');
    await page.getByRole('link', { name: 'Strand beetles, after Selwith' }).click();
    await page.getByRole('heading', { name: 'Strand beetles, after Selwith' }).waitFor();
    await page.getByRole('img', { name: 'The key as a tree of 20 couplets' }).waitFor();
    await page.getByText('Couplet 11 rests on colour alone, which fades and shifts.').waitFor();
    const sheet = page.waitForEvent('popup');
    await button('Text, indented').click();
    await (await sheet).getByText(/1a\. Hind foot with four segments/).waitFor();
  });

  it('are walked from a specimen: terms open in place, ticks become readings, readings tick', async () => {
    await open(`/specimens/${specimen}`);
    await page.getByRole('link', { name: 'Strand beetles, after Selwith' }).click();
    await button('What is club?').first().click();
    await page
      .getByRole('note', { name: 'club' })
      .getByText(/suddenly wider/)
      .waitFor();
    await lead('1b')
      .getByRole('radiogroup', { name: /like a thread/ })
      .getByRole('radio', { name: 'fits' })
      .click();
    await lead('1a').getByText('like a thread or like a string of beads').waitFor();
    await lead('1b').getByText('+1.6 bits').waitFor();
    await take('1b');
    await page.getByRole('heading', { name: 'Couplet 3' }).waitFor();
    for (const step of ['3b', '9b', '12b', '16b', '17b', '18b', '19b']) {
      await button(`Take lead ${step}`).dispatchEvent('click');
    }
    await lead('20a').getByText('6.3 ± 0.1 mm: too near to 6.3 for its error: undecided').waitFor();
  });

  it('a better measurement decides, and the walk comes to a name that is held against its description', async () => {
    await button(/^Measure: Body 6\.3 mm long or longer/).click();
    await page.getByLabel('value').first().fill('5.9');
    await lead('20a').getByText('5.9 ± 0.1 mm: below 6.3, this statement fails').waitFor();
    await take('20b');
    await page.getByRole('region', { name: 'The key comes to' }).getByText('Lithonyx dubiosus').waitFor();
    await page
      .getByRole('region', { name: 'Held against the description' })
      .getByText(/agree with Lithonyx dubiosus/)
      .waitFor();
    await page.getByText(/^If couplet 20 was misread: Lithonyx duplex, fits the readings worse by/).waitFor();
  });

  // What goes on within a page is the same at every size: it is done once.
  if (kind === 'phone')
    it('any couplet is a way back, and what still holds is kept', async () => {
      await button(/^Couplet 12b:/).click();
      await button('Decide it anew').click();
      await take('12a');
      await page.getByRole('heading', { name: 'Couplet 13' }).waitFor();
      await button(/^Undo$/).click();
      await button(/^Undo$/).click();
      await page.getByRole('region', { name: 'The key comes to' }).getByText('Lithonyx dubiosus').waitFor();
      await open(`/specimens/${specimen}/bench`);
      await page.getByText('like a thread or like a string of beads').first().waitFor();
    });

  if (kind === 'phone')
    it('forks when one cannot decide, and tells what X must pass', async () => {
      await open(`/keys/${await keyId('Tolmar')}/walk`);
      await button(/^Can’t decide/).click();
      await button(/^Couplet 1 both/).waitFor();
      await page.getByLabel('A name the key ends at').fill('aridus');
      await button('Lithonyx aridus').click();
      await button(/20a/).waitFor();
      await button('Start there: the group is known already').click();
      await page.getByRole('heading', { name: 'Couplet 19' }).waitFor();
    });

  it('a lot is keyed by whichever specimen shows the part, and split when it is mixed', async () => {
    await open('/lots');
    await page.getByRole('link', { name: 'W7, four from one pitfall' }).click();
    await page.getByRole('link', { name: 'Strand beetles, after Selwith' }).click();
    await page.getByRole('radio', { name: 'no. 2', exact: true }).click();
    await lead('1b').getByText('5: this statement fits, on no. 2').waitFor();
    await page.getByRole('radio', { name: 'no. 3', exact: true }).click();
    // Answered on the phone; it was sent, and is there on the wide one.
    const fits = lead('1b')
      .getByRole('radiogroup', { name: /like a thread/ })
      .getByRole('radio', { name: 'fits' });
    if (kind === 'phone') {
      const sent = page.waitForResponse((answer) => answer.url().includes('/api/lots/') && answer.request().method() === 'PUT');
      await fits.click();
      expect((await sent).status()).toBe(200);
    }
    await lead('1b').getByText('on no. 3').waitFor();
    if (kind === 'phone') return;
    await open('/lots');
    await page.getByRole('link', { name: 'D2, three from the dunes' }).click();
    await page.getByText(/This looks like a mixed lot: [\d.]+ bits against/).waitFor();
    await button('Split off no. 2').click();
    await page.getByText('one specimen · Strand beetles of the Tessary Isles').waitFor();
  });

  // These pages are looked at on a phone by the tests of eyes and letters; what they do is the same there.
  if (kind === 'wide') {
    it('are read in from print: problems by line, a mend by one press, and all of it or nothing', async () => {
      await open(`/keys/read?guide=${await beetles()}`);
      await page.getByLabel('Title').fill('From print');
      await page.getByLabel('Paste it here').fill(FAULTY);
      await page.getByText(/Lead 2a, “Jaws: short”, leads nowhere/).waitFor();
      await button('Lead on to couplet 3').click();
      await page.getByText('It will be imported whole.', { exact: true }).waitFor();
      await page.getByText('4 of 4 names and 4 of 6 statements are tied').waitFor();
      await button('Import').click();
      await page.getByRole('heading', { name: 'From print' }).waitFor();
      await page.getByText('3 couplets · 4 endings').waitFor();
    });

    it('are mended: every change can be undone, saving makes a version', async () => {
      await open(`/keys/${await keyId('From print')}/edit`);
      const words = page.getByLabel('Statements of 1a');
      await words.fill('Feet long; usually black');
      await words.blur();
      await page.getByRole('status').getByText('changes kept on this device').waitFor();
      await page.reload();
      await page.getByText('usually black', { exact: true }).waitFor();
      await button('Insert a couplet before').click();
      await page.getByText('No lead goes to', { exact: false }).first().waitFor({ state: 'detached' });
      await page.getByText('Lead 4b says nothing.').waitFor();
      await button(/^Undo$/).click();
      await page.getByText('Lead 4b says nothing.').waitFor({ state: 'detached' });
      await button('Save as version 2').click();
      await page.getByText(/version 2/).waitFor();
      await page.getByText('Feet long; usually black').waitFor();
    });

    it('are made from a guide, with how short they are', async () => {
      await open('/guides');
      await page
        .getByRole('link', { name: /^Tent cones/ })
        .first()
        .click();
      await button('Make one from this guide').click();
      await page.getByRole('radio', { name: 'without touching' }).click();
      await button('Make it').click();
      await page.getByText('no key can do with fewer (entropy)').waitFor();
      await button('Open the key').click();
      await page.getByRole('heading', { name: /without touching/ }).waitFor();
      await page.getByText('Take care').first().waitFor();
    });

    it('are walked by keyboard alone', async () => {
      await open(`/keys/${await keyId('Tolmar')}/walk?specimen=${specimen}`);
      await page.getByRole('heading', { name: 'Couplet 1', exact: true }).waitFor();
      await page.keyboard.press('?');
      await page.getByText('the statement fits').waitFor();
      await page.keyboard.press('?');
      await page.keyboard.press('s');
      await page.getByRole('radio', { name: 'likely' }).and(page.locator('[aria-checked=true]')).waitFor();
      await page.keyboard.press('j');
      await page.keyboard.press('f');
      await page.keyboard.press('b');
      await page.getByRole('heading', { name: 'Couplet 5', exact: true }).waitFor();
      await page.keyboard.press('[');
      await page.getByRole('heading', { name: 'Couplet 1', exact: true }).waitFor();
      await page.keyboard.press(']');
      await page.keyboard.press('q');
      await button(/^Couplet 5 both/).waitFor();
      await page.keyboard.press('u');
      await page.getByRole('heading', { name: 'Couplet 5', exact: true }).waitFor();
      for (const key of 'bbbbbbbb') await page.keyboard.press(key);
      await page.getByRole('region', { name: 'The key comes to' }).getByText('Lithonyx duplex').waitFor();
      await page.keyboard.press('w');
      await page.getByRole('heading', { name: 'How far may it be named?' }).waitFor();
    });
  }

  it('without any error on the way', () => {
    expect(problems).toEqual([]);
  });
});
