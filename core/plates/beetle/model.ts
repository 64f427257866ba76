import { traitReader, type Traits } from '../traits';

/** Everything a beetle's drawing depends on, from its traits; lengths in millimetres. */
export interface BeetleModel {
  /** From the front edge of the head to the tip of the wing cases. */
  length: number;
  /** Wing cases: length ÷ width together. */
  elytraRatio: number;
  /** Neck shield: width ÷ length. */
  pronotumRatio: number;
  /** Antenna ÷ body. */
  antennaReach: number;
  /** Spur of the hind shin ÷ first segment of the foot. */
  spurRatio: number;
  pronotumSides: 'straight' | 'rounded' | 'sinuate';
  hindAngle: 'rounded' | 'right' | 'drawn-out';
  groove: 'absent' | 'fine' | 'deep';
  pits: 'none' | 'two';
  rows: number;
  punctures: 'none' | 'fine' | 'coarse';
  intervals: 'flat' | 'ridged';
  tip: 'together' | 'apart' | 'cut-off';
  hair: 'bare' | 'scattered' | 'dense';
  shoulder: 'rounded' | 'squared' | 'toothed';
  mandible: 'short' | 'sickle' | 'toothed';
  clypeus: 'straight' | 'notched' | 'lobed';
  eyes: 'flat' | 'bulging';
  palp: 'pointed' | 'barrel' | 'axe';
  antenna: 'thread' | 'beaded' | 'clubbed';
  footSegments: number;
  fourth: 'simple' | 'two-lobed';
  claws: 'simple' | 'toothed' | 'split';
  shin: 'straight' | 'bowed';
  shinEdge: 'smooth' | 'spined' | 'fringed';
  thigh: 'slender' | 'swollen' | 'toothed';
  profile: 'flat' | 'arched' | 'humped';
  ground: keyof typeof GROUNDS;
  pattern: 'plain' | 'two-spots' | 'four-spots' | 'pale-edge' | 'band';
  legs: keyof typeof LEGS;
  foreFoot: 'narrow' | 'widened';
}

/** Tints of the wing cases, of neck shield and head, and of pale marks. */
export const GROUNDS = {
  black: { body: '#5E6466', fore: '#54595B', mark: '#D9A860' },
  brown: { body: '#A8784F', fore: '#8F6340', mark: '#E9CFA0' },
  bronze: { body: '#8E8A5C', fore: '#787A55', mark: '#E6D9A4' },
  sand: { body: '#E2CFA2', fore: '#D3B981', mark: '#FBF3DC' },
} as const;

export const LEGS = { dark: '#6B6459', rust: '#B9764A', yellow: '#E3C27A' } as const;

const USUAL = {
  length: 7,
  elytraRatio: 1.5,
  pronotumRatio: 1.3,
  antennaReach: 0.5,
  spurRatio: 0.5,
};

/** Characters of a guide with this body plan, by the id they must have to be drawn. */
export function beetleModel(traits: Traits): BeetleModel {
  const { word, number } = traitReader(traits);
  return {
    length: number('body-length', USUAL.length),
    elytraRatio: number('elytra-ratio', USUAL.elytraRatio),
    pronotumRatio: number('pronotum-ratio', USUAL.pronotumRatio),
    antennaReach: number('antenna-reach', USUAL.antennaReach),
    spurRatio: number('spur-ratio', USUAL.spurRatio),
    pronotumSides: word('pronotum-sides', 'rounded'),
    hindAngle: word('hind-angle', 'right'),
    groove: word('pronotum-groove', 'fine'),
    pits: word('pronotum-pits', 'none'),
    rows: number('puncture-rows', 8),
    punctures: word('row-punctures', 'fine'),
    intervals: word('intervals', 'flat'),
    tip: word('elytra-tip', 'together'),
    hair: word('elytra-hair', 'bare'),
    shoulder: word('shoulder', 'rounded'),
    mandible: word('mandible', 'short'),
    clypeus: word('clypeus', 'straight'),
    eyes: word('eyes', 'flat'),
    palp: word('palp-tip', 'barrel'),
    antenna: word('antenna', 'thread'),
    footSegments: number('foot-segments', 5),
    fourth: word('fourth-segment', 'simple'),
    claws: word('claws', 'simple'),
    shin: word('hind-shin', 'straight'),
    shinEdge: word('shin-edge', 'smooth'),
    thigh: word('hind-thigh', 'slender'),
    profile: word('profile', 'arched'),
    ground: word('ground-colour', 'brown'),
    pattern: word('elytra-pattern', 'plain'),
    legs: word('leg-colour', 'rust'),
    foreFoot: word('fore-foot', 'narrow'),
  };
}

/** What the weights of a whole beetle's lines follow. */
export const sizeOf = (model: BeetleModel): number => model.length * 0.72;

/** Lengths of the parts along the midline, and their widths. */
export function proportions(model: BeetleModel) {
  const elytra = model.length * 0.585;
  const elytraWidth = elytra / model.elytraRatio;
  const pronotumWidth = elytraWidth * 0.79;
  const pronotum = pronotumWidth / model.pronotumRatio;
  const head = model.length - elytra - pronotum;
  return { elytra, elytraWidth, pronotumWidth, pronotum, head, headWidth: pronotumWidth * 0.66 };
}
