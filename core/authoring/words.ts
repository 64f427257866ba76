import { plainText } from '../guide/working';

/** A word of a statement: as it is compared, and where it stands. */
export interface Word {
  stem: string;
  from: number;
  to: number;
  /** `thing` names something; `number` and `denial` change what is said of it; `small` words only join. */
  kind: 'thing' | 'number' | 'denial' | 'small';
}

const SMALL = new Set(
  `a an the with of in at on by to from than as and or is are has have having its their this these those when if so very rather
  quite more less most least many much few fewer about around roughly approximately approx circa ca c nearly almost usually generally mostly normally typically often
  frequently commonly sometimes occasionally rarely seldom always only but also each every both per over under up longer shorter
  wider narrower larger smaller higher lower deeper thicker thinner broader like long wide broad high deep thick tall mm cm m km µm inch inches ft times`.split(
    /\s+/,
  ),
);
/** Small words that say how much or which way: what is longer than the body is not what is shorter. */
const DEGREES = new Set(
  `more less most least many much few fewer over under up longer shorter wider narrower larger smaller higher lower deeper thicker
  thinner broader long wide broad high deep thick tall from to`.split(/\s+/),
);
const DENIALS = new Set(['-', '+', 'not', 'no', 'without', 'never', 'none', 'neither', 'nor', 'lacking', 'absent']);
const NUMBERS = new Set(
  'one two three four five six seven eight nine ten eleven twelve single double half twice thrice once'.split(' '),
);
/** Signs that stand for a word: of a sex, and of what is there or not. A dash between words is none. */
const SIGN = String.raw`[♂♀⚥]|(?<![\p{L}\p{N}])[+−–-](?=\d|\)|\s*$)`;
const WORD = new RegExp(String.raw`[\p{L}\p{N}µ][\p{L}\p{N}'’-]*(?:[.,]\d+)?|${SIGN}`, 'gu');

/** A word without what only makes it a plural: "spots" and "spot", "antennae" and "antenna" are the same. */
function stemOf(word: string): string {
  if (word.length > 4 && word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  if (word.length > 4 && /(?:s|x|ch|sh)es$/.test(word)) return word.slice(0, -2);
  if (word.length > 4 && word.endsWith('ae')) return word.slice(0, -1);
  return word.length > 3 && word.endsWith('s') && !word.endsWith('ss') ? word.slice(0, -1) : word;
}

/** The words of a statement in their order. */
export function wordsIn(text: string): Word[] {
  const words = [...text.matchAll(WORD)].map((match): Word => {
    const word = plainText(match[0]) || match[0].replace(/[−–]/, '-');
    const kind =
      /^\d/.test(word) || NUMBERS.has(word) ? 'number' : DENIALS.has(word) ? 'denial' : SMALL.has(word) ? 'small' : 'thing';
    return { stem: stemOf(word), from: match.index, to: match.index + match[0].length, kind };
  });
  return words.map((word, i) => (tellsWhich(word, words[i + 1]) ? { ...word, kind: 'thing' } : word));
}

/** "The larger claw" is another than the smaller; what is "larger than the claw" is said of something else. */
const COMPARATIVES = new Set(
  'longer shorter wider narrower larger smaller higher lower deeper thicker thinner broader'.split(' '),
);
const tellsWhich = ({ stem }: Word, next: Word | undefined) => COMPARATIVES.has(stem) && next?.kind === 'thing';

/** What two texts say alike where they say the same: the words that name, count, deny or say how much, joined. */
export const sayingOf = (text: string): string =>
  wordsIn(text.replace(/\bmore or less\b/gi, ''))
    .filter(({ kind, stem }) => kind !== 'small' || DEGREES.has(stem))
    .map(({ stem }) => stem)
    .join(' ');

/** The group of a guide's characters that a property belongs to. */
export const groupOf = (property: string | undefined): 'colour' | 'pattern' | 'shape' =>
  property === 'colour' || property === 'pattern' ? property : 'shape';

const VIEWS: [string, string, RegExp][] = [
  ['side', 'from the side', /\b(?:side|lateral|profile)\b/i],
  ['below', 'from below', /\b(?:below|under ?side|ventral|belly)\b/i],
  ['above', 'from above', /\b(?:from above|dorsal|upper ?side|back)\b/i],
];
const WHOLE = { id: 'whole', label: 'the specimen' };

/** From where it is seen, where the words tell. */
export const viewOf = (text: string): string => VIEWS.find(([, , pattern]) => pattern.test(text))?.[0] ?? WHOLE.id;

export function viewNamed(id: string): { id: string; label: string } {
  const found = VIEWS.find(([view]) => view === id);
  return found ? { id, label: found[1] } : WHOLE;
}

/** How near one must come, guessed from the words. */
export const handlingOf = (text: string): 'look' | 'hold' | 'instrument' =>
  /\b(?:lens|microscop|dissect|genital|segment|punctures?)\b/i.test(text)
    ? 'instrument'
    : /\b(?:jaws?|teeth|palps?|claws?|tongue|open(?:ed)?)\b/i.test(text)
      ? 'hold'
      : 'look';

/** Words that only tell what follows apart: by themselves they are no structure. */
const TELLS = new Set('pale dark light large small long short broad narrow thick thin upper'.split(' '));
export const isStructure = (words: readonly Word[]): boolean =>
  words.some(({ kind, stem }) => kind === 'thing' && !TELLS.has(stem) && !COMPARATIVES.has(stem));
