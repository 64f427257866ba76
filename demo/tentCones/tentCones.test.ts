import { standingOf } from '@plesion/core/evidence';
import { checkGuide, compiledFor, compileGuide, formsOf, readGuide } from '@plesion/core/guide';
import { planOf } from '@plesion/core/plates/plans';
import { demoGuides, demoSpecimens, tentCones } from '..';

const compiled = compileGuide(tentCones, { circumstances: ['crawling'], date: '04-15' });
const terminal = compiled.forms.flatMap((form, f) => (form.cross ? [] : [{ ...form, f }]));

describe('the tent cones', () => {
  it('are a sound guide of seven species', () => {
    expect(checkGuide(tentCones)).toEqual([]);
    expect(readGuide(JSON.parse(JSON.stringify(tentCones)))).toEqual({ ok: true, value: tentCones });
    const species = tentCones.taxa.filter(({ rank, cross }) => rank === 'species' && !cross);
    expect(species).toHaveLength(7);
    expect(formsOf(tentCones).filter(({ cross }) => !cross)).toHaveLength(16);
  });

  it('score every form for every character that is not the mark of some only', () => {
    const only = ['egg-capsules', 'tent-size'];
    for (const character of tentCones.characters.filter(({ id }) => !only.includes(id))) {
      const table = compiled.tables.get(character.id)!;
      const left = terminal.filter(({ f }) => !table.scored[f]).map(({ id }) => id);
      expect([character.id, left]).toEqual([character.id, []]);
    }
  });

  it('the twins differ in proportion and in nothing else', () => {
    const [g, s] = ['gemellus/adult', 'sororius/adult'].map((id) => compiled.forms.findIndex((form) => form.id === id));
    const differ = tentCones.characters.filter(({ id }) => {
      const table = compiled.tables.get(id)!;
      if (table.type === 'values') return Math.abs(table.mean[g] - table.mean[s]) > 0.5 * table.sd[g];
      return table.states.some(
        (_, k) => table.frequency[k * compiled.forms.length + g] !== table.frequency[k * compiled.forms.length + s],
      );
    });
    expect(differ.map(({ id }) => id)).toEqual(['outline-ratio', 'spire-angle']);
  });

  it('draws every state of every mark that has a place on the plate', () => {
    for (const character of tentCones.characters) {
      if (!character.plate) continue;
      for (const state of character.states ?? []) expect(planOf(tentCones)!.tile(character, state.id)).toBeDefined();
    }
  });

  it('says of no shell that it is harmless or safe', () => {
    expect(JSON.stringify(tentCones)).not.toMatch(/harmless|edible|safe to/i);
    for (const { hazards, id } of tentCones.taxa)
      for (const hazard of hazards ?? []) expect([id, hazard.text.length > 20]).toEqual([id, true]);
  });
});

describe('the demo daybook', () => {
  it('names only guides, characters and taxa that there are, and says what is recommended now', () => {
    for (const { guide: slug, situation, readings, determinations, label } of demoSpecimens) {
      const guide = demoGuides.find(({ id }) => id === slug)!;
      const answer = standingOf(compiledFor(guide, situation), situation, readings);
      const last = determinations.at(-1);
      if (!last || last.overruled) continue;
      expect([label, answer.call.taxon]).toEqual([label, last.taxon]);
    }
  });
});
