import type { Score } from '@plesion/core/guide';
import { countsFrom, from, type Row } from '../scoring';

const BOOK = 'selwith';
const SURVEY = 'tolmar';

/** Sizes and proportions of each species as published: length, wing cases, neck shield, feelers, spur. */
const SIZES: Record<string, [string, string, string, string, string]> = {
  algarum: ['(2.8–)3.1–4.2(–4.6)', '1.60–1.80', '1.22–1.32', '0.30–0.38', '0.30–0.42'],
  nudalis: ['(3.0–)3.4–4.6(–5.0)', '1.62–1.82', '1.26–1.38', '0.31–0.39', '0.30–0.44'],
  cursora: ['(7.6–)8.2–10.6(–11.6)', '1.66–1.84', '1.18–1.28', '0.56–0.68', '0.62–0.78'],
  bimacula: ['(6.2–)6.8–8.8(–9.6)', '1.58–1.76', '1.22–1.32', '0.55–0.66', '0.58–0.74'],
  quadrix: ['(6.4–)7.0–9.0(–9.8)', '1.56–1.74', '1.22–1.32', '0.55–0.66', '0.58–0.74'],
  litorea: ['(7.0–)7.6–9.8(–10.6)', '1.60–1.78', '1.20–1.30', '0.55–0.67', '0.60–0.76'],
  fossor: ['(7.8–)8.4–11.2(–12.2)', '1.30–1.42', '1.34–1.46', '0.34–0.42', '0.86–1.04'],
  minuta: ['(2.7–)3.0–4.5(–4.9)', '1.34–1.46', '1.34–1.46', '0.34–0.42', '0.80–0.98'],
  tumida: ['(4.9–)5.4–7.4(–8.0)', '1.28–1.40', '1.36–1.48', '0.34–0.42', '0.84–1.00'],
  setosa: ['(4.5–)5.0–6.8(–7.4)', '1.36–1.48', '1.34–1.46', '0.35–0.43', '0.82–0.98'],
  bicolor: ['(4.7–)5.2–7.0(–7.6)', '1.36–1.48', '1.32–1.44', '0.35–0.43', '0.82–0.98'],
  obtusa: ['(4.4–)4.8–6.4(–7.0)', '1.26–1.38', '1.36–1.48', '0.34–0.42', '0.82–0.98'],
  aridus: ['(5.0–)5.6–7.4(–8.0)', '1.56–1.72', '1.20–1.30', '0.44–0.54', '0.48–0.62'],
  brevis: ['(4.6–)5.0–6.6(–7.2)', '1.32–1.46', '1.30–1.42', '0.42–0.52', '0.46–0.60'],
  comatus: ['(4.8–)5.2–6.8(–7.4)', '1.54–1.68', '1.24–1.34', '0.44–0.54', '0.46–0.60'],
  sulcatus: ['(5.4–)6.0–8.0(–8.8)', '1.36–1.48', '1.28–1.40', '0.44–0.54', '0.48–0.62'],
  duplex: ['(5.9–)6.3–7.7(–8.3)', '1.54–1.66', '1.34–1.44', '0.44–0.54', '0.50–0.64'],
  dubiosus: ['(4.7–)5.1–6.3(–6.8)', '1.54–1.66', '1.25–1.34', '0.44–0.54', '0.50–0.64'],
  laevior: ['(5.0–)5.6–7.2(–7.8)', '1.56–1.70', '1.24–1.34', '0.44–0.54', '0.46–0.60'],
  dentipes: ['(5.6–)6.2–8.2(–9.0)', '1.55–1.70', '1.26–1.36', '0.45–0.55', '0.50–0.64'],
  curvitibia: ['(5.2–)5.8–7.6(–8.2)', '1.58–1.72', '1.24–1.34', '0.45–0.55', '0.48–0.62'],
  pallens: ['(3.9–)4.4–5.8(–6.4)', '1.60–1.76', '1.24–1.34', '0.46–0.56', '0.46–0.60'],
};

const sizes = (character: string, at: 0 | 1 | 2 | 3 | 4): Score[] =>
  from(
    BOOK,
    character,
    Object.entries(SIZES).map(([taxon, row]): Row => [taxon, row[at]]),
  );

/** What a genus has, then its species where they differ. */
const rows = (
  character: string,
  given: Record<string, Record<string, number | 'always' | 'usually' | 'often' | 'sometimes'>>,
): Score[] =>
  from(
    BOOK,
    character,
    Object.entries(given).map(([taxon, states]): Row => [taxon, states as Row[1]]),
  );

const male = { sex: ['male'] };
const female = { sex: ['female'] };

const book: Score[] = [
  sizes('body-length', 0),
  sizes('elytra-ratio', 1),
  sizes('pronotum-ratio', 2),
  sizes('antenna-reach', 3),
  sizes('spur-ratio', 4),
  rows('pronotum-sides', {
    fucalis: { rounded: 'always' },
    vadomera: { sinuate: 'always' },
    arenossa: { rounded: 'usually', straight: 0.12 },
    lithonyx: { rounded: 'often', sinuate: 'sometimes' },
    duplex: { sinuate: 'usually', rounded: 0.13 },
    dubiosus: { sinuate: 'usually', rounded: 0.13 },
    sulcatus: { straight: 'usually', rounded: 0.13 },
    brevis: { rounded: 'always' },
  }),
  rows('hind-angle', {
    fucalis: { rounded: 'usually', right: 0.13 },
    vadomera: { right: 'usually', 'drawn-out': 0.12 },
    arenossa: { right: 'usually', rounded: 0.13 },
    lithonyx: { right: 'usually', rounded: 0.1 },
    brevis: { rounded: 'usually', right: 0.13 },
    duplex: { 'drawn-out': 'always' },
    dubiosus: { 'drawn-out': 'always' },
  }),
  rows('pronotum-groove', {
    fucalis: { absent: 'usually', fine: 0.13 },
    vadomera: { fine: 'usually', deep: 0.12 },
    arenossa: { fine: 'usually', absent: 0.12 },
    lithonyx: { fine: 'usually', deep: 0.12 },
    duplex: { deep: 'always' },
    dubiosus: { deep: 'always' },
    laevior: { absent: 'always' },
  }),
  rows('pronotum-pits', {
    fucalis: { none: 'always' },
    vadomera: { two: 'usually' },
    arenossa: { none: 'always' },
    lithonyx: { none: 'always' },
    dentipes: { two: 'always' },
    curvitibia: { two: 'usually' },
  }),
  rows('shoulder', {
    fucalis: { rounded: 'always' },
    vadomera: { rounded: 'usually', squared: 0.12 },
    cursora: { toothed: 'usually', squared: 0.13 },
    arenossa: { squared: 'always' },
    lithonyx: { rounded: 'usually', squared: 0.13 },
    dentipes: { toothed: 'usually', squared: 0.13 },
    sulcatus: { squared: 'usually', rounded: 0.13 },
  }),
  countsFrom(BOOK, 'puncture-rows', [
    ['fucalis', { 7: 0.15, 8: 0.8, 9: 0.05 }],
    ['vadomera', { 8: 0.1, 9: 0.85, 10: 0.05 }],
    ['arenossa', { 6: 0.1, 7: 0.85, 8: 0.05 }],
    ['lithonyx', { 8: 0.9, 9: 0.08, 7: 0.02 }],
    ['aridus', { 9: 0.9, 8: 0.06, 10: 0.04 }],
    ['comatus', { 9: 0.88, 8: 0.08, 10: 0.04 }],
    ['sulcatus', { 9: 0.9, 8: 0.05, 10: 0.05 }],
  ]),
  rows('row-punctures', {
    fucalis: { fine: 'usually', coarse: 0.1 },
    nudalis: { coarse: 'usually', fine: 0.13 },
    vadomera: { fine: 'usually', coarse: 0.1 },
    arenossa: { fine: 'usually', coarse: 0.13 },
    lithonyx: { fine: 'usually', coarse: 0.13 },
    aridus: { coarse: 'usually', fine: 0.13 },
    brevis: { coarse: 'usually', fine: 0.13 },
    sulcatus: { coarse: 'always' },
    dentipes: { coarse: 'usually', fine: 0.13 },
    laevior: { none: 'always' },
  }),
  rows('intervals', { lithonychini: { flat: 'always' }, sulcatus: { ridged: 'always' } }),
  rows('elytra-hair', {
    lithonychini: { bare: 'always' },
    algarum: { dense: 'usually', scattered: 0.13 },
    setosa: { dense: 'usually', scattered: 0.13 },
    comatus: { scattered: 'usually', bare: 0.13 },
  }),
  rows('elytra-tip', {
    lithonychini: { together: 'always' },
    vadomera: { apart: 'usually', together: 0.13 },
    obtusa: { 'cut-off': 'always' },
  }),
  rows('profile', {
    fucalis: { flat: 'usually', arched: 0.13 },
    vadomera: { flat: 'usually', arched: 0.13 },
    arenossa: { arched: 'usually', humped: 0.12 },
    fossor: { humped: 'always' },
    tumida: { humped: 'always' },
    lithonyx: { arched: 'usually', flat: 0.13 },
  }),
  rows('mandible', {
    fucalis: { short: 'always' },
    vadomera: { sickle: 'always' },
    arenossa: { toothed: 'usually', short: 0.14 },
    lithonyx: { short: 'always' },
  }),
  rows('clypeus', {
    fucalis: { straight: 'always' },
    vadomera: { notched: 'usually', straight: 0.13 },
    arenossa: { lobed: 'always' },
    tumida: { straight: 'always' },
    obtusa: { straight: 'usually', notched: 0.12 },
    lithonyx: { straight: 'usually', notched: 0.12 },
  }),
  rows('eyes', {
    fucalis: { flat: 'always' },
    vadomera: { bulging: 'always' },
    arenossa: { flat: 'always' },
    lithonyx: { flat: 'usually' },
  }),
  rows('palp-tip', {
    fucalis: { pointed: 'always' },
    vadomera: { barrel: 'usually', pointed: 0.13 },
    arenossa: { axe: 'always' },
    lithonyx: { barrel: 'always' },
  }),
  rows('antenna', {
    fucalis: { clubbed: 'always' },
    vadomera: { thread: 'always' },
    arenossa: { beaded: 'always' },
    lithonyx: { thread: 'usually', beaded: 0.13 },
  }),
  countsFrom(BOOK, 'foot-segments', [
    ['lithonychini', { 5: 0.985, 4: 0.015 }],
    ['fucalis', { 4: 0.985, 5: 0.015 }],
  ]),
  rows('fourth-segment', {
    lithonychini: { simple: 'always' },
    pallens: { 'two-lobed': 'always' },
    dentipes: { 'two-lobed': 'usually' },
  }),
  rows('claws', {
    fucalis: { simple: 'always' },
    vadomera: { toothed: 'usually', simple: 0.13 },
    arenossa: { simple: 'always' },
    lithonyx: { simple: 'usually', split: 0.1 },
    aridus: { split: 'always' },
    brevis: { split: 'always' },
    comatus: { split: 'always' },
    sulcatus: { split: 'always' },
    duplex: { simple: 'always' },
    dubiosus: { simple: 'always' },
  }),
  rows('hind-shin', { lithonychini: { straight: 'always' }, curvitibia: { bowed: 'always' } }),
  rows('shin-edge', {
    lithonychini: { smooth: 'always' },
    arenossa: { spined: 'always' },
    pallens: { fringed: 'usually', smooth: 0.14 },
  }),
  rows('hind-thigh', { lithonychini: { slender: 'always' }, arenossa: { swollen: 'always' }, dentipes: { toothed: 'always' } }),
  from(BOOK, 'fore-foot', [
    ['lithonychini', { narrow: 'always' }, female],
    ['lithonychini', { narrow: 'always' }, male],
    ['vadomera', { widened: 'usually' }, male],
    ['lithonyx', { widened: 'always' }, male],
  ]),
  rows('elytra-pattern', {
    lithonychini: { plain: 'always' },
    bimacula: { 'two-spots': 'always' },
    quadrix: { 'four-spots': 'usually', 'two-spots': 0.13 },
    litorea: { 'pale-edge': 'usually', plain: 0.13 },
    bicolor: { band: 'always' },
  }),
  rows('ground-colour', {
    fucalis: { brown: 'often', black: 'sometimes' },
    nudalis: { bronze: 'usually', brown: 0.13 },
    vadomera: { black: 'often', bronze: 'sometimes' },
    cursora: { bronze: 'usually', black: 0.13 },
    litorea: { bronze: 'usually', brown: 0.1 },
    arenossa: { black: 'often', brown: 'sometimes' },
    minuta: { brown: 'often', sand: 'sometimes' },
    setosa: { brown: 'usually', black: 0.12 },
    lithonyx: { brown: 'often', black: 'sometimes' },
    duplex: { bronze: 'often', brown: 'sometimes' },
    dubiosus: { bronze: 'often', brown: 'sometimes' },
    laevior: { black: 'usually', brown: 0.12 },
    pallens: { sand: 'usually', brown: 0.12 },
  }),
  rows('leg-colour', {
    fucalis: { dark: 'often', rust: 'sometimes' },
    vadomera: { rust: 'often', dark: 'sometimes' },
    arenossa: { rust: 'often', dark: 'sometimes' },
    lithonyx: { rust: 'often', yellow: 'sometimes' },
    laevior: { dark: 'often', rust: 'sometimes' },
    pallens: { yellow: 'usually', rust: 0.12 },
  }),
].flat();

/** Tolmar measured; on sculpture he contradicts the book. */
const survey: Score[] = [
  from(SURVEY, 'row-punctures', [
    ['aridus', { fine: 'usually', coarse: 0.13 }],
    ['brevis', { fine: 'often', coarse: 'sometimes' }],
  ]),
  from(SURVEY, 'claws', [['comatus', { split: 'often', simple: 'sometimes' }]]),
  from(SURVEY, 'body-length', [
    ['duplex', '(5.5–)5.9–7.6(–8.3)'],
    ['dubiosus', '(4.8–)5.2–6.7(–7.1)'],
  ]),
  from(SURVEY, 'pronotum-ratio', [
    ['duplex', '1.31–1.43'],
    ['dubiosus', '1.26–1.37'],
  ]),
  from(SURVEY, 'elytra-hair', [['comatus', { scattered: 'often', bare: 'sometimes' }]]),
  from(SURVEY, 'elytra-pattern', [['litorea', { 'pale-edge': 'often', plain: 'sometimes' }]]),
].flat();

export const scores: Score[] = [...book, ...survey];
