import type { Clutch, Kept, Pairing } from './schema';

/** What the book says of a young of a clutch: of whom, when and where it hatched, and what was seen of it. */
export const keptOfYoung = (
  { fathers, mothers, pen }: Pick<Pairing, 'fathers' | 'mothers' | 'pen'>,
  { id, hatched }: Pick<Clutch, 'id' | 'hatched'>,
  { sex, phenotypes }: { sex?: 'female' | 'male'; phenotypes: Kept['phenotypes'] },
): Kept => ({
  ...(sex ? { sex: { called: sex, certainty: 1 } } : {}),
  ...(hatched ? { hatched } : {}),
  ...{ clutch: id, status: 'here', phenotypes },
  ...(fathers.length === 1 ? { father: fathers[0] } : { fathers }),
  ...(mothers.length === 1 ? { mother: mothers[0] } : { mothers }),
  ...(pen ? { pen } : {}),
});
