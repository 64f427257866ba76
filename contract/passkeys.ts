import { z } from 'zod';

const instant = z.iso.datetime({ offset: true });

/** A key of one's device that opens the door without a password (W3C Web Authentication). */
export const Passkey = z.object({
  id: z.string(),
  name: z.string(),
  createdAt: instant,
  usedAt: instant.optional(),
});
export type Passkey = z.output<typeof Passkey>;
export const PasskeyList = z.object({ passkeys: z.array(Passkey) });
export type PasskeyList = z.output<typeof PasskeyList>;
export const PasskeyPath = z.strictObject({ id: z.string().regex(/^[\w-]{1,1400}$/, 'this is not a passkey') });

/** What a browser is given so that its device makes a key or shows one: as the Web Authentication standard has it in JSON. */
export const PasskeyOptions = z.looseObject({ challenge: z.string() });

const base64url = z
  .string()
  .regex(/^[\w-]+$/, 'use base64url')
  .max(20_000);
const answered = {
  id: base64url,
  rawId: base64url,
  type: z.literal('public-key'),
  authenticatorAttachment: z.string().max(40).nullish(),
  clientExtensionResults: z.unknown(),
};

/** What the device answered where a key was made (`RegistrationResponseJSON`). */
export const PasskeyMade = z.object({
  ...answered,
  response: z.object({
    clientDataJSON: base64url,
    attestationObject: base64url,
    transports: z.array(z.string().max(40)).max(10).optional(),
  }),
});

export const NewPasskey = z.strictObject({
  name: z.string().trim().min(1, 'say which device it is').max(60),
  made: PasskeyMade,
});
export type NewPasskey = z.output<typeof NewPasskey>;

/** What the device answered where a key was shown (`AuthenticationResponseJSON`). */
export const PasskeyShown = z.object({
  ...answered,
  response: z.object({
    clientDataJSON: base64url,
    authenticatorData: base64url,
    signature: base64url,
    userHandle: z.string().max(200).optional(),
  }),
});
export type PasskeyShown = z.output<typeof PasskeyShown>;
