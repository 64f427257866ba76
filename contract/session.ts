import { z } from 'zod';
import { Role } from './roles';

const name = z.string().trim().min(2, 'use at least 2 letters').max(60);

export const Credentials = z.strictObject({
  name: z.string().trim().min(1, 'give the account’s name').max(60),
  password: z.string().min(1, 'give the password').max(200),
});
export type Credentials = z.output<typeof Credentials>;

export const NewStation = z.strictObject({
  station: name,
  name,
  password: z.string().min(8, 'use at least 8 characters').max(200),
});
export type NewStation = z.output<typeof NewStation>;

/** A station that somebody belongs to besides the one they are in. */
export const OtherStation = z.object({ id: z.uuid(), name: z.string(), role: Role });
export type OtherStation = z.output<typeof OtherStation>;

/** Another station that one belongs to, to go on in. */
export const StationChange = z.strictObject({ stationId: z.uuid() });

/** One more station, of somebody who is signed in. */
export const FurtherStation = z.strictObject({ station: name });
export type FurtherStation = z.output<typeof FurtherStation>;

export const Session = z.object({
  account: z.object({ id: z.uuid(), name: z.string(), role: Role.default('keeper') }),
  station: z.object({ id: z.uuid(), name: z.string(), demo: z.boolean() }),
  /** Where else one belongs. */
  others: z.array(OtherStation).default([]),
});
export type Session = z.output<typeof Session>;
