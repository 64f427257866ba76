import type { Page } from 'playwright-core';
import { faultsOf } from './axe';
import { cutWithLargeLetters } from './cut';
import { handsOf } from './hands';
import { inDemo, openStation, signIn, SIZES, type Station } from './station';
import { textOf } from './textOf';
import { until } from './until';

let station: Station;
let page: Page;
let hands: ReturnType<typeof handsOf>;
const problems: string[] = [];
beforeAll(async () => {
  station = await openStation();
  page = await station.page(SIZES[1]);
  page.on('pageerror', (error) => problems.push(error.message));
  await signIn(page, station.url);
  hands = handsOf(page);
});
afterAll(() => station.close());

const heading = (name: string | RegExp) => page.getByRole('heading', { name, level: 1 }).waitFor();
const saved = () => page.getByText('Saved', { exact: true }).waitFor();

const TAXA = ['Quessa alba', 'Quessa nigra', 'Quessa rubra', 'Quessa longa', 'Quessa lata', 'Quessa mira'];
/** What it is, how it is told, its states or unit, and what the six have. */
const CHARACTERS: [string, string, string, string[]][] = [
  ['Head', 'states', 'round, square', ['round', 'round', 'round', 'square', 'square', 'square']],
  ['Legs', 'states', 'red, black', ['red', 'black', 'red usually', 'black', 'red', 'black']],
  ['Wings', 'states', 'clear, banded', ['clear', 'clear', 'banded', 'banded', 'clear', 'clear']],
  ['Feelers', 'states', 'short, long', ['short', 'short', 'short', 'short', 'long', 'short']],
  ['Back', 'states', 'flat, arched', ['flat', 'arched', 'flat', 'arched', 'flat', 'arched rarely']],
  ['Tail', 'states', 'blunt, forked', ['blunt', 'blunt', 'blunt', 'forked', '', 'blunt']],
  ['Body', 'a measurement', 'mm', ['5-7', '5-7', '6-8', '9-12', '(7-)8-10(-11)', '4 ±0.3']],
  ['Rows', 'a count', '', ['8', '8', '9', '9', '8-9', '7']],
];

/** To another part of the editor: they are one stop of Tab. */
async function toPart(from: string, steps: number): Promise<void> {
  await hands.tabTo(from, true);
  await hands.press('ArrowRight', steps);
  await hands.press(' ');
}

/** A gene of the crabs' morphs, as a keeper would tell it. */
async function aGene(page: Page): Promise<void> {
  await page.getByLabel('Name of the gene').fill('pale');
  await page.getByRole('radio', { name: 'Morph', exact: true }).click();
  const state = (label: string, name: string) =>
    page.getByLabel(label, { exact: true }).getByRole('radio', { name, exact: true }).click();
  await state('The usual allele shows', 'plain');
  await state('The other allele shows', 'pale');
  await page.getByRole('button', { name: 'Add the gene' }).click();
}

describe('a guide from nothing, by keys alone', () => {
  it('is begun and says what it is', async () => {
    await page.goto(`${station.url}/guides/write`);
    await heading('Write a guide');
    await hands.tabTo('Title');
    await hands.type('Quessas of the north shore');
    await hands.press('Enter');
    await heading('Quessas of the north shore');
    await hands.tabTo('Group');
    await hands.type('quessas');
    await hands.tabTo('Area');
    await hands.type('North shore of Quell');
    await hands.tabTo('Caution');
    await hands.type('Do not pick them up.');
    await hands.press('Tab');
    await saved();
  });

  it('keeps what is being typed when the page is reloaded, and what is changed without a connection', async () => {
    await hands.tabTo('Summary', true);
    await hands.type('Six of them.');
    await page.reload();
    await until(async () => (await page.getByLabel('Summary').inputValue()) === 'Six of them.');
    await saved();
    await page.context().setOffline(true);
    await page.getByLabel('Area').fill('North shore of Quell, and Ostren');
    await page.getByLabel('Area').blur();
    await page.getByText('Kept on this device until the connection is back').waitFor();
    await page.context().setOffline(false);
    await page.reload();
    await until(async () => (await page.getByLabel('Area').inputValue()) === 'North shore of Quell, and Ostren');
    await saved();
    await hands.tabTo('Title');
  });

  it('has six kinds', async () => {
    await toPart('About it', 1);
    await hands.tabTo('Name');
    for (const name of TAXA) {
      await hands.type(name);
      await hands.press('Enter');
      await page.getByText(name, { exact: true }).waitFor();
    }
    await saved();
  });

  it('has eight characters', async () => {
    await toPart('Taxa', 1);
    let chosen = 'states';
    for (const [label, kind, more] of CHARACTERS) {
      await hands.tabTo('What it is', label !== CHARACTERS[0][0]);
      await hands.type(label);
      if (kind !== chosen) {
        await hands.tabTo(chosen);
        await hands.press('ArrowRight', kind === 'a count' ? 3 : 2);
        await hands.press(' ');
        chosen = kind;
      }
      if (kind === 'states') {
        await hands.tabTo('States');
        await hands.type(more);
        await hands.press('Enter');
      } else {
        await hands.tabTo('Add');
        await hands.press('Enter');
      }
      await page.getByText(label, { exact: true }).waitFor();
    }
    await saved();
  });

  it('says who has what, cell by cell', async () => {
    await toPart('Characters', 1);
    await hands.tabTo('Taxa against characters');
    for (const [c, [, , , cells]] of CHARACTERS.entries()) {
      if (c > 0) {
        await hands.press('Control+Home');
        await hands.press('ArrowRight', c);
      }
      for (const cell of cells) {
        if (cell) await hands.type(cell);
        await hands.press(cell ? 'Enter' : 'ArrowDown');
      }
    }
    await saved();
    const { drafts } = (await (await page.request.get(`${station.url}/api/drafts`)).json()) as {
      drafts: { id: string; title: string }[];
    };
    const { id } = drafts.find(({ title }) => title.startsWith('Quessas'))!;
    const { content } = (await (await page.request.get(`${station.url}/api/drafts/${id}`)).json()) as {
      content: { scores: unknown[] };
    };
    expect(content.scores).toHaveLength(47);
  });

  it('is looked over, published, and names a specimen', async () => {
    await toPart('Who has what', 8);
    await hands.tabTo('Publish this guide');
    await hands.press('Enter');
    await heading('Quessas of the north shore');
    await until(async () => /\/guides\/[0-9a-f-]+$/.test(page.url()));
    await hands.tabTo('Name a specimen with it');
    await hands.press('Enter');
    await heading(/specimen/i);
    await hands.tabTo('To the Bench');
    await hands.press('Enter');
    await page.waitForURL(/\/bench/);
    await page.locator('[aria-current=true]').first().waitFor();
    const wanted = new Map([
      ['Head', '2'],
      ['Legs', '1'],
      ['Wings', '1'],
      ['Feelers', '2'],
      ['Back', '1'],
    ]);
    const current = () => textOf(page.locator('[aria-current=true]').first());
    // From above to below: the list does not go round.
    await hands.press('k', CHARACTERS.length);
    while (wanted.size) {
      const at = await current();
      const [name, state] = [...wanted].find(([one]) => at.startsWith(one)) ?? [];
      if (name && state) {
        await hands.press(state);
        wanted.delete(name);
      }
      if (wanted.size === 0) break;
      await hands.press('j');
      await until(async () => (await current()) !== at);
    }
    await hands.press('w');
    await heading('How far may it be named?');
    await hands.tabTo('Into the daybook');
    await hands.press('Enter');
    await page.waitForURL(/\/specimens\/[^/]+$/);
    await heading(/Quessa lata/);
    expect(problems).toEqual([]);
  });
});

describe('a pasted key', () => {
  it('becomes a guide, and names one', async () => {
    await page.goto(`${station.url}/keys/read`);
    await page.getByLabel('Title', { exact: true }).fill('Fimbrolas');
    await page
      .getByLabel('Paste it here')
      .fill(
        '1a Legs red; back flat ... 2\n1b Legs black; back arched ... Fimbrola nigra\n2a Tail forked ... Fimbrola furca\n2b Tail blunt ... Fimbrola obtusa',
      );
    await page.getByRole('button', { name: 'Import' }).click();
    await heading('Fimbrolas');
    await page.getByRole('button', { name: 'Make a guide of it' }).click();
    await heading('A guide of a key');
    await page.getByText('3 kinds, 3 characters').waitFor();
    await page.getByRole('button', { name: 'Make the guide' }).click();
    await heading('Fimbrolas');
    await until(async () => /\/guides\/[0-9a-f-]+$/.test(page.url()));
    const guide = page.url().split('/').at(-1)!;
    // In any order, and with the first couplet never looked at.
    const standing = await page.request.post(`${station.url}/api/guides/${guide}/standing`, {
      headers: { origin: station.url },
      data: { situation: {}, readings: [{ character: 'Tail', states: ['forked'] }] },
    });
    expect(((await standing.json()) as { forms: { taxon: string }[] }).forms[0].taxon).toBe('Fimbrola-furca');
    expect(problems).toEqual([]);
  });
});

describe('between two stations', () => {
  it('a guide is offered, imported, withdrawn, and says so in both', async () => {
    const ours = await station.page(SIZES[1]);
    await inDemo(ours, station.url, '/guides');
    await ours.getByRole('link', { name: /^Caps of the Oar woods/ }).click();
    await ours.getByRole('button', { name: 'Offer to other stations' }).click();
    await ours.getByText(/^Offered to every station of this server since/).waitFor();
    const theirs = await station.page(SIZES[0]);
    await theirs.request.post(`${station.url}/api/stations`, {
      headers: { origin: station.url },
      data: { station: 'Skerry watch', name: 'tove', password: 'long enough' },
    });
    await theirs.goto(`${station.url}/guides`);
    await theirs.getByRole('button', { name: 'Import it: Caps of the Oar woods' }).click();
    await theirs.getByRole('link', { name: /^Caps of the Oar woods.*from “Quell Harbour demo station”/ }).click();
    await theirs.getByText(/^Imported from “Quell Harbour demo station”, at its version 1/).waitFor();
    await ours.getByRole('button', { name: 'Withdraw this guide' }).click();
    await ours.getByLabel('Why it is not to be used any more').fill('Two of its species are one.');
    await ours.getByRole('button', { name: /^Withdraw it/ }).click();
    await ours.getByText('This guide is withdrawn', { exact: true }).waitFor();
    await theirs.reload();
    await theirs.getByText('This guide is withdrawn by “Quell Harbour demo station”, where it was imported from').waitFor();
    await theirs.getByRole('button', { name: 'Name a specimen with it' }).click();
    await theirs.getByText(/Two of its species are one\./).waitFor();
  });
});

describe('every part of the editor, on a phone', () => {
  it('has no fault that axe finds, and cuts nothing with letters twice as large', async () => {
    const phone = await station.page(SIZES[0]);
    await signIn(phone, station.url);
    const { guides } = (await (await phone.request.get(`${station.url}/api/guides`)).json()) as {
      guides: { id: string; slug: string }[];
    };
    const id = crypto.randomUUID();
    await phone.request.put(`${station.url}/api/drafts/${id}`, {
      headers: { origin: station.url },
      data: { guideId: guides.find(({ slug }) => slug === 'ledge-crabs')!.id },
    });
    await phone.goto(`${station.url}/guides/write/${id}`);
    const part = (name: string) => phone.getByRole('tab', { name, exact: true }).click();
    const to = (name: string) => phone.getByRole('radio', { name, exact: true }).click();
    const choose = (name: RegExp) => phone.getByRole('radio', { name }).first().click();
    const press = (name: string | RegExp) => phone.getByRole('button', { name }).first().click();
    /** What is done, and what is then to be seen. */
    const steps: [string, () => Promise<void>, string][] = [
      ['a taxon', () => part('Taxa').then(() => press('Change Petralda murica')), 'Another name it goes by'],
      ['more of it', () => press('More of Petralda murica'), 'Protection and permits'],
      ['taxa moved about', () => press(/^Move them about/), 'How they stand'],
      ['a character', () => part('Characters').then(() => press(/^Change /)), 'Seen from'],
      ['how it is measured', () => press(/^Measure it on photographs/), 'How it is measured on a photograph'],
      ['how a state is drawn', () => choose(/, not drawn$/), 'words only'],
      ['a tile', () => to('an outline').then(() => press('Pattern: plain')), 'two-toned'],
      ['cells', () => part('Who has what'), 'Said of'],
      ['a part of a taxon', () => press('Another part'), 'Of which part'],
      ['where and when', () => part('Where and when').then(() => to('Petralda murica')), 'Over the year: Petralda murica'],
      ['words', () => part('Words'), 'A word to explain'],
      ['photographs', () => part('Photographs'), 'A photograph'],
      ['a rule', () => part('Rules').then(() => press('A new rule')), 'Unless any of this holds'],
      ['what it looks at', () => press('Add one').then(() => to('a measured character')), 'Over'],
      ['how it is inherited', () => part('Heredity'), 'A first gene'],
      ['a gene', () => aGene(phone), 'Gene: pale'],
      ['what shows of it', () => press(/^Another rule/), 'In how many of 100'],
      ['tables', () => part('Tables in and out'), 'Paste it here'],
      ['a trial', () => part('Try it'), 'The draft says'],
      ['a look', () => part('Look it over'), 'Names given so far'],
    ];
    const faults: Record<string, string[]> = {};
    for (const [name, go, seen] of steps) {
      await go();
      await phone
        .getByText(seen, { exact: true })
        .first()
        .waitFor()
        .catch(async () => {
          throw new Error(`“${seen}” is not there: ${await textOf(phone.locator('#root'))}`);
        });
      const found = [...(await faultsOf(phone)), ...(await cutWithLargeLetters(phone, SIZES[0]))];
      if (found.length) faults[name] = found;
    }
    expect(faults).toEqual({});
  });
});
