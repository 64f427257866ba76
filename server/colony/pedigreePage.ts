import type { PedigreeQuery } from '@plesion/contract/colony';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import type { PagePool } from '../page/pool';
import { colonyOf } from './service';

/** The pedigree of a book, or of the line of one of it, to print. @throws 400 by the field. */
export async function pedigreePage(
  em: Em,
  { pool, pages }: { pool: AnalysisPool; pages: PagePool },
  stationId: string,
  guideId: string,
  { as = 'pdf', of, toward = 'ancestors', folded = '', carries }: PedigreeQuery,
): Promise<Buffer> {
  const { guide } = await findGuide(em, stationId, guideId);
  const colony = await colonyOf(em, pool, stationId, guideId);
  if (!colony.members.length) throw refused('id', 'nobody', 'Nobody is in the book of this guide, so there is nothing to draw.');
  if (of !== undefined && !colony.members.some(({ id }) => id === of))
    throw refused('of', 'unknown-individual', 'This one is not in the book of the guide.');
  const [locus, allele] = carries?.split(' ') ?? [];
  if (
    locus !== undefined &&
    !guide.heredity?.loci.some(({ id, alleles }) => id === locus && alleles.some((one) => one.id === allele))
  )
    throw refused('carries', 'no-allele', `The guide has no allele “${allele}” at a locus “${locus}”.`);
  return pages.draw({
    ...{ page: 'pedigree', as, guide, colony },
    wish: {
      ...(of === undefined ? {} : { focus: { of, toward } }),
      folded: new Set(folded.split(',').filter(Boolean)),
      ...(locus === undefined ? {} : { carries: { locus, allele } }),
    },
  });
}

const refused = (field: string, code: string, message: string) => badRequest([{ field, code, message }]);
