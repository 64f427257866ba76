import type { ScoreValue } from '../../guide/schema';
import { DEFAULT_WORDS, type FrequencyWord, parseRange } from '../../guide/working';
import { sddDocument, type Xml } from '../../sdd';
import type { DraftCharacter } from '../draftSchema';
import { readCell } from './cellText';
import { characterFor, INAPPLICABLE, type Matrix, type MatrixCharacter, UNKNOWN } from './matrix';

const OWN = 'urn:plesion:matrix:1';

/** The modifier of states of which it is not known which one it is. */
export const NOT_KNOWN_WHICH = 'either';

type Often = FrequencyWord | number | typeof NOT_KNOWN_WHICH;

/**
 * A matrix as TDWG SDD 1.1: categorical characters with their states, numbers as quantitative ones with their units, a
 * coded description for each taxon. How often a state is met is a modifier with its proportion, that it is not known
 * which of several it is a modifier of certainty; a range is the ends of what is usual (`UMethLower`, `UMethUpper`) with the extremes (`Min`, `Max`), a spread a mean with its deviation.
 */
export function writeSddMatrix(title: string, matrix: Matrix): { text: string; lost: string[] } {
  const { taxa, characters, cells } = matrix;
  const lost = new Set<string>();
  const modifiers = new Map<string, { id: string; often: Often }>();
  const modifierOf = (often: Often): string => {
    const known = modifiers.get(String(often)) ?? { id: `m${modifiers.size + 1}`, often };
    modifiers.set(String(often), known);
    return known.id;
  };
  // Made once: a cell is read by its character, and there are as many cells as taxa.
  const own = characters.map((one) => characterFor(one, 'c', undefined));
  const told = characters.map((one, c) =>
    statesOf(
      one,
      own[c],
      cells.map((row) => row[c]),
    ),
  );
  const described = taxa.map((name, t) => ({
    '@id': `d${t + 1}`,
    Representation: { Label: name },
    Scope: { TaxonName: { '@ref': `t${t + 1}` } },
    SummaryData: summaryOf(own.map((one, c) => cellXml(`c${c + 1}`, one, told[c], cells[t][c], modifierOf, lost))),
  }));
  const text = sddDocument(OWN, {
    Representation: { Label: title },
    TaxonNames: { TaxonName: taxa.map((name, t) => ({ '@id': `t${t + 1}`, Representation: { Label: name } })) },
    ...(modifiers.size ? { DescriptiveConcepts: { DescriptiveConcept: { '@id': 'often', ...oftenXml(modifiers) } } } : {}),
    Characters: charactersXml(characters, told),
    CodedDescriptions: { CodedDescription: described },
  });
  return { text, lost: [...lost] };
}

/** What a character is told by as categories: its states, or its numbers where it is counted. */
function statesOf({ states, counted }: MatrixCharacter, own: DraftCharacter, cells: readonly string[]): string[] | undefined {
  if (states) return states;
  if (!counted) return undefined;
  const numbers = cells.flatMap((cell) => {
    const value = valueOf(own, cell);
    return value?.kind === 'counts' ? Object.keys(value.counts) : [];
  });
  return [...new Set(numbers)].sort((a, b) => Number(a) - Number(b));
}

function valueOf(one: DraftCharacter, cell: string): ScoreValue | undefined {
  const read = readCell(one, cell);
  return read.ok ? read.value : undefined;
}

const oftenXml = (modifiers: ReadonlyMap<string, { id: string; often: Often }>): Xml => ({
  Representation: { Label: 'How often' },
  Modifiers: {
    Modifier: [...modifiers.values()].map(({ id, often }) => {
      if (often === NOT_KNOWN_WHICH) return { '@id': id, Representation: { Label: NOT_KNOWN_WHICH }, ModifierClass: 'Certainty' };
      const share = typeof often === 'number' ? often : DEFAULT_WORDS[often];
      return {
        '@id': id,
        Representation: { Label: typeof often === 'number' ? `${Number((100 * often).toPrecision(6))}%` : often },
        ModifierClass: 'Frequency',
        ProportionRange: { '@lowerestimate': share, '@upperestimate': share },
      };
    }),
  },
});

/** As the schema orders them: the categorical ones before the quantitative. */
function charactersXml(characters: readonly MatrixCharacter[], told: readonly (readonly string[] | undefined)[]): Xml {
  const all = characters.map(({ label, unit, counted }, c) => ({
    states: told[c],
    xml: {
      '@id': `c${c + 1}`,
      '@plesion:place': c + 1,
      ...(counted ? { '@plesion:counted': 'yes' } : {}),
      Representation: { Label: label },
      ...(told[c]
        ? {
            States: {
              StateDefinition: told[c].map((state, s) => ({ '@id': `c${c + 1}s${s + 1}`, Representation: { Label: state } })),
            },
          }
        : {}),
      ...(unit ? { MeasurementUnit: { Label: unit } } : {}),
    },
  }));
  const [stated, measured] = [true, false].map((is) => all.filter(({ states }) => Boolean(states) === is).map(({ xml }) => xml));
  return {
    ...(stated.length ? { CategoricalCharacter: stated } : {}),
    ...(measured.length ? { QuantitativeCharacter: measured } : {}),
  };
}

interface CellXml {
  kind: 'Categorical' | 'Quantitative';
  xml: Xml;
}

function summaryOf(all: readonly (CellXml | undefined)[]): Xml {
  const of = (kind: CellXml['kind']) => all.flatMap((one) => (one?.kind === kind ? [one.xml] : []));
  const [stated, measured] = [of('Categorical'), of('Quantitative')];
  return { ...(stated.length ? { Categorical: stated } : {}), ...(measured.length ? { Quantitative: measured } : {}) };
}

function cellXml(
  ref: string,
  one: DraftCharacter,
  states: readonly string[] | undefined,
  cell: string,
  modifierOf: (often: Often) => string,
  lost: Set<string>,
): CellXml | undefined {
  const kind = states ? 'Categorical' : 'Quantitative';
  if (cell === UNKNOWN) return undefined;
  if (cell === INAPPLICABLE) return { kind, xml: { '@ref': ref, Status: { '@code': 'NotApplicable' } } };
  const value = valueOf(one, cell);
  if (!value || value.kind === 'applies' || value.kind === 'comparison') {
    lost.add(
      value ? 'How often a character applies, and what lies above or below another, is left out.' : `“${cell}” is left out.`,
    );
    return undefined;
  }
  if (value.kind === 'range' || value.kind === 'values') return { kind, xml: { '@ref': ref, Measure: measuresOf(value) } };
  const often = value.kind === 'states' ? value.states : value.counts;
  const isUncertain = value.kind === 'states' && value.uncertain;
  const labels = one.states ?? (states ?? []).map((label) => ({ id: label, label }));
  const State = Object.entries(often).map(([id, frequency]) => ({
    '@ref': `${ref}s${labels.findIndex((state) => state.id === id) + 1}`,
    ...(frequency === 'always' ? {} : { Modifier: { '@ref': modifierOf(isUncertain ? NOT_KNOWN_WHICH : frequency) } }),
  }));
  return { kind, xml: { '@ref': ref, State } };
}

function measuresOf(value: Extract<ScoreValue, { kind: 'range' | 'values' }>): Xml[] {
  const measure = (type: string, of: number | string | undefined): Xml[] =>
    of === undefined ? [] : [{ '@type': type, '@value': of }];
  if (value.kind === 'values') return [...measure('Mean', value.mean), ...measure('SD', value.sd), ...measure('N', value.n)];
  const range = parseRange(value.range);
  if (!range.ok) return [];
  const ends = [range.value.lowest, range.value.low, range.value.high, range.value.highest];
  // As they were printed: 0.260 says more of how it was measured than 0.26.
  const printed = ends.some((end) => end !== undefined && end < 0) ? [] : (value.range.match(/\d+(?:\.\d+)?/g) ?? []);
  const [lowest, low, high, highest] = ends.map((end) => (end === undefined ? undefined : (printed.shift() ?? end)));
  return [
    ...measure('Min', lowest),
    ...measure('UMethLower', low),
    ...measure('UMethUpper', high),
    ...measure('Max', highest),
    ...measure('N', value.n),
  ];
}
