/** What a finished walk through a key says, for a guide whose school is the key. */
export interface Keyed {
  /** The taxon it ended at. */
  taxon: string;
  /** Was every couplet decided, none forked or guessed? */
  decided: boolean;
  /** Does the described form fit the readings? */
  fits: boolean;
  /** Both in words. */
  text: string;
}
