import type { Score } from '@plesion/core/guide';
import { countsFrom, from, type Row, type ScopedFacets } from '../scoring';
import { ofFlowers, ofFruits, ofUmbels } from './characters';

const FLORA = 'bog-flora';
const COUNTS = 'tolmar-counts';
const POISONS = 'poison-book';

const rosette: ScopedFacets = { stage: ['rosette'] };
const flowering: ScopedFacets = { stage: ['flowering'] };
const fruiting: ScopedFacets = { stage: ['fruiting'] };
const grown: ScopedFacets = { stage: ['flowering', 'fruiting'] };

const [M, V, K, L, G, S, F, B, N] = [
  'mirreline',
  'virosa',
  'caustica',
  'larvata',
  'gemella',
  'sororella',
  'flavens',
  'globata',
  'minuta',
];

/** The twin and the sister umbel do not differ here: said of both, once. */
const both = (value: Row[1], facets?: ScopedFacets): Row[] => [
  [G, value, facets],
  [S, value, facets],
];

/** Marks of flower and fruit do not apply to plants without them. */
const applies: Score[] = [
  ...ofFlowers.map((character) => ({ character, facets: { stage: ['rosette', 'fruiting'] } })),
  ...ofFruits.map((character) => ({ character, facets: { stage: ['rosette', 'flowering'] } })),
  ...ofUmbels.map((character) => ({ character, facets: rosette })),
].map(({ character, facets }) => ({
  character,
  source: FLORA,
  scope: { taxon: M, facets },
  value: { kind: 'applies', frequency: 0.01 },
}));

const leaves: Score[] = [
  from(FLORA, 'bears', [
    [M, { leaves: 'always' }, rosette],
    [M, { flowers: 'always' }, flowering],
    [M, { fruits: 'always' }, fruiting],
  ]),
  from(FLORA, 'height', [
    [V, '(45–)60–110(–150)', grown],
    [K, '(120–)150–260(–340)', grown],
    [L, '(45–)60–110(–140)', grown],
    ...both('(35–)45–80(–100)', grown),
    [F, '(40–)50–90(–110)', grown],
    [B, '(90–)110–180(–220)', grown],
    [N, '(5–)8–18(–26)', grown],
  ]),
  from(FLORA, 'leaf-division', [
    [V, { twice: 'often', thrice: 'sometimes' }],
    [K, { once: 'usually', twice: 0.12 }],
    [L, { twice: 'often', thrice: 'sometimes' }],
    ...both({ twice: 'usually', thrice: 0.1 }),
    [F, { thrice: 'usually', twice: 0.12 }],
    [B, { twice: 'usually', thrice: 0.12 }],
    [N, { once: 'often', twice: 'sometimes' }],
  ]),
  from(FLORA, 'leaflet-shape', [
    [V, { lance: 'usually', oval: 0.12 }],
    [K, { wedge: 'often', oval: 'sometimes' }],
    [L, { lance: 'often', oval: 'sometimes' }],
    ...both({ oval: 'usually', wedge: 0.1 }),
    [F, { lance: 'often', oval: 'sometimes' }],
    [B, { oval: 'usually', lance: 0.1 }],
    [N, { wedge: 'usually', oval: 0.1 }],
  ]),
  from(FLORA, 'leaflet-edge', [
    [V, { toothed: 'usually', lobed: 0.1 }],
    [K, { lobed: 'usually', toothed: 0.12 }],
    [L, { toothed: 'often', lobed: 'sometimes' }],
    ...both({ toothed: 'usually', lobed: 0.1 }),
    [F, { entire: 'often', lobed: 'sometimes' }],
    [B, { toothed: 'usually', entire: 0.08 }],
    [N, { lobed: 'often', toothed: 'sometimes' }],
  ]),
  from(FLORA, 'leaflet-ratio', [
    [V, '0.18–0.30'],
    [K, '0.56–0.82'],
    [L, '0.26–0.40'],
    ...both('0.42–0.58'),
    [F, '0.14–0.24'],
    [B, '0.40–0.56'],
    [N, '0.55–0.75'],
  ]),
  from(FLORA, 'leaf-sheath', [
    [V, { narrow: 'usually', inflated: 0.1 }],
    [K, { inflated: 'usually' }],
    [L, { narrow: 'often', inflated: 'sometimes' }],
    ...both({ narrow: 'usually', inflated: 0.1 }),
    [F, { narrow: 'usually' }],
    [B, { inflated: 'always' }],
    [N, { narrow: 'usually' }],
  ]),
  from(FLORA, 'leaf-tint', [
    [V, { dark: 'often', fresh: 'sometimes' }],
    [K, { fresh: 'often', dark: 'sometimes' }],
    [L, { dark: 'often', fresh: 'sometimes' }],
    ...both({ fresh: 'often', dark: 'sometimes' }),
    [F, { bluish: 'often', fresh: 'sometimes' }],
    [B, { fresh: 'usually', dark: 0.1 }],
    [N, { bluish: 'usually', fresh: 0.1 }],
  ]),
].flat();

const stems: Score[] = [
  from(FLORA, 'stem-surface', [
    [V, { smooth: 'usually', grooved: 0.12 }],
    [K, { bristly: 'usually', grooved: 0.1 }],
    [L, { grooved: 'usually', smooth: 0.13 }],
    ...both({ grooved: 'often', smooth: 'sometimes' }),
    [F, { smooth: 'often', grooved: 'sometimes' }],
    [B, { smooth: 'usually', grooved: 0.1 }],
    [N, { smooth: 'usually' }],
  ]),
  from(FLORA, 'stem-marks', [
    [V, { blotched: 'usually', flushed: 0.1 }],
    [K, { blotched: 'usually', flushed: 0.1 }],
    [L, { none: 'usually', blotched: 0.1 }],
    ...both({ none: 'often', flushed: 'sometimes' }),
    [F, { none: 'usually' }],
    [B, { flushed: 'often', none: 'sometimes' }],
    [N, { flushed: 'often', none: 'sometimes' }],
  ]),
  from(FLORA, 'stem-section', [
    [V, { chambered: 'usually', hollow: 0.12 }, grown],
    [K, { hollow: 'always' }, grown],
    [L, { hollow: 'usually', solid: 0.1 }, grown],
    ...both({ hollow: 'often', solid: 'sometimes' }, grown),
    [F, { solid: 'usually', hollow: 0.1 }, grown],
    [B, { hollow: 'usually' }, grown],
    [N, { solid: 'always' }, grown],
  ]),
  from(FLORA, 'sap', [
    [V, { yellow: 'often', clear: 'sometimes' }],
    [K, { clear: 'usually', yellow: 0.1 }],
    [L, { clear: 'usually', yellow: 0.1 }],
    ...both({ clear: 'usually' }),
    [F, { milky: 'often', clear: 'sometimes' }],
    [B, { clear: 'usually' }],
    [N, { clear: 'usually' }],
  ]),
  from(FLORA, 'smell', [
    [V, { sweet: 'often', mousy: 'sometimes' }],
    [K, { sharp: 'usually' }],
    [L, { sweet: 'often', none: 'sometimes' }],
    ...both({ none: 'often', sweet: 'sometimes' }),
    [F, { sharp: 'often', sweet: 'sometimes' }],
    [B, { sweet: 'often', sharp: 'sometimes' }],
    [N, { none: 'usually' }],
  ]),
].flat();

const counts = (from: number, to: number): Record<string, number> => {
  const middle = (from + to) / 2;
  const weights = Array.from(
    { length: to - from + 1 },
    (_, i) => [from + i, Math.exp(-(((from + i - middle) / ((to - from) / 3.2)) ** 2))] as const,
  );
  const total = weights.reduce((sum, [, w]) => sum + w, 0);
  return Object.fromEntries(weights.map(([n, w]) => [n, Math.floor((w / total) * 960) / 1000]));
};

const umbels: Score[] = [
  countsFrom(FLORA, 'rays', [
    [V, counts(10, 20)],
    [K, counts(22, 38)],
    [L, counts(9, 18)],
    [G, counts(8, 15)],
    [S, counts(8, 15)],
    [F, counts(6, 13)],
    [B, counts(20, 36)],
    [N, counts(3, 6)],
  ]),
  from(FLORA, 'ray-spread', [
    [V, { domed: 'usually', flat: 0.1 }],
    [K, { flat: 'often', domed: 'sometimes' }],
    [L, { domed: 'often', flat: 'sometimes' }],
    ...both({ flat: 'usually', domed: 0.13 }),
    [F, { flat: 'often', domed: 'sometimes' }],
    [B, { ball: 'usually', domed: 0.13 }],
    [N, { flat: 'usually' }],
  ]),
  from(FLORA, 'bracts', [
    [V, { none: 'usually', few: 0.13 }],
    [K, { many: 'often', few: 'sometimes' }],
    [L, { few: 'often', none: 'sometimes' }],
    ...both({ none: 'often', few: 'sometimes' }),
    [F, { none: 'usually' }],
    [B, { none: 'usually', few: 0.1 }],
    [N, { few: 'usually', many: 0.1 }],
  ]),
  from(FLORA, 'bracteoles', [
    [V, { 'one-sided': 'often', 'all-round': 'sometimes' }, flowering],
    [K, { 'all-round': 'always' }, flowering],
    [L, { 'all-round': 'usually', 'one-sided': 0.1 }, flowering],
    ...both({ 'all-round': 'often', none: 'sometimes' }, flowering),
    [F, { none: 'usually', 'one-sided': 0.1 }, flowering],
    [B, { 'all-round': 'usually' }, flowering],
    [N, { 'one-sided': 'often', none: 'sometimes' }, flowering],
  ]),
  from(FLORA, 'outer-petals', [
    [V, { equal: 'usually' }, flowering],
    [K, { enlarged: 'usually', equal: 0.1 }, flowering],
    [L, { equal: 'usually', enlarged: 0.1 }, flowering],
    ...both({ enlarged: 'often', equal: 'sometimes' }, flowering),
    [F, { equal: 'always' }, flowering],
    [B, { equal: 'always' }, flowering],
    [N, { equal: 'usually' }, flowering],
  ]),
  from(FLORA, 'petal-tip', [
    [V, { notched: 'often', curled: 'sometimes' }, flowering],
    [K, { notched: 'usually' }, flowering],
    [L, { curled: 'often', notched: 'sometimes' }, flowering],
    ...both({ notched: 'usually', flat: 0.1 }, flowering),
    [F, { curled: 'usually' }, flowering],
    [B, { flat: 'often', curled: 'sometimes' }, flowering],
    [N, { flat: 'usually' }, flowering],
  ]),
  from(FLORA, 'petal-colour', [
    [V, { white: 'usually', greenish: 0.1 }, flowering],
    [K, { white: 'usually', pink: 0.1 }, flowering],
    [L, { white: 'usually', pink: 0.1 }, flowering],
    ...both({ white: 'often', pink: 'sometimes' }, flowering),
    [F, { yellow: 'always' }, flowering],
    [B, { greenish: 'often', white: 'sometimes' }, flowering],
    [N, { white: 'often', pink: 'sometimes' }, flowering],
  ]),
].flat();

const fruits: Score[] = [
  from(FLORA, 'fruit-ratio', [
    [V, '0.9–1.2', fruiting],
    [K, '1.2–1.6', fruiting],
    [L, '1.3–1.8', fruiting],
    [G, '1.5–1.9', fruiting],
    [S, '1.6–2.0', fruiting],
    [F, '1.8–2.4', fruiting],
    [B, '1.2–1.6', fruiting],
    [N, '1.0–1.4', fruiting],
  ]),
  from(FLORA, 'fruit-ribs', [
    [V, { ridged: 'usually', faint: 0.1 }, fruiting],
    [K, { winged: 'usually' }, fruiting],
    [L, { ridged: 'often', faint: 'sometimes' }, fruiting],
    ...both({ ridged: 'often', faint: 'sometimes' }, fruiting),
    [F, { ridged: 'usually' }, fruiting],
    [B, { winged: 'usually', ridged: 0.1 }, fruiting],
    [N, { faint: 'usually' }, fruiting],
  ]),
  from(FLORA, 'fruit-coat', [
    [V, { bare: 'always' }, fruiting],
    [K, { bristly: 'sometimes', bare: 'often' }, fruiting],
    [L, { bare: 'usually', bristly: 0.1 }, fruiting],
    ...both({ bare: 'usually', bristly: 0.1 }, fruiting),
    [F, { bare: 'usually' }, fruiting],
    [B, { bare: 'always' }, fruiting],
    [N, { hooked: 'usually', bristly: 0.1 }, fruiting],
  ]),
  from(FLORA, 'fruit-styles', [
    [V, { long: 'usually', short: 0.13 }, fruiting],
    [K, { short: 'often', long: 'sometimes' }, fruiting],
    [L, { short: 'usually', long: 0.12 }, fruiting],
    ...both({ short: 'often', long: 'sometimes' }, fruiting),
    [F, { short: 'usually' }, fruiting],
    [B, { long: 'usually' }, fruiting],
    [N, { short: 'usually' }, fruiting],
  ]),
  from(FLORA, 'fruit-tint', [
    [V, { brown: 'often', purple: 'sometimes' }, fruiting],
    [K, { brown: 'usually' }, fruiting],
    [L, { brown: 'often', green: 'sometimes' }, fruiting],
    ...both({ green: 'often', brown: 'sometimes' }, fruiting),
    [F, { brown: 'often', green: 'sometimes' }, fruiting],
    [B, { green: 'often', brown: 'sometimes' }, fruiting],
    [N, { purple: 'often', green: 'sometimes' }, fruiting],
  ]),
].flat();

/** What changes with place and season: on Ostren twin umbels flush, bracts have fallen by August, and dry weather keeps plants low. */
const changing: Score[] = [
  from(FLORA, 'stem-marks', [[G, { flushed: 'often', none: 'sometimes' }, undefined, { regions: ['ostren'] }]]),
  from(FLORA, 'bracts', [
    [L, { none: 'usually', few: 0.13 }, grown, { dates: { from: '08-01', to: '10-31' } }],
    [N, { none: 'often', few: 'sometimes' }, grown, { dates: { from: '08-01', to: '10-31' } }],
  ]),
  from(FLORA, 'leaf-tint', [[M, { bluish: 'often', fresh: 'sometimes' }, undefined, { circumstances: ['drought'] }]]),
].flat();

/** 310 plants of known chromosomes; and the one trial of the famous blotches. */
const counted: Score[] = [
  from(COUNTS, 'stem-marks', [
    [V, { blotched: 'often', none: 'sometimes' }],
    [K, { blotched: 'often', flushed: 'sometimes' }],
    [L, { blotched: 'often', none: 'sometimes' }],
  ]),
  from(COUNTS, 'fruit-ratio', [
    [G, '1.45–1.95', fruiting],
    [S, '1.50–2.00', fruiting],
  ]),
  from(COUNTS, 'bracts', [[V, { few: 'often', none: 'sometimes' }], ...both({ few: 'often', none: 'sometimes' })]),
  from(COUNTS, 'height', [
    [V, '(30–)55–120(–170)', grown],
    [L, '(30–)55–120(–165)', grown],
  ]),
].flat();

/** The poison book trusts the smell; the flora says that cold noses are cold. */
const poisons: Score[] = [
  from(POISONS, 'smell', [
    [V, { mousy: 'usually' }],
    [L, { none: 'usually', sweet: 0.1 }],
  ]),
  from(POISONS, 'stem-marks', [
    [V, { blotched: 'always' }],
    [L, { none: 'usually', blotched: 0.08 }],
  ]),
  from(POISONS, 'sap', [
    [V, { yellow: 'usually', clear: 0.1 }],
    [L, { clear: 'always' }],
  ]),
].flat();

export const scores: Score[] = [...applies, ...leaves, ...stems, ...umbels, ...fruits, ...changing, ...counted, ...poisons];
