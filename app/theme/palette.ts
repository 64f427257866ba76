/** Every colour of the interface, by what it is for. Evidence for and against also differs by side and by shape. */
export const DAY = {
  mist: '#EDF1F0',
  sheet: '#FFFFFF',
  paper: '#FBFAF6',
  ink: '#10211F',
  quiet: '#4C5F5C',
  hairline: '#C8D2D0',
  edge: '#DDE5E3',
  shade: 'rgba(16,33,31,0.45)',
  kelp: '#0E4F4A',
  kelpDeep: '#0A3B37',
  kelpWash: '#E2ECEA',
  for: '#9A5B00',
  forWash: '#F4E4C8',
  forTint: '#E3BE83',
  against: '#56489E',
  againstWash: '#DFDBF1',
  againstTint: '#BFB7E0',
  unknown: '#8A9795',
  hazard: '#A80F3F',
  hazardWash: '#FBE9EE',
} as const;

export type Palette = Record<keyof typeof DAY, string>;

/** Night work: near-black, and ink that spares eyes used to the dark: amber and red, no blue in it. */
export const LAMP: Palette = {
  mist: '#0A0605',
  sheet: '#150D09',
  paper: '#150D09',
  ink: '#F2A56B',
  quiet: '#C07D4F',
  hairline: '#4A2E1C',
  edge: '#2E1C12',
  shade: 'rgba(0,0,0,0.7)',
  kelp: '#FF9A57',
  kelpDeep: '#E07B3B',
  kelpWash: '#2B1810',
  for: '#FFC36B',
  forWash: '#3B270F',
  forTint: '#8F5F1E',
  against: '#E98A86',
  againstWash: '#3A1B1C',
  againstTint: '#7E3C3C',
  unknown: '#8F6547',
  hazard: '#FF6A55',
  hazardWash: '#35110C',
};
