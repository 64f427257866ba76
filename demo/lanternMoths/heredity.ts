import type { Guide } from '@plesion/core/guide';

/**
 * How the cage strains inherit: pale hangs on the Z chromosome and is recessive; smoke shows with one copy, and two
 * copies do not hatch. What is pale is so whatever its smoke.
 */
export const heredity: Guide['heredity'] = {
  system: 'ZW',
  taxon: 'lampas',
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
