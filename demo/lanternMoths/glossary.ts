import type { Guide } from '@plesion/core/guide';

/** Words of the moth guide, each with a drawing where a state shows it. */
export const glossary: NonNullable<Guide['glossary']> = [
  {
    id: 'lantern',
    term: 'lantern',
    text: 'The pale mark in the middle of the fore wing.',
    figure: { character: 'lantern', states: ['round', 'comma', 'ring'] },
  },
  {
    id: 'midband',
    term: 'midband',
    text: 'A dark band across the fore wing, inside the lantern.',
    figure: { character: 'midband', states: ['straight', 'angled'] },
  },
  {
    id: 'fore-wing',
    term: 'fore wing',
    also: ['fore wings'],
    text: 'The front pair of wings, which cover the hind wings at rest.',
    figure: { character: 'wing-tip', states: ['pointed', 'hooked'] },
  },
  {
    id: 'hind-wing',
    term: 'hind wing',
    also: ['hind wings'],
    text: 'The second pair, hidden at rest.',
    figure: { character: 'hind-border', states: ['narrow', 'broad'] },
  },
  {
    id: 'fringe',
    term: 'fringe',
    text: 'The row of long scales along the outer edge; it wears off.',
    figure: { character: 'fringe', states: ['plain', 'chequered'] },
  },
  {
    id: 'collar',
    term: 'collar',
    text: 'The scales between head and back.',
    figure: { character: 'collar', states: ['pale', 'banded'] },
  },
  {
    id: 'claspers',
    term: 'claspers',
    text: 'Paired plates at the end of a male’s abdomen.',
    figure: { view: 'spread', part: 'abdomen' },
  },
  {
    id: 'tuft',
    term: 'tuft',
    also: ['tail tuft'],
    text: 'A brush of long hairs at the end of the abdomen. In one species the hairs burn.',
    figure: { character: 'tail-tuft', states: ['short', 'long'] },
  },
  {
    id: 'smoke',
    term: 'smoke',
    also: ['smoke morph'],
    text: 'A dark morph, inherited alike by both sexes.',
    figure: { character: 'ground-colour', states: ['smoke'] },
  },
  {
    id: 'pale-morph',
    term: 'pale morph',
    text: 'A light morph that hangs on the Z chromosome: one copy shows in a female, a male needs two.',
    figure: { character: 'ground-colour', states: ['pale'] },
  },
];
