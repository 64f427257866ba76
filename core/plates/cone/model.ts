import { traitReader, type Traits } from '../traits';

/** Everything a cone shell's drawing depends on, from its traits; lengths in millimetres, angles in degrees. */
export interface ConeModel {
  length: number;
  /** Greatest width ÷ length. */
  ratio: number;
  /** Angle at the apex between the two edges of the spire. */
  spireAngle: number;
  spire: 'hollow' | 'straight' | 'domed';
  shoulder: 'rounded' | 'angled' | 'knobbed';
  sides: 'straight' | 'swollen' | 'waisted';
  /** Width of the aperture at its middle ÷ width of the shell. */
  apertureRatio: number;
  cords: number;
  notch: 'shallow' | 'deep';
  pattern: 'plain' | 'tents' | 'dots' | 'bands' | 'flames';
  tents: 'fine' | 'coarse';
  /** Dark bands round the body whorl. */
  bands: number;
  spireBlotches: 'none' | 'few' | 'many';
  ground: keyof typeof GROUNDS;
  ink: keyof typeof INKS;
  aperture: keyof typeof APERTURES;
  stain: 'none' | 'rose' | 'dark';
  coat: 'bare' | 'thin' | 'thick';
  worn: 'fresh' | 'worn' | 'crusted';
  siphon: 'plain' | 'banded' | 'red-tipped';
}

/** Tints of the shell itself: lit, and in its own shade. */
export const GROUNDS = {
  white: { body: '#F4F0E6', shade: '#DAD6CA' },
  cream: { body: '#F0E2C4', shade: '#D9C59C' },
  rose: { body: '#E6B7A8', shade: '#C98F80' },
  olive: { body: '#D6D2AE', shade: '#AFAA80' },
} as const;

/** Colours of the pattern: full, and as a wash between marks. */
export const INKS = {
  chestnut: { full: '#8A4B22', wash: '#D8A868' },
  black: { full: '#3B3430', wash: '#B5ADA0' },
  orange: { full: '#BE6A1E', wash: '#EBB877' },
} as const;

export const APERTURES = { white: '#FAF5EA', violet: '#C9B8DC', orange: '#EDB986', rose: '#EBBDB4' } as const;

export const STAINS = { rose: '#C9637B', dark: '#54424A' } as const;

const USUAL: ConeModel = {
  length: 48,
  ratio: 0.55,
  spireAngle: 105,
  spire: 'straight',
  shoulder: 'angled',
  sides: 'straight',
  apertureRatio: 0.16,
  cords: 4,
  notch: 'shallow',
  pattern: 'plain',
  tents: 'coarse',
  bands: 0,
  spireBlotches: 'few',
  ground: 'cream',
  ink: 'chestnut',
  aperture: 'white',
  stain: 'none',
  coat: 'bare',
  worn: 'fresh',
  siphon: 'plain',
};

/** Characters of a guide with this body plan, by the id they must have to be drawn. */
export function coneModel(traits: Traits): ConeModel {
  const { word, number } = traitReader(traits);
  return {
    length: number('shell-length', USUAL.length),
    ratio: number('outline-ratio', USUAL.ratio),
    spireAngle: number('spire-angle', USUAL.spireAngle),
    spire: word('spire-outline', USUAL.spire),
    shoulder: word('shoulder', USUAL.shoulder),
    sides: word('sides', USUAL.sides),
    apertureRatio: number('aperture-ratio', USUAL.apertureRatio),
    cords: number('base-cords', USUAL.cords),
    notch: word('base-notch', USUAL.notch),
    pattern: word('pattern', USUAL.pattern),
    tents: word('tent-size', USUAL.tents),
    bands: number('dark-bands', USUAL.bands),
    spireBlotches: word('spire-blotches', USUAL.spireBlotches),
    ground: word('ground-colour', USUAL.ground),
    ink: word('pattern-colour', USUAL.ink),
    aperture: word('aperture-colour', USUAL.aperture),
    stain: word('base-stain', USUAL.stain),
    coat: word('coat', USUAL.coat),
    worn: word('shell-wear', USUAL.worn),
    siphon: word('siphon', USUAL.siphon),
  };
}
