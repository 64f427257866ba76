import { bogUmbels, demoGuides, lanternMoths, terns } from '../../demo';
import { compileGuide } from '../guide';
import type { ScoreValue } from '../guide/schema';
import { disagreementsOf } from '../guide/working';
import { traitsOf } from '../plates';
import { tinyGuide } from '../test/tinyGuide';
import { planOf } from '../plates/plans';
import {
  conditionsOf,
  countsOf,
  describeForm,
  disputedForms,
  hidesOf,
  holdersOf,
  tellingCharacters,
  narrowed,
  partAt,
  partsOf,
  presenceOf,
  searchGuide,
  usualCircumstances,
} from '.';

const compiled = compileGuide(terns, { circumstances: ['backlit'] });
const at = (id: string) => compiled.forms.findIndex((form) => form.id === id);
const nivalis = at('nivalis/adult.breeding');
const character = (id: string) => terns.characters.find((one) => one.id === id)!;

describe('a form described from its scores', () => {
  const said = describeForm(compiled, nivalis);
  const all = said.flatMap(({ sentences }) => sentences);

  it('says states with how often they are met, in the order of work', () => {
    expect(said.map(({ group }) => group)).toEqual(['baseline', 'shape', 'pattern', 'colour', 'behaviour']);
    expect(all).toContain('Cap: white forehead.');
    expect(all).toContain('Tail against wing tips: usually tail falls short, seldom level.');
  });

  it('says ranges in the unit, and a ratio as parts of each other', () => {
    expect(all).toContain('Wing chord 168 to 188 mm, about 178.');
    expect(all).toContain('Bill 0.84 to 1.00 of the head without the bill, about 0.92.');
  });

  it('says nothing of what is not scored for it', () => {
    expect(all.join(' ')).not.toContain('Tint of a young bird');
    const rosette = compileGuide(bogUmbels);
    const words = describeForm(
      rosette,
      rosette.forms.findIndex(({ id }) => id === 'minuta/rosette'),
    )
      .flatMap(({ sentences }) => sentences)
      .join(' ');
    expect(words).not.toContain('fruit');
  });

  it('says where it is not known which of several states it has; a specimen weighs as with both', () => {
    const guide = tinyGuide();
    const tableWith = (value: ScoreValue) => {
      const scores = guide.scores.map((score, i) => (i === 0 ? { ...score, value } : score));
      return compileGuide({ ...guide, scores });
    };
    const both = tableWith({ kind: 'states', states: { round: 0.5, toothed: 0.5 } });
    const either = tableWith({ kind: 'states', states: { round: 0.5, toothed: 0.5 }, uncertain: true });
    expect(describeForm(either, 0)[0].sentences[0]).toBe('Edge: either round or toothed; which is not known.');
    expect(describeForm(both, 0)[0].sentences[0]).toBe('Edge: mostly round, mostly toothed.');
    expect(describeForm(either, 1)[0].sentences[0]).toBe('Edge: usually toothed, seldom round.');
    const [bits, alike] = [both, either].map(({ tables }) => {
      const table = tables.get('edge')!;
      return table.type === 'states' ? [...table.bits] : [];
    });
    expect(bits).toHaveLength(4);
    expect(alike).toEqual(bits);
  });

  it('gives every form of every guide something to read', () => {
    for (const guide of demoGuides) {
      const own = compileGuide(guide);
      own.forms.forEach((_, f) => expect(describeForm(own, f).length).toBeGreaterThan(1));
    }
  });
});

describe('usual circumstances', () => {
  it('add characters, but do not change those that have a usual look', () => {
    expect(usualCircumstances(terns)).toEqual(['backlit', 'wet']);
    expect(usualCircumstances(lanternMoths)).toEqual([]);
    expect(usualCircumstances(bogUmbels)).toEqual([]);
  });
});

describe('where and when a form is met', () => {
  it('follows its date curve, its best month at 1', () => {
    const { months } = presenceOf(compiled, nivalis);
    expect(months).toHaveLength(12);
    expect(Math.max(...months!)).toBe(1);
    expect(months![5]).toBeGreaterThan(0.9);
    expect(months![0]).toBeLessThan(0.05);
  });

  it('takes places from the nearest taxon that has any record, and leaves the others unsaid', () => {
    const { regions, habitats } = presenceOf(compiled, at('crinita-palliax/juvenile'));
    expect(regions.find(({ id }) => id === 'east-cays')!.frequency).toBe(0.8);
    expect(regions.find(({ id }) => id === 'main-shore')!.frequency).toBeUndefined();
    expect(habitats.find(({ id }) => id === 'shell-bank')!.frequency).toBe(0.2);
    expect(presenceOf(compiled, nivalis).regions).toEqual([]);
  });
});

describe('search over everything', () => {
  const kinds = (text: string) => searchGuide(terns, text).map(({ kind, id }) => `${kind} ${id}`);

  it('finds taxa by any name, with the page to open', () => {
    expect(searchGuide(terns, 'black-tip')[0]).toMatchObject({
      kind: 'taxon',
      id: 'sodalis',
      by: { kind: 'misleading' },
      form: 'sodalis/juvenile',
    });
    expect(kinds('halistris longicauda')).toEqual(['taxon consors']);
  });

  it('finds characters by a state, terms by another word for them, and sources', () => {
    expect(kinds('mane')).toEqual(expect.arrayContaining(['character nape', 'term mane']));
    expect(kinds('carpal')).toContain('term wrist');
    expect(kinds('merrin')).toContain('source autumn-paper');
  });

  it('finds nothing for nothing, and nothing for nonsense', () => {
    expect(searchGuide(terns, '  ')).toEqual([]);
    expect(searchGuide(terns, 'zzz')).toEqual([]);
  });
});

describe('the plate wall', () => {
  it('keeps the forms that show what is wanted of every character', () => {
    const left = narrowed(compiled, { nape: ['shaggy'] }).map((f) => compiled.forms[f].taxon);
    expect(new Set(left)).toEqual(new Set(['crinita-crinita', 'crinita-palliax']));
    expect(narrowed(compiled, { nape: ['shaggy'], 'tail-reach': ['beyond'] })).toEqual([]);
    expect(narrowed(compiled, {})).toHaveLength(24);
  });

  it('counts what each state would leave, its own choice set aside', () => {
    // A mane may lie flat: that a bird looks smooth takes none away.
    const counts = countsOf(compiled, 'nape', { nape: ['shaggy'] });
    expect(counts).toEqual({ smooth: 24, shaggy: 8 });
    expect(countsOf(compiled, 'wing-chord', {})).toEqual({});
  });

  it('does not keep forms that the character does not apply to', () => {
    const umbels = compileGuide(bogUmbels);
    const left = narrowed(umbels, { 'petal-colour': ['yellow'] }).map((f) => umbels.forms[f].id);
    expect(left).toContain('flavens/flowering');
    for (const form of left) expect(form).toMatch(/\/flowering$/);
  });

  it('knows the part under a finger: the smallest that holds it', () => {
    const plate = planOf(terns)!.draw(traitsOf(compiled, nivalis), 'perched', 'thumb');
    const parts = partsOf(terns, 'perched');
    const middle = ({ x, y, width, height }: (typeof plate.parts)[string]): [number, number] => [x + width / 2, y + height / 2];
    expect(partAt(plate, parts.keys(), middle(plate.parts.bill))).toBe('bill');
    expect(partAt(plate, parts.keys(), middle(plate.parts.legs))).toBe('legs');
    expect(partAt(plate, parts.keys(), [plate.box.x - 900, plate.box.y])).toBeUndefined();
    expect(parts.get('bill')!.map(({ id }) => id)).toEqual(['bill-shape', 'bill-colour', 'bill-tip']);
  });
});

describe('a character’s page', () => {
  it('lists who has each state, those that have it most first', () => {
    const shaggy = holdersOf(compiled, 'nape').find(({ state }) => state === 'shaggy')!;
    expect(shaggy.holders.map(({ taxon }) => taxon)).toEqual(['crinita-crinita', 'crinita-palliax']);
    expect(shaggy.holders[0]).toMatchObject({ least: expect.closeTo(0.6, 6), most: expect.closeTo(0.85, 6) });
    expect(holdersOf(compiled, 'wing-chord')).toEqual([]);
  });

  it('says what it takes to read it', () => {
    expect(conditionsOf(compiled, character('wing-chord'))).toEqual([
      'in the hand',
      'from hand’s distance',
      'needs an instrument',
    ]);
    expect(conditionsOf(compiled, character('mantle-tone'))).toContain('in fair light');
  });

  it('says what hides or changes it', () => {
    expect(hidesOf(terns, character('secondaries'))).toEqual(['closed wings', 'dirt and wear', 'distance']);
    expect(hidesOf(terns, character('mantle-tone'))).toEqual(['dirt and wear', 'glare, dusk and wet', 'distance']);
    expect(hidesOf(terns, character('wing-posture'))).toContain('scored otherwise when it is in strong wind');
    expect(hidesOf(terns, character('nape'))).toEqual([]);
  });

  it('counts the forms that the sources dispute', () => {
    expect(disputedForms(compiled, 'secondaries')).toBe(1);
    expect(disputedForms(compiled, 'nape')).toBe(0);
  });
});

describe('the characters of a form', () => {
  it('are those that set it off, and say what it shows', () => {
    const characters = tellingCharacters(compiled, at('crinita-palliax/adult.breeding'));
    expect(characters[0]).toMatchObject({ character: expect.stringMatching(/nape|wing-chord|bill-colour|bill-ratio/) });
    expect(characters.map(({ text }) => text)).toContain('Nape: with a shaggy mane');
    for (const { overlap } of characters) expect(overlap).toBeLessThan(0.6);
  });

  it('hardly exist where a form cannot be told', () => {
    const consors = tellingCharacters(compiled, at('consors/immature'), 20).length;
    expect(consors).toBeLessThan(tellingCharacters(compiled, at('crinita-palliax/adult.breeding'), 20).length);
  });
});

describe('guides worth opening', () => {
  it.each([terns, bogUmbels, lanternMoths].map((guide) => [guide.title, guide] as const))(
    '%s: scores by region, date and circumstance, and a drawing for every word',
    (_, guide) => {
      for (const by of ['regions', 'dates', 'circumstances'] as const)
        expect([by, guide.scores.some(({ scope }) => scope[by])]).toEqual([by, true]);
      const plan = planOf(guide)!;
      for (const { term, figure } of guide.glossary!) {
        if (!figure) throw new Error(`“${term}” has no drawing`);
        if ('part' in figure) expect(plan.draw({}, figure.view, 'thumb').parts).toHaveProperty(figure.part);
        else
          for (const state of figure.states)
            expect(
              plan.tile(
                guide.characters.find(({ id }) => id === figure.character)!,
                state,
              ),
            ).toBeDefined();
      }
    },
  );

  it.each([terns, bogUmbels, lanternMoths].map((guide) => [guide.title, guide] as const))(
    '%s: complete, with sources that contradict each other',
    (_, guide) => {
      const own = compileGuide(guide);
      expect(guide.characters.length).toBeGreaterThanOrEqual(20);
      expect(own.forms.length).toBeGreaterThanOrEqual(12);
      expect(own.forms.length).toBeLessThanOrEqual(25);
      expect(guide.sources.length).toBeGreaterThanOrEqual(2);
      expect(disagreementsOf(own).length).toBeGreaterThanOrEqual(2);
      expect(guide.taxa.some(({ names }) => names?.some(({ kind }) => kind === 'misleading'))).toBe(true);
      expect(guide.taxa.some(({ names }) => names?.some(({ kind }) => kind === 'former'))).toBe(true);
      expect((guide.company ?? []).length).toBeGreaterThan(0);
      expect((guide.glossary ?? []).length).toBeGreaterThanOrEqual(10);
    },
  );

  it.each([
    [terns, 'sodalis/immature', 'consors/immature'],
    [bogUmbels, 'gemella/flowering', 'sororella/flowering'],
    [lanternMoths, 'vesperta/female', 'crepera/female'],
  ] as const)('has two that cannot be told in the field', (guide, a, b) => {
    const own = compileGuide(guide);
    const [f, g] = [a, b].map((id) => own.forms.findIndex((form) => form.id === id));
    for (const { id, handling, kind } of guide.characters) {
      const table = own.tables.get(id)!;
      if (handling !== 'look' || table.type !== 'states' || kind === 'count') continue;
      const forms = own.forms.length;
      const gap = table.states.reduce(
        (sum, __, s) => sum + Math.abs(table.frequency[s * forms + f] - table.frequency[s * forms + g]),
        0,
      );
      expect([id, gap < 0.8]).toEqual([id, true]);
    }
  });

  it.each([
    [terns, 'cap', 'nivalis/adult.winter', 'furtiva/adult.winter'],
    [bogUmbels, 'stem-marks', 'virosa/flowering', 'caustica/flowering'],
    [lanternMoths, 'lantern', 'vesperta/male', 'crepera/male'],
  ] as const)('has a famous character that is a trap', (guide, id, a, b) => {
    const own = compileGuide(guide);
    const table = own.tables.get(id)!;
    expect(guide.characters.find((one) => one.id === id)!.fame).toBeGreaterThan(0.8);
    const [f, g] = [a, b].map((form) => own.forms.findIndex((one) => one.id === form));
    const forms = own.forms.length;
    const overlap =
      table.type === 'states'
        ? table.states.reduce((sum, __, s) => sum + Math.min(table.frequency[s * forms + f], table.frequency[s * forms + g]), 0)
        : 0;
    expect(overlap).toBeGreaterThan(0.6);
  });
});
