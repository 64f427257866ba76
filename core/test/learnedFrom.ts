import { learn, type LearnedFrom, type LearnRequest } from '../learn';
import { type Lengths, toCsv } from './lengths';

/** What is learned from a table of lengths; thrown where it cannot be. */
export function learnedFrom(table: Lengths, more: Partial<LearnRequest> = {}, onProgress?: (share: number) => void): LearnedFrom {
  const outcome = learn({ id: 'learned', title: 'Learned', csv: toCsv(table), labels: { taxon: 'kind' }, ...more }, onProgress);
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  return outcome.value;
}
