import type { Score } from '@plesion/core/guide';
import { from } from '../scoring';

const BOOK = 'mycologia';
const NOTES = 'basket-notes';
const [FULVA, MACULATA, CAERULEA, SQUAMEA, PALLENS, UMBRA] = ['fulva', 'maculata', 'caerulea', 'squamea', 'pallens', 'umbra'];

/** What is known of the caps of the Oar woods, by the book and by what was brought home. */
export const scores: Score[] = [
  from(BOOK, 'profile', [
    [FULVA, { convex: 0.8, flat: 0.2 }],
    [MACULATA, { convex: 0.8, flat: 0.2 }],
    [CAERULEA, { convex: 0.5, flat: 0.5 }],
    [SQUAMEA, { umbonate: 0.8, convex: 0.2 }],
    [PALLENS, { convex: 0.75, umbonate: 0.06, flat: 0.19 }],
    [UMBRA, { funnel: 0.8, flat: 0.2 }],
  ]),
  from(BOOK, 'stalk', [
    [FULVA, { straight: 0.8, tapering: 0.2 }],
    [MACULATA, { ringed: 0.93, straight: 0.07 }],
    [CAERULEA, { bulbous: 0.8, straight: 0.2 }],
    [SQUAMEA, { tapering: 0.8, straight: 0.2 }],
    [PALLENS, { bulbous: 0.8, ringed: 0.2 }],
    [UMBRA, { straight: 0.8, tapering: 0.2 }],
  ]),
  from(BOOK, 'stalk-length', [
    [FULVA, { alike: 0.8, shorter: 0.2 }],
    [MACULATA, { alike: 0.5, longer: 0.5 }],
    [CAERULEA, { shorter: 0.8, alike: 0.2 }],
    [SQUAMEA, { longer: 0.8, alike: 0.2 }],
    [PALLENS, { longer: 0.8, alike: 0.2 }],
    [UMBRA, { shorter: 0.8, alike: 0.2 }],
  ]),
  from(BOOK, 'under', [
    [FULVA, { spines: 'always' }],
    [MACULATA, { gills: 'always' }],
    [CAERULEA, { pores: 'always' }],
    [SQUAMEA, { gills: 'always' }],
    [PALLENS, { gills: 'always' }],
    [UMBRA, { pores: 0.93, gills: 0.07 }],
  ]),
  from(BOOK, 'skin', [
    [FULVA, { downy: 0.8, smooth: 0.2 }],
    [MACULATA, { warty: 0.8, smooth: 0.2 }],
    [CAERULEA, { smooth: 0.8, downy: 0.2 }],
    [SQUAMEA, { scaly: 0.93, smooth: 0.07 }],
    [PALLENS, { smooth: 0.8, warty: 0.2 }],
    [UMBRA, { downy: 0.56, scaly: 0.22, smooth: 0.22 }],
  ]),
  from(BOOK, 'marks', [
    [FULVA, { none: 0.8, eye: 0.2 }],
    [MACULATA, { spots: 0.8, none: 0.2 }],
    [CAERULEA, { rim: 0.5, none: 0.5 }],
    [SQUAMEA, { eye: 0.8, none: 0.2 }],
    [PALLENS, { none: 0.8, spots: 0.2 }],
    [UMBRA, { none: 0.5, rim: 0.5 }],
  ]),
  from(BOOK, 'margin', [
    [FULVA, { wavy: 0.5, even: 0.5 }],
    [MACULATA, { scalloped: 0.5, even: 0.5 }],
    [CAERULEA, { even: 0.8, wavy: 0.2 }],
    [SQUAMEA, { fringed: 0.8, even: 0.2 }],
    [PALLENS, { even: 0.8, fringed: 0.2 }],
    [UMBRA, { wavy: 0.8, even: 0.2 }],
  ]),
  from(BOOK, 'colour', [
    [FULVA, { tawny: 0.93, umber: 0.07 }],
    [MACULATA, { brick: 0.75, tawny: 0.19, ivory: 0.06 }],
    [CAERULEA, { umber: 0.8, tawny: 0.2 }],
    [SQUAMEA, { ivory: 0.5, tawny: 0.5 }],
    [PALLENS, { ivory: 0.8, lilac: 0.2 }],
    [UMBRA, { lilac: 0.5, umber: 0.5 }],
  ]),
  from(NOTES, 'colour', [
    [PALLENS, { ivory: 0.56, tawny: 0.22, lilac: 0.22 }],
    [SQUAMEA, { ivory: 0.2, tawny: 0.8 }],
  ]),
  from(BOOK, 'cut', [
    [FULVA, { unchanged: 0.93, reddens: 0.07 }],
    [MACULATA, { reddens: 0.8, unchanged: 0.2 }],
    [CAERULEA, { blues: 0.93, unchanged: 0.07 }],
    [SQUAMEA, { unchanged: 0.93, reddens: 0.07 }],
    [PALLENS, { unchanged: 'usually' }],
    [UMBRA, { reddens: 0.5, unchanged: 0.5 }],
  ]),
  from(BOOK, 'print', [
    [FULVA, { white: 0.93, pink: 0.07 }],
    [MACULATA, { white: 'always' }],
    [CAERULEA, { rust: 0.93, pink: 0.07 }],
    [SQUAMEA, { black: 'usually' }],
    [PALLENS, { white: 'always' }],
    [UMBRA, { pink: 0.93, rust: 0.07 }],
  ]),
  from(BOOK, 'width', [
    [FULVA, '(25–)40–75(–90)'],
    [MACULATA, '(40–)60–120(–150)'],
    [CAERULEA, '(35–)50–110(–140)'],
    [SQUAMEA, '(20–)30–70(–85)'],
    [PALLENS, '(35–)50–95(–110)'],
    [UMBRA, '(30–)45–100(–120)'],
  ]),
].flat();
