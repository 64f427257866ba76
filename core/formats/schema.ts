/** Grids that a station may set for places that must not be told precisely, in degrees; the widest is some 111 km of latitude. */
export const GRIDS = [0.01, 0.05, 0.1, 0.25, 0.5, 1] as const;

/** The grid of a station that has set none: some 11 km of latitude. */
export const USUAL_GRID = 0.1;
