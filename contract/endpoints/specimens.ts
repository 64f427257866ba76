import { Individual, IndividualList, IndividualQuery, IndividualWrite } from '../individuals';
import { Specimen, SpecimenList, SpecimenQuery, SpecimenWrite } from '../specimens';
import { z } from 'zod';
import { byId, MB, type Endpoint } from './endpoint';

/** Specimens and individuals. */
export const specimensEndpoints = {
  firstLook: {
    method: 'POST',
    path: '/api/first-look',
    summary: 'A photographed tern to try the eye on, unread in the daybook; asked again, the same one.',
    response: Specimen,
    status: 201,
  },
  specimens: {
    method: 'GET',
    path: '/api/specimens',
    summary: 'The daybook, newest first.',
    query: SpecimenQuery,
    response: SpecimenList,
  },
  specimen: {
    method: 'GET',
    path: '/api/specimens/:id',
    summary: 'One specimen with its history.',
    params: byId,
    response: Specimen,
  },
  writeSpecimen: {
    method: 'PUT',
    path: '/api/specimens/:id',
    summary: 'Write a specimen; 409 with both sides when it has changed since the version named.',
    params: byId,
    body: SpecimenWrite,
    bytes: 4 * MB,
    response: Specimen,
  },
  individuals: {
    method: 'GET',
    path: '/api/individuals',
    summary: 'Animals and plants that may be met several times.',
    query: IndividualQuery,
    response: IndividualList,
  },
  individual: { method: 'GET', path: '/api/individuals/:id', summary: 'One individual.', params: byId, response: Individual },
  writeIndividual: {
    method: 'PUT',
    path: '/api/individuals/:id',
    summary: 'Write an individual; 409 with both sides when it has changed since the version named.',
    params: byId,
    body: IndividualWrite,
    response: Individual,
  },
  exportOccurrences: {
    method: 'GET',
    path: '/api/export/occurrences.csv',
    summary: 'The daybook as Darwin Core occurrences.',
    query: SpecimenQuery,
    response: z.unknown(),
    media: 'text/csv',
  },
} as const satisfies Record<string, Endpoint>;
