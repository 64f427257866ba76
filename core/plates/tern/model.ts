import { traitReader, type Traits } from '../traits';

/** Everything a tern's drawing depends on, from its traits; lengths in millimetres. */
export interface TernModel {
  /** Wing chord: from the wrist to the tip of the longest primary, wing folded. */
  chord: number;
  /** Bill ÷ head, the head without the bill. */
  billRatio: number;
  /** Depth of the bill at its base ÷ its length. */
  billDepth: number;
  /** Bare leg (tarsus) ÷ bill. */
  legRatio: number;
  /** Depth of the tail's fork ÷ length of the tail. */
  forkRatio: number;
  /** Wing chord ÷ breadth of the inner wing. */
  wingRatio: number;
  bill: 'straight' | 'drooped' | 'angled';
  billColour: keyof typeof BARE;
  billTip: 'same' | 'dark' | 'pale';
  legs: keyof typeof BARE;
  cap: 'full' | 'white-forehead' | 'receding' | 'mask';
  nape: 'smooth' | 'shaggy';
  mantle: keyof typeof MANTLES;
  saddle: 'plain' | 'edged' | 'scaly';
  saddleTint: keyof typeof SADDLES;
  carpal: 'none' | 'faint' | 'bold';
  under: keyof typeof UNDERS;
  streamers: 'short' | 'level' | 'beyond';
  tailEdge: 'white' | 'dark';
  tips: 'none' | 'line' | 'wedge';
  secondaries: 'pale' | 'grey' | 'dark';
  light: 'none' | 'inner' | 'all';
  moult: 'none' | 'inner' | 'middle' | 'outer';
  posture: 'level' | 'bowed' | 'raised';
}

export const BARE = {
  black: '#2E3433',
  red: '#B8432F',
  orange: '#D9803A',
  yellow: '#DDB04A',
  brown: '#8A6A55',
} as const;

export const MANTLES = { pale: '#DDE3E4', mid: '#BCC6CA', dark: '#929FA5' } as const;

/** What lies over the grey in young birds. */
export const SADDLES = { grey: '#8E999D', buff: '#D2B683', ginger: '#B27B4C' } as const;

export const UNDERS = { white: '#FBFAF6', rosy: '#F4D9D2', grey: '#D3DADC', dark: '#A9B4B8' } as const;

export const CAP = '#1F2A29';
export const WHITE = '#FDFCF9';

/** Head without the bill, in hundredths of the wing chord. */
export const HEAD = 16;

/** Characters of a guide with this body plan, by the id they must have to be drawn. */
export function ternModel(traits: Traits): TernModel {
  const { word, number } = traitReader(traits);
  return {
    chord: number('wing-chord', 265),
    billRatio: number('bill-ratio', 0.86),
    billDepth: number('bill-depth', 0.24),
    legRatio: number('leg-ratio', 0.56),
    forkRatio: number('fork-ratio', 0.48),
    wingRatio: number('wing-ratio', 3.7),
    bill: word('bill-shape', 'straight'),
    billColour: word('bill-colour', 'red'),
    billTip: word('bill-tip', 'same'),
    legs: word('leg-colour', 'red'),
    cap: word('cap', 'full'),
    nape: word('nape', 'smooth'),
    mantle: word('mantle-tone', 'mid'),
    saddle: word('saddle', 'plain'),
    saddleTint: word('saddle-tint', 'grey'),
    carpal: word('carpal-bar', 'none'),
    under: word('underparts', 'white'),
    streamers: word('tail-reach', 'level'),
    tailEdge: word('tail-edge', 'white'),
    tips: word('primary-tips', 'none'),
    secondaries: word('secondaries', 'pale'),
    light: word('light-window', 'none'),
    moult: word('moult', 'none'),
    posture: word('wing-posture', 'level'),
  };
}

/** What the weights of a whole bird's lines follow. */
export const sizeOf = (model: TernModel): number => model.chord * 0.62;

/** Length of the tail, in hundredths of the wing chord: what its tip reaches, wings folded. */
export const tailLength = (model: TernModel): number => ({ short: 36, level: 49, beyond: 66 })[model.streamers];

export const billLength = (model: TernModel): number => model.billRatio * HEAD;
