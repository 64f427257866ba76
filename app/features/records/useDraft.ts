import type { Specimen, SpecimenWrite } from '@plesion/contract';
import { api } from '../../lib/api';
import { type Drafted, useDraftOf } from '../../lib/useDraftOf';
import { useSession } from '../session/useSession';
import { specimenDrafts } from './drafts';
import { fetchAhead } from './useGuide';

/** A specimen to work on, from this device or the server, and how its saving stands. */
export const useDraft = (id: string): Drafted<SpecimenWrite, Specimen> =>
  useDraftOf(specimenDrafts, useSession().station.id, id, 'specimen', async (signal) => {
    const stored = await api('specimen', { params: { id } }, signal);
    // Whoever works on one wants its guide next.
    if (stored.guideId !== undefined) void fetchAhead(stored.guideId);
    return stored;
  });
