import { traitReader, type Traits } from '../traits';

/** Everything a moth's drawing depends on, from its traits; lengths in millimetres. */
export interface MothModel {
  /** Length of a fore wing from its root to its tip. */
  wing: number;
  /** Fore wing: length ÷ breadth. */
  wingRatio: number;
  /** Antenna ÷ fore wing. */
  antennaRatio: number;
  /** Width of the dark midband at the front edge ÷ length of the fore wing. */
  bandRatio: number;
  tip: 'rounded' | 'pointed' | 'hooked';
  edge: 'even' | 'wavy' | 'notched';
  ground: keyof typeof GROUNDS;
  band: 'none' | 'straight' | 'angled';
  lantern: 'round' | 'comma' | 'ring' | 'none';
  lanternTint: keyof typeof LANTERNS;
  lines: 'none' | 'single' | 'double';
  hind: keyof typeof HINDS;
  hindBorder: 'none' | 'narrow' | 'broad';
  antenna: 'thread' | 'saw' | 'feather';
  collar: 'plain' | 'pale' | 'banded';
  abdomen: 'plain' | 'ringed';
  tuft: 'none' | 'short' | 'long';
  fringe: 'plain' | 'chequered';
  rest: 'roof' | 'flat' | 'rolled';
}

/** Tints of the fore wing: ground, dark, pale. The pale and the smoke morph are grounds of their own. */
export const GROUNDS = {
  ochre: { wing: '#D9B77C', dark: '#8A5E34', pale: '#F0DFB8' },
  umber: { wing: '#A98460', dark: '#5C4130', pale: '#D9C3A2' },
  pale: { wing: '#F0E8D4', dark: '#BBA57C', pale: '#FBF7EC' },
  smoke: { wing: '#6D6A6B', dark: '#353436', pale: '#A09C98' },
} as const;

export const HINDS = { buff: '#EBD9B2', rose: '#D99A94', grey: '#BDB9B2', amber: '#E0A24C' } as const;
export const LANTERNS = { white: '#FFFDF2', amber: '#EDAE49', red: '#B5473A' } as const;

/** Characters of a guide with this body plan, by the id they must have to be drawn. */
export function mothModel(traits: Traits): MothModel {
  const { word, number } = traitReader(traits);
  return {
    wing: number('wing-length', 22),
    wingRatio: number('wing-ratio', 1.75),
    antennaRatio: number('antenna-ratio', 0.46),
    bandRatio: number('band-ratio', 0.2),
    tip: word('wing-tip', 'pointed'),
    edge: word('wing-edge', 'even'),
    ground: word('ground-colour', 'ochre'),
    band: word('midband', 'straight'),
    lantern: word('lantern', 'round'),
    lanternTint: word('lantern-colour', 'white'),
    lines: word('outer-line', 'single'),
    hind: word('hind-colour', 'buff'),
    hindBorder: word('hind-border', 'narrow'),
    antenna: word('antenna', 'thread'),
    collar: word('collar', 'plain'),
    abdomen: word('abdomen', 'plain'),
    tuft: word('tail-tuft', 'none'),
    fringe: word('fringe', 'plain'),
    rest: word('rest-posture', 'roof'),
  };
}

export const sizeOf = (model: MothModel): number => model.wing * 1.35;
