import { z } from 'zod';
import type { Endpoint } from './endpoints/endpoint';

/** What somebody is in a station, from who may least to who may all. */
export const ROLES = ['learner', 'member', 'reviewer', 'keeper'] as const;
export const Role = z.enum(ROLES);
export type Role = z.output<typeof Role>;

/** What each may do, in words. */
export const ROLE_WORDS: Record<Role, string> = {
  learner: 'may read everything and practise',
  member: 'may also record, name, and write guides and keys',
  reviewer: 'may also review what others recorded',
  keeper: 'may also set up the station and say who belongs to it',
};

/**
 * Who may ask an endpoint at the least: what its entry says; else what only asks, or is one's own affair, is open to all
 * who belong to the station, and what writes to members.
 */
export const leastRole = ({ least, method, asks, personal }: Endpoint): Role =>
  least ?? (method === 'GET' || asks || personal ? 'learner' : 'member');

/** Is somebody who is one thing the other too? */
export const isAtLeast = (role: Role, least: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(least);

export const mayAsk = (role: Role, endpoint: Endpoint): boolean => isAtLeast(role, leastRole(endpoint));
