import type { Character } from '@plesion/core/guide';

type Given = Omit<Character, 'handling' | 'distance' | 'needsLight' | 'seconds'> & Partial<Character>;

const usual = { handling: 'look', distance: 'near', needsLight: false, seconds: 4 } as const;
const character = (given: Given): Character => ({ ...usual, ...given });
const inHand = { handling: 'hold', distance: 'hand' } as const;
const measured = { ...inHand, handling: 'instrument', seconds: 25 } as const;

/** What is read on a ledge crab, in the order of work: baseline, shape, pattern, colour, behaviour. */
export const characters: Character[] = [
  character({
    id: 'abdomen', label: 'Abdomen under the body', kind: 'nominal', group: 'baseline', views: ['ventral'], ...inHand,
    dependence: 'abdomen', reliability: 0.97, plate: { view: 'ventral', part: 'abdomen' },
    help: 'Turn the crab over. Look at the outline of the flap folded under the body.',
    states: [
      { id: 'narrow', label: 'narrow, drawn to a point' }, { id: 'broad', label: 'broad and rounded' },
      { id: 'slim', label: 'slim, sides almost parallel' },
    ],
  }),
  character({
    id: 'abdomen-ratio', label: 'Abdomen width ÷ breastplate width', kind: 'ratio', group: 'baseline', views: ['ventral'], ...measured,
    parts: { numerator: 'abdomen width', denominator: 'breastplate width' }, error: 0.03, dependence: 'abdomen',
    help: 'Both at their widest, in the same unit.', plate: { view: 'ventral', part: 'abdomen' },
  }),
  character({
    id: 'eggs', label: 'Eggs under the abdomen', kind: 'nominal', group: 'baseline', views: ['ventral'], ...inHand, seconds: 2,
    reliability: 0.98, plate: { view: 'ventral', part: 'belly' },
    help: 'A grainy orange mass that pushes the flap away from the body.',
    states: [{ id: 'none', label: 'none' }, { id: 'carried', label: 'carried' }],
  }),
  character({
    id: 'carapace-width', label: 'Carapace width', kind: 'measurement', group: 'baseline', unit: 'mm', views: ['dorsal'], ...measured,
    seconds: 15, log: true, error: 0.5, dependence: 'size', plate: { view: 'dorsal', part: 'carapace' },
    help: 'Greatest width of the shell, side teeth included.',
  }),
  character({
    id: 'shell-wear', label: 'Age of the shell', kind: 'ordered', group: 'baseline', views: ['dorsal'], reliability: 0.85,
    plate: { view: 'dorsal', part: 'back' }, help: 'Tells how long ago it moulted, and how far colours can be trusted.',
    states: [
      { id: 'clean', label: 'clean, lately moulted' }, { id: 'worn', label: 'scratched' }, { id: 'fouled', label: 'barnacles on it' },
    ],
  }),
  character({
    id: 'width-ratio', label: 'Carapace width ÷ length', kind: 'ratio', group: 'shape', views: ['dorsal'], ...measured,
    parts: { numerator: 'carapace width', denominator: 'carapace length' }, error: 0.02, dependence: 'carapace-form',
    help: 'Width at the widest; length along the midline from front edge to rear edge.', plate: { view: 'dorsal', part: 'carapace' },
  }),
  character({
    id: 'front-edge', label: 'Front edge between the eyes', kind: 'nominal', group: 'shape', views: ['dorsal'], reliability: 0.94,
    plate: { view: 'dorsal', part: 'front' }, help: 'Look straight down on the edge between the eye sockets.',
    states: [
      { id: 'two-lobes', label: 'two lobes' }, { id: 'one-arch', label: 'one arch' }, { id: 'three-teeth', label: 'three teeth' },
    ],
  }),
  character({
    id: 'side-teeth', label: 'Side teeth, one side', kind: 'count', group: 'shape', views: ['dorsal'], counts: { from: 2, to: 8 },
    seconds: 8, reliability: 0.92, plate: { view: 'dorsal', part: 'side' },
    help: 'Count from the tooth behind the eye to the widest point, both included.',
  }),
  character({
    id: 'tooth-form', label: 'Form of the side teeth', kind: 'ordered', group: 'shape', views: ['dorsal'], reliability: 0.88,
    plate: { view: 'dorsal', part: 'side' },
    states: [{ id: 'blunt', label: 'blunt lobes' }, { id: 'sharp', label: 'sharp teeth' }, { id: 'spined', label: 'long spines' }],
  }),
  character({
    id: 'widest-point', label: 'Where the carapace is widest', kind: 'ordered', group: 'shape', views: ['dorsal'], reliability: 0.85,
    dependence: 'carapace-form', plate: { view: 'dorsal', part: 'carapace' },
    states: [
      { id: 'front', label: 'at the front quarter' }, { id: 'third', label: 'at the front third' }, { id: 'middle', label: 'near the middle' },
    ],
  }),
  character({
    id: 'rear-edge', label: 'Rear edge', kind: 'nominal', group: 'shape', views: ['dorsal'], reliability: 0.88, distance: 'hand',
    plate: { view: 'dorsal', part: 'rear' },
    states: [{ id: 'straight', label: 'straight' }, { id: 'hollowed', label: 'hollowed' }],
  }),
  character({
    id: 'back-groove', label: 'Groove across the back', kind: 'ordered', group: 'shape', views: ['dorsal'], reliability: 0.86,
    dependence: 'relief', plate: { view: 'dorsal', part: 'back' }, help: 'The H-shaped furrow in the middle of the shell.',
    states: [{ id: 'absent', label: 'not there' }, { id: 'faint', label: 'faint' }, { id: 'deep', label: 'deep' }],
  }),
  character({
    id: 'granules', label: 'Grains on the back', kind: 'ordered', group: 'shape', views: ['dorsal'], reliability: 0.87, distance: 'hand',
    dependence: 'relief', plate: { view: 'dorsal', part: 'back' }, help: 'Let light fall across the shell.',
    states: [{ id: 'smooth', label: 'smooth' }, { id: 'scattered', label: 'a few grains' }, { id: 'dense', label: 'dense grains' }],
  }),
  character({
    id: 'eye-stalks', label: 'Eye stalks', kind: 'ordered', group: 'shape', views: ['dorsal'], reliability: 0.88,
    plate: { view: 'dorsal', part: 'front' },
    states: [{ id: 'short', label: 'short, hardly past the edge' }, { id: 'long', label: 'long, well past the edge' }],
  }),
  character({
    id: 'claw-ratio', label: 'Larger claw ÷ carapace width', kind: 'ratio', group: 'shape', views: ['dorsal', 'ventral'], ...measured,
    parts: { numerator: 'claw length', denominator: 'carapace width' }, error: 0.02, dependence: 'claws',
    help: 'Claw from wrist to the tip of the fixed finger.', plate: { view: 'dorsal', part: 'claw-right' },
  }),
  character({
    id: 'claw-depth', label: 'Claw depth ÷ claw length', kind: 'ratio', group: 'shape', views: ['dorsal', 'ventral'], ...measured,
    parts: { numerator: 'claw depth', denominator: 'claw length' }, error: 0.02, dependence: 'claws',
    help: 'Depth of the hand at its deepest.', plate: { view: 'dorsal', part: 'claw-right' },
  }),
  character({
    id: 'claw-balance', label: 'The two claws', kind: 'nominal', group: 'shape', views: ['dorsal', 'ventral'], seconds: 3,
    plate: { view: 'dorsal', part: 'claws' },
    states: [{ id: 'equal', label: 'alike' }, { id: 'unequal', label: 'one larger' }],
  }),
  character({
    id: 'claw-gape', label: 'Closed fingers of the claw', kind: 'nominal', group: 'shape', views: ['dorsal', 'ventral'], reliability: 0.84,
    plate: { view: 'dorsal', part: 'claw-right-fingers' },
    states: [{ id: 'closed', label: 'meet along their length' }, { id: 'gaping', label: 'leave a gap' }],
  }),
  character({
    id: 'claw-teeth', label: 'Biting edge of the claw', kind: 'nominal', group: 'shape', views: ['dorsal', 'ventral'], ...inHand, seconds: 6,
    plate: { view: 'dorsal', part: 'claw-right-fingers' },
    states: [{ id: 'fine-row', label: 'a fine row' }, { id: 'molars', label: 'three rounded molars' }],
  }),
  character({
    id: 'leg-ratio', label: 'Second walking leg ÷ carapace width', kind: 'ratio', group: 'shape', views: ['dorsal', 'ventral'], ...measured,
    seconds: 35, parts: { numerator: 'leg length', denominator: 'carapace width' }, error: 0.05, dependence: 'legs',
    help: 'Leg laid straight, from where it leaves the shell to its tip.', plate: { view: 'dorsal', part: 'leg-2-right' },
  }),
  character({
    id: 'leg-tip', label: 'Last joint of the legs', kind: 'nominal', group: 'shape', views: ['dorsal', 'ventral'], reliability: 0.88,
    dependence: 'legs', plate: { view: 'dorsal', part: 'leg-2-right-tip' },
    states: [{ id: 'stout', label: 'stout' }, { id: 'slender', label: 'slender' }, { id: 'flattened', label: 'flat as a blade' }],
  }),
  character({
    id: 'leg-fringe', label: 'Hair on the legs', kind: 'ordered', group: 'shape', views: ['dorsal', 'ventral'], distance: 'hand',
    reliability: 0.86, plate: { view: 'dorsal', part: 'leg-2-right' }, help: 'Wet hair lies flat: look from the side.',
    states: [{ id: 'none', label: 'none' }, { id: 'sparse', label: 'a few hairs' }, { id: 'dense', label: 'a dense fringe' }],
  }),
  character({
    id: 'back-pattern', label: 'Pattern of the back', kind: 'nominal', group: 'pattern', views: ['dorsal'], reliability: 0.9, seconds: 2,
    dependence: 'markings', plate: { view: 'dorsal', part: 'carapace' },
    states: [
      { id: 'plain', label: 'plain' }, { id: 'crossbands', label: 'two pale crossbands' }, { id: 'speckled', label: 'dark speckles' },
      { id: 'saddle', label: 'a pale saddle' },
    ],
  }),
  character({
    id: 'leg-bands', label: 'Rings on the legs', kind: 'ordered', group: 'pattern', views: ['dorsal', 'ventral'], reliability: 0.87,
    seconds: 2, dependence: 'markings', plate: { view: 'dorsal', part: 'leg-2-right' },
    states: [{ id: 'none', label: 'none' }, { id: 'faint', label: 'faint rings' }, { id: 'bold', label: 'bold rings' }],
  }),
  character({
    id: 'belly-spots', label: 'Spots on the underside', kind: 'ordered', group: 'pattern', views: ['ventral'], ...inHand,
    reliability: 0.92, plate: { view: 'ventral', part: 'belly' },
    states: [{ id: 'none', label: 'none' }, { id: 'few', label: 'few' }, { id: 'many', label: 'many' }],
  }),
  character({
    id: 'claw-tips', label: 'Fingers of the claw', kind: 'ordered', group: 'pattern', views: ['dorsal', 'ventral'], reliability: 0.91,
    seconds: 2, plate: { view: 'dorsal', part: 'claw-right-fingers' },
    states: [{ id: 'pale', label: 'pale to the tip' }, { id: 'dark-tip', label: 'dark at the tip' }, { id: 'half-dark', label: 'half dark' }],
  }),
  character({
    id: 'ground-colour', label: 'Ground colour of the back', kind: 'nominal', group: 'colour', views: ['dorsal'], needsLight: true,
    reliability: 0.75, seconds: 2, dependence: 'colour', plate: { view: 'dorsal', part: 'carapace' },
    help: 'Wet shells look darker. Shade the crab with your hand and wipe it.',
    states: [{ id: 'slate', label: 'slate grey' }, { id: 'ochre', label: 'ochre' }, { id: 'rust', label: 'rust' }, { id: 'cream', label: 'cream' }],
  }),
  character({
    id: 'claw-inside', label: 'Inner face of the claw', kind: 'nominal', group: 'colour', views: ['ventral', 'front'], needsLight: true,
    reliability: 0.82, dependence: 'colour', plate: { view: 'ventral', part: 'claw-right' },
    states: [{ id: 'white', label: 'white' }, { id: 'orange', label: 'orange' }, { id: 'violet', label: 'violet' }],
  }),
  character({
    id: 'alarm', label: 'What it does when you come near', kind: 'nominal', group: 'behaviour', views: ['alive'], distance: 'far',
    reliability: 0.9, seconds: 3, plate: { view: 'dorsal', part: 'posture' }, help: 'Only the first reaction, before you touch it.',
    states: [
      { id: 'flees', label: 'runs for a crack' }, { id: 'flattens', label: 'flattens itself' }, { id: 'raises-claws', label: 'raises its claws' },
    ],
  }),
];
