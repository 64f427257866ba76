import { demoGuides } from '@plesion/demo';
import { readyModel, writtenGenotypes } from '../guide/heredityModel';
import { HereditySection } from '../guide/hereditySchema';
import {
  heredityProblems,
  type NewGene,
  readShares,
  sayShares,
  withFrequency,
  withGene,
  withoutAllele,
  withoutLocus,
} from './inherited';

const moths = demoGuides.find(({ id }) => id === 'lantern-moths')!;
const pale: NewGene = {
  ...{ label: 'pale', linked: true, showing: 'recessive', character: 'morph', usual: 'wild', other: 'pale' },
  frequency: 0.18,
};
const smoke: NewGene = {
  ...{ label: 'smoke', linked: false, showing: 'dominant', character: 'morph', usual: 'wild', other: 'smoke' },
  frequency: 0.06,
};
/** What is shown by a genotype, written as `locus a/b`. */
const shown = (section: HereditySection, sex: 'female' | 'male', ...genotype: [number, number][]) => {
  const ready = readyModel(section);
  if (!ready.ok) throw new Error(ready.problems[0].message);
  const [{ states, shows }] = ready.value.characters;
  return Object.fromEntries(shows(sex, genotype).flatMap((p, i) => (p ? [[states[i], p]] : [])));
};

describe('genes as a keeper tells them', () => {
  it('come to the section of the moths, but for its labels and what is lethal', () => {
    const section = withGene(withGene(undefined, pale), smoke);
    expect(HereditySection.parse(section)).toEqual(section);
    const { loci, characters, system } = moths.heredity!;
    expect(section.characters).toEqual(characters);
    expect(section.system).toBe(system);
    const plain = (all: typeof loci) =>
      all.map(({ id, inheritance, alleles }) => [id, inheritance, ...alleles.map((one) => [one.id, one.frequency])]);
    expect(plain(section.loci)).toEqual(plain(loci));
    expect(heredityProblems({ ...moths, heredity: section })).toEqual([]);
  });

  it('may show otherwise with one copy', () => {
    const both = withGene(undefined, { ...smoke, showing: 'both', between: 'grey' });
    expect(shown(both, 'male', [0, 0])).toEqual({ wild: 1 });
    expect(shown(both, 'male', [0, 1])).toEqual({ grey: 1 });
    expect(shown(both, 'male', [1, 1])).toEqual({ smoke: 1 });
  });

  it('have signs and ids of their own', () => {
    const white = { ...pale, label: 'white', showing: 'dominant' as const, other: 'white' };
    // W stands for the sex chromosome without an allele.
    expect(withGene(undefined, white).loci[0].alleles.map(({ id }) => id)).toEqual(['+', 'x']);
    expect(withGene(undefined, { ...white, linked: false }).loci[0].alleles[1].id).toBe('W');
    expect(withGene(undefined, { ...pale, other: '++' }).loci[0].alleles[1].id).toBe('x');
    expect(withGene(withGene(undefined, pale), pale).loci.map(({ id }) => id)).toEqual(['pale', 'pale-2']);
  });
});

describe('what is taken out', () => {
  const section = HereditySection.parse(moths.heredity);

  it('a locus goes with its rules, with what strains say of it, and with the section where it was the last', () => {
    const left = withoutLocus(section, 'smoke')!;
    expect(left.loci.map(({ id }) => id)).toEqual(['pale']);
    expect(left.characters).toEqual([
      { id: 'morph', loci: ['pale'], rules: [section.characters[0].rules[0], { where: {}, shows: 'wild' }] },
    ]);
    expect(left.strains!.map(({ founders }) => Object.keys(founders!))).toEqual([['pale'], ['pale']]);
    expect(heredityProblems({ ...moths, heredity: left })).toEqual([]);
    expect(withoutLocus(left, 'pale')).toBeUndefined();
  });

  it('a locus that another follows leaves it without what it followed', () => {
    const after = { locus: 'pale', recombination: { male: 0.1, female: 0 } };
    const line = { ...section, loci: [section.loci[0], { ...section.loci[1], inheritance: 'sex-linked' as const, after }] };
    expect(withoutLocus(line, 'pale')!.loci[0]).not.toHaveProperty('after');
    expect(withoutLocus(line, 'smoke')!.loci[0]).toEqual(section.loci[0]);
  });

  it('an allele goes with its rules and lethal genotypes, and the others are as common together as all were', () => {
    const three = {
      ...section,
      loci: section.loci.map((locus) =>
        locus.id === 'smoke'
          ? withFrequency({ ...locus, alleles: [...locus.alleles, { id: 'T', frequency: 0 }] }, 'T', 0.04)
          : locus,
      ),
    };
    three.loci[1] = withFrequency(three.loci[1], '+', 0.9);
    const left = withoutAllele(three, 'smoke', 'S');
    expect(left.loci[1].alleles.map(({ id }) => id)).toEqual(['+', 'T']);
    expect(left.loci[1].alleles.map(({ frequency }) => +frequency.toFixed(9))).toEqual([
      +(0.9 / 0.94).toFixed(9),
      +(0.04 / 0.94).toFixed(9),
    ]);
    expect(left.loci[1].lethal).toEqual([]);
    expect(left.characters[0].rules.map(({ shows }) => shows)).toEqual(['pale', 'wild']);
  });
});

it('of two alleles the other is the rest; of three it is not', () => {
  const [, smokes] = HereditySection.parse(moths.heredity).loci;
  expect(withFrequency(smokes, 'S', 0.07).alleles.map(({ frequency }) => frequency)).toEqual([0.93, 0.07]);
  const three = { ...smokes, alleles: [...smokes.alleles, { id: 'T', frequency: 0 }] };
  expect(withFrequency(three, 'T', 0.1).alleles.map(({ frequency }) => frequency)).toEqual([0.94, 0.06, 0.1]);
});

describe('how common alleles are, in 100', () => {
  it.each([
    ['+ 60, p 40', { '+': 0.6, p: 0.4 }],
    ['p 40; + 60', { '+': 0.6, p: 0.4 }],
    ['+ 99,5, p 0,5', { '+': 0.995, p: 0.005 }],
    ['  ', undefined],
  ])('%j is read', (text, shares) => {
    expect(readShares(text, ['+', 'p'])).toEqual({ ok: true, value: shares });
    if (shares) expect(readShares(sayShares(shares), ['+', 'p'])).toEqual({ ok: true, value: shares });
  });

  it.each([
    ['+ 60, q 40', /no allele “q”.*\+ 90, p 10/],
    ['+ 60', /“p” is missing/],
    ['+ 60, + 40', /stands twice/],
    ['+ 60, p 60', /come to 120, not to 100/],
    ['+ many, p 40', /is no allele and how common/],
    ['+ 160, p -60', /is no allele and how common/],
    ['constructor 5', /no allele/],
  ])('%j is refused', (text, message) => {
    const read = readShares(text, ['+', 'p']);
    expect(read.ok ? '' : read.problems[0].message).toMatch(message);
  });
});

it('genotypes are written with the empty chromosome of the uneven sex', () => {
  const [own, other] = HereditySection.parse(moths.heredity).loci;
  expect(writtenGenotypes(own, 'ZW')).toEqual(['+/+', '+/p', 'p/p', '+/W', 'p/W']);
  expect(writtenGenotypes(own, 'XY').slice(3)).toEqual(['+/Y', 'p/Y']);
  expect(writtenGenotypes(other, 'ZW')).toEqual(['+/+', '+/S', 'S/S']);
});

it('what does not hold is told by its field', () => {
  const { alleles } = moths.heredity!.loci[0];
  const wrong = {
    ...moths.heredity!,
    loci: [{ ...moths.heredity!.loci[0], alleles: [alleles[0], { ...alleles[1], frequency: 0.5 }] }],
  };
  expect(heredityProblems({ ...moths, heredity: wrong }).map(({ field }) => field)).toContain('loci[0].alleles');
  expect(heredityProblems({ ...moths, heredity: { ...moths.heredity!, taxon: 'nobody' } }).map(({ field }) => field)).toEqual([
    'taxon',
  ]);
  expect(heredityProblems({ ...moths, heredity: undefined })).toEqual([]);
});
