/** "one specimen", "4 specimens". */
export const saySize = (specimens: readonly string[]): string =>
  specimens.length === 1 ? 'one specimen' : `${specimens.length} specimens`;
