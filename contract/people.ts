import { z } from 'zod';
import { Role } from './roles';

const instant = z.iso.datetime({ offset: true });
const name = z.string().trim().min(2, 'use at least 2 letters').max(60);
const password = z.string().min(8, 'use at least 8 characters').max(200);

/** Somebody who belongs to the station. */
export const Member = z.object({
  id: z.uuid(),
  name: z.string(),
  /** As they stand on records: a few letters, no one else's in the station. */
  initials: z.string(),
  role: Role,
  since: instant,
  /** The one that asks. */
  you: z.boolean(),
});
export type Member = z.output<typeof Member>;
export const MemberList = z.object({ members: z.array(Member) });
export type MemberList = z.output<typeof MemberList>;

export const MemberWrite = z.strictObject({ role: Role });

/** Days for which a link is good. */
export const INVITATION_DAYS = 14;

/** A link that brings somebody in, or gives somebody a new password: good once, and until it lapses. */
export const Invitation = z.object({
  id: z.uuid(),
  role: Role,
  /** Whose password it renews; absent where it brings somebody new. */
  renews: z.string().optional(),
  by: z.string(),
  until: instant,
});
export type Invitation = z.output<typeof Invitation>;
export const InvitationList = z.object({ invitations: z.array(Invitation) });
export type InvitationList = z.output<typeof InvitationList>;

export const NewInvitation = z.union([z.strictObject({ role: Role }), z.strictObject({ renews: z.uuid() })]);
export type NewInvitation = z.output<typeof NewInvitation>;

/** What makes the link is told once, when it is made: only its hash is kept. */
export const MadeInvitation = Invitation.extend({ token: z.string() });
export type MadeInvitation = z.output<typeof MadeInvitation>;

export const InvitationPath = z.strictObject({ token: z.string().min(1).max(200) });

/** What a link is to, for who opens it. */
export const InvitedTo = z.object({ station: z.string(), role: Role, by: z.string(), renews: z.string().optional() });
export type InvitedTo = z.output<typeof InvitedTo>;

/** Who comes in by a link: with a name of their own and a password; without a name where a password is renewed. */
export const NewJoining = z.strictObject({ name: name.optional(), password });
export type NewJoining = z.output<typeof NewJoining>;

/** Or as whoever is signed in, who then belongs to both stations; by another name, where theirs is taken there. */
export const OwnJoining = z.strictObject({ as: z.literal('signed-in'), name: name.optional() });
export type OwnJoining = z.output<typeof OwnJoining>;

export const Joining = z.union([NewJoining, OwnJoining]);
export type Joining = z.output<typeof Joining>;
