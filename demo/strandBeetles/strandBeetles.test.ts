import { checkGuide, compileGuide, formsOf, lineage, readGuide, termsIn } from '@plesion/core/guide';
import { endpointsOf, type Key, leadsOf, lintKey, wayTo } from '@plesion/core/keys';
import { traitsOf } from '@plesion/core/plates';
import { planOf } from '@plesion/core/plates/plans';
import { seeded } from '@plesion/core/probability';
import { keyedEnd } from '@plesion/core/test';
import { demoLots, demoSpecimens, selwithKey, strandBeetles, tolmarKey } from '..';

const compiled = compileGuide(strandBeetles);
const species = strandBeetles.taxa.filter(({ rank }) => rank === 'species');

describe('the strand beetles', () => {
  it('are a sound guide of twenty-two species in two sexes', () => {
    expect(checkGuide(strandBeetles)).toEqual([]);
    expect(readGuide(JSON.parse(JSON.stringify(strandBeetles)))).toEqual({ ok: true, value: strandBeetles });
    expect(species).toHaveLength(22);
    expect(formsOf(strandBeetles)).toHaveLength(44);
  });

  it('score every form for every character', () => {
    for (const { id } of strandBeetles.characters) {
      const table = compiled.tables.get(id)!;
      expect([id, compiled.forms.filter((_, f) => !table.scored[f]).map((form) => form.id)]).toEqual([id, []]);
    }
  });

  it('draw every state of every mark, and explain terms with drawings that exist', () => {
    const plan = planOf(strandBeetles)!;
    for (const character of strandBeetles.characters) {
      for (const state of character.states ?? [])
        expect([character.id, state.id, plan.tile(character, state.id) !== undefined]).toEqual([character.id, state.id, true]);
    }
    for (const { figure, term } of strandBeetles.glossary!) {
      if (!figure || 'part' in figure) throw new Error(`“${term}” is to be drawn by states`);
      const character = strandBeetles.characters.find(({ id }) => id === figure.character);
      expect([term, figure.states.every((state) => plan.tile(character!, state))]).toEqual([term, true]);
    }
  });
});

describe.each([selwithKey, tolmarKey].map((key): [string, Key] => [key.title, key]))('%s', (_, key) => {
  it('has about twenty couplets, no fault, and terms to look up', () => {
    expect(key.couplets).toHaveLength(20);
    expect(lintKey(key, strandBeetles).filter(({ weight }) => weight === 'fault')).toEqual([]);
    const terms = leadsOf(key).flatMap(({ lead }) =>
      lead.statements.flatMap(({ text }) => termsIn(strandBeetles, text).filter((run) => run.term)),
    );
    expect(terms.length).toBeGreaterThan(40);
  });

  it('ties every statement but exceptions to a character of the guide', () => {
    const untied = leadsOf(key).flatMap(({ lead }) => lead.statements.filter(({ link, join }) => !link && join !== 'except'));
    expect(untied.map(({ text }) => text)).toEqual([]);
  });

  it('leads nearly every individual drawn from the scores to its own name, when it is read without error', () => {
    const random = seeded('keyed');
    let right = 0;
    let all = 0;
    for (const to of endpointsOf(key)) {
      if (to.kind !== 'taxon') continue;
      const forms = compiled.forms.flatMap((form, f) => (form.taxon === to.taxon ? [f] : []));
      for (let i = 0; i < 4; i++) {
        all++;
        if (keyedEnd(key, compiled, traitsOf(compiled, forms[i % 2], random)) === to.taxon) right++;
      }
    }
    // Scored variation, sizes near thresholds and rare states leave some to go wrong; a key that is right for all would not be true to life.
    expect(right / all).toBeGreaterThan(0.55);
    expect(right / all).toBeLessThan(1);
  });
});

describe('the two keys', () => {
  it('do not agree: one keeps a species the other sinks, and they read the punctures of aridus otherwise', () => {
    expect(wayTo(selwithKey, 'dubiosus').length).toBeGreaterThan(0);
    expect(wayTo(tolmarKey, 'dubiosus')).toEqual([]);
    const punctures = (key: Key) =>
      wayTo(key, 'aridus')
        .at(-1)!
        .lead.statements.flatMap(({ link }) => (link?.character === 'row-punctures' && 'states' in link ? link.states : []));
    expect([punctures(selwithKey), punctures(tolmarKey)]).toEqual([['coarse'], ['fine']]);
  });

  it('end at taxa below the tribe they are for', () => {
    for (const key of [selwithKey, tolmarKey]) {
      for (const to of endpointsOf(key))
        expect(to.kind === 'taxon' && lineage(strandBeetles, to.taxon!).at(-1)!.id).toBe('lithonychini');
    }
  });
});

describe('the lots', () => {
  it('hold specimens of the daybook, read with the guide', () => {
    const characters = new Set(strandBeetles.characters.map(({ id }) => id));
    for (const lot of demoLots) {
      const own = demoSpecimens.filter(({ id }) => lot.specimens.includes(id));
      expect(own).toHaveLength(lot.specimens.length);
      expect(own.every(({ guide }) => guide === lot.guide)).toBe(true);
      expect(own.flatMap(({ readings }) => readings).filter(({ character }) => !characters.has(character))).toEqual([]);
    }
  });
});
