import { PlateQuery } from '../book';
import { CompareRequest } from '../compare';
import { JobStarted } from '../jobs';
import { GuideList, GuideQuery, GuideWrite, StoredGuide } from '../guides';
import { LearnRequest, LearnResponse, WaitQuery } from '../learn';
import { ComparePageQuery, PageQuery } from '../pages';
import { StandingRequest } from '../standing';
import { Comparison } from '@plesion/core/compare/schema';
import { Standing } from '@plesion/core/evidence/schema';
import { z } from 'zod';
import { byId, MB, type Endpoint } from './endpoint';

/** Guides, and what is worked out of them. */
export const guidesEndpoints = {
  guides: { method: 'GET', path: '/api/guides', summary: 'The station’s guides.', response: GuideList },
  guide: {
    method: 'GET',
    path: '/api/guides/:id',
    summary: 'One guide, whole; an earlier version where asked.',
    params: byId,
    query: GuideQuery,
    response: StoredGuide,
  },
  importGuide: {
    method: 'POST',
    path: '/api/guides',
    summary: 'Import a guide as Plesion JSON that is new here; 409 with both sides where its id is known with another content.',
    body: z.unknown(),
    bytes: 16 * MB,
    response: StoredGuide,
    status: 201,
  },
  writeGuide: {
    method: 'PUT',
    path: '/api/guides/:id',
    summary: 'Write a guide; 409 with both sides when it has changed since the version named.',
    params: byId,
    body: GuideWrite,
    bytes: 16 * MB,
    response: StoredGuide,
  },
  exportGuide: {
    method: 'GET',
    path: '/api/guides/:id/plesion.json',
    summary: 'The guide as Plesion JSON, to keep or to import elsewhere.',
    params: byId,
    query: GuideQuery,
    response: z.unknown(),
    media: 'application/json',
  },
  printGuide: {
    method: 'POST',
    path: '/api/guides/:id/booklet',
    summary: 'Print a guide as a booklet of A5 with plates, key, index and sources; a job, whose result says where it lies.',
    asks: true,
    params: byId,
    response: JobStarted,
    status: 202,
  },
  booklet: {
    method: 'GET',
    path: '/api/booklets/:id.pdf',
    summary: 'A booklet that was printed within a day.',
    params: byId,
    response: z.unknown(),
    media: 'application/pdf',
  },
  plate: {
    method: 'GET',
    path: '/api/guides/:id/plate',
    summary: 'One plate of a form as SVG or PNG, with a scale bar and its characters pointed at.',
    params: byId,
    query: PlateQuery,
    response: z.unknown(),
    media: 'image/svg+xml',
  },
  standing: {
    method: 'POST',
    path: '/api/guides/:id/standing',
    summary: 'Weigh readings.',
    params: byId,
    asks: true,
    body: StandingRequest,
    bytes: MB,
    response: Standing,
  },
  compare: {
    method: 'POST',
    path: '/api/guides/:id/compare',
    summary: 'Two to four forms side by side: what separates them, what does not, and in plain words.',
    params: byId,
    asks: true,
    body: CompareRequest,
    response: Comparison,
  },
  comparePage: {
    method: 'GET',
    path: '/api/guides/:id/compare/page',
    summary: 'A comparison as an annotated page to send, PDF or PNG.',
    params: byId,
    query: ComparePageQuery,
    response: z.unknown(),
    media: 'application/pdf',
  },
  specimenPage: {
    method: 'GET',
    path: '/api/specimens/:id/page',
    summary: 'How a specimen stands as an annotated page to send, PDF or PNG.',
    params: byId,
    query: PageQuery,
    response: z.unknown(),
    media: 'application/pdf',
  },
  learn: {
    method: 'POST',
    path: '/api/guides/learn',
    summary: 'Learn a guide from a table of labelled specimens; a job, or with ?wait=true its result.',
    query: WaitQuery,
    body: LearnRequest,
    bytes: 16 * MB,
    response: LearnResponse,
    status: 202,
  },
} as const satisfies Record<string, Endpoint>;
