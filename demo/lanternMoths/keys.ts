import type { Key } from '@plesion/core/keys';
import { authoredKey } from '../authoredKey';
import { lanternMoths } from '.';

/** A key through the glass: nothing in it needs a moth to be held. */
export const throughGlassKey: Key = authoredKey(
  lanternMoths,
  {
    title: 'Lantern moths through the glass',
    source: 'L. Merrin, 1962. Moths at the harbour lamps, pp. 7–8. Quell Harbour.',
    summary:
      'For a moth on a wall or in a cage, not to be handled: the tufted lantern burns. It leaves strains and some females together.',
    scope: { taxon: 'noctilume' },
  },
  `
1a Abdomen ringed [abdomen=ringed]; hind wing rose or amber with a broad border [hind-border=broad]; lantern red or amber [lantern-colour=red,amber] ... 2
1b Abdomen plain [abdomen=plain]; border of the hind wing narrow or none [hind-border=narrow,none]; lantern white or amber [lantern-colour=white,amber] ... 3
2a Tail with a long, spreading tuft [tail-tuft=long]; outer edge of the fore wing even [wing-edge=even,wavy]; midband at most 0.16 of the fore wing [band-ratio], or none ... Noctilume urtica Hallin, 1880
2b Tail tuft short or none [tail-tuft=short,none]; outer edge of the fore wing with one notch [wing-edge=notched]; midband more than 0.16 of the fore wing [band-ratio] ... Noctilume fallax Merrin, 1962
3a Wings at rest rolled round the body [rest-posture=rolled]; midband angled [midband=angled]; fore wing more than 1.8 times as long as broad [wing-ratio] ... 4
3b Wings at rest like a roof [rest-posture=roof,flat]; midband straight [midband=straight,none]; fore wing at most 1.8 times as long as broad [wing-ratio] ... Noctilume lampas Hallin, 1873
4a Antennae of the male saw-edged [antenna=saw,thread]; antenna at least 0.46 of the fore wing [antenna-ratio] ... Noctilume vesperta Orvane, 1919
4b Antennae of the male feathered [antenna=feather]; antenna less than 0.46 of the fore wing [antenna-ratio] ... Noctilume crepera Orvane, 1919
`,
  {
    prepare: { '2': 'Look at the tail from the side, through glass. Do not open the cage, and do not blow.' },
    note: {
      '2': 'Where this couplet is not plain, treat the moth as the tufted lantern.',
      '4': 'Females, with thread-like antennae, cannot be named here: leave them as “dusk or gloam lantern”.',
    },
  },
);
