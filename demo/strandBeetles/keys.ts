import type { Key } from '@plesion/core/keys';
import { authoredKey } from '../authoredKey';
import { strandBeetles } from '.';

/** Selwith's key: structure under the lens, then sculpture, size last. */
export const selwithKey: Key = authoredKey(
  strandBeetles,
  {
    title: 'Strand beetles, after Selwith',
    source: 'I. Selwith, 1954. Handbook of the strand beetles, pp. 12–19. Quell Harbour.',
    summary: 'Begins with the hind foot and the mouthparts; wants a clean specimen with at least one hind leg.',
    scope: { taxon: 'lithonychini' },
  },
  `
1a Hind foot with four segments [foot-segments]; feelers ending in a club [antenna=clubbed] ... 2
1b Hind foot with five segments [foot-segments]; feelers like a thread or a string of beads [antenna=thread,beaded] ... 3
2a Wing cases under dense down [elytra-hair=dense,scattered]; ground usually brown [ground-colour=brown,black] ... Fucalis algarum Selwith, 1938
2b Wing cases bare [elytra-hair=bare]; ground usually bronze [ground-colour=bronze] ... Fucalis nudalis Selwith, 1954
3a Hind thigh swollen [hind-thigh=swollen]; outer edge of the hind shin with a row of spines [shin-edge=spined]; last segment of the palp like an axe [palp-tip=axe] ... 4
3b Hind thigh slender or with one tooth [hind-thigh=slender,toothed]; outer edge of the hind shin without a row of spines [shin-edge=smooth,fringed]; last segment of the palp like a barrel or pointed [palp-tip=barrel,pointed] ... 9
4a Wing cases cut off behind and leaving the tail bare [elytra-tip=cut-off] ... Arenossa obtusa Tolmar, 1998
4b Wing cases covering the tail [elytra-tip=together,apart] ... 5
5a Back humped when seen from the side [profile=humped] ... 6
5b Back evenly arched when seen from the side [profile=arched,flat] ... 7
6a Front edge of the head with a lobe [clypeus=lobed]; body 8 mm long or longer [body-length] ... Arenossa fossor Selwith, 1938
6b Front edge of the head straight [clypeus=straight,notched]; body shorter than 8 mm [body-length] ... Arenossa tumida Selwith, 1938
7a Body shorter than 4.8 mm [body-length] ... Arenossa minuta Selwith, 1938
7b Body 4.8 mm or longer [body-length] ... 8
8a Wing cases under dense down [elytra-hair=dense,scattered]; without a pale cross band [elytra-pattern=plain] ... Arenossa setosa Selwith, 1954
8b Wing cases bare [elytra-hair=bare]; with a pale cross band [elytra-pattern=band] ... Arenossa bicolor Orvane, 1929
9a Jaws long, like sickles [mandible=sickle]; eyes bulging [eyes=bulging]; claws with a tooth [claws=toothed] ... 10
9b Jaws short [mandible=short,toothed]; eyes flat [eyes=flat]; claws simple or split [claws=simple,split] ... 12
10a Wing cases plain [elytra-pattern=plain]; shoulder usually with a tooth [shoulder=toothed,squared] ... Vadomera cursora Hallin, 1869
10b Wing cases with a pale edge [elytra-pattern=pale-edge]; shoulder without a tooth [shoulder=rounded,squared] ... Vadomera litorea Hallin, 1871
10c Wing cases with pale spots [elytra-pattern=two-spots,four-spots]; shoulder without a tooth [shoulder=rounded,squared] ... 11
11a Two pale spots [elytra-pattern=two-spots] ... Vadomera bimacula Hallin, 1869
11b Four pale spots [elytra-pattern=four-spots], or the hinder two faint [elytra-pattern=four-spots] ... Vadomera quadrix Orvane, 1929
12a Claws split [claws=split] ... 13
12b Claws simple [claws=simple] ... 16
13a Spaces between the rows raised into ridges [intervals=ridged] ... Lithonyx sulcatus Hallin, 1871
13b Spaces between the rows flat [intervals=flat] ... 14
14a Wing cases with short, scattered hair [elytra-hair=scattered,dense], except in rubbed specimens ... Lithonyx comatus Orvane, 1929
14b Wing cases bare [elytra-hair=bare] ... 15
15a Wing cases more than 1.5 times as long as wide [elytra-ratio]; nine rows on each [puncture-rows]; punctures coarse [row-punctures=coarse] ... Lithonyx aridus Hallin, 1869
15b Wing cases at most 1.5 times as long as wide [elytra-ratio]; eight rows on each [puncture-rows]; punctures coarse [row-punctures=coarse] ... Lithonyx brevis Hallin, 1869
16a Hind thigh with a tooth below [hind-thigh=toothed] ... Lithonyx dentipes Orvane, 1929
16b Hind thigh slender [hind-thigh=slender,swollen] ... 17
17a Hind shin bowed [hind-shin=bowed] ... Lithonyx curvitibia Selwith, 1938
17b Hind shin straight [hind-shin=straight] ... 18
18a Outer edge of the hind shin with a fringe [shin-edge=fringed]; last segment of the hind foot but one two-lobed [fourth-segment=two-lobed]; ground usually sand-coloured [ground-colour=sand], except in old specimens ... Lithonyx pallens Hallin, 1869
18b Outer edge of the hind shin smooth [shin-edge=smooth,spined]; last segment of the hind foot but one simple [fourth-segment=simple]; ground black, brown or bronze [ground-colour=black,brown,bronze] ... 19
19a Rows of punctures hardly to be seen [row-punctures=none]; neck shield without a groove [pronotum-groove=absent] ... Lithonyx laevior Hallin, 1871
19b Rows of punctures distinct [row-punctures=fine,coarse]; neck shield with a deep groove [pronotum-groove=deep,fine] ... 20
20a Body 6.3 mm long or longer [body-length]; neck shield more than 1.34 times as wide as long [pronotum-ratio] ... Lithonyx duplex Selwith, 1954
20b Body shorter than 6.3 mm [body-length]; neck shield at most 1.34 times as wide as long [pronotum-ratio] ... Lithonyx dubiosus Selwith, 1954
`,
  {
    prepare: {
      '1': 'Lay the specimen on its side and count the segments of both hind feet against a pale ground.',
      '3': 'Draw the palps out from under the head with a fine needle; warm water softens a dry specimen.',
      '9': 'Open the jaws with two needles; clean the claws with a drop of spirit.',
      '12': 'Claws: strongest lens, from the side. When one is worn, look at another leg.',
      '20': 'Measure with the eyepiece scale, three times, the specimen lying level.',
    },
    note: { '15': 'Tolmar calls the punctures of aridus fine. Trust the proportion of the wing cases.' },
  },
);

/** Tolmar's key: what can be seen and measured from above comes first; he does not keep dubiosus. */
export const tolmarKey: Key = authoredKey(
  strandBeetles,
  {
    title: 'Strand beetles, after Tolmar',
    source: 'A. Tolmar, 1998. The strand beetles measured anew. Annals of the Tessary Station 9: 158–162.',
    summary: 'From above and with the scale; legs are asked for late. Takes Lithonyx dubiosus for small specimens of L. duplex.',
    scope: { taxon: 'lithonychini' },
  },
  `
1 Wing cases with pale spots, a pale band or a pale edge [elytra-pattern=two-spots,four-spots,band,pale-edge] ... 2
– Wing cases plain [elytra-pattern=plain] ... 5
2(1) With a pale cross band [elytra-pattern=band]; antennae like a string of beads [antenna=beaded] ... Arenossa bicolor
– With spots or a pale edge [elytra-pattern=two-spots,four-spots,pale-edge]; antennae like a thread [antenna=thread] ... 3
3(2) With a pale edge [elytra-pattern=pale-edge] ... Vadomera litorea
– With pale spots [elytra-pattern=two-spots,four-spots] ... 4
4(3) Spots two [elytra-pattern=two-spots] ... Vadomera bimacula
– Spots four [elytra-pattern=four-spots] ... Vadomera quadrix
5(1) Elytra at most 1.5 times as long as wide [elytra-ratio] ... 6
– Elytra more than 1.5 times as long as wide [elytra-ratio] ... 12
6(5) Elytra cut off, tail bare [elytra-tip=cut-off] ... Arenossa obtusa
– Elytra covering the tail [elytra-tip=together,apart] ... 7
7(6) Intervals raised into ridges [intervals=ridged] ... Lithonyx sulcatus
– Intervals flat [intervals=flat] ... 8
8(7) Back humped [profile=humped] ... 9
– Back arched or flat [profile=arched,flat] ... 10
9(8) Body more than 8 mm long [body-length] ... Arenossa fossor
– Body at most 8 mm long [body-length] ... Arenossa tumida
10(8) Elytra under dense down [elytra-hair=dense] ... Arenossa setosa
– Elytra bare or nearly so [elytra-hair=bare,scattered] ... 11
11(10) Body at most 4.8 mm long [body-length]; hind thigh swollen [hind-thigh=swollen] ... Arenossa minuta
– Body more than 4.8 mm long [body-length]; hind thigh slender [hind-thigh=slender] ... Lithonyx brevis
12(5) Antennae ending in a club [antenna=clubbed]; body at most 5 mm long [body-length] ... 13
– Antennae without a club [antenna=thread,beaded]; body usually more than 5 mm long [body-length] ... 14
13(12) Elytra under dense down [elytra-hair=dense,scattered] ... Fucalis algarum
– Elytra bare [elytra-hair=bare] ... Fucalis nudalis
14(12) Jaws long, like sickles [mandible=sickle]; antenna at least 0.55 times as long as the body [antenna-reach] ... Vadomera cursora
– Jaws short [mandible=short,toothed]; antenna less than 0.55 times as long as the body [antenna-reach] ... 15
15(14) Rows of punctures hardly to be seen [row-punctures=none] ... Lithonyx laevior
– Rows of punctures distinct [row-punctures=fine,coarse] ... 16
16(15) Pronotum with a pit on either side at the base [pronotum-pits=two] ... 17
– Pronotum without pits [pronotum-pits=none] ... 18
17(16) Hind thigh with a tooth below [hind-thigh=toothed]; hind shin straight [hind-shin=straight] ... Lithonyx dentipes
– Hind thigh slender [hind-thigh=slender]; hind shin bowed [hind-shin=bowed] ... Lithonyx curvitibia
18(16) Ground sand-coloured [ground-colour=sand]; hind shin with a fringe [shin-edge=fringed] ... Lithonyx pallens
– Ground brown, black or bronze [ground-colour=brown,black,bronze]; hind shin smooth [shin-edge=smooth] ... 19
19(18) Elytra with short, scattered hair [elytra-hair=scattered] ... Lithonyx comatus
– Elytra bare [elytra-hair=bare] ... 20
20(19) Hind corners of the pronotum square [hind-angle=right,rounded]; punctures fine [row-punctures=fine]; claws split [claws=split] ... Lithonyx aridus
– Hind corners of the pronotum drawn out to a point [hind-angle=drawn-out]; punctures fine [row-punctures=fine]; claws simple [claws=simple] ... Lithonyx duplex
`,
  {
    prepare: { '5': 'Measure length along the seam and width at the widest place, wing cases closed.' },
    note: { '20': 'Selwith parts a small form as Lithonyx dubiosus; the measurements run into each other.' },
  },
);
