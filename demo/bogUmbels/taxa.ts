import type { Guide, Taxon } from '@plesion/core/guide';

/** A plant is met as leaves only, in flower, or in fruit. */
const forms: Taxon['forms'] = [{ share: 1, facets: { stage: { rosette: 0.4, flowering: 0.35, fruiting: 0.25 } } }];

const species = (id: string, epithet: string, authority: string, vernacular: string, more: Partial<Taxon> = {}): Taxon => ({
  id,
  name: `Mirreline ${epithet}`,
  rank: 'species',
  parent: 'mirreline',
  authority,
  vernacular,
  abundance: 4,
  forms,
  ...more,
});

/** The bog umbels: eight plants, two of which injure or kill. */
export const taxa: Guide['taxa'] = [
  { id: 'mirreline', name: 'Mirreline', rank: 'genus', authority: 'Hallin, 1864', vernacular: 'bog umbels', abundance: 1 },
  species('virosa', 'virosa', 'Hallin, 1864', 'dire umbel', {
    abundance: 2,
    names: [
      { name: 'Mirreline aquatica', kind: 'former', note: 'Named twice by Hallin himself.' },
      { name: 'ditch celery', kind: 'misleading', note: 'It has been taken for a kitchen herb, and has killed.' },
    ],
    hazards: [
      {
        kind: 'toxin',
        grade: 'grave',
        text: 'A bite of root or stem can kill within hours. Do not taste, and wash hands and knives that touched it. If any was swallowed, call for medical help at once.',
        threshold: 0.002,
      },
    ],
    note: 'Its rootstock is cut across by chambers; to look, it must be dug, which is not worth the risk.',
  }),
  species('caustica', 'caustica', 'Tolmar, 1987', 'blister umbel', {
    abundance: 3,
    names: [
      { name: 'giant parsel', kind: 'nickname' },
      { name: 'Mirreline bohemica maxima', kind: 'former', note: 'A garden name without a description.' },
    ],
    hazards: [
      {
        kind: 'irritant',
        grade: 'serious',
        text: 'Sap on the skin and then sunlight raise blisters that scar. Keep sleeves down and stay clear when it is cut. Wash sap off, keep the place out of the sun, and see a doctor.',
        threshold: 0.005,
      },
    ],
    legal: 'May not be planted or moved; report stands to the harbour office.',
  }),
  species('larvata', 'larvata', 'Selwith, 1949', 'masked umbel', {
    abundance: 4,
    names: [
      { name: 'false dire umbel', kind: 'nickname' },
      { name: 'marsh celery', kind: 'misleading', note: 'The same name is used for the dire umbel on North Tessary.' },
    ],
    note: 'Grows among dire umbels and shares its cut of leaf, its white umbels, and often its blotched stem.',
  }),
  species('gemella', 'gemella', 'Hallin, 1864', 'twin umbel', {
    abundance: 5,
    note: 'In leaf and flower nothing parts it from the sister umbel.',
  }),
  species('sororella', 'sororella', 'Tolmar, 1987', 'sister umbel', {
    abundance: 4,
    names: [
      {
        name: 'Mirreline gemella pusilla',
        kind: 'former',
        note: 'Told by the number of its chromosomes; the fruit differs a little.',
      },
    ],
  }),
  species('flavens', 'flavens', 'Hallin, 1871', 'yellow umbel', {
    abundance: 3,
    names: [{ name: 'saffron parsel', kind: 'nickname' }],
  }),
  species('globata', 'globata', 'Orvane, 1926', 'ball umbel', {
    abundance: 3,
    names: [{ name: 'angel’s drumstick', kind: 'nickname' }],
  }),
  species('minuta', 'minuta', 'Orvane, 1926', 'least umbel', {
    abundance: 2,
    legal: 'Protected: not to be picked or dug, and its places are not to be published.',
    sensitive: true,
    note: 'A hand high; flowers a fortnight before all others.',
  }),
];
