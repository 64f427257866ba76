import { crossAsked, kinshipAsked, posteriorAsked, proofAsked, suspectsAsked, unlikelyAsked } from '.';
import { CrossRequest, KinshipRequest, PosteriorRequest, ProofRequest, SuspectsRequest, UnlikelyRequest } from './schema';
import { locus } from './test/work';

const PALE = { system: 'ZW', loci: [locus('p', '+', 'p', { inheritance: 'sex-linked' })] };
const pair = [
  { id: 'f', sex: 'male', phenotypes: { p: 'p' } },
  { id: 'm', sex: 'female', phenotypes: { p: '+' } },
];
const posterior = (more: object) => posteriorAsked(PosteriorRequest.parse({ ...PALE, individuals: pair, ...more }));
/** What was refused: by code and field. */
const refusals = (outcome: { ok: boolean; problems?: { code: string; field?: string }[] }) =>
  outcome.ok ? [] : outcome.problems!.map(({ code, field }) => [code, field]);

describe('what is wrong is named by individual and field', () => {
  const cases: [string, object[], [string, string]][] = [
    [
      'its own ancestor',
      [
        { id: 'a', father: 'b' },
        { id: 'b', father: 'a' },
      ],
      ['own-ancestor', 'individuals.a.father'],
    ],
    ['a father that is a female', [...pair, { id: 'y', father: 'm' }], ['wrong-sex', 'individuals.y.father']],
    ['a mother that is a male', [...pair, { id: 'y', mother: 'f' }], ['wrong-sex', 'individuals.y.mother']],
    ['a parent that is not there', [{ id: 'y', father: 'x' }], ['unknown-individual', 'individuals.y.father']],
    ['two of one id', [...pair, { id: 'f' }], ['twice', 'individuals.f.id']],
    [
      'one father and several',
      [...pair, { id: 'y', father: 'f', fathers: [{ id: 'f' }, { id: null }] }],
      ['both', 'individuals.y.fathers'],
    ],
    [
      'a candidate that stands twice',
      [...pair, { id: 'y', fathers: [{ id: 'f' }, { id: 'f' }] }],
      ['twice', 'individuals.y.fathers'],
    ],
    ['a state that is none', [{ id: 'y', phenotypes: { p: 'blue' } }], ['unknown-state', 'individuals.y.phenotypes.p']],
    ['a character that is none', [{ id: 'y', phenotypes: { legs: 'p' } }], ['no-character', 'individuals.y.phenotypes.legs']],
  ];
  it.each(cases)('%s', (_, individuals, refusal) => {
    expect(refusals(posterior({ individuals }))).toContainEqual(refusal);
  });

  const models: [string, object, [string, string]][] = [
    [
      'frequencies that do not come to 1',
      {
        loci: [
          locus('p', '+', 'p', {
            alleles: [
              { id: '+', frequency: 0.5 },
              { id: 'p', frequency: 0.1 },
            ],
          }),
        ],
      },
      ['frequencies', 'loci[0].alleles'],
    ],
    [
      'a lethal genotype that is none',
      { loci: [locus('p', '+', 'p', { lethal: ['p/q'] })] },
      ['no-genotype', 'loci[0].lethal[0]'],
    ],
    [
      'a dominance that leaves one out',
      { loci: [locus('p', '+', 'p', { dominance: ['p'] })] },
      ['dominance', 'loci[0].dominance'],
    ],
    [
      'a locus after itself',
      { loci: [locus('p', '+', 'p', { after: { locus: 'p', recombination: { male: 0, female: 0 } } })] },
      ['no-locus-before', 'loci[0].after.locus'],
    ],
    [
      'a rule for an allele that is none',
      { characters: [{ id: 'wing', loci: ['p'], rules: [{ where: { p: { has: 'q' } }, shows: 'x' }, { shows: 'y' }] }] },
      ['no-allele', 'characters[0].rules[0].where.p'],
    ],
    [
      'a rule for no locus of it',
      { characters: [{ id: 'wing', loci: ['p'], rules: [{ where: { q: { has: 'p' } }, shows: 'x' }, { shows: 'y' }] }] },
      ['other-locus', 'characters[0].rules[0].where'],
    ],
    [
      'shares that do not come to 1',
      { characters: [{ id: 'wing', loci: ['p'], rules: [{ shows: { x: 0.5 } }] }] },
      ['shares', 'characters[0].rules[0].shows'],
    ],
    [
      'genotypes of which nothing is said',
      { characters: [{ id: 'wing', loci: ['p'], rules: [{ where: { p: { only: 'p' } }, shows: 'x' }] }] },
      ['not-said', 'characters[0].rules'],
    ],
    [
      'a character by the name of a locus that is one',
      { characters: [{ id: 'p', loci: ['p'], rules: [{ shows: 'x' }] }] },
      ['character-twice', 'characters'],
    ],
    ['founders of no locus', { founders: { q: { p: 1 } } }, ['no-locus', 'founders.q']],
    ['founders that leave an allele out', { founders: { p: { p: 1 } } }, ['frequencies', 'founders.p']],
    ['a question of nobody', { ask: [[{ id: 'x', locus: 'p' }]] }, ['unknown-individual', 'ask[0][0].id']],
  ];
  it.each(models)('%s', (_, more, refusal) => {
    expect(refusals(posterior({ individuals: [{ id: 'a' }], ...more }))).toContainEqual(refusal);
  });

  it('an observed lethal genotype, which no living one can be', () => {
    const smoke = {
      loci: [locus('s', 'S', '+', { lethal: ['S/S'] })],
      characters: [{ id: 'wing', loci: ['s'], rules: [{ where: { s: { only: 'S' } }, shows: 'black' }, { shows: 'other' }] }],
    };
    const outcome = posterior({ ...smoke, individuals: [{ id: 'a', phenotypes: { wing: 'black' } }] });
    expect(outcome).toMatchObject({
      ok: true,
      value: {
        individuals: [{ id: 'a', sexP: { female: 0.5, male: 0.5 } }],
        impossible: [{ records: [{ id: 'a', what: 'phenotype', character: 'wing' }], p: 1, why: 'a: wing is wrong' }],
      },
    });
  });

  it('more loci than can be looked at together, or more genotypes', () => {
    const many = Array.from({ length: 12 }, (_, i) => locus(`l${i}`, 'A', 'a'));
    const base = {
      loci: many,
      individuals: [
        { id: 'f', sex: 'male' },
        { id: 'm', sex: 'female' },
      ],
    };
    expect(refusals(crossAsked(CrossRequest.parse({ ...base, father: 'f', mother: 'm' })))).toEqual([
      ['too-tangled', 'individuals'],
    ]);
    const all = ['f', 'm'].flatMap((id) => many.slice(0, 3).map((one) => ({ id, locus: one.id })));
    expect(posteriorAsked(PosteriorRequest.parse({ ...base, ask: [all] })).ok).toBe(true);
    const alleles = Array.from({ length: 8 }, (_, i) => ({ id: `a${i}`, frequency: 1 / 8 }));
    const wide = ['p', 'q', 'r', 's'].map((id) => ({ id, inheritance: 'autosomal', alleles }));
    const coat = { id: 'coat', loci: ['p', 'q', 'r', 's'], rules: [{ shows: 'x' }] };
    expect(refusals(posterior({ loci: wide, characters: [coat], individuals: [{ id: 'a' }] }))).toEqual([
      ['too-many-genotypes', 'characters[0].loci'],
    ]);
  });

  it('what is too tangled to be worked out, in words and not by hanging', () => {
    const founders = Array.from({ length: 90 }, (_, i) => ({ id: `k${i}`, sex: i % 2 ? 'female' : 'male' }));
    const young = Array.from({ length: 400 }, (_, i) => ({
      id: `y${i}`,
      father: `k${2 * ((i * 7) % 45)}`,
      mother: `k${2 * ((i * 3 + (i >> 4)) % 45) + 1}`,
    }));
    expect(refusals(posterior({ individuals: [...founders, ...young] }))).toEqual([['too-tangled', 'individuals']]);
  });
});

describe('questions', () => {
  const young = { id: 'y', sex: { called: 'male', certainty: 0.9 }, father: 'f', mother: 'm', phenotypes: { p: 'p' } };

  it('of founders that are others than the model’s are answered by theirs', () => {
    const of = (more: object) => {
      const outcome = posterior({ individuals: [{ id: 'a', sex: 'male', phenotypes: { p: '+' } }], ...more });
      return outcome.ok && +outcome.value.individuals[0].genotypes.p.find(({ genotype }) => genotype === '+/p')!.p.toFixed(6);
    };
    expect(of({})).toBe(+(0.18 / 0.99).toFixed(6));
    expect(of({ founders: { p: { '+': 0.5, p: 0.5 } } })).toBe(+(0.5 / 0.75).toFixed(6));
  });

  it('of a cross, a proof and whose it is name who is not there', () => {
    const base = { ...PALE, individuals: [...pair, young] };
    expect(refusals(crossAsked(CrossRequest.parse({ ...base, father: 'x', mother: 'm' })))).toEqual([
      ['unknown-individual', 'father'],
    ]);
    expect(refusals(crossAsked(CrossRequest.parse({ ...base, father: 'm', mother: 'f' })))).toEqual([['no-young', 'father']]);
    const proof = { id: 'f', locus: 'p', allele: 'q', shows: { character: 'p', state: 'blue' }, mates: ['x'] };
    expect(refusals(proofAsked(ProofRequest.parse({ ...base, ...proof })))).toEqual([
      ['unknown-individual', 'mates[0]'],
      ['no-allele', 'allele'],
      ['unknown-state', 'shows.state'],
    ]);
    expect(refusals(suspectsAsked(SuspectsRequest.parse({ ...base, group: [{ id: 'm' }, { id: 'm' }] })))).toEqual([
      ['twice', 'group'],
    ]);
    expect(refusals(suspectsAsked(SuspectsRequest.parse({ ...base, group: [{ id: 'f' }] })))).toEqual([['of-nobody', 'group']]);
    const separated = [{ id: 'f', found: 'none' }];
    expect(refusals(suspectsAsked(SuspectsRequest.parse({ ...base, group: [{ id: 'm' }], separated })))).toEqual([
      ['not-of-the-group', 'separated[0].id'],
    ]);
    expect(refusals(unlikelyAsked(UnlikelyRequest.parse({ ...base, of: ['m', 'q'] })))).toEqual([
      ['unknown-individual', 'of[1]'],
    ]);
  });

  it('what is unlikely is looked at without what is known to be wrong, said or found', () => {
    const wrong = { id: 'w', sex: 'male', father: 'f', mother: 'm', phenotypes: { p: 'p' } };
    const plain = { id: 's', sex: { called: 'male', certainty: 0.9 }, father: 'f', mother: 'm', phenotypes: { p: 'p' } };
    const of = (more: object) =>
      unlikelyAsked(UnlikelyRequest.parse({ ...PALE, individuals: [...pair, wrong, plain], of: ['s'], ...more }));
    const found = of({});
    expect(found).toMatchObject({
      ok: true,
      value: { records: [{ record: { id: 's', what: 'sex' } }], without: [{ id: 'w', what: 'sex' }] },
    });
    expect(of({ without: [{ id: 'w', what: 'sex' }] })).toEqual(found);
    expect(refusals(of({ without: [{ id: 'q', what: 'sex' }] }))).toEqual([['unknown-individual', 'without[0].id']]);
  });

  it('whose it is, is moved by what it grew to', () => {
    const group = [{ id: 'm' }, { id: 'n' }];
    const asked = { ...PALE, individuals: [...pair, { id: 'n', sex: 'female', phenotypes: { p: 'p' } }], group };
    const of = (more: object) => {
      const outcome = suspectsAsked(SuspectsRequest.parse({ ...asked, ...more }));
      return outcome.ok && Object.fromEntries(outcome.value.members.map(({ id, p }) => [id, +p.toFixed(6)]));
    };
    expect(of({})).toEqual({ m: 0.5, n: 0.5 });
    // A pale young is a daughter of a father that carries, or a son of him and a pale mother: 0.1 / 2 of m's, (0.1 + 0.1) / 2 of n's.
    expect(of({ phenotypes: { p: 'p' } })).toEqual({ n: +(2 / 3).toFixed(6), m: +(1 / 3).toFixed(6) });
  });

  it('are answered without the record that is the likeliest to be wrong, where not all can be true', () => {
    const wrong = { id: 'w', sex: 'male', father: 'f', mother: 'm', phenotypes: { p: 'p' } };
    const base = { ...PALE, individuals: [...pair, wrong] };
    const without = [{ id: 'w', what: 'sex' }];
    expect(crossAsked(CrossRequest.parse({ ...base, father: 'f', mother: 'm' }))).toMatchObject({ ok: true, value: { without } });
    expect(suspectsAsked(SuspectsRequest.parse({ ...base, group: [{ id: 'w' }, { id: 'm' }] }))).toMatchObject({
      ok: true,
      value: {
        without,
        members: [
          { id: 'm', p: 0.5 },
          { id: 'w', p: 0.5 },
        ],
      },
    });
    const proof = { id: 'm', locus: 'p', allele: 'p', shows: { character: 'p', state: 'p' }, mates: ['f'] };
    expect(proofAsked(ProofRequest.parse({ ...base, ...proof }))).toMatchObject({ ok: true, value: { without } });
    expect(crossAsked(CrossRequest.parse({ ...PALE, individuals: pair, father: 'f', mother: 'm' }))).not.toHaveProperty(
      'value.without',
    );
  });

  it('of kinship need parents only', () => {
    const individuals = [{ id: 'a' }, { id: 'b' }, { id: 'x', father: 'a', mother: 'b' }, { id: 'z', father: 'a', mother: 'x' }];
    const outcome = kinshipAsked(KinshipRequest.parse({ individuals }));
    expect(outcome).toMatchObject({
      ok: true,
      value: { inbreeding: [{ id: 'a', f: 0 }, { f: 0 }, { f: 0 }, { id: 'z', f: 0.25 }] },
    });
    expect(outcome.ok && outcome.value.kinship.find(({ of }) => of.join() === 'a,x')).toEqual({ of: ['a', 'x'], phi: 0.25 });
    expect(outcome.ok && outcome.value.kinship.some(({ of }) => of.join() === 'a,b')).toBe(false);
  });
});
