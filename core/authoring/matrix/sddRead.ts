import { DEFAULT_WORDS } from '../../guide/working';
import { done, failed, type Outcome } from '../../problem';
import { firstNamed, labelOf, listOf, readSddXml, textOf, type Xml } from '../../sdd';
import { asName, eitherOf } from '../cells';
import { INAPPLICABLE, type Matrix, type MatrixCharacter, UNKNOWN } from './matrix';
import { NOT_KNOWN_WHICH } from './sddWrite';
import { tooLarge } from './size';

const LISTS = [
  ...['TaxonName', 'CategoricalCharacter', 'QuantitativeCharacter', 'StateDefinition', 'Modifier', 'DescriptiveConcept'],
  ...['CodedDescription', 'Categorical', 'Quantitative', 'State', 'Measure'],
];

interface Told {
  place: number;
  character: MatrixCharacter;
  /** Labels of its states by their ids. */
  states: Map<string, string>;
}

/**
 * Read the coded descriptions of an SDD 1.1 document as a matrix: what is not coded is not known.
 *
 * @returns the matrix; or `xml-broken`, `xml-doctype`, `no-matrix`, `too-large`, `unknown-character`, `unknown-state`.
 */
export function readSddMatrix(xml: string): Outcome<Matrix> {
  const read = readSddXml(xml, 'text', LISTS);
  if (!read.ok) return read;
  const described = listOf((firstNamed(read.value, 'CodedDescriptions') as Xml | undefined)?.CodedDescription);
  const characters = charactersIn(firstNamed(read.value, 'Characters') as Xml | undefined);
  if (described.length === 0 || characters.size === 0)
    return failed({
      code: 'no-matrix',
      message: 'The document has no characters with coded descriptions; a key in it is read in under Keys.',
      field: 'text',
    });
  const large = tooLarge(described.length, characters.size);
  if (large) return failed(large);
  const names = new Map(
    listOf((firstNamed(read.value, 'TaxonNames') as Xml | undefined)?.TaxonName).map((one) => [textOf(one['@id']), labelOf(one)]),
  );
  const modifiers = modifiersIn(read.value);
  const all = [...characters.values()].sort((a, b) => a.place - b.place);
  const places = new Map(all.map((told, c) => [told, c]));
  const rows = new Map<string, string[]>();
  for (const one of described) {
    const scope = listOf((one.Scope as Xml | undefined)?.TaxonName)[0];
    const name = (scope && names.get(textOf(scope['@ref']))) || labelOf(one);
    if (!name)
      return failed({ code: 'no-matrix', message: 'A description names no taxon.', field: textOf(one['@id']) || 'text' });
    const row = rows.get(name) ?? all.map(() => UNKNOWN);
    rows.set(name, row);
    const summary = (one.SummaryData ?? {}) as Xml;
    for (const coded of [...listOf(summary.Categorical), ...listOf(summary.Quantitative)]) {
      const ref = textOf(coded['@ref']);
      const told = characters.get(ref);
      if (!told)
        return failed({
          code: 'unknown-character',
          message: `“${name}” is told by a character “${ref}” that is not there.`,
          field: name,
        });
      const cell = cellOf(coded, told, modifiers);
      if (cell === undefined)
        return failed({
          code: 'unknown-state',
          message: `“${name}”, ${told.character.label}: a state that the character has not.`,
          field: name,
        });
      row[places.get(told)!] = cell;
    }
  }
  return done({ taxa: [...rows.keys()], characters: all.map(({ character }) => character), cells: [...rows.values()] });
}

function charactersIn(parent: Xml | undefined): Map<string, Told> {
  const found = new Map<string, Told>();
  const put = (one: Xml, isStated: boolean) => {
    const states = new Map(
      listOf((one.States as Xml | undefined)?.StateDefinition).map((state) => [textOf(state['@id']), labelOf(state)]),
    );
    const labels = [...states.values()];
    const unit = labelOf((one.MeasurementUnit ?? {}) as Xml);
    const isCounted = one['@plesion:counted'] === 'yes' && labels.every((label) => /^\d+$/.test(label));
    found.set(textOf(one['@id']), {
      place: Number(one['@plesion:place']) || found.size + 1,
      states,
      character: {
        label: labelOf(one) || textOf(one['@id']),
        ...(isCounted ? { counted: true } : isStated ? { states: labels } : {}),
        ...(unit ? { unit } : {}),
      },
    });
  };
  for (const one of listOf(parent?.CategoricalCharacter)) put(one, true);
  for (const one of listOf(parent?.QuantitativeCharacter)) put(one, false);
  return found;
}

/** How often each modifier says, in the words of a cell: its word, or its proportion; or that it is not known which. */
function modifiersIn(document: Xml): Map<string, string> {
  const concepts = listOf((firstNamed(document, 'DescriptiveConcepts') as Xml | undefined)?.DescriptiveConcept);
  const all = concepts.flatMap((concept) => listOf((concept.Modifiers as Xml | undefined)?.Modifier));
  return new Map(
    all.map((one) => {
      const label = labelOf(one).toLowerCase();
      if (label === NOT_KNOWN_WHICH || Object.hasOwn(DEFAULT_WORDS, label) || /^\d+(?:\.\d+)?%$/.test(label))
        return [textOf(one['@id']), label];
      const range = (one.ProportionRange ?? {}) as Xml;
      const ends = [range['@lowerestimate'], range['@upperestimate']].map(Number);
      const middle = (ends[0] + ends[1]) / 2;
      return [textOf(one['@id']), middle >= 0 && middle <= 1 ? `${Number((100 * middle).toPrecision(4))}%` : ''];
    }),
  );
}

function cellOf(coded: Xml, { states }: Told, modifiers: ReadonlyMap<string, string>): string | undefined {
  const status = textOf(((coded.Status ?? {}) as Xml)['@code']);
  if (/^NotApplicable$/i.test(status)) return INAPPLICABLE;
  const measures = new Map(listOf(coded.Measure).map((one) => [textOf(one['@type']), textOf(one['@value'])]));
  if (measures.size) return numbersOf(measures);
  const isUncertain = listOf(coded.State).some((state) =>
    listOf(state.Modifier).some((one) => modifiers.get(textOf(one['@ref'])) === NOT_KNOWN_WHICH),
  );
  const parts = listOf(coded.State).map((state) => {
    const label = states.get(textOf(state['@ref']));
    if (label === undefined) return undefined;
    const often = listOf(state.Modifier).map((one) => modifiers.get(textOf(one['@ref'])));
    return isUncertain ? asName(label) : [asName(label), ...often].filter(Boolean).join(' ');
  });
  const said = parts.filter((part) => part !== undefined);
  if (said.length < parts.length) return undefined;
  if (isUncertain && said.length > 1) return eitherOf(said);
  return said.length ? said.join('; ') : UNKNOWN;
}

function numbersOf(measures: ReadonlyMap<string, string>): string {
  const [mean, sd, n] = ['Mean', 'SD', 'N'].map((type) => measures.get(type));
  const [min, max] = [measures.get('Min'), measures.get('Max')];
  const [low, high] = [measures.get('UMethLower') ?? min, measures.get('UMethUpper') ?? max];
  if (mean !== undefined && sd !== undefined) return `${mean} ±${sd}${n ? ` (n ${n})` : ''}`;
  if (low !== undefined && high !== undefined && Number(high) > Number(low)) {
    const before = min !== undefined && Number(min) < Number(low) ? `(${min}–)` : '';
    const after = max !== undefined && Number(max) > Number(high) ? `(–${max})` : '';
    return `${before}${low}–${high}${after}`;
  }
  return mean ?? low ?? high ?? UNKNOWN;
}
