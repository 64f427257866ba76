import type { Key } from '@plesion/core/keys';
import { authoredKey } from '../authoredKey';
import { bogUmbels } from '.';

/** A hands-off key: everything in it is seen from a step away. */
export const stepAwayKey: Key = authoredKey(
  bogUmbels,
  {
    title: 'Bog umbels from a step away',
    source: 'M. Selwith, 1949. Flora of the Tessary bogs, pp. 88–90. Quell Harbour.',
    summary:
      'For plants in flower or fruit. It asks for nothing that must be touched, cut or smelled; the two dangerous kinds leave it first.',
    scope: { taxon: 'mirreline' },
  },
  `
1a Stem bristly [stem-surface=bristly]; umbel with more than 20 rays [rays]; plant taller than 140 cm [height] ... Mirreline caustica Tolmar, 1987
1b Stem smooth or grooved [stem-surface=smooth,grooved] ... 2
2a Umbel a ball [ray-spread=ball]; foot of the leaf stalk inflated [leaf-sheath=inflated] ... Mirreline globata Orvane, 1926
2b Umbel flat or domed [ray-spread=flat,domed] ... 3
3a Plant at most 28 cm high [height]; umbel with at most 6 rays [rays] ... Mirreline minuta Orvane, 1926
3b Plant taller than 28 cm [height]; umbel with more than 6 rays [rays] ... 4
4a Petals yellow [petal-colour=yellow]; edge of the leaflets entire [leaflet-edge=entire,lobed] ... Mirreline flavens Hallin, 1871
4b Petals white, pink or greenish [petal-colour=white,pink,greenish]; edge of the leaflets toothed or lobed [leaflet-edge=toothed,lobed] ... 5
5a Leaflets at most 0.4 times as wide as long [leaflet-ratio]; umbel domed [ray-spread=domed]; outermost petals like the others [outer-petals=equal] ... 6
5b Leaflets more than 0.4 times as wide as long [leaflet-ratio]; umbel flat [ray-spread=flat]; outermost petals often enlarged [outer-petals=enlarged,equal] ... Mirreline gemella Hallin, 1864
6a Stem smooth [stem-surface=smooth]; leaflets at most 0.28 times as wide as long [leaflet-ratio]; bracts none [bracts=none] ... Mirreline virosa Hallin, 1864
6b Stem grooved [stem-surface=grooved]; leaflets more than 0.28 times as wide as long [leaflet-ratio]; one or two bracts [bracts=few] ... Mirreline larvata Selwith, 1949
`,
  {
    prepare: { '1': 'Stand with the sun behind you and do not reach in: sap and sunlight blister. Binoculars help.' },
    note: {
      '5': 'The sister umbel, Mirreline sororella, cannot be parted from the twin umbel here.',
      '6': 'Where this couplet is not plain, treat the plant as the dire umbel.',
    },
  },
);
