import { addressOf } from '@plesion/contract';
import type { BookQuery, PedigreeQuery } from '@plesion/contract/colony';
import { colonyEndpoints } from '@plesion/contract/endpoints/colony';

export { COLONIES, colonyApi, colonyKey } from '../records/bookDrafts';

/** Where the drawing of a pedigree is, to print. */
export const sheetUrl = (guideId: string, query: PedigreeQuery): string =>
  addressOf(colonyEndpoints.pedigreeSheet, { params: { id: guideId }, query });

/** Where the book is as a file. */
export const bookUrl = (guideId: string, query: BookQuery): string =>
  addressOf(colonyEndpoints.exportBook, { params: { id: guideId }, query });
