import type { PedigreeQuery } from '@plesion/contract/colony';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import type { PagePool } from '../page/pool';
import { colonyOf } from './service';

/** On one sheet. */
const MOST_DRAWN = 600;

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
  if (of === undefined && colony.members.length > MOST_DRAWN)
    throw refused('of', 'too-many', `More than ${MOST_DRAWN} are in the book. Say whose ancestors or descendants are drawn.`);
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
