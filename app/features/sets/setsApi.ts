import { addressOf, createClient } from '@plesion/contract';
import { setEndpoints } from '@plesion/contract/endpoints/sets';

export const setsApi = createClient('', undefined, setEndpoints);

/** Where its lists lie in the cache. */
export const SETS = ['practice sets'] as const;
export const setKey = (id: string) => ['practice sets', id] as const;
export const sourceKey = (id: string) => ['practice sets', id, 'source'] as const;

export const csvUrl = (id: string): string => addressOf(setEndpoints.exportPracticeSet, { params: { id } });
export const sheetUrl = (id: string, paper: 'a4' | 'a5'): string =>
  addressOf(setEndpoints.practiceSetSheet, { params: { id }, query: { paper } });
