import type { Score } from '@plesion/core/guide';
import { from, type Row, type ScopedFacets } from '../scoring';

const BOOK = 'moth-book';
const CAGES = 'cage-records';
const TRAPS = 'light-trap';

const male: ScopedFacets = { sex: ['male'] };
const female: ScopedFacets = { sex: ['female'] };
const wild: ScopedFacets = { morph: ['wild'] };
const pale: ScopedFacets = { morph: ['pale'] };
const smoke: ScopedFacets = { morph: ['smoke'] };
const hatching = { circumstances: ['newly-hatched'] };

const [A, L, B, Q, V, C, F, U] = [
  'noctilume',
  'lampas',
  'lampas-borea',
  'lampas-quella',
  'vesperta',
  'crepera',
  'fallax',
  'urtica',
];

/** Dusk and gloam lantern do not differ here: said of both, once. */
const both = (value: Row[1], facets?: ScopedFacets): Row[] => [
  [V, value, facets],
  [C, value, facets],
];

const book: Score[] = [
  from(BOOK, 'antenna', [
    [L, { feather: 'usually', saw: 0.12 }, male],
    [A, { thread: 'always' }, female],
    [V, { saw: 'usually', thread: 0.1 }, male],
    [C, { feather: 'usually', saw: 0.12 }, male],
    [F, { saw: 'often', feather: 'sometimes' }, male],
    [U, { feather: 'always' }, male],
  ]),
  from(BOOK, 'wing-length', [
    [L, '(18–)19–24(–26)', male],
    [L, '(20–)22–27(–29)', female],
    ...both('(14–)15–19(–21)', male),
    ...both('(15–)16–21(–23)', female),
    [F, '(19–)20–25(–27)'],
    [U, '(20–)22–28(–30)'],
  ]),
  from(BOOK, 'bulge', [
    [A, { present: 'always' }, male],
    [A, { absent: 'always' }, female],
  ]),
  from(BOOK, 'wing-ratio', [[L, '1.62–1.84'], ...both('1.78–2.02'), [F, '1.60–1.82'], [U, '1.44–1.64']]),
  from(BOOK, 'antenna-ratio', [
    [L, '0.40–0.50', male],
    [L, '0.36–0.44', female],
    [V, '0.44–0.54', male],
    [C, '0.38–0.48', male],
    ...both('0.38–0.46', female),
    [F, '0.48–0.58'],
    [U, '0.36–0.46'],
  ]),
  from(BOOK, 'wing-tip', [
    [L, { pointed: 'usually', rounded: 0.1 }],
    ...both({ pointed: 'often', hooked: 'sometimes' }),
    [F, { hooked: 'usually', pointed: 0.12 }],
    [U, { rounded: 'usually', pointed: 0.1 }],
  ]),
  from(BOOK, 'wing-edge', [
    [L, { even: 'usually', wavy: 0.12 }],
    ...both({ wavy: 'often', even: 'sometimes' }),
    [F, { notched: 'usually', even: 0.1 }],
    [U, { even: 'usually', wavy: 0.1 }],
  ]),
  from(BOOK, 'tail-tuft', [
    [L, { none: 'usually', short: 0.12 }, male],
    [L, { none: 'always' }, female],
    ...both({ none: 'usually', short: 0.1 }),
    [F, { short: 'often', none: 'sometimes' }],
    [U, { long: 'usually', short: 0.12 }],
  ]),
  from(BOOK, 'rest-posture', [
    [L, { roof: 'usually', flat: 0.1 }],
    ...both({ rolled: 'usually', roof: 0.12 }),
    [F, { flat: 'often', roof: 'sometimes' }],
    [U, { flat: 'usually', roof: 0.1 }],
    [A, { flat: 'always' }, undefined, hatching],
  ]),
  from(BOOK, 'lantern', [
    [B, { round: 'often', comma: 'sometimes' }],
    [Q, { round: 'often', comma: 'sometimes' }],
    ...both({ comma: 'often', round: 'sometimes' }),
    [F, { round: 'often', ring: 'sometimes' }],
    [U, { ring: 'often', round: 'sometimes' }],
  ]),
  from(BOOK, 'midband', [
    [L, { straight: 'usually', none: 0.1 }, wild],
    [L, { straight: 'often', none: 'sometimes' }, pale],
    [L, { straight: 'sometimes', none: 'often' }, smoke],
    ...both({ angled: 'usually', straight: 0.1 }),
    [F, { straight: 'often', angled: 'sometimes' }],
    [U, { none: 'often', straight: 'sometimes' }],
  ]),
  from(BOOK, 'band-ratio', [[B, '0.17–0.23'], [Q, '0.16–0.22'], ...both('0.11–0.16'), [F, '0.22–0.30'], [U, '0.08–0.14']]),
  from(BOOK, 'outer-line', [
    [L, { single: 'usually', double: 0.1 }],
    ...both({ double: 'often', single: 'sometimes' }),
    [F, { single: 'usually', none: 0.1 }],
    [U, { none: 'usually', single: 0.1 }],
  ]),
  from(BOOK, 'hind-border', [
    [L, { narrow: 'usually', none: 0.12 }],
    ...both({ none: 'often', narrow: 'sometimes' }),
    [F, { broad: 'usually', narrow: 0.12 }],
    [U, { broad: 'usually', narrow: 0.12 }],
  ]),
  from(BOOK, 'abdomen', [
    [L, { plain: 'usually' }],
    ...both({ plain: 'always' }),
    [F, { ringed: 'usually', plain: 0.12 }],
    [U, { ringed: 'usually', plain: 0.1 }],
  ]),
  from(BOOK, 'collar', [
    [L, { plain: 'often', pale: 'sometimes' }],
    ...both({ pale: 'usually', plain: 0.12 }),
    [F, { banded: 'often', pale: 'sometimes' }],
    [U, { pale: 'often', banded: 'sometimes' }],
  ]),
  from(BOOK, 'fringe', [
    [L, { plain: 'usually', chequered: 0.1 }],
    ...both({ chequered: 'often', plain: 'sometimes' }),
    [F, { chequered: 'often', plain: 'sometimes' }],
    [U, { plain: 'usually' }],
  ]),
  from(BOOK, 'ground-colour', [
    [L, { ochre: 'usually', umber: 0.12 }, wild],
    [L, { pale: 'always' }, pale],
    [L, { smoke: 'always' }, smoke],
    ...both({ umber: 'often', smoke: 'sometimes' }),
    [F, { umber: 'often', ochre: 'sometimes' }],
    [U, { umber: 'usually', ochre: 0.1 }],
  ]),
  from(BOOK, 'lantern-colour', [
    [L, { white: 'usually', amber: 0.1 }],
    ...both({ white: 'often', amber: 'sometimes' }),
    [F, { red: 'usually', amber: 0.12 }],
    [U, { red: 'usually', amber: 0.1 }],
  ]),
  from(BOOK, 'hind-colour', [
    [L, { buff: 'usually', amber: 0.1 }, wild],
    [L, { buff: 'usually' }, pale],
    [L, { grey: 'usually', buff: 0.1 }, smoke],
    ...both({ grey: 'usually', buff: 0.12 }),
    [F, { rose: 'usually', amber: 0.12 }],
    [U, { rose: 'often', amber: 'sometimes' }],
  ]),
  from(BOOK, 'at-light', [
    [L, { circles: 'often', settles: 'sometimes' }],
    ...both({ settles: 'usually', circles: 0.1 }),
    [F, { circles: 'usually', drops: 0.1 }],
    [U, { drops: 'usually', settles: 0.1 }],
  ]),
].flat();

/** The autumn brood is darker, and moths of the north are larger. */
const changing: Score[] = [
  from(BOOK, 'ground-colour', [[L, { umber: 'often', ochre: 'sometimes' }, wild, { dates: { from: '08-15', to: '11-15' } }]]),
  from(BOOK, 'wing-length', [
    [L, '(19–)21–26(–28)', male, { regions: ['north-tessary'] }],
    [L, '(22–)24–29(–31)', female, { regions: ['north-tessary'] }],
  ]),
].flat();

/** Eleven years of broods, every moth of known parents. */
const cages: Score[] = [
  from(CAGES, 'lantern', [
    [B, { round: 0.52, comma: 0.34, ring: 0.1 }],
    [Q, { round: 0.5, comma: 0.36, ring: 0.1 }],
  ]),
  from(CAGES, 'band-ratio', [
    [B, '0.165–0.225'],
    [Q, '0.165–0.225'],
  ]),
  from(CAGES, 'antenna', [[L, { feather: 'often', saw: 'sometimes' }, male]]),
  from(CAGES, 'wing-length', [
    [L, '(17–)18–24(–27)', male],
    [L, '(19–)21–27(–30)', female],
  ]),
].flat();

/** The trap log holds that the edge tells the false lantern; the book says that wear makes notches. */
const traps: Score[] = [
  from(TRAPS, 'wing-edge', [
    [F, { even: 'often', notched: 'sometimes' }],
    [U, { even: 'often', notched: 'sometimes' }],
  ]),
  from(TRAPS, 'rest-posture', [
    [F, { roof: 'usually', flat: 0.1 }],
    [U, { flat: 'often', roof: 'sometimes' }],
  ]),
  from(TRAPS, 'tail-tuft', [[U, { long: 'often', short: 'sometimes' }]]),
].flat();

export const scores: Score[] = [...book, ...changing, ...cages, ...traps];
