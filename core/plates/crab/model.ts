import { traitReader, type Traits } from '../traits';

/** Everything a crab's drawing depends on, from its traits; lengths in millimetres. */
export interface CrabModel {
  /** Carapace width and length. */
  width: number;
  length: number;
  front: 'two-lobes' | 'one-arch' | 'three-teeth';
  teeth: number;
  toothForm: 'blunt' | 'sharp' | 'spined';
  widest: 'front' | 'third' | 'middle';
  rear: 'straight' | 'hollowed';
  groove: 'absent' | 'faint' | 'deep';
  granules: 'smooth' | 'scattered' | 'dense';
  eyes: 'short' | 'long';
  clawLength: number;
  /** Depth ÷ length of the larger claw. */
  clawDepth: number;
  unequal: boolean;
  gaping: boolean;
  molars: boolean;
  tips: 'pale' | 'dark-tip' | 'half-dark';
  legLength: number;
  legTip: 'slender' | 'stout' | 'flattened';
  fringe: 'none' | 'sparse' | 'dense';
  legBands: 'none' | 'faint' | 'bold';
  back: 'plain' | 'crossbands' | 'speckled' | 'saddle';
  ground: keyof typeof GROUNDS;
  clawInside: keyof typeof INSIDES;
  belly: 'none' | 'few' | 'many';
  abdomen: 'narrow' | 'broad' | 'slim';
  /** Abdomen width ÷ sternum width. */
  abdomenRatio: number;
  eggs: boolean;
  worn: 'clean' | 'worn' | 'fouled';
  pose: 'rest' | 'flees' | 'flattens' | 'raises-claws';
}

/** Tints of the back: body, limbs, and a darker tone for patterns. */
export const GROUNDS = {
  slate: { body: '#A9B4B2', limb: '#C3CBC6', dark: '#6F7F80', pale: '#E3E6DF' },
  ochre: { body: '#D9B380', limb: '#E8CDA2', dark: '#A87B45', pale: '#F2E4C6' },
  rust: { body: '#C58D6A', limb: '#DDB494', dark: '#8F5338', pale: '#EFD6BF' },
  cream: { body: '#EADFC3', limb: '#F1E9D5', dark: '#BFAE85', pale: '#FAF6EA' },
} as const;

export const INSIDES = { white: '#F6F2E6', orange: '#E3A05C', violet: '#A99AC6' } as const;

/** What is drawn where a guide does not score a trait. */
const USUAL: CrabModel = {
  width: 30,
  length: 24,
  front: 'two-lobes',
  teeth: 5,
  toothForm: 'sharp',
  widest: 'third',
  rear: 'straight',
  groove: 'faint',
  granules: 'scattered',
  eyes: 'short',
  clawLength: 20,
  clawDepth: 0.48,
  unequal: false,
  gaping: false,
  molars: false,
  tips: 'pale',
  legLength: 37,
  legTip: 'stout',
  fringe: 'none',
  legBands: 'none',
  back: 'plain',
  ground: 'ochre',
  clawInside: 'white',
  belly: 'none',
  abdomen: 'narrow',
  abdomenRatio: 0.36,
  eggs: false,
  worn: 'clean',
  pose: 'rest',
};

/** Characters of a guide with this body plan, by the id they must have to be drawn. */
export function crabModel(traits: Traits): CrabModel {
  const is = (id: string, state: string) => traits[id] === state;
  const { word, number } = traitReader(traits);
  const width = number('carapace-width', USUAL.width);
  return {
    width,
    length: width / number('width-ratio', USUAL.width / USUAL.length),
    front: word('front-edge', USUAL.front),
    teeth: number('side-teeth', USUAL.teeth),
    toothForm: word('tooth-form', USUAL.toothForm),
    widest: word('widest-point', USUAL.widest),
    rear: word('rear-edge', USUAL.rear),
    groove: word('back-groove', USUAL.groove),
    granules: word('granules', USUAL.granules),
    eyes: word('eye-stalks', USUAL.eyes),
    clawLength: width * number('claw-ratio', USUAL.clawLength / USUAL.width),
    clawDepth: number('claw-depth', USUAL.clawDepth),
    unequal: is('claw-balance', 'unequal'),
    gaping: is('claw-gape', 'gaping'),
    molars: is('claw-teeth', 'molars'),
    tips: word('claw-tips', USUAL.tips),
    legLength: width * number('leg-ratio', USUAL.legLength / USUAL.width),
    legTip: word('leg-tip', USUAL.legTip),
    fringe: word('leg-fringe', USUAL.fringe),
    legBands: word('leg-bands', USUAL.legBands),
    back: word('back-pattern', USUAL.back),
    ground: word('ground-colour', USUAL.ground),
    clawInside: word('claw-inside', USUAL.clawInside),
    belly: word('belly-spots', USUAL.belly),
    abdomen: word('abdomen', USUAL.abdomen),
    abdomenRatio: number('abdomen-ratio', USUAL.abdomenRatio),
    eggs: is('eggs', 'carried'),
    worn: word('shell-wear', USUAL.worn),
    pose: 'rest',
  };
}
