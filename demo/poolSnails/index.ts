import { type DraftCharacter, type Edit, parseCell } from '@plesion/core/authoring';
import type { Taxon } from '@plesion/core/guide';

const SPECIES: [string, string, string][] = [
  ['orbissa-plana', 'Orbissa plana', 'flat coil'],
  ['orbissa-carinata', 'Orbissa carinata', 'keeled coil'],
  ['velutrina-alta', 'Velutrina alta', 'tower snail'],
  ['velutrina-brevis', 'Velutrina brevis', 'stump snail'],
  ['velutrina-limosa', 'Velutrina limosa', 'mud snail'],
  ['spinella-acris', 'Spinella acris', 'needle snail'],
];

const character = (id: string, label: string, more: Partial<DraftCharacter>): DraftCharacter => ({
  ...{
    id,
    label,
    kind: 'nominal',
    group: 'shape',
    views: ['whole'],
    handling: 'look',
    distance: 'hand',
    needsLight: false,
    seconds: 4,
  },
  ...more,
});
const states = (...labels: string[]) => labels.map((label) => ({ id: label.replace(/ /g, '-'), label }));

const CHARACTERS: DraftCharacter[] = [
  character('coil', 'Coil', { states: states('in one plane', 'low cone', 'tall spire') }),
  character('keel', 'Keel', { states: states('none', 'at the rim', 'in the middle'), dependence: 'rim' }),
  character('mouth', 'Mouth of the shell', { states: states('round', 'oval', 'drawn to a point'), views: ['mouth'] }),
  character('height', 'Height', { kind: 'measurement', group: 'baseline', unit: 'mm', error: 0.2, seconds: 20 }),
  character('whorls', 'Whorls', { kind: 'count', group: 'baseline', counts: { from: 2, to: 12 }, seconds: 8 }),
];

/** What was written into cells so far: with holes that teach. */
const CELLS: [string, string, string][] = [
  ['orbissa-plana', 'coil', 'in one plane'],
  ['orbissa-plana', 'keel', 'none usually; at the rim rarely'],
  ['orbissa-plana', 'mouth', 'round'],
  ['orbissa-plana', 'height', '1.8–2.6'],
  ['orbissa-carinata', 'coil', 'in one plane'],
  ['orbissa-carinata', 'keel', 'at the rim'],
  ['velutrina-alta', 'coil', 'tall spire'],
  ['velutrina-alta', 'height', '(14–)16–21(–24)'],
  ['velutrina-alta', 'whorls', '7–9'],
  ['velutrina-brevis', 'coil', 'low cone 70%; tall spire 30%'],
  ['velutrina-brevis', 'height', '6–9'],
  ['velutrina-brevis', 'mouth', 'oval'],
  // Nothing parts it from the one above: its mouth and its whorls are still to be written.
  ['velutrina-limosa', 'coil', 'low cone 70%; tall spire 30%'],
  ['velutrina-limosa', 'height', '6–9'],
];

const scores = CELLS.map(([taxon, id, text]) => {
  const read = parseCell(
    CHARACTERS.find((one) => one.id === id)!,
    text,
  );
  if (!read.ok || !read.value) throw new Error(`${taxon}, ${id}: “${text}” cannot be read`);
  return { character: id, scope: { taxon }, source: 'own', value: read.value };
});

const genus = (name: string): Taxon => ({ id: name.toLowerCase(), name, rank: 'genus', abundance: 1 });

/** A guide that is half written, with faults that its author is told of: no caution though one of them stings, a state nobody has, one of which nothing is said. */
export const poolSnails: Edit[] = [
  {
    do: 'head',
    set: {
      title: 'Snails of the brackish pools',
      group: 'pool snails',
      area: 'Pools of Quell and Ostren',
      summary: 'Half written: who can fill the holes, do.',
    },
  },
  {
    do: 'part',
    set: {
      views: [
        { id: 'whole', label: 'the shell' },
        { id: 'mouth', label: 'into the mouth' },
      ],
      dependence: [{ id: 'rim', label: 'the rim', gamma: 0.6 }],
    },
    drop: [],
  },
  ...['Orbissa', 'Velutrina', 'Spinella'].map((name): Edit => ({ do: 'taxon', taxon: genus(name) })),
  ...SPECIES.map(([id, name, vernacular]): Edit => ({
    do: 'taxon',
    taxon: {
      ...{ id, name, vernacular, rank: 'species', abundance: 1, parent: name.split(' ')[0].toLowerCase() },
      forms: [{ share: 1, facets: {} }],
      ...(id === 'spinella-acris'
        ? {
            hazards: [
              { kind: 'venom', grade: 'serious', text: 'Its dart stings. Do not pick it up. If stung, seek medical help.' },
            ],
          }
        : {}),
    },
  })),
  ...CHARACTERS.map((one): Edit => ({ do: 'character', character: one })),
  { do: 'scores', put: scores, drop: [] },
];
