import type { Tile, TileOf } from '../guide/tileSchema';
import { TILE_COLOURS } from '../guide/tileVocabulary';

type Blade = TileOf<'blade'>;

/** What a word says of a blade wherever it stands. */
const ANYWHERE: Record<string, Partial<Blade>> = {
  ...each(['orbicular', 'round', 'circular'], { outline: 'orbicular' }),
  ...each(['elliptic', 'elliptical', 'oval'], { outline: 'elliptic' }),
  ...each(['oblong'], { outline: 'oblong' }),
  ...each(['ovate', 'egg-shaped'], { outline: 'ovate' }),
  ...each(['obovate', 'pear-shaped'], { outline: 'obovate' }),
  ...each(['lanceolate', 'lance-shaped'], { outline: 'lanceolate' }),
  ...each(['linear', 'strap-shaped', 'grass-like'], { outline: 'linear' }),
  ...each(['deltoid', 'triangular'], { outline: 'deltoid' }),
  ...each(['rhombic', 'diamond-shaped'], { outline: 'rhombic' }),
  ...each(['reniform', 'kidney-shaped'], { outline: 'reniform' }),
  ...each(['spatulate', 'spoon-shaped'], { outline: 'spatulate' }),
  ...each(['heart-shaped'], { outline: 'ovate', base: 'cordate' }),
  ...each(['arrow-shaped'], { outline: 'ovate', base: 'sagittate' }),
  ...each(['acuminate', 'long-pointed'], { tip: 'acuminate' }),
  ...each(['caudate', 'tailed'], { tip: 'caudate' }),
  ...each(['acute', 'pointed', 'sharp'], { tip: 'acute' }),
  ...each(['obtuse', 'blunt'], { tip: 'obtuse' }),
  ...each(['emarginate'], { tip: 'emarginate' }),
  ...each(['mucronate'], { tip: 'mucronate' }),
  ...each(['cuneate', 'wedge-shaped'], { base: 'cuneate' }),
  ...each(['attenuate'], { base: 'attenuate' }),
  ...each(['cordate'], { base: 'cordate' }),
  ...each(['sagittate'], { base: 'sagittate' }),
  ...each(['oblique', 'lopsided'], { base: 'oblique' }),
  ...each(['entire'], { margin: 'entire' }),
  ...each(['serrate', 'saw-toothed'], { margin: 'serrate' }),
  ...each(['dentate', 'toothed', 'teeth'], { margin: 'dentate' }),
  ...each(['crenate', 'scalloped'], { margin: 'crenate' }),
  ...each(['undulate', 'wavy'], { margin: 'undulate' }),
  ...each(['lobed', 'lobes'], { margin: 'lobed' }),
  ...each(['spiny', 'spines', 'prickly'], { margin: 'spiny' }),
  ...each(['ciliate', 'fringed'], { margin: 'ciliate' }),
  ...each(['smooth', 'glabrous', 'hairless', 'bald', 'bare'], { surface: 'smooth' }),
  ...each(['downy', 'down', 'pubescent', 'velvety'], { surface: 'downy' }),
  ...each(['hairy', 'hair', 'hairs', 'pilose', 'hirsute'], { surface: 'hairy' }),
  ...each(['bristly', 'bristles', 'hispid', 'setose'], { surface: 'bristly' }),
  ...each(['warty', 'warts', 'granular', 'granules', 'tuberculate'], { surface: 'warty' }),
  ...each(['pitted', 'pits', 'punctate', 'punctures', 'punctured'], { surface: 'pitted' }),
  ...each(['scaly', 'scales', 'squamose'], { surface: 'scaly' }),
  ...each(['ridged', 'ridges', 'ribbed', 'ribs', 'grooved', 'furrowed'], { surface: 'ridged' }),
  ...each(['spotted', 'spots', 'spot', 'dotted'], { pattern: 'spotted' }),
  ...each(['blotched', 'blotches', 'mottled'], { pattern: 'blotched' }),
  ...each(['speckled', 'flecked', 'freckled'], { pattern: 'speckled' }),
  ...each(['barred', 'banded', 'bands', 'bars'], { pattern: 'barred' }),
  ...each(['striped', 'streaked', 'stripes', 'streaks'], { pattern: 'striped' }),
  ...each(['edged', 'bordered', 'rimmed'], { pattern: 'edged' }),
  ...each(['tipped'], { pattern: 'tipped' }),
  ...each(['two-toned', 'bicoloured', 'two-coloured'], { pattern: 'two-toned' }),
  ...each(['centred', 'dark-centred'], { pattern: 'centred' }),
  ...each(['eyed', 'eyespot', 'eye-spot'], { pattern: 'eyed' }),
  ...each(['netted', 'reticulate', 'reticulated'], { pattern: 'netted' }),
  ...each(['pinnate'], { veins: 'pinnate' }),
  ...each(['palmate'], { veins: 'palmate' }),
  ...each(['parallel-veined'], { veins: 'parallel' }),
};

/** What a word says of the end or the edge that is spoken of. */
const AT: readonly { of: RegExp; words: Record<string, Partial<Blade>> }[] = [
  {
    of: /\b(tip|tips|apex|apices)\b/,
    words: {
      ...each(['rounded', 'round'], { tip: 'rounded' }),
      ...each(['truncate', 'square', 'straight'], { tip: 'truncate' }),
      ...each(['notched'], { tip: 'emarginate' }),
    },
  },
  {
    of: /\bbases?\b/,
    words: {
      ...each(['rounded', 'round'], { base: 'rounded' }),
      ...each(['truncate', 'square', 'straight'], { base: 'truncate' }),
      ...each(['notched', 'heart-shaped'], { base: 'cordate' }),
      ...each(['narrowed', 'tapering'], { base: 'attenuate' }),
    },
  },
  { of: /\b(margins?|edges?)\b/, words: each(['smooth'], { margin: 'entire' }) },
];

const CAP_WORDS: Record<string, TileOf<'cap'>['profile']> = {
  ...each(['convex', 'domed'], 'convex'),
  ...each(['flat', 'plane'], 'flat'),
  ...each(['conical', 'conic', 'pointed'], 'conical'),
  ...each(['bell', 'bell-shaped', 'campanulate'], 'bell'),
  ...each(['umbonate', 'bossed'], 'umbonate'),
  ...each(['depressed', 'sunken', 'dished'], 'depressed'),
  ...each(['funnel', 'funnel-shaped', 'infundibuliform'], 'funnel'),
  ...each(['globose', 'spherical'], 'globose'),
};

const FIN_WORDS: Record<string, TileOf<'fin'>['end']> = {
  ...each(['forked'], 'forked'),
  ...each(['notched', 'emarginate', 'cleft'], 'notched'),
  ...each(['straight', 'square', 'truncate'], 'straight'),
  ...each(['rounded', 'round'], 'rounded'),
  ...each(['pointed'], 'pointed'),
  ...each(['wedge', 'wedge-shaped'], 'wedge'),
  ...each(['lyre-shaped', 'lunate'], 'lyre'),
};

/** Towards white, or below 0 black. */
const SHADES = new Map([
  ['dark', -0.3],
  ['deep', -0.3],
  ['pale', 0.4],
  ['light', 0.4],
]);

/** Denied, or nearly. */
const NOT = /^(not|no|none|non|never|without|lacking|absent|neither|nor|hardly|scarcely|barely|few|rare|rarely)$/;

/** The same in other words, and said behind what is not there. */
const NOT_IN_OTHER_WORDS =
  /n['’]t\b|\b(?:other than|rather than|instead of|far from|free (?:of|from)|devoid of|anything but|unlike|except(?:ing)?(?: for)?)\b/g;
const NOT_BEHIND = /\b(?:absent|missing|wanting|none)\s*$/;

const TIMES: Record<string, number> = { once: 1, twice: 2, half: 0.5, thrice: 3 };
const NUMBERS: Record<string, number> = { two: 2, three: 3, four: 4, five: 5, six: 6, eight: 8, ten: 10 };

/**
 * What a state looks like as far as its words say: outlines, ends, edges, surfaces, patterns, colours and proportions. What is
 * denied is not drawn. Undefined where the words say nothing that a tile can show; it is a proposal, not a reading.
 *
 * @param of what the character is called: it says whether a cap, a tail or a colour is spoken of.
 * @example tileFromWords('heart-shaped, toothed', 'Leaf') // { draw: 'blade', outline: 'ovate', base: 'cordate', margin: 'dentate' }
 */
export function tileFromWords(text: string, of: string): Tile | undefined {
  const said = text.toLowerCase().replace(NOT_IN_OTHER_WORDS, ' not');
  const about = of.toLowerCase();
  const proportion = proportionIn(said);
  if (proportion) return proportion;
  const colours: string[] = [];
  let blade: Partial<Blade> = {};
  let cap: TileOf<'cap'>['profile'] | undefined;
  let fin: TileOf<'fin'>['end'] | undefined;
  const isCap = /\b(cap|caps|pileus)\b/.test(about);
  const isFin = /\b(tail|tails|fin|fins)\b/.test(about);
  let denied = false;
  // What is denied stays so over an “and”, not over a comma.
  for (const [i, clause] of said.split(/([,;.]|\bbut\b|\band\b|\bwith\b)/).entries()) {
    if (i % 2 === 1) {
      denied &&= clause === 'and';
      continue;
    }
    if (NOT_BEHIND.test(clause)) continue;
    const at = AT.filter(({ of: part }) => part.test(clause));
    const here = at.length > 0 ? at : AT.filter(({ of: part }) => part.test(about));
    let shade = 0;
    for (const word of clause.match(/[a-z]+(?:-[a-z]+)*/g) ?? []) {
      denied ||= NOT.test(word);
      if (denied) continue;
      const [plain, own] = shadeOf(word);
      const colour = colourOf(plain);
      if (colour) colours.push(shaded(colour, own || shade));
      shade = SHADES.get(word) ?? 0;
      if (isCap) cap ??= knownIn(CAP_WORDS, word);
      if (isFin) fin ??= knownIn(FIN_WORDS, word);
      const told = here.map(({ words }) => knownIn(words, word)).find(Boolean) ?? knownIn(ANYWHERE, word);
      // What is said first holds: what follows is often an exception.
      if (told) blade = { ...told, ...blade };
    }
  }
  const [colour, second] = colours;
  const painted = {
    ...(colour ? { colour } : {}),
    ...(second && blade.pattern ? { second } : {}),
    ...(blade.pattern ? { pattern: blade.pattern } : {}),
  };
  if (fin) return { draw: 'fin', end: fin, ...painted };
  if (cap) return { draw: 'cap', profile: cap, ...(blade.surface ? { surface: blade.surface } : {}), ...painted };
  if (Object.keys(blade).length > 0) {
    const outline = blade.outline ?? (blade.pattern || blade.surface ? 'orbicular' : blade.base ? 'ovate' : 'elliptic');
    return { draw: 'blade', ...blade, outline, ...painted };
  }
  if (colour) return { draw: 'swatch', colours: [...new Set(colours)].slice(0, 4) };
  return undefined;
}

/** "dark-brown" and "brownish" are browns. */
function shadeOf(word: string): [plain: string, shade: number] {
  const [first, ...rest] = word.split('-');
  const shade = (rest.length > 0 && SHADES.get(first)) || 0;
  const plain = shade ? rest.join('-') : word;
  return [Object.hasOwn(TILE_COLOURS, plain) ? plain : plain.replace(/ish$/, ''), shade];
}

/** A colour by its word; one between two, such as blue-grey, by both. */
function colourOf(word: string): string | undefined {
  const [one, other, ...more] = word.split('-').map((part) => knownIn(TILE_COLOURS, part));
  if (!one || more.length > 0) return undefined;
  return other ? mixed(one, other, 0.5) : word.includes('-') ? undefined : one;
}

/** Towards white (above 0) or black. */
const shaded = (colour: string, by: number): string =>
  by === 0 ? colour : mixed(colour, by > 0 ? '#ffffff' : '#000000', Math.abs(by));

/** From one colour so far of the way to another, in sRGB. */
function mixed(from: string, to: string, share: number): string {
  const part = (at: number) => {
    const [a, b] = [from, to].map((colour) => Number.parseInt(colour.slice(at, at + 2), 16));
    return Math.round(a + (b - a) * share)
      .toString(16)
      .padStart(2, '0');
  };
  return `#${part(1)}${part(3)}${part(5)}`;
}

/** Lengths told in each other: of one thing, its length in widths; of two, a bar each. */
function proportionIn(said: string): Tile | undefined {
  const much =
    /\b(?:(once|twice|half|thrice)|(\d+(?:[.,]\d+)?|two|three|four|five|six|eight|ten) times) (?:as|the) (long|wide|broad|high|tall|length|width)\b(?: (?:as|of) (?:it is )?(\w+))?/.exec(
      said,
    );
  const compared = /\b(longer|shorter|wider|broader|narrower|as long|as wide|as broad) (?:than|as) (?:it is )?(\w+)/.exec(said);
  if (/\b(not|no|never|less|more|at least|at most|about|over|under)\b[^,;]*\b(times|twice|half|as long|as wide)\b/.test(said))
    return undefined;
  if (!much && (!compared || /\b(not|no|never)\b/.test(said))) return undefined;
  const [word, than] = much ? [much[3], much[4]] : [compared![1], compared![2]];
  const share = much
    ? (TIMES[much[1]] ?? NUMBERS[much[2]] ?? Number(much[2].replace(',', '.')))
    : ({ longer: 1.4, wider: 1.4, broader: 1.4, shorter: 0.7, narrower: 0.7 }[word] ?? 1);
  if (!(share >= 0.1 && share <= 12)) return undefined;
  const across = /wid|broad|narrow/.test(word);
  if (than && /^(wide|broad|long|high|tall)$/.test(than) && across !== /^(wide|broad)$/.test(than)) {
    const ratio = across ? 1 / share : share;
    return ratio >= 0.3 && ratio <= 14 ? { draw: 'blade', outline: 'elliptic', ratio: Number(ratio.toFixed(2)) } : undefined;
  }
  return { draw: 'bars', lengths: [share, 1] };
}

const knownIn = <T>(table: Record<string, T>, word: string): T | undefined =>
  Object.hasOwn(table, word) ? table[word] : undefined;

function each<T>(words: readonly string[], value: T): Record<string, T> {
  return Object.fromEntries(words.map((word) => [word, value]));
}
