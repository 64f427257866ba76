import { ledgeCrabs } from '../../demo/ledgeCrabs';
import { tentCones } from '../../demo/tentCones';
import { normal, pick, seeded } from '../probability';
import { compileGuide, type Guide } from '../guide';
import { traitsOf } from '../plates';
import { tinyGuide } from '../test/tinyGuide';
import type { Reading } from '../observation';
import { expectedInformation, groupByFacet, groupByRank, groupMasses, levelsOf, possibleForms, ranked, posteriorOf } from '.';

const compiled = compileGuide(ledgeCrabs);

/** A crab drawn from the guide as it lives there, read at random characters with the misreading the guide states. */
function simulate(random: () => number): { form: number; readings: Reading[] } {
  let left = random();
  const form = compiled.base.findIndex((weight) => (left -= weight) < 0);
  const traits = traitsOf(compiled, Math.max(0, form), random);
  const readings = ledgeCrabs.characters.flatMap((character): Reading[] => {
    if (random() > 0.12 || character.dependence) return [];
    const trait = traits[character.id];
    return [typeof trait === 'number' ? { character: character.id, value: trait } : { character: character.id, states: [trait] }];
  });
  return { form: Math.max(0, form), readings };
}

describe('stated probabilities', () => {
  it('hold: of crabs put at about 80 in 100 about 80 are that species', () => {
    const random = seeded('calibration');
    const species = groupByRank(compiled, 'species');
    let stated = 0;
    let right = 0;
    let count = 0;
    for (let n = 0; n < 4000; n++) {
      const { form, readings } = simulate(random);
      const masses = groupMasses(species, posteriorOf(compiled, {}, readings).p);
      const [first] = ranked(masses);
      if (masses[first] < 0.7 || masses[first] > 0.9) continue;
      count++;
      stated += masses[first];
      if (species.of[form] === first) right++;
    }
    expect(count).toBeGreaterThan(200);
    // States are read without error here, so the truth is right a little oftener than stated, never less.
    expect(right / count).toBeGreaterThan(stated / count - 0.05);
    expect(right / count).toBeLessThan(stated / count + 0.12);
  });
});

describe('over 10,000 tent cones, read with the misreading and errors that the guide states', () => {
  const cones = compileGuide(tentCones);
  const species = groupByRank(cones, 'species');

  /** A shell of the guide, read at random characters, one of each dependence group. */
  function shell(random: () => number): { form: number; readings: Reading[] } {
    const form = pick(cones.base, random);
    const seen = new Set<string>();
    const readings = tentCones.characters.flatMap(({ id, dependence, error }): Reading[] => {
      if (random() > 0.25 || seen.has(dependence ?? id)) return [];
      seen.add(dependence ?? id);
      const table = cones.tables.get(id)!;
      if (!table.scored[form] || table.applies) return [];
      if (table.type === 'states') {
        const forms = cones.forms.length;
        const state =
          table.states[
            pick(
              table.states.map((_, s) => 2 ** table.bits[s * forms + form]),
              random,
            )
          ];
        return [table.character.kind === 'count' ? { character: id, value: Number(state) } : { character: id, states: [state] }];
      }
      const wide = random() < tentCones.settings.tail ? 4 : 1;
      const true_ = table.mean[form] + wide * table.sd[form] * normal(random);
      if (!table.log) return [{ character: id, value: true_ + error! * normal(random) }];
      return [{ character: id, value: Math.exp(true_) * (1 + (error! / Math.exp(true_)) * normal(random)) }];
    });
    return { form, readings };
  }

  it('of what is called at about 90 in 100, 88 to 92 are right', () => {
    const random = seeded('ten thousand cones');
    let called = 0;
    let right = 0;
    for (let n = 0; n < 10_000; n++) {
      const { form, readings } = shell(random);
      const masses = groupMasses(species, posteriorOf(cones, {}, readings).p);
      const [first] = ranked(masses);
      if (masses[first] < 0.88 || masses[first] > 0.92) continue;
      called++;
      if (species.of[form] === first) right++;
    }
    expect(called).toBeGreaterThan(400);
    // All of them are of the guide, so the little kept for what is not in it falls to the right side.
    expect(right / called).toBeGreaterThan(0.88);
    expect(right / called).toBeLessThan(0.935);
  });
});

describe('levels', () => {
  it('are the ranks from broad to narrow, then the facets', () => {
    expect(levelsOf(compiled).map(({ level }) => (level.kind === 'rank' ? level.rank : level.facet))).toEqual([
      'genus',
      'species',
      'subspecies',
      'stage',
      'sex',
      'morph',
    ]);
  });

  it('put species without subspecies beside the subspecies of others', () => {
    expect(groupByRank(compiled, 'subspecies').groups.map(({ id }) => id)).toEqual([
      'cinerata',
      'murica',
      'velloma-velloma',
      'velloma-ostrena',
    ]);
  });

  it('leave forms without a facet out of its groups', () => {
    const sex = groupByFacet(compiled, 'sex');
    compiled.forms.forEach((form, f) => expect(sex.of[f] >= 0).toBe(form.facets.sex !== undefined));
  });
});

describe('very many forms', () => {
  /** 900 species that differ in one character, each as likely as the next. */
  const many = (): Guide => {
    const base = tinyGuide();
    const taxa = Array.from({ length: 900 }, (_, i) => ({
      id: `s${i}`,
      name: `Tessella s${i}`,
      rank: 'species' as const,
      parent: 'genus',
      abundance: 1,
      forms: [{ share: 1, facets: {} }],
    }));
    return tinyGuide({
      taxa: [base.taxa[0], ...taxa],
      scores: taxa.map(({ id }, i) => ({
        character: 'edge',
        scope: { taxon: id },
        source: 'book',
        value: { kind: 'states', states: { round: i % 3 ? 0.9 : 0.2 } },
      })),
    });
  };

  it('are stood for by a sample that keeps all of the probability', () => {
    const large = compileGuide(many());
    const live = possibleForms(posteriorOf(large, {}, []), groupByRank(large, 'species'));
    expect(live.forms.length).toBeLessThanOrEqual(256);
    expect(live.p.reduce((a, b) => a + b, live.outside)).toBeCloseTo(1, 3);
  });

  it('give the same worth of a character as all of them together', () => {
    const large = compileGuide(many());
    const grouping = groupByRank(large, 'species');
    const worth = expectedInformation(large.tables.get('edge')!, possibleForms(posteriorOf(large, {}, []), grouping), 0);
    // I = H(½·…): P(round) = (2 × 0.9 + 0.2) / 3 = 2/3; H(2/3) − (2 H(0.9) + H(0.2)) / 3 = 0.91830 − 0.55330 = 0.36500.
    expect(worth).toBeCloseTo(0.365, 2);
  });
});
