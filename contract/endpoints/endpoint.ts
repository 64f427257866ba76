import { z } from 'zod';
import type { Role } from '../roles';

export interface Endpoint {
  method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  /** Express style: `/api/guides/:id`. */
  path: string;
  summary: string;
  /** Does it need nobody to be signed in? */
  open?: boolean;
  /** A person's own affair: no script does it with a token. */
  personal?: boolean;
  /** Who may at the least; see `roles.ts` for what holds where it is absent. */
  least?: Role;
  /** It asks and changes nothing, though it is sent with a body: a token that may only read may do it. */
  asks?: boolean;
  params?: z.ZodType;
  query?: z.ZodType;
  body?: z.ZodType;
  /** Most bytes of the body; 64 kB where absent. */
  bytes?: number;
  response: z.ZodType;
  /** Name of the form field of a file sent as multipart. */
  upload?: string;
  /** Other fields of that form: text. */
  form?: z.ZodObject;
  /** Media type of an answer that is not JSON. */
  media?: string;
  /** Status of success, 200 where absent. */
  status?: number;
}

/** The path of one thing. */
export const byId = z.strictObject({ id: z.uuid('nothing has such an id: look whether the address is whole') });
export const nothing = z.strictObject({});
export const MB = 1024 * 1024;
