import {
  CrossAnswer,
  CrossRequest,
  KinshipAnswer,
  KinshipRequest,
  PosteriorAnswer,
  PosteriorRequest,
  ProofAnswer,
  ProofRequest,
  SuspectsAnswer,
  SuspectsRequest,
} from '@plesion/core/heredity/schema';
import { MB, type Endpoint } from './endpoint';

const asking = { method: 'POST', asks: true, bytes: 4 * MB } as const;

/** What animals carry and cannot be seen to: exactly, from a pedigree and a model of how the kind inherits. */
export const heredityEndpoints = {
  posterior: {
    ...asking,
    path: '/api/heredity/posterior',
    summary:
      'The chance of every sex and genotype, given all records; where the records cannot all be true, the smallest sets that must be wrong.',
    body: PosteriorRequest,
    response: PosteriorAnswer,
  },
  cross: {
    ...asking,
    path: '/api/heredity/cross',
    summary: 'What two would have together: kinds of young by sex, what they carry, chances in a clutch, and inbreeding.',
    body: CrossRequest,
    response: CrossAnswer,
  },
  proof: {
    ...asking,
    path: '/api/heredity/proof',
    summary: 'How many plain young until one is sure that somebody does not carry an allele, for each mate.',
    body: ProofRequest,
    response: ProofAnswer,
  },
  suspects: {
    ...asking,
    path: '/api/heredity/suspects',
    summary: 'Of which member of a group an egg is: the chance of each, and how many separations it takes.',
    body: SuspectsRequest,
    response: SuspectsAnswer,
  },
  kinship: {
    ...asking,
    path: '/api/heredity/kinship',
    summary: 'Kinship of all pairs, and inbreeding of each, by the tabular method.',
    body: KinshipRequest,
    response: KinshipAnswer,
  },
} as const satisfies Record<string, Endpoint>;
