import { Situation } from '@plesion/core/observation/schema';
import { Opinion, Pooled } from '@plesion/core/opinions/schema';
import { MediaList } from '@plesion/core/specimen/schema';
import { z } from 'zod';
import { StoredGuide } from './guides';
import { PhotoHash } from './photos';

const instant = z.iso.datetime({ offset: true });
const person = z.string().trim().min(1).max(120);

/** Days that a link to somebody outside is good. */
export const LINK_DAYS = 14;

/** Somebody asks what others make of a record; of nobody by name, all who belong to the station are asked. */
export const AskWrite = z.strictObject({
  id: z.uuid(),
  specimenId: z.uuid(),
  to: z
    .array(person)
    .max(30)
    .refine((names) => new Set(names).size === names.length, 'somebody is named twice')
    .default([]),
  question: z.string().trim().max(500).optional(),
});
export type AskWrite = z.output<typeof AskWrite>;

export const OpinionWrite = z.strictObject({ id: z.uuid(), opinion: Opinion });
export type OpinionWrite = z.output<typeof OpinionWrite>;

/** Somebody outside says by what name they are known. */
export const OutsideOpinion = z.strictObject({ id: z.uuid(), opinion: Opinion, by: person });
export type OutsideOpinion = z.output<typeof OutsideOpinion>;

export const GivenOpinion = z.object({ id: z.uuid(), by: z.string(), outside: z.boolean(), at: instant, opinion: Opinion });
export type GivenOpinion = z.output<typeof GivenOpinion>;

/** An asking, as whoever asked sees it, and whoever has answered. */
export const Ask = z.object({
  id: z.uuid(),
  specimenId: z.uuid(),
  by: z.string(),
  at: instant,
  to: z.array(z.string()),
  question: z.string().optional(),
  /** Who has answered: known to all; what they said is not. */
  answered: z.array(z.string()),
  /** Absent for those who have not answered yet: they are asked blind. */
  opinions: z.array(GivenOpinion).optional(),
  pooled: Pooled.optional(),
  /** How it was decided, and why. */
  decided: z.object({ by: z.string(), at: instant, why: z.string() }).optional(),
  withdrawn: z.boolean(),
  /** Until when somebody outside may come by a link. */
  link: instant.optional(),
});
export type Ask = z.output<typeof Ask>;
export const AskList = z.object({ asks: z.array(Ask) });
export const AskQuery = z.strictObject({ specimenId: z.uuid() });

/** What waits for one's own opinion; no name of it, and no word of another's. */
export const WaitingAsk = z.object({
  id: z.uuid(),
  by: z.string(),
  at: instant,
  question: z.string().optional(),
  guideId: z.uuid(),
  guide: z.string(),
  photo: z.string().optional(),
});
export const WaitingAsks = z.object({ waiting: z.array(WaitingAsk) });
export type WaitingAsk = z.output<typeof WaitingAsk>;

/** A record to be judged blind: picture and situation. */
export const BlindRecord = z.object({
  askId: z.uuid(),
  by: z.string(),
  question: z.string().optional(),
  situation: Situation,
  media: MediaList,
  guide: StoredGuide,
  /** One's own opinion, where it was given already. */
  given: GivenOpinion.optional(),
});
export type BlindRecord = z.output<typeof BlindRecord>;

export const DecisionWrite = z.strictObject({ why: z.string().trim().min(1, 'say why').max(1000) });
export const OpinionLink = z.object({ token: z.string(), until: instant });
export const OpinionLinkPath = z.strictObject({ token: z.string().min(1).max(120) });
export const OpinionPhotoPath = z.strictObject({ token: z.string().min(1).max(120), hash: PhotoHash });

const kappa = z.object({
  kappa: z.number(),
  se: z.number().optional(),
  low: z.number().optional(),
  high: z.number().optional(),
  agreed: z.number(),
  chance: z.number(),
  n: z.number().int(),
});

/** How far the opinions of a station agree beyond chance: all together, and two by two. */
export const AgreementView = z.object({
  all: kappa.optional(),
  pairs: z.array(kappa.extend({ people: z.tuple([z.string(), z.string()]) })),
});
export type AgreementView = z.output<typeof AgreementView>;
export const AgreementQuery = z.strictObject({ guideId: z.uuid().optional() });
