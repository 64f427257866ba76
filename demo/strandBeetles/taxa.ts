import type { Taxon } from '@plesion/core/guide';

/** Both sexes, as often met. */
const forms = [{ share: 1, facets: { sex: { male: 0.5, female: 0.5 } } }];

const genus = (id: string, name: string, vernacular: string, authority: string): Taxon => ({
  id,
  name,
  rank: 'genus',
  parent: 'lithonychini',
  authority,
  vernacular,
  abundance: 1,
});

const species = (
  parent: string,
  genusName: string,
  epithet: string,
  vernacular: string,
  authority: string,
  more: Partial<Taxon> = {},
): Taxon => ({
  id: epithet,
  name: `${genusName} ${epithet}`,
  rank: 'species',
  parent,
  authority,
  vernacular,
  abundance: 2,
  forms,
  ...more,
});

const bites: Taxon['hazards'] = [
  { kind: 'bite', grade: 'slight', text: 'Nips when held; a broken skin should be washed.', threshold: 0.4 },
];

/** Four genera, twenty-two species. Everything in it is invented. */
export const taxa: Taxon[] = [
  { id: 'lithonychini', name: 'Lithonychini', rank: 'tribe', vernacular: 'strand beetles', abundance: 1 },
  genus('fucalis', 'Fucalis', 'wrack beetles', 'Selwith, 1938'),
  species('fucalis', 'Fucalis', 'algarum', 'downy wrack beetle', 'Selwith, 1938', { abundance: 4 }),
  species('fucalis', 'Fucalis', 'nudalis', 'bare wrack beetle', 'Selwith, 1954'),
  genus('vadomera', 'Vadomera', 'strand runners', 'Hallin, 1869'),
  species('vadomera', 'Vadomera', 'cursora', 'bronze runner', 'Hallin, 1869', { abundance: 3, hazards: bites }),
  species('vadomera', 'Vadomera', 'bimacula', 'two-spot runner', 'Hallin, 1869', { hazards: bites }),
  species('vadomera', 'Vadomera', 'quadrix', 'four-spot runner', 'Orvane, 1929', { hazards: bites }),
  species('vadomera', 'Vadomera', 'litorea', 'hem runner', 'Hallin, 1871', {
    hazards: bites,
    names: [{ name: 'Vadomera limbata', kind: 'former', note: 'The name was given to a worm before.' }],
  }),
  genus('arenossa', 'Arenossa', 'sand diggers', 'Selwith, 1938'),
  species('arenossa', 'Arenossa', 'fossor', 'great digger', 'Selwith, 1938'),
  species('arenossa', 'Arenossa', 'minuta', 'least digger', 'Selwith, 1938', { abundance: 4 }),
  species('arenossa', 'Arenossa', 'tumida', 'humped digger', 'Selwith, 1938'),
  species('arenossa', 'Arenossa', 'setosa', 'downy digger', 'Selwith, 1954'),
  species('arenossa', 'Arenossa', 'bicolor', 'banded digger', 'Orvane, 1929'),
  species('arenossa', 'Arenossa', 'obtusa', 'stub-tailed digger', 'Tolmar, 1998', { abundance: 1 }),
  genus('lithonyx', 'Lithonyx', 'stone-claws', 'Hallin, 1869'),
  species('lithonyx', 'Lithonyx', 'aridus', 'dry stone-claw', 'Hallin, 1869', { abundance: 4 }),
  species('lithonyx', 'Lithonyx', 'brevis', 'short stone-claw', 'Hallin, 1869'),
  species('lithonyx', 'Lithonyx', 'comatus', 'hairy stone-claw', 'Orvane, 1929'),
  species('lithonyx', 'Lithonyx', 'sulcatus', 'ribbed stone-claw', 'Hallin, 1871'),
  species('lithonyx', 'Lithonyx', 'duplex', 'greater double stone-claw', 'Selwith, 1954', { abundance: 3 }),
  species('lithonyx', 'Lithonyx', 'dubiosus', 'lesser double stone-claw', 'Selwith, 1954', {
    abundance: 3,
    note: 'Tolmar takes it for small specimens of the greater.',
  }),
  species('lithonyx', 'Lithonyx', 'laevior', 'smooth stone-claw', 'Hallin, 1871'),
  species('lithonyx', 'Lithonyx', 'dentipes', 'tooth-legged stone-claw', 'Orvane, 1929', {
    legal: 'Protected on Ostren: specimens may be kept only under a permit of the harbour office.',
    abundance: 1,
  }),
  species('lithonyx', 'Lithonyx', 'curvitibia', 'bow-legged stone-claw', 'Selwith, 1938'),
  species('lithonyx', 'Lithonyx', 'pallens', 'pale stone-claw', 'Hallin, 1869'),
];
