import { readyQuestion, type ReadyQuestion } from '../posterior';
import { HeredityModel, Pedigree } from '../schema';

/** A question of plain objects, as the wire would have them. */
export function ask(model: object, pedigree: object[]): { question: ReadyQuestion; kin: Pedigree } {
  const kin = Pedigree.parse(pedigree);
  const question = readyQuestion(HeredityModel.parse(model), kin);
  if (!question.ok) throw new Error(JSON.stringify(question.problems));
  return { question: question.value, kin };
}

/** Two alleles, the first of which shows. */
export const locus = (id: string, upper: string, lower: string, more: object = {}) => ({
  id,
  inheritance: 'autosomal',
  alleles: [
    { id: upper, frequency: 0.9 },
    { id: lower, frequency: 0.1 },
  ],
  dominance: [upper, lower],
  ...more,
});
