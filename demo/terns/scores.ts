import type { Score } from '@plesion/core/guide';
import { from, type Row, type ScopedFacets } from '../scoring';

const BOOK = 'tern-book';
const RINGS = 'ring-records';
const PRIMER = 'autumn-paper';

const young: ScopedFacets = { stage: ['juvenile'] };
const first: ScopedFacets = { stage: ['immature'] };
const adult: ScopedFacets = { stage: ['adult'] };
const breeding: ScopedFacets = { stage: ['adult'], season: ['breeding'] };
const winter: ScopedFacets = { stage: ['adult'], season: ['winter'] };

const [H, M, MC, MP, S, C, F, N] = [
  'halistris',
  'crinita',
  'crinita-crinita',
  'crinita-palliax',
  'sodalis',
  'consors',
  'furtiva',
  'nivalis',
];

/** Ring and consort terns do not differ here: said of both, once. */
const both = (value: Row[1], facets?: ScopedFacets, more?: Row[3]): Row[] => [
  [S, value, facets, more],
  [C, value, facets, more],
];

const structure: Score[] = [
  from(BOOK, 'wing-chord', [
    [M, '(292–)300–326(–335)'],
    [S, '(252–)260–282(–290)'],
    [C, '(250–)258–281(–290)'],
    [F, '(244–)252–274(–282)'],
    [N, '(164–)170–186(–192)'],
  ]),
  from(BOOK, 'bill-ratio', [
    [M, '1.02–1.18'],
    [S, '0.80–0.94'],
    [C, '0.76–0.90'],
    [F, '0.68–0.82'],
    [N, '0.84–1.00'],
    [H, '0.60–0.86', young],
  ]),
  from(BOOK, 'bill-depth', [
    [M, '0.215–0.260'],
    [S, '0.205–0.245'],
    [C, '0.200–0.240'],
    [F, '0.270–0.325'],
    [N, '0.190–0.230'],
  ]),
  from(BOOK, 'bill-shape', [
    [M, { drooped: 'often', straight: 'sometimes' }],
    ...both({ straight: 'usually', drooped: 0.1 }),
    [F, { angled: 'usually', straight: 0.12 }],
    [N, { straight: 'usually', drooped: 0.1 }],
  ]),
  from(BOOK, 'leg-ratio', [
    [M, '0.42–0.52'],
    [S, '0.52–0.63'],
    [C, '0.44–0.55'],
    [F, '0.60–0.72'],
    [N, '0.50–0.62'],
  ]),
  from(BOOK, 'nape', [
    [M, { shaggy: 'usually' }],
    [M, { shaggy: 'often' }, young],
    [S, { smooth: 'always' }],
    [C, { smooth: 'always' }],
    [F, { smooth: 'always' }],
    [N, { smooth: 'always' }],
  ]),
  from(BOOK, 'tail-reach', [
    [M, { short: 'usually', level: 0.13 }],
    [S, { level: 'usually', short: 0.08, beyond: 0.06 }, adult],
    [C, { beyond: 'usually', level: 0.13 }, adult],
    [F, { short: 'usually', level: 0.13 }],
    [N, { short: 'usually', level: 0.13 }],
    ...both({ short: 'usually', level: 0.12 }, young),
    ...both({ short: 'often', level: 'sometimes' }, first),
  ]),
  from(BOOK, 'fork-ratio', [
    [M, '0.30–0.42'],
    [S, '0.44–0.56', adult],
    [C, '0.50–0.64', adult],
    [F, '0.34–0.46'],
    [N, '0.36–0.48'],
    ...both('0.30–0.44', young),
    ...both('0.34–0.50', first),
  ]),
  from(BOOK, 'wing-ratio', [
    [M, '3.6–4.2'],
    [S, '3.5–4.1'],
    [C, '3.7–4.3'],
    [F, '3.0–3.5'],
    [N, '3.9–4.6'],
  ]),
  from(BOOK, 'primary-gap', [
    [M, '10–17', adult],
    [S, '7–12', adult],
    [C, '11–16', adult],
    [F, '5–9', adult],
    [N, '5–9', adult],
    [H, '3–9', young],
  ]),
].flat();

const marks: Score[] = [
  from(BOOK, 'saddle', [
    [H, { plain: 'always' }, adult],
    [H, { plain: 'usually', edged: 0.13 }, first],
    [M, { scaly: 'usually', edged: 0.13 }, young],
    ...both({ scaly: 'often', edged: 'sometimes' }, young),
    [F, { edged: 'usually', scaly: 0.13 }, young],
    [N, { scaly: 'usually', edged: 0.13 }, young],
  ]),
  from(BOOK, 'moult', [
    [H, { none: 'always' }, young],
    [H, { none: 'often', outer: 'sometimes' }, first],
    [H, { none: 'usually', inner: 0.1 }, breeding],
    [H, { none: 'often', inner: 0.2, middle: 0.1 }, winter],
    [H, { inner: 'often', middle: 0.15, none: 0.2 }, winter, { dates: { from: '08-01', to: '10-15' } }],
  ]),
  from(BOOK, 'cap', [
    [M, { full: 'usually', 'white-forehead': 0.12 }, breeding],
    ...both({ full: 'usually' }, breeding),
    [F, { full: 'usually' }, breeding],
    [N, { 'white-forehead': 'always' }, breeding],
    [M, { receding: 'usually', mask: 0.12 }, winter],
    ...both({ 'white-forehead': 'often', receding: 'sometimes' }, winter),
    [F, { receding: 'often', 'white-forehead': 'sometimes' }, winter],
    [N, { receding: 'often', 'white-forehead': 'sometimes' }, winter],
    [H, { receding: 'often', 'white-forehead': 'sometimes' }, first],
    [M, { mask: 'often', receding: 'sometimes' }, young],
    ...both({ 'white-forehead': 'often', receding: 'sometimes' }, young),
    [F, { receding: 'often', 'white-forehead': 'sometimes' }, young],
    [N, { receding: 'often', mask: 'sometimes' }, young],
  ]),
  from(BOOK, 'carpal-bar', [
    [H, { none: 'always' }, breeding],
    [H, { faint: 'often', none: 'sometimes' }, winter],
    [M, { faint: 'usually', none: 0.12 }, young],
    ...both({ bold: 'often', faint: 'sometimes' }, young),
    ...both({ bold: 'often', faint: 'sometimes' }, first),
    [M, { faint: 'usually' }, first],
    [F, { none: 'often', faint: 'sometimes' }, young],
    [F, { none: 'often', faint: 'sometimes' }, first],
    [N, { bold: 'often', faint: 'sometimes' }, young],
    [N, { bold: 'often', faint: 'sometimes' }, first],
  ]),
  from(BOOK, 'primary-tips', [
    [MC, { line: 'often', none: 'sometimes' }],
    [MP, { wedge: 'often', line: 'sometimes' }],
    [S, { wedge: 'usually', line: 0.13 }, adult],
    [C, { line: 'usually', wedge: 0.12 }, adult],
    ...both({ wedge: 'often', line: 'sometimes' }, young),
    ...both({ wedge: 'often', line: 'sometimes' }, first),
    [F, { wedge: 'usually', line: 0.1 }],
    [N, { line: 'often', none: 'sometimes' }],
  ]),
  from(
    BOOK,
    'light-window',
    [
      [M, { none: 'usually', inner: 0.13 }],
      [S, { inner: 'usually', all: 0.08, none: 0.06 }, adult],
      [C, { all: 'usually', inner: 0.13 }, adult],
      ...both({ inner: 'often', all: 'sometimes' }, young),
      ...both({ inner: 'often', all: 'sometimes' }, first),
      [F, { none: 'usually', inner: 0.12 }],
      [N, { all: 'often', inner: 'sometimes' }],
    ].map(([taxon, value, facets]) => [taxon, value, facets, { circumstances: ['backlit'] }] as Row),
  ),
  from(BOOK, 'secondaries', [
    [H, { pale: 'usually', grey: 0.12 }, adult],
    [M, { dark: 'usually', grey: 0.13 }, young],
    ...both({ grey: 'often', dark: 'sometimes' }, young),
    ...both({ grey: 'often', pale: 'sometimes' }, first),
    [F, { pale: 'usually', grey: 0.12 }, young],
    [F, { pale: 'usually' }, first],
    [N, { grey: 'often', pale: 'sometimes' }, young],
    [N, { grey: 'often', pale: 'sometimes' }, first],
    [M, { grey: 'often', dark: 'sometimes' }, first],
  ]),
  from(BOOK, 'tail-edge', [
    [M, { white: 'usually' }],
    [S, { dark: 'usually', white: 0.13 }],
    [C, { dark: 'often', white: 'sometimes' }],
    [F, { white: 'usually', dark: 0.1 }],
    [N, { white: 'usually', dark: 0.1 }],
  ]),
].flat();

const colours: Score[] = [
  from(BOOK, 'mantle-tone', [
    [MC, { pale: 'usually', mid: 0.13 }],
    [MP, { dark: 'often', mid: 'sometimes' }],
    [S, { mid: 'usually', pale: 0.1 }],
    [C, { mid: 'often', pale: 'sometimes' }],
    [F, { mid: 'usually', dark: 0.1 }],
    [N, { pale: 'usually', mid: 0.13 }],
  ]),
  from(BOOK, 'underparts', [
    [M, { white: 'usually' }],
    [S, { white: 'often', grey: 'sometimes' }, breeding],
    [C, { grey: 'often', white: 'sometimes' }, breeding],
    [C, { dark: 'often', grey: 'sometimes' }, breeding, { regions: ['east-cays'] }],
    ...both({ white: 'usually', grey: 0.1 }, winter),
    ...both({ white: 'always' }, young),
    ...both({ white: 'always' }, first),
    [F, { white: 'often', grey: 'sometimes' }, breeding],
    [F, { white: 'always' }, winter],
    [F, { white: 'always' }, young],
    [F, { white: 'always' }, first],
    [N, { white: 'usually', rosy: 0.12 }],
  ]),
  from(BOOK, 'saddle-tint', [
    [M, { buff: 'often', grey: 'sometimes' }, young],
    ...both({ ginger: 'often', buff: 'sometimes' }, young),
    [F, { grey: 'usually', buff: 0.13 }, young],
    [N, { buff: 'usually', grey: 0.13 }, young],
  ]),
  from(BOOK, 'bill-colour', [
    [M, { yellow: 'often', orange: 'sometimes' }],
    [M, { yellow: 'often', brown: 'sometimes' }, young],
    ...both({ red: 'usually', orange: 0.12 }, breeding),
    [F, { red: 'often', orange: 'sometimes' }, breeding],
    [N, { yellow: 'usually', orange: 0.12 }, breeding],
    ...both({ black: 'often', red: 'sometimes' }, winter),
    [F, { black: 'usually', red: 0.1 }, winter],
    [N, { black: 'usually', yellow: 0.1 }, winter],
    ...both({ orange: 'often', brown: 'sometimes' }, young),
    [F, { black: 'often', brown: 'sometimes' }, young],
    [N, { brown: 'usually', yellow: 0.1 }, young],
    ...both({ black: 'usually', brown: 0.1 }, first),
    [F, { black: 'usually' }, first],
    [N, { black: 'usually', brown: 0.1 }, first],
  ]),
  from(BOOK, 'bill-tip', [
    [M, { pale: 'often', same: 'sometimes' }],
    [S, { dark: 'usually', same: 0.12 }, breeding],
    [C, { same: 'usually', dark: 0.12 }, breeding],
    [F, { dark: 'often', same: 'sometimes' }, breeding],
    [N, { dark: 'usually', same: 0.12 }, breeding],
    [H, { same: 'usually', dark: 0.13 }, winter],
    ...both({ dark: 'usually' }, young),
    [F, { same: 'often', dark: 'sometimes' }, young],
    [N, { dark: 'often', same: 'sometimes' }, young],
    [H, { same: 'usually' }, first],
  ]),
  from(BOOK, 'leg-colour', [
    [M, { black: 'always' }],
    ...both({ red: 'usually', orange: 0.12 }, breeding),
    [F, { black: 'often', red: 'sometimes' }, breeding],
    [N, { orange: 'often', yellow: 'sometimes' }, breeding],
    ...both({ brown: 'often', red: 'sometimes' }, winter),
    [F, { black: 'usually', brown: 0.12 }, winter],
    [N, { brown: 'often', orange: 'sometimes' }, winter],
    ...both({ orange: 'often', brown: 'sometimes' }, young),
    [F, { brown: 'often', black: 'sometimes' }, young],
    [N, { yellow: 'often', brown: 'sometimes' }, young],
    ...both({ brown: 'often', red: 'sometimes' }, first),
    [F, { black: 'often', brown: 'sometimes' }, first],
    [N, { brown: 'often', yellow: 'sometimes' }, first],
  ]),
].flat();

const windy = { circumstances: ['windy'] };
const ways: Score[] = [
  from(BOOK, 'wing-posture', [
    [H, { level: 'usually', raised: 0.1 }],
    [M, { bowed: 'often', level: 'sometimes' }],
    [H, { bowed: 'often', level: 'sometimes' }, undefined, windy],
    [N, { raised: 'often', level: 'sometimes' }],
    [N, { bowed: 'often', raised: 'sometimes' }, undefined, windy],
  ]),
  from(BOOK, 'wing-beat', [[M, '2.3–2.9'], ...both('2.9–3.6'), [F, '3.0–3.7'], [N, '4.1–5.2']]),
  from(BOOK, 'fishing', [
    [M, { plunge: 'usually' }],
    [S, { plunge: 'usually', dip: 0.12 }],
    [C, { plunge: 'often', dip: 'sometimes' }],
    [F, { rob: 'often', dip: 'sometimes' }],
    [N, { plunge: 'usually', dip: 0.1 }],
  ]),
  from(BOOK, 'call', [
    [M, { double: 'usually' }],
    [S, { grating: 'usually', chatter: 0.1 }, adult],
    [C, { grating: 'often', whistle: 'sometimes' }, adult],
    [F, { chatter: 'often', grating: 'sometimes' }, adult],
    [N, { chatter: 'often', whistle: 'sometimes' }, adult],
    [H, { whistle: 'usually', chatter: 0.1 }, young],
    [M, { whistle: 'often', double: 'sometimes' }, young],
  ]),
  from(BOOK, 'brood-patch', [
    [H, { bare: 'usually' }, breeding],
    [F, { feathered: 'always' }],
    [H, { feathered: 'always' }, young],
    [H, { feathered: 'usually' }, winter],
    [H, { feathered: 'usually' }, first],
  ]),
].flat();

/** 1,140 birds in the hand, of known kind afterwards. They take the shine off two famous marks. */
const records: Score[] = [
  from(RINGS, 'bill-tip', [
    [S, { dark: 'often', same: 'sometimes' }, breeding],
    [C, { same: 'often', dark: 'sometimes' }, breeding],
  ]),
  from(RINGS, 'leg-ratio', [
    [S, '0.515–0.633'],
    [C, '0.438–0.558'],
  ]),
  from(RINGS, 'primary-tips', [
    [S, { wedge: 'often', line: 'sometimes' }, adult],
    [C, { line: 'often', wedge: 'sometimes' }, adult],
  ]),
  from(RINGS, 'wing-chord', [
    [S, '255–285'],
    [C, '254–285'],
  ]),
].flat();

/** The autumn paper holds that the young can be told; the ring records say that they cannot. */
const autumn: Score[] = [
  from(PRIMER, 'saddle-tint', [
    [S, { ginger: 'usually', buff: 0.1 }, young],
    [C, { buff: 'often', grey: 'sometimes' }, young],
  ]),
  from(PRIMER, 'secondaries', [
    [S, { dark: 'often', grey: 'sometimes' }, young],
    [C, { pale: 'often', grey: 'sometimes' }, young],
  ]),
  from(PRIMER, 'cap', [[F, { 'white-forehead': 'often', receding: 'sometimes' }, young]]),
].flat();

export const scores: Score[] = [...structure, ...marks, ...colours, ...ways, ...records, ...autumn];
