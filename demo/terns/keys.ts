import type { Key } from '@plesion/core/keys';
import { authoredKey } from '../authoredKey';
import { terns } from '.';

/** A key for standing birds in any plumage: structure first, so that season cannot mislead. */
export const dallowKey: Key = authoredKey(
  terns,
  {
    title: 'Standing terns, after Dallow',
    source: 'R. Dallow, 1937. The terns of the Tessary Isles, pp. 41–44. Quell Harbour.',
    summary:
      'For a bird at rest, seen from the side. It measures parts of the bird in each other, so no scale is needed. Ends at “ring or consort” for most young birds.',
    scope: { taxon: 'halistris' },
  },
  `
1a Nape with a shaggy mane [nape=shaggy]; legs black [leg-colour=black] ... 2
1b Nape smooth [nape=smooth]; legs not black [leg-colour=red,orange,yellow,brown], or black in one rare kind ... 3
2a Back pale [mantle-tone=pale]; dark edge under the hand a thin line or none [primary-tips=line,none] ... Halistris crinita crinita Hallin, 1859
2b Back mid or dark grey [mantle-tone=mid,dark]; dark edge under the hand a wedge [primary-tips=wedge] ... Halistris crinita palliax Dallow, 1937
3a Bill at least 0.26 times as deep as long [bill-depth]; its lower edge with an angle [bill-shape=angled] ... Halistris furtiva Merrin, 1958
3b Bill less than 0.26 times as deep as long [bill-depth]; its lower edge without an angle [bill-shape=straight,drooped] ... 4
4a Wing shorter than 220 mm [wing-chord]; bill yellow in summer [bill-colour=yellow,black,brown]; forehead always white [cap=white-forehead,receding,mask] ... Halistris nivalis Hallin, 1862
4b Wing 220 mm or longer [wing-chord] ... 5
5a Tail reaching beyond the wing tips [tail-reach=beyond]; leg at most 0.53 times as long as the bill [leg-ratio] ... Halistris consors Orvane, 1911
5b Tail level with the wing tips or short of them [tail-reach=level,short]; leg more than 0.53 times as long as the bill [leg-ratio] ... Halistris sodalis Hallin, 1859
`,
  {
    prepare: {
      '1': 'Wait until the bird stands side on and calm: wind flattens a mane.',
      '5': 'Measure three photographs and take the middle.',
    },
    note: { '5': 'Young birds and birds in their first summer cannot be parted here: leave them as “ring or consort tern”.' },
  },
);
