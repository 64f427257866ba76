import { addressOf, createClient } from '@plesion/contract';
import type { BookQuery, PedigreeQuery } from '@plesion/contract/colony';
import { colonyEndpoints } from '@plesion/contract/endpoints/colony';

export const colonyApi = createClient('', undefined, colonyEndpoints);

/** Where the books lie in the cache: all of them, and one. */
export const COLONIES = ['colonies'] as const;
export const colonyKey = (guideId: string) => ['colony', guideId] as const;

/** Where the drawing of a pedigree is, to print. */
export const sheetUrl = (guideId: string, query: PedigreeQuery): string =>
  addressOf(colonyEndpoints.pedigreeSheet, { params: { id: guideId }, query });

/** Where the book is as a file. */
export const bookUrl = (guideId: string, query: BookQuery): string =>
  addressOf(colonyEndpoints.exportBook, { params: { id: guideId }, query });
