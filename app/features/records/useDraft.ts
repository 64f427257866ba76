import type { Specimen, SpecimenWrite } from '@plesion/contract';
import { api } from '../../lib/api';
import { type Drafted, useDraftOf } from '../../lib/useDraftOf';
import { useSession } from '../session/useSession';
import { specimenDrafts } from './drafts';

/** A specimen to work on, from this device or the server, and how its saving stands. */
export const useDraft = (id: string): Drafted<SpecimenWrite, Specimen> =>
  useDraftOf(specimenDrafts, useSession().station.id, id, 'specimen', (signal) => api('specimen', { params: { id } }, signal));
