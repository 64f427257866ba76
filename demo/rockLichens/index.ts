import { type Key, readKeyText } from '@plesion/core/keys';

/** A key as it stands in print, to be read in and made a guide of: nobody has drawn these, and no guide knows them. */
const TEXT = `
1a Thallus leafy, its edge free of the rock ... 2
1b Thallus crust-like, grown to the rock ... 5
2a Thallus grey or blue-grey; lobes more than 4 mm wide; underside black ... 3
2b Thallus yellow or orange; lobes less than 4 mm wide; underside white ... 4
3a Lobes with white pores; cups rare, brown ... Saxora porosa Mereth, 1911
3b Lobes without pores; cups usually many, black ... Saxora lata Mereth, 1911
4a Edge of the lobes with powder; cups none or few ... Helmora pulverea Dallow, 1932
4b Edge of the lobes smooth; cups many, orange ... Helmora litoralis Mereth, 1908
5a Thallus black or dark brown, within reach of the tide ... Nigrella undarum Dallow, 1929
5b Thallus pale, above the reach of the tide ... 6
6a Thallus white or pale grey; cups 0.5–1.2 mm across; cups black, with a thick rim ... 7
6b Thallus green or yellow; cups 1.5–3 mm across; cups red, with a thin rim ... Rubescula ostrena Hallin, 1874
7a Thallus cracked into small fields; spores eight in a sack ... Calcidra tesselata Hallin, 1874
7b Thallus smooth, not cracked; spores sixteen in a sack ... Calcidra laevis Dallow, 1932
`;

const { key } = readKeyText(TEXT.trim(), 'Lichens of the harbour walls, after Dallow');
if (!key) throw new Error('the key of the lichens cannot be read');

export const dallowLichens: Key = {
  ...key,
  source: 'T. Dallow, 1932. Lichens of the harbour walls. Tessary Naturalist 4: 31–33.',
  summary: 'For a walk along a harbour wall with a lens; spores are asked for last.',
};
