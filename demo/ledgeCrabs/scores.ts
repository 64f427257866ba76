import type { Score } from '@plesion/core/guide';
import { countsFrom, from, type ScopedFacets as Facets } from '../scoring';

const HANDBOOK = 'handbook';
const REVISION = 'revision';
const adult: Facets = { stage: ['adult'] };
const male: Facets = { stage: ['adult'], sex: ['male'] };
const female: Facets = { stage: ['adult'], sex: ['female'] };
const young: Facets = { stage: ['juvenile'] };
const plain: Facets = { morph: ['plain'] };
const banded: Facets = { morph: ['banded'] };
const pale: Facets = { morph: ['pale'] };

const [C, M, V, VV, VO, P] = ['cinerata', 'murica', 'velloma', 'velloma-velloma', 'velloma-ostrena', 'petralda'];

const handbook: Score[] = [
  from(HANDBOOK, 'abdomen', [
    [P, { narrow: 'always' }, male],
    [P, { broad: 'always' }, female],
    [P, { slim: 'usually', narrow: 0.1, broad: 0.05 }, young],
  ]),
  from(HANDBOOK, 'abdomen-ratio', [
    [P, '(0.28–)0.32–0.42(–0.46)', male],
    [P, '(0.66–)0.72–0.88(–0.94)', female],
    [P, '0.24–0.52', young],
  ]),
  from(HANDBOOK, 'eggs', [
    [P, { none: 0.999, carried: 0.001 }, male],
    [P, { none: 0.999, carried: 0.001 }, young],
    [P, { carried: 'rarely' }, female],
    [P, { carried: 'often' }, female, { dates: { from: '04-10', to: '07-20' } }],
  ]),
  from(HANDBOOK, 'carapace-width', [
    [C, '(17–)22–34(–39)', adult],
    [M, '(20–)25–38(–44)', adult],
    [VV, '(16–)20–30(–34)', adult],
    [VO, '(14–)17–26(–30)', adult],
    [P, '(4–)6–13(–17)', young],
  ]),
  from(HANDBOOK, 'shell-wear', [
    [P, { clean: 'sometimes', worn: 'often' }],
    [P, { clean: 'usually', worn: 0.12 }, young],
    [P, { clean: 'often', worn: 'sometimes' }, adult, { dates: { from: '08-01', to: '10-15' } }],
  ]),
  from(HANDBOOK, 'width-ratio', [
    [C, '1.24–1.36', adult],
    [M, '1.10–1.22', adult],
    [VV, '1.30–1.42', adult],
    [VO, '1.20–1.32', adult],
    [C, '1.12–1.26', young],
    [M, '1.02–1.14', young],
    [V, '1.14–1.30', young],
  ]),
  from(HANDBOOK, 'front-edge', [
    [C, { 'two-lobes': 'usually', 'one-arch': 0.12 }],
    [M, { 'three-teeth': 'usually', 'two-lobes': 0.12 }],
    [VV, { 'one-arch': 'usually', 'two-lobes': 0.12 }],
    [VO, { 'one-arch': 'often', 'two-lobes': 'sometimes' }],
  ]),
  countsFrom(HANDBOOK, 'side-teeth', [
    [C, { 4: 0.08, 5: 0.85, 6: 0.06 }],
    [M, { 3: 0.15, 4: 0.79, 5: 0.05 }],
    [VV, { 4: 0.08, 5: 0.68, 6: 0.22 }],
    [VO, { 5: 0.24, 6: 0.69, 7: 0.06 }],
  ]),
  from(HANDBOOK, 'tooth-form', [
    [C, { blunt: 'usually', sharp: 0.13 }],
    [M, { spined: 'often', sharp: 0.36 }],
    [VV, { sharp: 'usually', blunt: 0.1 }],
    [VO, { sharp: 'often', blunt: 'sometimes' }],
    [M, { sharp: 'often', spined: 'sometimes' }, young],
  ]),
  from(HANDBOOK, 'widest-point', [
    [C, { third: 'usually', middle: 0.08 }],
    [M, { front: 'usually', third: 0.13 }],
    [VV, { middle: 'often', third: 0.36 }],
    [VO, { third: 'often', middle: 'sometimes' }],
  ]),
  from(HANDBOOK, 'rear-edge', [
    [C, { straight: 'usually' }],
    [M, { straight: 'usually' }],
    [VV, { hollowed: 'usually' }],
    [VO, { hollowed: 'often' }],
  ]),
  from(HANDBOOK, 'back-groove', [
    [C, { deep: 'usually', faint: 0.12 }],
    [M, { faint: 'often', absent: 'sometimes' }],
    [VV, { deep: 'often', faint: 0.35 }],
    [VO, { faint: 'often', absent: 'sometimes' }],
    [P, { faint: 'often', absent: 'sometimes' }, young],
  ]),
  from(HANDBOOK, 'granules', [
    [C, { scattered: 'usually', dense: 0.08 }],
    [M, { dense: 'usually', scattered: 0.13 }],
    [VV, { smooth: 'usually', scattered: 0.12 }],
    [VO, { smooth: 'often', scattered: 'sometimes' }],
  ]),
  from(HANDBOOK, 'claw-ratio', [
    [C, '0.60–0.76', male],
    [M, '0.74–0.94', male],
    [VV, '0.56–0.70', male],
    [VO, '0.58–0.74', male],
    [C, '0.50–0.62', female],
    [M, '0.60–0.74', female],
    [VV, '0.46–0.58', female],
    [VO, '0.48–0.60', female],
    [P, '0.42–0.56', young],
  ]),
  from(HANDBOOK, 'claw-depth', [
    [C, '0.44–0.54'],
    [M, '0.34–0.44'],
    [VV, '0.46–0.58'],
    [VO, '0.42–0.52'],
  ]),
  from(HANDBOOK, 'claw-balance', [
    [C, { unequal: 'usually' }, male],
    [M, { equal: 'usually' }, male],
    [V, { unequal: 'often' }, male],
    [P, { equal: 'usually' }, female],
    [P, { equal: 0.95 }, young],
  ]),
  from(HANDBOOK, 'claw-gape', [
    [C, { closed: 'usually' }],
    [M, { gaping: 'usually' }],
    [V, { closed: 'often' }],
    [M, { closed: 'often' }, young],
    [C, { closed: 0.95 }, young],
  ]),
  from(HANDBOOK, 'claw-teeth', [
    [C, { 'fine-row': 'usually' }],
    [M, { molars: 'usually' }],
    [VV, { molars: 'often' }],
    [VO, { 'fine-row': 'often' }],
  ]),
  from(HANDBOOK, 'leg-ratio', [
    [C, '1.06–1.30'],
    [M, '0.92–1.12'],
    [VV, '1.20–1.46'],
    [VO, '1.28–1.56'],
  ]),
  from(HANDBOOK, 'leg-tip', [
    [C, { stout: 'usually', slender: 0.12 }],
    [M, { stout: 'often', flattened: 'sometimes' }],
    [VV, { slender: 'usually', stout: 0.08 }],
    [VO, { slender: 'often', flattened: 'sometimes' }],
  ]),
  from(HANDBOOK, 'leg-fringe', [
    [C, { none: 'usually', sparse: 0.13 }],
    [M, { dense: 'usually', sparse: 0.13 }],
    [VV, { sparse: 'often', none: 'sometimes' }],
    [VO, { none: 'often', sparse: 'sometimes' }],
    [M, { sparse: 'often', dense: 'sometimes' }, young],
  ]),
  from(HANDBOOK, 'back-pattern', [
    [P, { crossbands: 'always' }, banded],
    [P, { plain: 'usually', speckled: 0.1 }, pale],
    [C, { plain: 'often', speckled: 'sometimes' }, plain],
    [M, { plain: 'usually', speckled: 0.1 }, plain],
    [VV, { saddle: 'usually', plain: 0.1 }, plain],
    [VO, { speckled: 'often', saddle: 'sometimes' }, plain],
    [P, { speckled: 'often', plain: 'sometimes' }, young],
  ]),
  from(HANDBOOK, 'leg-bands', [
    [C, { faint: 'often', none: 'sometimes' }],
    [M, { none: 'usually', faint: 0.12 }],
    [VV, { bold: 'usually', faint: 0.13 }],
    [VO, { faint: 'often', bold: 'sometimes' }],
    [P, { bold: 'often', faint: 'sometimes' }, { stage: ['adult'], morph: ['banded'] }],
    [P, { none: 'usually' }, { stage: ['adult'], morph: ['pale'] }],
  ]),
  from(HANDBOOK, 'belly-spots', [
    [C, { none: 'usually', few: 0.12 }],
    [M, { few: 'often', none: 'sometimes' }],
    [VV, { many: 'usually', few: 0.12 }],
    [VO, { few: 'usually', many: 0.08 }],
    [P, { none: 'usually', few: 0.12 }, young],
  ]),
  from(HANDBOOK, 'claw-tips', [
    [C, { 'dark-tip': 'usually', pale: 0.08 }],
    [M, { 'half-dark': 'usually', 'dark-tip': 0.13 }],
    [VV, { pale: 'usually', 'dark-tip': 0.13 }],
    [VO, { 'dark-tip': 'often', pale: 'sometimes' }],
    [P, { pale: 'often', 'dark-tip': 'sometimes' }, young],
  ]),
  from(HANDBOOK, 'ground-colour', [
    [C, { slate: 'usually', ochre: 0.1 }, plain],
    [P, { ochre: 'often', rust: 'sometimes' }, banded],
    [M, { rust: 'usually', ochre: 0.12 }, plain],
    [P, { cream: 0.95, ochre: 0.03 }, pale],
    [VV, { ochre: 'often', rust: 'sometimes' }, plain],
    [VO, { slate: 'often', ochre: 'sometimes' }, plain],
    [P, { slate: 'sometimes', ochre: 'sometimes', rust: 0.2 }, young],
  ]),
  from(HANDBOOK, 'claw-inside', [
    [C, { white: 'usually' }, adult],
    [M, { orange: 'usually', white: 0.12 }, adult],
    [VV, { violet: 'usually', white: 0.1 }, adult],
    [VO, { violet: 'often', orange: 'sometimes' }, adult],
  ]),
  from(HANDBOOK, 'alarm', [
    [C, { flees: 'usually', 'raises-claws': 0.1 }],
    [M, { 'raises-claws': 'usually', flees: 0.1 }],
    [VV, { flattens: 'usually', flees: 0.12 }],
    [VO, { flattens: 'often', flees: 'sometimes' }],
  ]),
].flat();

/** The revision sinks the two subspecies, so it scores *velloma* as one; it is the only source on eye stalks. */
const revision: Score[] = [
  from(REVISION, 'eye-stalks', [
    [C, { short: 'usually' }],
    [M, { short: 'usually' }],
    [V, { long: 'usually' }],
  ]),
  from(REVISION, 'width-ratio', [
    [C, '1.22–1.38', adult],
    [M, '1.08–1.24', adult],
    [V, '1.20–1.42', adult],
  ]),
  from(REVISION, 'front-edge', [
    [C, { 'two-lobes': 'often', 'one-arch': 'sometimes' }],
    [M, { 'three-teeth': 'always' }],
    [V, { 'one-arch': 'often', 'two-lobes': 'sometimes' }],
  ]),
  countsFrom(REVISION, 'side-teeth', [
    [C, { 4: 0.1, 5: 0.8, 6: 0.1 }],
    [M, { 3: 0.1, 4: 0.85, 5: 0.05 }],
    [V, { 4: 0.05, 5: 0.5, 6: 0.4, 7: 0.05 }],
  ]),
  from(REVISION, 'belly-spots', [
    [C, { none: 'sometimes', few: 'often' }],
    [M, { few: 'sometimes', none: 'sometimes', many: 'sometimes' }],
    [V, { many: 'often', few: 'sometimes' }],
  ]),
  from(REVISION, 'claw-inside', [
    [C, { white: 'usually' }],
    [M, { orange: 'often', white: 'sometimes' }],
    [V, { violet: 'always' }],
  ]),
  from(REVISION, 'leg-ratio', [
    [C, '1.04–1.32'],
    [M, '0.90–1.14'],
    [V, '1.20–1.54'],
  ]),
  from(REVISION, 'granules', [
    [C, { scattered: 'often', dense: 'sometimes' }],
    [M, { dense: 'usually', scattered: 0.13 }],
    [V, { smooth: 'usually', scattered: 0.13 }],
  ]),
].flat();

export const scores: Score[] = [...handbook, ...revision];
