import { type Guide, idsFor } from '../guide/working';
import { done, type Outcome } from '../problem';
import { crossValidate } from './crossValidate';
import type { Choice } from './choose';
import { type PreparedTable, prepareData } from './preparedTable';
import { assignFolds } from './folds';
import { learnedGuide } from './learnedGuide';
import { ratiosOf } from './ratios';
import { type Kinds, type Labels, readTable, type RowProblem } from './table';

export interface LearnRequest {
  /** Id of the guide to be made. */
  id: string;
  title: string;
  csv: string;
  labels: Labels;
  ignore?: readonly string[];
  kinds?: Kinds;
}

/** A guide learned from a table, and what was left out of it. */
export interface LearnedFrom {
  guide: Guide;
  problems: RowProblem[];
  /** Columns left out, and why. */
  leftOut: { name: string; why: string }[];
}

const FOLDS = 10;
/** Problems kept to be shown. */
const MOST_PROBLEMS = 200;

/**
 * Learn a guide from a CSV of labelled specimens. Lengths are learned together,
 * with their covariance within forms; counts and nominal columns as frequencies.
 * The scale, shrinkage and tails are those that inner cross-validation prefers;
 * of small tables, where none is clearly better, they are averaged (see `stack`).
 * The same table gives the same guide.
 *
 * @param onProgress is told the share done, 0..1.
 * @returns problems with the field at fault when the table cannot be learned from at all.
 */
export function learn(request: LearnRequest, onProgress: (share: number) => void = () => {}): Outcome<LearnedFrom> {
  const table = readTable(request.csv, request.labels, request.ignore, request.kinds);
  if (!table.ok) return table;
  const read = prepareData(table.value);
  if (!read.ok) return read;
  onProgress(0.03);
  const { data, problems } = read.value;
  const dealt = assignFolds(data, FOLDS, request.title);
  const { result, choice } = crossValidate(dealt, (share) => onProgress(0.03 + 0.85 * share));
  const ids = idsFor([...data.measured, ...data.categorical.map(({ name }) => name)]);
  const guide: Guide = {
    ...learnedGuide(request.id, request.title, dealt, choice),
    learned: {
      rows: data.of.length,
      leftOut: table.value.problems.length + problems.length,
      crossValidation: result,
      ratios: ratiosOf(dealt, (name) => ids.get(name)!),
      choice: sayChoice(choice, data),
    },
  };
  onProgress(1);
  return done({
    guide,
    problems: [...table.value.problems, ...problems].sort((a, b) => a.line - b.line).slice(0, MOST_PROBLEMS),
    leftOut: table.value.columns.flatMap(({ name, leftOut }) => (leftOut ? [{ name, why: leftOut }] : [])),
  });
}

/** Kinds with fewer specimens than this are told but little by a table. */
const FEW = 10;

function sayChoice({ log, own, shrink, degrees, temper, kin }: Choice, { measured, forms }: PreparedTable): string {
  const least = Math.min(...forms.map(({ n }) => n));
  const few = forms.filter(({ n }) => n < FEW).length;
  const promise =
    few === 0
      ? ''
      : ` ${few === forms.length ? 'Every kind rests' : few === 1 ? 'One kind rests' : `${few} kinds rest`} on fewer than ${FEW} specimens (${least} at least): take what it says of ${few === 1 ? 'it' : 'them'} as a first opinion, and look for more.`;
  if (measured.length < 2) return `Frequencies as counted, each mixed with the whole table’s.${promise}`;
  const scale = log ? 'Lengths compared as logarithms' : 'Lengths compared as they are';
  const spread = own < 0.005 ? 'one covariance for all forms' : `each form’s own covariance by ${Math.round(own * 100)} %`;
  const shrunk =
    shrink < 0.05
      ? 'not shrunk'
      : Math.abs(shrink - 1) < 0.05
        ? 'shrunk as estimated'
        : `shrunk ${Number(shrink.toPrecision(2))} times the estimate`;
  const tails = degrees === undefined ? 'normal tails' : `tails of ${Math.round(degrees)} degrees of freedom`;
  const power = temper < 0.995 ? `, counted at ${Math.round(temper * 100)} %` : '';
  const relatives = kin > 0.005 ? `, the means of rare kinds leaning on their relatives by ${Math.round(kin * 100)} %` : '';
  return `${scale}, with ${spread}, ${shrunk}, ${tails}${power}${relatives}: as the table itself showed best.${promise}`;
}
