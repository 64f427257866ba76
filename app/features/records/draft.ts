import { sameContent, type Specimen, type SpecimenWrite } from '@plesion/contract';
import * as drafts from '../../lib/draft';
import { omit } from '../../lib/omit';

export type Draft = drafts.Draft<SpecimenWrite, Specimen>;
export type DraftState = drafts.DraftState<SpecimenWrite, Specimen>;
export type Send = drafts.Send<SpecimenWrite, Specimen>;
export type Kept = drafts.Kept<SpecimenWrite>;

/** Determinations are history: they are not undone, and those of either side are kept. */
export const specimenKind: drafts.Kind<SpecimenWrite, Specimen> = {
  // All but what the server adds: fields of a newer server are sent back as they came.
  contentOf: (stored) => omit(stored, 'id', 'guideVersion', 'summary', 'createdAt', 'updatedAt'),
  same: sameContent,
  back: (target, now) => ({ ...target, determinations: now.determinations }),
  merge(mine, stored) {
    const own = mine.determinations.filter((d) => !stored.determinations.some((s) => s.id === d.id));
    return { ...mine, determinations: [...stored.determinations, ...own] };
  },
};

/** A specimen being worked on. */
export const createDraft = (parts: drafts.DraftParts<SpecimenWrite, Specimen>): Draft => drafts.createDraft(specimenKind, parts);
