import { MadeToken, NewToken, OpenSessionList, PasswordChange, SessionPath, TokenList } from '../account';
import { ChangeList, ChangeQuery } from '../changes';
import { Job, JobStarted } from '../jobs';
import { Credentials, NewStation, Session } from '../session';
import { StationView, StationWrite } from '../station';
import { z } from 'zod';
import { byId, nothing, type Endpoint } from './endpoint';

/** Who comes in, what a station holds, and long work. */
export const stationEndpoints = {
  health: {
    method: 'GET',
    path: '/api/health',
    summary: 'Is the server up?',
    open: true,
    response: z.object({ ok: z.literal(true), version: z.string() }),
  },
  ready: {
    method: 'GET',
    path: '/api/ready',
    summary: 'Can it work: does its database answer? 503 where it does not.',
    open: true,
    response: z.object({ ok: z.literal(true), version: z.string() }),
  },
  openapi: {
    method: 'GET',
    path: '/api/openapi.json',
    summary: 'This description.',
    open: true,
    response: z.looseObject({ openapi: z.string() }),
  },
  signIn: {
    method: 'POST',
    path: '/api/session',
    summary: 'Sign in.',
    open: true,
    body: Credentials,
    response: Session,
  },
  session: { method: 'GET', path: '/api/session', summary: 'Who is signed in.', response: Session },
  signOut: { method: 'DELETE', path: '/api/session', summary: 'Sign out.', open: true, response: nothing },
  makeStation: {
    method: 'POST',
    path: '/api/stations',
    summary: 'Make a station with its first account, and sign in.',
    open: true,
    body: NewStation,
    response: Session,
    status: 201,
  },
  changePassword: {
    method: 'POST',
    path: '/api/account/password',
    summary: 'Change the password; everywhere else the account is signed out.',
    personal: true,
    body: PasswordChange,
    response: nothing,
  },
  sessions: {
    method: 'GET',
    path: '/api/account/sessions',
    summary: 'Where the account is signed in.',
    personal: true,
    response: OpenSessionList,
  },
  endSession: {
    method: 'DELETE',
    path: '/api/account/sessions/:id',
    summary: 'Sign out somewhere else.',
    personal: true,
    params: SessionPath,
    response: nothing,
  },
  tokens: {
    method: 'GET',
    path: '/api/account/tokens',
    summary: 'The account’s API tokens, without what makes them tokens.',
    personal: true,
    response: TokenList,
  },
  makeToken: {
    method: 'POST',
    path: '/api/account/tokens',
    summary: 'Make an API token for a script; it is told this once.',
    personal: true,
    body: NewToken,
    response: MadeToken,
    status: 201,
  },
  endToken: {
    method: 'DELETE',
    path: '/api/account/tokens/:id',
    summary: 'End an API token at once.',
    personal: true,
    params: byId,
    response: nothing,
  },
  station: {
    method: 'GET',
    path: '/api/station',
    summary: 'The station: how much it holds of what it may.',
    response: StationView,
  },
  setStation: {
    method: 'PUT',
    path: '/api/station',
    summary: 'Set the grid, in degrees, to which places of sensitive taxa are rounded on every export.',
    body: StationWrite,
    response: StationView,
  },
  exportStation: {
    method: 'POST',
    path: '/api/station/archives',
    summary: 'Make an archive of everything in the station; a job, whose result says where it lies.',
    asks: true,
    response: JobStarted,
    status: 202,
  },
  archive: {
    method: 'GET',
    path: '/api/station/archives/:id.zip',
    summary: 'An archive that was made within a day.',
    params: byId,
    response: z.unknown(),
    media: 'application/zip',
  },
  importStation: {
    method: 'POST',
    path: '/api/station/archives/read',
    summary: 'Read an archive into a station in which nothing was written yet; a job.',
    upload: 'archive',
    response: JobStarted,
    status: 202,
  },
  changes: {
    method: 'GET',
    path: '/api/changes',
    summary: 'What was written in the station since a cursor, in the order of commits: kind, id, version, by whom.',
    query: ChangeQuery,
    response: ChangeList,
  },
  job: { method: 'GET', path: '/api/jobs/:id', summary: 'How far long work is, and its result.', params: byId, response: Job },
  cancelJob: { method: 'DELETE', path: '/api/jobs/:id', summary: 'Cancel long work.', params: byId, response: Job },
} as const satisfies Record<string, Endpoint>;
