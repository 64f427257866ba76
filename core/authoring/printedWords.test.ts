import { formsOf } from '../guide';
import { made, score, sound, told } from '../test/madeGuide';
import { formNamed } from './formNamed';

/** A couplet of two leads, as printed. */
const couplet = (a: string, b: string) => made(`1a ${a} ... Velda alba\n1b ${b} ... Velda nigra`);
const both = (a: string, b: string, character: string) => {
  const guide = couplet(a, b);
  sound(guide.guide);
  return { told: told(guide), alba: score(guide, 'Velda alba', character), nigra: score(guide, 'Velda nigra', character) };
};

describe('words of how often, within what a lead says', () => {
  it('what is met beside is a state of its own, as often as it is said', () => {
    const { told: lines, alba, nigra } = both('Thigh grey beneath, rarely reddish', 'Thigh red beneath', 'Thigh');
    expect(lines).toEqual(['Thigh (nominal): 1 grey beneath, rarely reddish | red beneath']);
    expect(alba).toEqual({ kind: 'states', states: { 'grey-beneath': 0.9016, reddish: 0.0784 } });
    expect(nigra).toEqual({ kind: 'states', states: { 'red-beneath': 'always' } });
  });

  it('a hedge within what is said does not turn all of it', () => {
    const { told: lines, alba } = both('Back with a pale line, seldom broken', 'Back without a pale line', 'Back');
    expect(lines).toEqual(['Back (nominal): 1 with a pale line, seldom broken | without a pale line']);
    expect(alba).toEqual({ kind: 'states', states: { 'pale-line-broken': 'always' } });
  });

  it.each([
    ['Fruits warty, usually in pairs', 'Fruits smooth', 'warty, usually in pairs'],
    ['Ripe fruits black, never red', 'Ripe fruits red', 'black, never red'],
    ['Tendrils simple, sometimes absent', 'Tendrils branched', 'simple, sometimes absent'],
    ['Wings dark, usually without spots', 'Wings yellow', 'dark, usually without spots'],
    ['Wings dark, rarely without spots', 'Wings yellow', 'dark, rarely without spots'],
    ['Petals white or rarely pink', 'Petals yellow', 'white, rarely pink'],
    ['Petals white rarely pink', 'Petals yellow', 'white, rarely pink'],
    ['Bar narrow or, rarely, wanting', 'Bar broad', 'narrow, rarely wanting'],
    ['Bill yellow, sometimes dusky at the tip', 'Bill black', 'yellow, sometimes dusky at the tip'],
    ['Stem on stone, or more rarely on old wood', 'Stem on bark', 'on stone, rarely on old wood'],
    ['On stone, or more rarely on old wood', 'On bark', 'on stone, rarely on old wood'],
    ['Medulla C+ red', 'Medulla C–', 'C+ red | C–'],
    ['Petals usually white', 'Petals yellow', 'usually white'],
    ['Wings, in the male, never spotted', 'Wings spotted', 'never in the male, never spotted'],
  ])('“%s”', (a, b, means) => expect(told(couplet(a, b))[0].toLowerCase()).toContain(`1 ${means.toLowerCase()}`));

  it('what is usually met, or met in many ways now and then, leaves the rest to what is said outright', () => {
    expect(both('Petals pink or usually white', 'Petals yellow', 'Petals').alba).toEqual({
      kind: 'states',
      states: { pink: 0.147, white: 0.833 },
    });
    expect(both('Petals white, sometimes pink, sometimes red, sometimes blue', 'Petals yellow', 'Petals').alba).toEqual({
      kind: 'states',
      states: { white: 0.245, pink: 0.245, red: 0.245, blue: 0.245 },
    });
  });

  it('what is said further on the same way keeps only what both allow, in the shares it is said', () => {
    const guide = made(
      '1a Legs red or black; head round ... 2\n1b Legs yellow; head long ... Velda flava\n2a Legs red, rarely yellow; tail short ... Velda alba\n2b Legs black; tail long ... Velda nigra',
    );
    expect(score(guide, 'Velda alba', 'Legs')).toEqual({ kind: 'states', states: { red: 'always' } });
  });
});

it('a sign behind a letter is what is said, beside a sign with a word', () =>
  expect(told(couplet('Thallus K+ yellow', 'Thallus K–'))).toEqual(['Thallus K (nominal): 1 + yellow | –']));

describe('what something is like and how large, in one breath', () => {
  it('is two characters', () => {
    const guide = couplet('Petals white, 4–6 mm; leaves opposite', 'Petals yellow, 6.5-9 mm long; leaves alternate');
    expect(told(guide)).toEqual([
      'Petals (nominal): 1 white | yellow',
      'Petals length (measurement): 1 4–6 mm | 6.5–9 mm',
      'Leaves (nominal): 1 opposite | alternate',
    ]);
    expect(score(guide, 'Velda alba', 'Petals length')).toEqual({ kind: 'range', range: '4–6' });
  });

  it('the other lead may say one of them only', () => {
    expect(told(couplet('Petals 4–6 mm, white', 'Petals 7–9 mm'))).toContain('Petals (measurement): 1 4–6 mm | 7–9 mm');
    expect(told(couplet('Petals white, 4–6 mm', 'Petals yellow'))[0]).toBe('Petals: colour (nominal): 1 white | yellow');
  });

  it('two numbers, or one that other words belong to, stay as they are', () => {
    expect(told(couplet('Wing dark, 4–6 mm long, 2 mm wide', 'Wing pale, 7–9 mm long, 3 mm wide'))).toHaveLength(1);
    expect(told(couplet('Wing dark, 4 mm from the tip', 'Wing pale, 7 mm from the tip'))).toHaveLength(1);
    expect(told(couplet('Body length 14–18 mm', 'Body usually larger, 17–23 mm'))).toEqual([
      'Body length (measurement): 1 14–18 mm | usually 17–23 mm',
    ]);
  });
});

describe('numbers that are told in halves, or are rarely more', () => {
  it('are measured in what is counted', () => {
    const guide = couplet(
      'Shell with 3 (rarely 4) whorls; height 4–6 mm',
      'Shell with 5–6½ whorls; height 8–12 mm (occasionally to 14)',
    );
    expect(told(guide)).toEqual(['Shell whorls (measurement): 1 3–4 | 5–6.5', 'Height (measurement): 1 4–6 mm | 8–14 mm']);
    expect(score(guide, 'Velda nigra', 'Shell whorls')).toEqual({ kind: 'range', range: '5–6.5' });
    sound(guide.guide);
  });

  it('are in the unit of the others where none stands behind them', () => {
    expect(told(couplet('Wing 235–260 mm', 'Wing 215-238'))).toEqual(['Wing (measurement): 1 235–260 mm | 215–238 mm']);
    expect(told(couplet('Wing 235–260 mm', 'Wing with 3 bars'))[0]).toMatch(/\(nominal\)/);
  });

  it('of something else are not', () => {
    expect(told(couplet('Tail about half the length of the body', 'Tail 3 joints long'))[0]).toMatch(/^Tail \(nominal\)/);
    expect(told(couplet('Shell with 5½ whorls', 'Shell with 3 rows of hairs'))[0]).toMatch(/\(nominal\)/);
  });
});

describe('the form of a kind that a name is followed by', () => {
  it.each([
    ['Cavella ovalis, female', 'Cavella ovalis', { sex: 'female' }],
    ['Cavella ovalis ♀', 'Cavella ovalis', { sex: 'female' }],
    ['Cavella ovalis (adult ♂)', 'Cavella ovalis', { stage: 'adult', sex: 'male' }],
    ['Males of Cavella ovalis', 'Cavella ovalis', { sex: 'male' }],
    ['♀ Cavella ovalis Dallow', 'Cavella ovalis Dallow', { sex: 'female' }],
    ['Cavella ovalis Dallow, 1932, juv.', 'Cavella ovalis Dallow, 1932', { stage: 'juvenile' }],
    ['Cavella ovalis, worker', 'Cavella ovalis', { morph: 'worker' }],
    ['Cavella ovalis (winter adults)', 'Cavella ovalis', { season: 'winter', stage: 'adult' }],
    ['Cavella ovalis, adult female, breeding', 'Cavella ovalis', { stage: 'adult', sex: 'female', season: 'breeding' }],
    ['Cavella ovalis (dark morph)', 'Cavella ovalis', { morph: 'dark' }],
    ['Cavella ovalis, juvenile plumage', 'Cavella ovalis', { stage: 'juvenile' }],
    ['Cavella ovalis (male and female)', 'Cavella ovalis', {}],
    ['Cavella ovalis', 'Cavella ovalis', {}],
    ['Red soldier', 'Red soldier', {}],
    ['Adult', 'Adult', {}],
    ['Cavella male', 'Cavella male', {}],
    ['Cavella (Cavellina) ovalis', 'Cavella (Cavellina) ovalis', {}],
  ])('“%s”', (printed, name, facets) => expect(formNamed(printed)).toEqual({ name, facets }));

  it('is a form in the guide, and the key’s ending is tied to it', () => {
    const made2 = made('1a Eyes long; crest red ... Cavella ovalis, female\n1b Eyes round; crest black ... Cavella ovalis ♂');
    const { guide, keys } = made2;
    expect(formsOf(sound(guide)).map(({ taxon, facets }) => [taxon, facets])).toEqual([
      ['Cavella-ovalis', { sex: 'female' }],
      ['Cavella-ovalis', { sex: 'male' }],
    ]);
    expect(keys[0].couplets[0].leads[0].to).toEqual({
      ...{ kind: 'taxon', name: 'Cavella ovalis, female', taxon: 'Cavella-ovalis', facets: { sex: 'female' } },
    });
  });

  it('signs that tell leads to one name apart are of its sexes; one sign alone stays in the words', () => {
    const two = made('1a Eyes long; crest red ... Velda alba ♀\n1b Eyes round; crest black ... Velda alba ♂');
    expect(two.guide.scores.map(({ scope }) => scope.facets)).toEqual(
      Array.from({ length: 4 }, (_, i) => ({ sex: [i < 2 ? 'female' : 'male'] })),
    );
    expect(told(two)).toContain('Crest (nominal): 1 red | black');
    const one = made('1a Eyes long; flowers ♀ ... Velda alba\n1b Eyes round; flowers ♂ ... Velda nigra');
    expect(told(one)).toContain('Flowers (nominal): 1 ♀ | ♂');
    expect(one.guide.facets).toEqual({});
  });
});

it('names given before, as a key prints them, are former names', () => {
  const { guide } = made(
    '1a Eyes long ... Talitra rubra Dallow (= T. erythra)\n1b Eyes round ... Talitra grisea [syn. T. cana; Marisca cinerea Dallow, 1932]',
  );
  expect(sound(guide).taxa.map(({ name, authority, names }) => ({ name, authority, names }))).toMatchObject([
    { name: 'Talitra' },
    { name: 'Talitra rubra', authority: 'Dallow', names: [{ name: 'Talitra erythra', kind: 'former' }] },
    {
      name: 'Talitra grisea',
      authority: undefined,
      names: [
        { name: 'Talitra cana', kind: 'former' },
        { name: 'Marisca cinerea', kind: 'former' },
      ],
    },
  ]);
});
