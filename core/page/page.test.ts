import { bogUmbels } from '../../demo/bogUmbels';
import { tentCones } from '../../demo/tentCones';
import { compareForms } from '../compare';
import { type Reading, sayReading, type Situation } from '../observation';
import { standingOf } from '../evidence';
import { compiledFor } from '../guide';
import { nameText } from '../guide/working';
import { comparisonPage, standingPage } from '.';

const compiled = compiledFor(tentCones, {});
const textOf = (title: { text: string }[]) => title.map(({ text }) => text).join('');

describe('a comparison to send', () => {
  const page = comparisonPage(compiled, compareForms(compiled, ['vexillax/adult', 'lenior/adult']));

  it('names both, as names are typeset', () => {
    expect(textOf(page.title)).toBe('T. vexillax or T. lenior');
    expect(page.title.filter(({ italic }) => !italic).map(({ text }) => text)).toEqual([' or ']);
  });

  it('draws each form in every view that shows a character, and points at it', () => {
    expect(page.plates).toHaveLength(4);
    for (const { plate, pointers } of page.plates) for (const { part } of pointers) expect(plate.parts[part]).toBeDefined();
    const pointed = new Set(page.plates.flatMap(({ pointers }) => pointers.map(({ number }) => number)));
    expect([...pointed].sort()).toEqual(page.characters.map(({ number }) => number));
  });

  it('says the characters, the traps and the caution in words', () => {
    expect(page.characters[0]).toMatchObject({ number: 1, heading: 'Edge of the spire' });
    expect(page.characters[0].text).toMatch(/T\. vexillax straight 85 in 100; T\. lenior bulging 98 in 100/);
    expect(page.notes.join(' ')).toContain('Trap: stain at the tip of the base');
    expect(page.caution).toMatch(/seek medical help.*No result says that anything is safe/);
    expect(JSON.stringify(page)).not.toMatch(/harmless|edible/);
  });

  it('says first what the station answers, and all the rest as it is', () => {
    const compared = compareForms(compiled, ['vexillax/adult', 'lenior/adult']);
    const answered = comparisonPage(compiled, compared, { said: 'Do not pick it up.' });
    expect(answered.lead).toEqual([{ text: 'Do not pick it up. ', italic: false }, ...page.lead]);
    expect({ ...answered, lead: page.lead }).toEqual(page);
  });
});

describe('a page that goes out of the station', () => {
  const page = (place: Reading['at'], photo?: string) => {
    const situation: Situation = { place: 'Hallin Moss, north pool' };
    const umbels = compiledFor(bogUmbels, situation);
    const given: Reading[] = [
      { character: bogUmbels.characters[0].id, states: [bogUmbels.characters[0].states![0].id], at: place },
    ];
    return standingPage(umbels, standingOf(umbels, situation, given), situation, given, 'U1', sayReading, photo);
  };

  it('does not tell where something was found whose places are not to be published', () => {
    expect(page(undefined).subtitle).not.toContain('Hallin Moss');
    const cones = standingOf(compiled, { place: 'slab 3' }, []);
    expect(standingPage(compiled, cones, { place: 'slab 3' }, [], 'R', sayReading).subtitle).toContain('slab 3');
  });

  it('has what was pointed at on its own photo alone', () => {
    const [own, other] = ['a', 'b'].map((letter) => letter.repeat(64));
    const at = (photo?: string) => page({ x: 0.1, y: 0.2, photo }, own).characters[0]?.at;
    expect(at()).toEqual({ x: 0.1, y: 0.2 });
    expect(at(own)).toEqual({ x: 0.1, y: 0.2 });
    expect(at(other)).toBeUndefined();
  });
});

describe('a standing to send', () => {
  const situation: Situation = { region: 'outer-reefs', place: 'slab 3', date: '2026-05-14' };
  const readings: Reading[] = [
    { character: 'pattern', states: ['tents'] },
    { character: 'tent-size', states: ['coarse'] },
    { character: 'outline-ratio', value: 0.5 },
    { character: 'lip', status: 'not-visible' },
  ];
  const at = compiledFor(tentCones, situation);
  const page = (given: Reading[] = readings) =>
    standingPage(at, standingOf(at, situation, given), situation, given, 'R3', sayReading);

  it('says how far it may be named, and no further', () => {
    expect(textOf(page().title)).toBe('Not yet a name');
    expect(page().title[0].italic).toBe(false);
    expect(page().subtitle).toBe('R3 · slab 3 · 2026-05-14 · Tent cones of the Tessary Isles');
    expect(nameText(page().lead)).toContain('T. vexillax stands at');
    expect(page().lead).toContainEqual({ text: 'T. vexillax', italic: true });
  });

  it('tells what was read and how hard it speaks, the heaviest first, without what was not seen', () => {
    const headings = page().characters.map(({ heading }) => heading);
    expect(headings).toHaveLength(3);
    expect(headings.join()).not.toContain('Outer lip');
    expect(page().characters[0].text).toMatch(/^Speaks( strongly| a little)? for T\. vexillax: [\d.]+ bits\.$/);
  });

  it('draws the specimen as it was read', () => {
    const [first] = page().plates;
    expect(first.caption).toBe('as it was read, from the back');
    const coarse = JSON.stringify(first.plate.inks);
    const fine = page(readings.map((r) => (r.character === 'tent-size' ? { ...r, states: ['fine'] } : r))).plates[0];
    expect(JSON.stringify(fine.plate.inks)).not.toBe(coarse);
  });

  it('says where a character was pointed at on the photo', () => {
    const pointed = page(readings.map((r) => (r.character === 'pattern' ? { ...r, at: { x: 0.4, y: 0.6 } } : r)));
    expect(pointed.characters.filter(({ at }) => at)).toMatchObject([
      { heading: 'Pattern of the body: pale tents', at: { x: 0.4, y: 0.6 } },
    ]);
    expect(pointed.notes).toEqual(page().notes);
  });

  it('keeps the danger on it', () =>
    expect(page().notes.join(' ')).toMatch(/Danger: Turbiconus vexillax is possible.*do not touch it/));

  it('carries a name, its sex and age where they are called', () => {
    const dead: Reading[] = [
      { character: 'shell-length', value: 58 },
      { character: 'pattern', states: ['tents'] },
      { character: 'tent-size', states: ['fine'] },
      { character: 'spire-outline', states: ['domed'] },
      { character: 'spire-angle', value: 107 },
      { character: 'aperture-ratio', value: 0.138 },
    ];
    const sent = page(dead);
    expect(textOf(sent.title)).toBe('Turbiconus lenior');
    expect(sent.title[0].italic).toBe(true);
    expect(sent.subtitle).toMatch(/^full-grown · R3/);
  });
});
