import type { Score } from '@plesion/core/guide';
import { countsFrom, from, type ScopedFacets } from '../scoring';

const BOOK = 'shell-book';
const SURVEY = 'reef-survey';

const adult: ScopedFacets = { stage: ['adult'] };
const young: ScopedFacets = { stage: ['juvenile'] };
const crawling = { circumstances: ['crawling'] };
const spring = { dates: { from: '03-01', to: '05-31' } };

const [X, L, G, S, D, A, AA, AL, K, T] = [
  'vexillax',
  'lenior',
  'gemellus',
  'sororius',
  'guttarius',
  'annulax',
  'annulax-annulax',
  'annulax-litoralis',
  'coronax',
  'turbiconus',
];

/** Tents can be fine or coarse only where there are any. */
const tents = (taxon: string) => ({ character: 'tent-size', source: BOOK, scope: { taxon } });

const book: Score[] = [
  from(BOOK, 'shell-length', [
    [X, '(48–)58–88(–104)', adult],
    [L, '(36–)44–68(–80)', adult],
    [G, '(26–)32–48(–55)', adult],
    [S, '(26–)32–48(–56)', adult],
    [D, '(30–)36–56(–64)', adult],
    [AA, '(28–)34–50(–58)', adult],
    [AL, '(24–)28–42(–48)', adult],
    [K, '(34–)42–64(–75)', adult],
    [T, '(7–)11–26(–34)', young],
  ]),
  from(BOOK, 'lip', [
    [T, { thick: 'often', firm: 'sometimes' }, adult],
    [T, { thin: 'usually', firm: 0.12 }, young],
  ]),
  from(BOOK, 'shell-wear', [[T, { fresh: 'often', worn: 'sometimes' }]]),
  from(BOOK, 'outline-ratio', [
    [X, '0.46–0.54'],
    [L, '0.50–0.58'],
    [G, '0.595–0.675'],
    [S, '0.520–0.600'],
    [D, '0.53–0.61'],
    [AA, '0.57–0.66'],
    [AL, '0.55–0.64'],
    [K, '0.60–0.70'],
  ]),
  from(BOOK, 'spire-angle', [
    [X, '80–100'],
    [L, '92–114'],
    [G, '120–138'],
    [S, '106–124'],
    [D, '118–136'],
    [AA, '104–124'],
    [AL, '108–128'],
    [K, '122–142'],
  ]),
  from(BOOK, 'spire-outline', [
    [X, { straight: 'usually', domed: 0.1 }],
    [L, { domed: 'always' }],
    [G, { straight: 'often', hollow: 'sometimes' }],
    [S, { straight: 'often', hollow: 'sometimes' }],
    [D, { straight: 'usually', domed: 0.1 }],
    [A, { hollow: 'usually', straight: 0.13 }],
    [K, { straight: 'usually', hollow: 0.1 }],
  ]),
  from(BOOK, 'shoulder', [
    [X, { rounded: 'usually', angled: 0.13 }],
    [L, { rounded: 'usually', angled: 0.13 }],
    [G, { angled: 'always' }],
    [S, { angled: 'always' }],
    [D, { angled: 'usually', rounded: 0.13 }],
    [A, { angled: 'usually', rounded: 0.12 }],
    [K, { knobbed: 'always' }, adult],
    [K, { knobbed: 'often', angled: 'sometimes' }, young],
  ]),
  from(BOOK, 'sides', [
    [X, { swollen: 'often', straight: 'sometimes' }],
    [L, { swollen: 'often', straight: 'sometimes' }],
    [G, { straight: 'usually', waisted: 0.1 }],
    [S, { straight: 'usually', waisted: 0.1 }],
    [D, { straight: 'often', swollen: 'sometimes' }],
    [A, { waisted: 'usually', straight: 0.13 }],
    [K, { straight: 'usually', waisted: 0.1 }],
  ]),
  from(BOOK, 'aperture-ratio', [
    [L, '0.12–0.16', adult],
    [G, '0.11–0.15', adult],
    [S, '0.11–0.15', adult],
    [D, '0.12–0.16', adult],
    [A, '0.11–0.16', adult],
    [K, '0.12–0.17', adult],
    [T, '0.12–0.20', young],
  ]),
  from(BOOK, 'base-notch', [
    [X, { deep: 'usually' }],
    [L, { deep: 'often' }],
    [G, { shallow: 'usually' }],
    [S, { shallow: 'usually' }],
    [D, { shallow: 'often' }],
    [A, { shallow: 'usually' }],
    [K, { deep: 'sometimes' }],
  ]),
  countsFrom(BOOK, 'base-cords', [
    [X, { 4: 0.15, 5: 0.25, 6: 0.3, 7: 0.2, 8: 0.07 }],
    [L, { 2: 0.2, 3: 0.3, 4: 0.28, 5: 0.15, 6: 0.04 }],
    [G, { 3: 0.15, 4: 0.3, 5: 0.3, 6: 0.2 }],
    [S, { 3: 0.15, 4: 0.3, 5: 0.3, 6: 0.2 }],
    [D, { 6: 0.15, 7: 0.25, 8: 0.3, 9: 0.2, 10: 0.08 }],
    [A, { 2: 0.25, 3: 0.35, 4: 0.25, 5: 0.1 }],
    [K, { 1: 0.15, 2: 0.35, 3: 0.3, 4: 0.15 }],
  ]),
  from(BOOK, 'pattern', [
    [X, { tents: 'always' }],
    [L, { tents: 'usually', flames: 0.12 }],
    [G, { dots: 'often', flames: 'sometimes' }],
    [S, { dots: 'often', flames: 'sometimes' }],
    [D, { dots: 'always' }],
    [AA, { bands: 'usually', plain: 0.12 }],
    [AL, { bands: 'often', plain: 'sometimes' }],
    [K, { flames: 'usually', plain: 0.12 }],
  ]),
  from(BOOK, 'tent-size', [
    [X, { coarse: 'usually' }],
    [L, { fine: 'usually' }],
  ]),
  [X, L].map((taxon): Score => ({ ...tents(taxon), value: { kind: 'applies', frequency: 'always' } })),
  [G, S, D, A, K].map((taxon): Score => ({ ...tents(taxon), value: { kind: 'applies', frequency: 0.02 } })),
  countsFrom(BOOK, 'dark-bands', [
    [X, { 1: 0.15, 2: 0.65, 3: 0.15 }],
    [L, { 1: 0.25, 2: 0.6, 3: 0.1 }],
    [G, { 0: 0.6, 1: 0.3 }],
    [S, { 0: 0.6, 1: 0.3 }],
    [D, { 0: 0.75, 1: 0.2 }],
    [A, { 0: 0.3, 1: 0.4, 2: 0.25 }],
    [K, { 0: 0.7, 1: 0.25 }],
  ]),
  from(BOOK, 'spire-blotches', [
    [X, { many: 'usually', few: 0.13 }],
    [L, { few: 'often', many: 'sometimes' }],
    [G, { few: 'often', many: 'sometimes' }],
    [S, { few: 'often', many: 'sometimes' }],
    [D, { many: 'often', few: 'sometimes' }],
    [A, { few: 'often', none: 'sometimes' }],
    [K, { none: 'usually', few: 0.12 }],
  ]),
  from(BOOK, 'base-stain', [
    [X, { rose: 'usually', none: 0.12 }],
    [L, { rose: 0.78, none: 0.18 }],
    [G, { none: 'often', dark: 'sometimes' }],
    [S, { none: 'often', dark: 'sometimes' }],
    [D, { none: 'usually', rose: 0.1 }],
    [A, { dark: 'usually', none: 0.12 }],
    [K, { none: 'often', rose: 'sometimes' }],
  ]),
  from(BOOK, 'pattern-colour', [
    [X, { chestnut: 'usually', orange: 0.12 }],
    [L, { orange: 'often', chestnut: 'sometimes' }],
    [G, { chestnut: 'often', black: 'sometimes' }],
    [S, { chestnut: 'often', black: 'sometimes' }],
    [D, { black: 'usually', chestnut: 0.12 }],
    [A, { orange: 'often', chestnut: 'sometimes' }],
    [K, { chestnut: 'usually', orange: 0.1 }],
  ]),
  from(BOOK, 'ground-colour', [
    [X, { white: 'often', cream: 'sometimes' }],
    [L, { cream: 'often', white: 'sometimes' }],
    [G, { cream: 'often', white: 'sometimes' }],
    [S, { cream: 'often', white: 'sometimes' }],
    [D, { white: 'usually', cream: 0.12 }],
    [AA, { cream: 'often', olive: 'sometimes' }],
    [AL, { olive: 'usually', cream: 0.12 }],
    [K, { rose: 'often', cream: 'sometimes' }],
  ]),
  from(BOOK, 'aperture-colour', [
    [X, { white: 'usually' }],
    [L, { white: 'usually' }],
    [G, { violet: 'sometimes', white: 'often' }],
    [S, { violet: 'sometimes', white: 'often' }],
    [D, { white: 'often', orange: 'sometimes' }],
    [A, { violet: 'usually', white: 0.12 }],
    [K, { rose: 'usually', white: 0.12 }],
  ]),
  from(BOOK, 'coat', [
    [X, { bare: 'often', thin: 'sometimes' }],
    [L, { bare: 'often', thin: 'sometimes' }],
    [G, { thin: 'often', bare: 'sometimes' }],
    [S, { thin: 'often', bare: 'sometimes' }],
    [D, { thin: 'often', thick: 'sometimes' }],
    [A, { thin: 'often', thick: 'sometimes' }],
    [K, { thin: 'often', thick: 'sometimes' }],
  ]),
  from(BOOK, 'siphon', [
    [X, { 'red-tipped': 'always' }, undefined, crawling],
    [L, { banded: 'usually', plain: 0.12 }, undefined, crawling],
    [G, { plain: 'usually', banded: 0.12 }, undefined, crawling],
    [S, { plain: 'usually', banded: 0.12 }, undefined, crawling],
    [D, { plain: 'often', banded: 'sometimes' }, undefined, crawling],
    [A, { banded: 'usually', plain: 0.12 }, undefined, crawling],
    [K, { plain: 'always' }, undefined, crawling],
  ]),
  from(BOOK, 'egg-capsules', [
    [X, { present: 'rarely' }, adult, spring],
    [L, { present: 'often' }, adult, spring],
    [G, { present: 'sometimes' }, adult, spring],
    [S, { present: 'sometimes' }, adult, spring],
    [D, { present: 'sometimes' }, adult, spring],
    [A, { present: 'usually' }, adult, spring],
    [K, { present: 'rarely' }, adult, spring],
  ]),
].flat();

/** The book only says of the dangerous one that it gapes more widely than its double. */
const wider: Score = {
  character: 'aperture-ratio',
  source: BOOK,
  scope: { taxon: X, facets: adult },
  value: { kind: 'comparison', relation: 'above', than: { taxon: L, facets: adult } },
  note: '“Opening plainly wider than in the weaver.”',
};

/** The survey measured what the book only called; it contradicts the book on three marks. */
const survey: Score[] = [
  from(SURVEY, 'spire-outline', [
    [L, { straight: 'often', domed: 'sometimes' }],
    [X, { straight: 'usually', domed: 0.12 }],
  ]),
  from(SURVEY, 'tent-size', [
    [X, { coarse: 'often', fine: 'sometimes' }],
    [L, { fine: 'often', coarse: 'sometimes' }],
  ]),
  from(SURVEY, 'base-stain', [
    [X, { rose: 'often', none: 'sometimes' }],
    [L, { rose: 'often', none: 'sometimes' }],
    [G, { none: 'usually', dark: 0.12 }],
    [S, { dark: 'usually', none: 0.12 }],
  ]),
  from(SURVEY, 'outline-ratio', [
    [G, '0.600–0.680'],
    [S, '0.515–0.605'],
    [A, '0.55–0.66'],
  ]),
  from(SURVEY, 'spire-angle', [
    [X, '78–102'],
    [L, '90–116'],
  ]),
  from(SURVEY, 'siphon', [
    [X, { 'red-tipped': 'usually', banded: 0.1 }, undefined, crawling],
    [L, { banded: 'usually', 'red-tipped': 0.04, plain: 0.1 }, undefined, crawling],
  ]),
].flat();

export const scores: Score[] = [...book, wider, ...survey];
