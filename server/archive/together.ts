import { AUDIT_ACTS, AUDIT_KINDS } from '@plesion/contract/audit';
import { Place } from '@plesion/contract/conversations';
import { ScoredAnswer } from '@plesion/contract/practice';
import { SET_KINDS, SetItem } from '@plesion/contract/sets';
import { Facets } from '@plesion/core/guide/schema';
import { Day } from '@plesion/core/observation/schema';
import { Opinion } from '@plesion/core/opinions/schema';
import { PracticeAnswer } from '@plesion/core/practice/schema';
import { ReviewWord } from '@plesion/core/review/schema';
import { GivenName } from '@plesion/core/specimen/schema';
import { Outcome } from '@plesion/core/verification/schema';
import { z } from 'zod';
import { count, device, hash, id, instant, part, title, version } from './columns';

/** What people of a station do together: sets, what things turned out to be, opinions, reviews, conversations. */
export const together = {
  practice_sets: part('practice_set', 'id', {
    id,
    version,
    title,
    guide_id: id,
    guide_version: version,
    kind: z.enum(SET_KINDS),
    minutes: z.number().int().nullable(),
    items: z.array(SetItem),
    given: z.boolean(),
    closed: z.boolean(),
    told: z.boolean(),
    hidden: z.boolean(),
    made_by: title,
    updated_at: instant,
  }),
  verifications: part('verification', 'id', {
    id,
    specimen_id: id.nullable(),
    // Since the eleventh form.
    mark: z.string().nullable().default(null),
    individual_id: id.nullable().default(null),
    photo: hash.nullable().default(null),
    // Since the sixteenth form.
    file_hash: hash.nullable().default(null),
    file_name: title.nullable().default(null),
    ...Outcome.pick({ kind: true, taxon: true, wrong: true }).shape,
    facets: Facets,
    on_day: Day,
    note: z.string().max(1000).nullable(),
    same_call: z.boolean(),
    made_by: title,
    at: instant,
    withdrawn_by: title.nullable(),
    withdrawn_at: instant.nullable().default(null),
    device,
  }),
  practice_attempts: part('practice_attempt', 'set_id, account', { set_id: id, account: title, begun_at: instant }),
  practice_set_answers: part('practice_set_answer', 'set_id, account, n', {
    set_id: id,
    account: title,
    n: count,
    answer: PracticeAnswer,
    scored: ScoredAnswer.omit({ id: true }),
    seconds: z.number(),
    at: instant,
  }),
  // Since the tenth form; a link to somebody outside is good at its own station only.
  opinion_asks: part('opinion_ask', 'id', {
    id,
    specimen_id: id,
    asked_by: title,
    asked_of: z.array(title),
    question: z.string().nullable(),
    at: instant,
    decided_by: title.nullable(),
    decided_at: instant.nullable(),
    decided_why: z.string().nullable(),
    withdrawn: z.boolean(),
    withdrawn_at: instant.nullable().default(null),
    device,
  }),
  opinions: part('opinion', 'ask_id, given_by, outside', {
    ask_id: id,
    given_by: title,
    id,
    outside: z.boolean(),
    opinion: Opinion,
    at: instant,
    device,
  }),
  // Since the eleventh form.
  reviews: part('review', 'id', {
    id,
    specimen_id: id,
    specimen_version: version,
    determination: title,
    word: ReviewWord,
    name: GivenName.nullable(),
    view: z.string().nullable(),
    note: z.string().nullable(),
    made_by: title,
    at: instant,
    withdrawn_at: instant.nullable(),
    device,
  }),
  stock_answers: part('stock_answer', 'id', {
    id,
    guide_id: id,
    called: title,
    truth: title,
    text: z.string(),
    made_by: title,
    at: instant,
  }),
  // Those that are replied to come before their replies.
  remarks: part('remark', 'reply_to nulls first, id', {
    id,
    specimen_id: id,
    reply_to: id.nullable(),
    place: Place.nullable(),
    text: z.string(),
    made_by: title,
    at: instant,
    withdrawn_at: instant.nullable(),
    resolved_by: title.nullable(),
    resolved_at: instant.nullable(),
    device,
  }),
  // Since the seventeenth form.
  deeds: part('deed', 'at, id', {
    id,
    at: instant,
    by: title,
    device,
    act: z.enum(AUDIT_ACTS),
    kind: z.enum(AUDIT_KINDS),
    record_id: id,
    fields: z.array(title).max(200),
  }),
};
