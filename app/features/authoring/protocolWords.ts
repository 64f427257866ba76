import type { Place } from '@plesion/core/authoring';
import type { Quantity } from '@plesion/core/guide';

export const QUANTITY_WORDS: Record<Quantity['kind'], string> = {
  length: 'a length',
  ratio: 'one length in another',
  reach: 'how far one tip reaches past another',
  angle: 'an angle',
  area: 'an area',
  elongation: 'length by width of an outline',
  roundness: 'how round an outline is',
  form: 'where an outline lies between two forms',
  dip: 'a dip: V or U',
  raggedness: 'how ragged an edge is',
  count: 'a count',
};

export const PLACE_WORDS: Record<Place['kind'], string> = {
  point: 'a point',
  path: 'along a curve',
  outline: 'all around',
  markers: 'each of several',
};

/** What the places of a quantity are in it, by its roles. */
export const ROLE_WORDS: Record<string, string> = {
  line: 'From place to place',
  numerator: 'The length',
  denominator: 'Held against the length',
  tip: 'The tip that reaches',
  past: 'The tip that it passes',
  from: 'The axis begins at',
  to: 'The axis ends at',
  one: 'One arm ends at',
  corner: 'The corner is',
  other: 'The other arm ends at',
  outline: 'Around',
  path: 'Along',
  markers: 'What is counted',
  axis: 'To one side of an axis through',
};
