import type { Guide } from '@plesion/core/guide';

/**
 * How the cage strains inherit: pale hangs on the Z chromosome and is recessive; smoke shows with one copy, and two
 * copies do not hatch. What is pale is so whatever its smoke. Both strains are caught ones, and not alike.
 */
export const heredity: Guide['heredity'] = {
  system: 'ZW',
  taxon: 'lampas',
  strains: [
    { id: 'Quell', founders: { pale: { '+': 0.6, p: 0.4 }, smoke: { '+': 0.99, S: 0.01 } } },
    { id: 'North', founders: { pale: { '+': 0.95, p: 0.05 }, smoke: { '+': 0.8, S: 0.2 } } },
  ],
  neverMix: [
    {
      strains: ['Quell', 'North'],
      why: 'Quell moths are to be set free again where they were caught, and must not carry smoke of the north.',
    },
  ],
  incubation: 11,
  toldFrom: { sex: 38, morph: 38 },
  breedsFrom: 41,
  weighEvery: 90,
  loci: [
    {
      id: 'pale',
      label: 'pale',
      inheritance: 'sex-linked',
      alleles: [
        { id: '+', label: 'wild', frequency: 0.82 },
        { id: 'p', label: 'pale', frequency: 0.18 },
      ],
    },
    {
      id: 'smoke',
      label: 'smoke',
      inheritance: 'autosomal',
      alleles: [
        { id: '+', label: 'wild', frequency: 0.94 },
        { id: 'S', label: 'smoke', frequency: 0.06 },
      ],
      lethal: ['S/S'],
    },
  ],
  characters: [
    {
      id: 'morph',
      loci: ['pale', 'smoke'],
      rules: [
        { where: { pale: { only: 'p' } }, shows: 'pale' },
        { where: { smoke: { has: 'S' } }, shows: 'smoke' },
        { where: {}, shows: 'wild' },
      ],
    },
  ],
};
