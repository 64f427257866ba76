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

export const Session = z.object({
  account: z.object({ id: z.uuid(), name: z.string(), role: Role.default('keeper') }),
  station: z.object({ id: z.uuid(), name: z.string(), demo: z.boolean() }),
});
export type Session = z.output<typeof Session>;
