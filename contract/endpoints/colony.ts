import { z } from 'zod';
import {
  Colony,
  ColonyList,
  EggAnswer,
  EggWrite,
  PairAnswer,
  PairWrite,
  PedigreeQuery,
  ProveAnswer,
  ProveWrite,
} from '../colony';
import { Pairing, PairingWrite, YoungAnswer, YoungWrite } from '../pairings';
import { byId, type Endpoint } from './endpoint';

/** The keeper's book: who is kept of a guide's kinds, what each carries, and what two would have. */
export const colonyEndpoints = {
  colonies: {
    method: 'GET',
    path: '/api/colonies',
    summary: 'The keeper’s books: guides that say how their kinds inherit, with how many are kept by each.',
    response: ColonyList,
  },
  colony: {
    method: 'GET',
    path: '/api/guides/:id/colony',
    summary: 'The book of a guide: individuals, what each carries, and what does not fit.',
    params: byId,
    response: Colony,
  },
  pedigreeSheet: {
    method: 'GET',
    path: '/api/guides/:id/colony/pedigree',
    summary: 'The pedigree of a book as a drawing to print: all of it, or the line of one.',
    params: byId,
    query: PedigreeQuery,
    response: z.unknown(),
    media: 'application/pdf',
  },
  pairing: {
    method: 'GET',
    path: '/api/pairings/:id',
    summary: 'Who was put together, and what came of it.',
    params: byId,
    response: Pairing,
  },
  writePairing: {
    method: 'PUT',
    path: '/api/pairings/:id',
    summary: 'Write who is put together, with the clutches; 409 with both sides where it was changed meanwhile.',
    params: byId,
    body: PairingWrite,
    response: Pairing,
  },
  writeYoung: {
    method: 'POST',
    path: '/api/pairings/:id/young',
    summary: 'Write the young of a clutch into the book, all of them or none.',
    params: byId,
    body: YoungWrite,
    response: YoungAnswer,
  },
  pair: {
    method: 'POST',
    path: '/api/guides/:id/colony/pair',
    summary: 'What two of the book would have together.',
    asks: true,
    params: byId,
    body: PairWrite,
    response: PairAnswer,
  },
  prove: {
    method: 'POST',
    path: '/api/guides/:id/colony/proof',
    summary: 'How many plain young until one is sure that somebody does not carry an allele, with each that could be its mate.',
    asks: true,
    params: byId,
    body: ProveWrite,
    response: ProveAnswer,
  },
  whoseEgg: {
    method: 'POST',
    path: '/api/guides/:id/colony/egg',
    summary: 'Of a group, whose egg it is: the chance of each, and in which order to separate them.',
    asks: true,
    params: byId,
    body: EggWrite,
    response: EggAnswer,
  },
} as const satisfies Record<string, Endpoint>;
