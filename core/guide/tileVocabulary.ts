/** What tiles are described with, apart from the shape they have in a guide, so that who draws them need not carry its parser. */

export const OUTLINES = [
  ...(['orbicular', 'elliptic', 'oblong', 'ovate', 'obovate', 'lanceolate'] as const),
  ...(['linear', 'deltoid', 'rhombic', 'reniform', 'spatulate'] as const),
] as const;
export const TIPS = ['acute', 'acuminate', 'caudate', 'obtuse', 'rounded', 'truncate', 'emarginate', 'mucronate'] as const;
export const BASES = ['cuneate', 'attenuate', 'rounded', 'truncate', 'cordate', 'sagittate', 'oblique'] as const;
export const MARGINS = ['entire', 'serrate', 'dentate', 'crenate', 'undulate', 'lobed', 'spiny', 'ciliate'] as const;
export const TILE_PATTERNS = [
  ...(['plain', 'spotted', 'blotched', 'speckled', 'barred', 'striped'] as const),
  ...(['edged', 'tipped', 'based', 'two-toned', 'centred', 'eyed', 'netted'] as const),
] as const;
export const SURFACES = ['smooth', 'downy', 'hairy', 'bristly', 'warty', 'pitted', 'scaly', 'ridged'] as const;
export const VEINS = ['none', 'midrib', 'pinnate', 'palmate', 'parallel'] as const;
export const CAPS = ['convex', 'flat', 'conical', 'bell', 'umbonate', 'depressed', 'funnel', 'globose'] as const;
export const UNDERSIDES = ['gills', 'pores', 'spines', 'smooth'] as const;
export const STALKS = ['straight', 'bulbous', 'tapering', 'ringed', 'none'] as const;
export const FINS = ['forked', 'notched', 'straight', 'rounded', 'pointed', 'wedge', 'lyre'] as const;

/** Colours as they are met in the field: none as bright as a screen can. */
export const TILE_COLOURS: Record<string, string> = {
  white: '#f4f1e6',
  cream: '#f0e4c2',
  yellow: '#e3c13c',
  lemon: '#e8dc5a',
  ochre: '#c8963e',
  buff: '#d9bf8c',
  orange: '#d9822b',
  red: '#b23a2e',
  scarlet: '#c8372a',
  crimson: '#962338',
  rust: '#a0522d',
  rufous: '#a85a32',
  chestnut: '#7b3f24',
  pink: '#d99aa6',
  rose: '#cf8291',
  purple: '#6f4a7e',
  violet: '#7a5ea6',
  lilac: '#b79fc8',
  blue: '#4a6f9f',
  green: '#6f8f4e',
  olive: '#7d7a43',
  brown: '#7a5a3a',
  tan: '#c2a477',
  fawn: '#c9ac83',
  grey: '#8f908c',
  gray: '#8f908c',
  slate: '#5f6a72',
  black: '#2a2624',
  blackish: '#3a3330',
  bronze: '#8a6a3a',
  copper: '#a9663a',
};
