/** A station's id from the form in which it stands in tokens and links: without its dashes. */
export const idFrom = (hex: string): string =>
  [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join('-');
