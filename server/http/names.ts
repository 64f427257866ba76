/** As much of a name that was sent as an answer repeats, in characters. */
export const LONGEST_NAME = 60;
