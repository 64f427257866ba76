import { onlyQuantity, type Quantity } from '../keys';
import { unitFactor } from '../keys/units';
import type { Structure, Told } from './alike';

/** What is measured or counted. */
export interface Measure {
  kind: 'measurement' | 'count' | 'ratio';
  /** `length`, `width`; of counts what is counted; of proportions what to what. */
  of: string;
  unit?: string;
  parts?: { numerator: string; denominator: string };
}

const DIMENSIONS: [RegExp, string][] = [
  [/\b(?:wide|width|broad|breadth|wider|narrower|broader|across)\b/i, 'width'],
  [/\b(?:high|height|tall|taller|higher)\b/i, 'height'],
  [/\b(?:deep|depth|deeper)\b/i, 'depth'],
  [/\b(?:thick|thickness|thicker|thinner)\b/i, 'thickness'],
  [/\b(?:diam(?:eter)?)\b/i, 'diameter'],
  [/\b(?:long|length|longer|shorter)\b/i, 'length'],
];
const NOUNS: Record<string, string> = {
  long: 'length',
  wide: 'width',
  broad: 'width',
  high: 'height',
  deep: 'depth',
  thick: 'thickness',
  tall: 'height',
};
const dimensionIn = (text: string) => DIMENSIONS.find(([pattern]) => pattern.test(text))?.[1] ?? '';

const PROPORTION =
  /\bas\s+(long|wide|broad|high|deep|thick|tall)\s+as\s+(?:the\s+)?([\p{L}][\p{L} ]*?)(?=$|[,;.(]|\s+(?:or|and|in|at|when)\b)/iu;

function ratioOf(text: string): Pick<Measure, 'of' | 'parts'> | undefined {
  const match = PROPORTION.exec(text);
  if (!match) return undefined;
  const [numerator, other] = [NOUNS[match[1].toLowerCase()], match[2].trim().toLowerCase()];
  const denominator = NOUNS[other] ?? other;
  return { of: `${numerator} to ${denominator}`, parts: { numerator, denominator } };
}

const COUNTED = /^\s*((?:[\p{Ll}-]+\s+){0,2}?[\p{Ll}-]{3,})/u;

/** What is counted: the words behind the number, where the structure does not stand there itself. */
const countedIn = (structure: Structure, text: string, quantity: Quantity): string =>
  structure.at === 'tail'
    ? ''
    : (COUNTED.exec(text.slice(quantity.to))?.[1] ?? '').replace(/\b(?:or|and|in|on|at|of)\b.*$/, '').trim();

/** "3 whorls", "5–6½ whorls": what is counted in halves is measured, in what it is counted. */
function countedInParts(structure: Structure, group: readonly Told[]): Measure | undefined {
  const [first, ...others] = group.map(({ text }) => {
    const quantity = onlyQuantity(text);
    const plain = quantity?.unit === undefined && !quantity?.text.includes('+');
    return quantity && plain ? countedIn(structure, text, quantity) : '';
  });
  return first.endsWith('s') && others.every((one) => one === first) ? { kind: 'measurement', of: first } : undefined;
}

function single(structure: Structure, { text }: Told, quantity: Quantity): Measure | undefined {
  if (quantity.kind === 'measure') return { kind: 'measurement', of: dimensionIn(text), unit: quantity.unit };
  if (quantity.kind === 'proportion') {
    const ratio = ratioOf(text);
    return ratio && { kind: 'ratio', ...ratio };
  }
  const counted = countedIn(structure, text, quantity);
  if (structure.at === 'nowhere' && !counted) return undefined;
  return { kind: 'count', of: counted };
}

/** A number behind which nothing stands is of the unit that the others are in: "wing 235–260 mm", "wing 215–238". */
function withUnits(found: readonly (Measure | undefined)[]): readonly (Measure | undefined)[] {
  const measured = found.find((one) => one?.kind === 'measurement');
  return measured ? found.map((one) => (one?.kind === 'count' && one.of === '' ? { ...measured, of: '' } : one)) : found;
}

/** What all of them measure or count, in the unit of the first; undefined where one says no such number. */
export function measureOf(structure: Structure, group: readonly Told[]): Measure | undefined {
  const found = withUnits(
    group.map((told) => {
      const quantity = onlyQuantity(told.text);
      return quantity && !quantity.text.includes('+') ? single(structure, told, quantity) : undefined;
    }),
  );
  const [first] = found;
  if (!first || found.includes(undefined)) return countedInParts(structure, group);
  const same = found.every(
    (one) =>
      one !== undefined &&
      one.kind === first.kind &&
      (one.of === first.of || first.kind === 'measurement' || first.kind === 'count') &&
      (first.kind !== 'measurement' || unitFactor(one.unit, first.unit) !== undefined),
  );
  if (!same) return undefined;
  const of = found.map((one) => one!.of).find(Boolean) ?? '';
  return { ...first, of };
}
