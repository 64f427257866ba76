import { z } from 'zod';

const instant = z.iso.datetime({ offset: true });

export const PasswordChange = z.strictObject({
  current: z.string().min(1, 'give the password as it is now').max(200),
  next: z.string().min(8, 'use at least 8 characters').max(200),
});
export type PasswordChange = z.output<typeof PasswordChange>;

/** Where the account is signed in. */
export const OpenSession = z.object({
  id: z.string(),
  /** The one that asks. */
  current: z.boolean(),
  /** What the browser called itself. */
  device: z.string(),
  since: instant.optional(),
  /** Ends by itself then, unless it is used before. */
  until: instant,
});
export type OpenSession = z.output<typeof OpenSession>;
export const OpenSessionList = z.object({ sessions: z.array(OpenSession) });
export type OpenSessionList = z.output<typeof OpenSessionList>;
export const SessionPath = z.strictObject({ id: z.string().regex(/^[0-9a-f]{32}$/, 'this is not an id') });

/** What a script may do: read, or read and write. */
export const TOKEN_SCOPES = ['read', 'write'] as const;

export const NewToken = z.strictObject({
  name: z.string().trim().min(1, 'say what it is for').max(60),
  scope: z.enum(TOKEN_SCOPES),
});
export type NewToken = z.output<typeof NewToken>;

export const Token = z.object({
  id: z.uuid(),
  name: z.string(),
  scope: z.enum(TOKEN_SCOPES),
  createdAt: instant,
  /** To the minute. */
  usedAt: instant.optional(),
});
export type Token = z.output<typeof Token>;
export const TokenList = z.object({ tokens: z.array(Token) });
export type TokenList = z.output<typeof TokenList>;

/** The token itself is told once, when it is made: only its hash is kept. */
export const MadeToken = Token.extend({ token: z.string() });
export type MadeToken = z.output<typeof MadeToken>;
