import { MadeToken, NewToken, OpenSessionList, PasswordChange, SessionPath, TokenList } from './account';
import { ShotTruth } from '@plesion/core/camera/schema';
import { Comparison } from '@plesion/core/compare/schema';
import { Standing } from '@plesion/core/evidence/schema';
import { Walk } from '@plesion/core/keys/schema';
import { MeasureRequest } from '@plesion/core/measure/schema';
import { z } from 'zod';
import { PlateQuery } from './book';
import { ShotRequest, ShotTaken } from './camera';
import { CompareRequest } from './compare';
import { ChangeList, ChangeQuery } from './changes';
import { GuideList, GuideQuery, GuideWrite, StoredGuide } from './guides';
import { Individual, IndividualList, IndividualQuery, IndividualWrite } from './individuals';
import { Job, JobStarted } from './jobs';
import {
  KeyImport,
  KeyImported,
  KeyList,
  KeyMadeResponse,
  KeyMake,
  KeyQuery,
  KeyTextQuery,
  KeyVersionQuery,
  KeyWrite,
  StoredKey,
  WalkRequest,
} from './keys';
import { LearnRequest, LearnResponse, WaitQuery } from './learn';
import { Lot, LotList, LotQuery, LotWrite } from './lots';
import { LandmarkQuery, Measurement, MeasurementList, MeasurementQuery, MeasurementWrite, Measuring, Pointing } from './measure';
import { ComparePageQuery, PageQuery } from './pages';
import { Photo, PhotoHash } from './photos';
import { Credentials, NewStation, Session } from './session';
import { StandingRequest } from './standing';
import { StationView } from './station';
import { Specimen, SpecimenList, SpecimenQuery, SpecimenWrite } from './specimens';

export interface Endpoint {
  method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  /** Express style: `/api/guides/:id`. */
  path: string;
  summary: string;
  /** Does it need nobody to be signed in? */
  open?: boolean;
  /** A person's own affair: no script does it with a token. */
  personal?: boolean;
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
  /** Media type of an answer that is not JSON. */
  media?: string;
  /** Status of success, 200 where absent. */
  status?: number;
}

const byId = z.strictObject({ id: z.uuid('this is not an id') });
const nothing = z.strictObject({});
const MB = 1024 * 1024;

/** The wire: everything the server answers, and with what. */
export const endpoints = {
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
  guides: { method: 'GET', path: '/api/guides', summary: 'The station’s guides.', response: GuideList },
  guide: {
    method: 'GET',
    path: '/api/guides/:id',
    summary: 'One guide, whole; an earlier version where asked.',
    params: byId,
    query: GuideQuery,
    response: StoredGuide,
  },
  importGuide: {
    method: 'POST',
    path: '/api/guides',
    summary: 'Take in a guide as Plesion JSON that is new here; 409 with both sides where its id is known with another content.',
    body: z.unknown(),
    bytes: 16 * MB,
    response: StoredGuide,
    status: 201,
  },
  writeGuide: {
    method: 'PUT',
    path: '/api/guides/:id',
    summary: 'Write a guide; 409 with both sides when it has changed since the version named.',
    params: byId,
    body: GuideWrite,
    bytes: 16 * MB,
    response: StoredGuide,
  },
  exportGuide: {
    method: 'GET',
    path: '/api/guides/:id/plesion.json',
    summary: 'The guide as Plesion JSON, to keep or to import elsewhere.',
    params: byId,
    query: GuideQuery,
    response: z.unknown(),
    media: 'application/json',
  },
  plate: {
    method: 'GET',
    path: '/api/guides/:id/plate',
    summary: 'One plate of a form as SVG or PNG, with a scale bar and its characters pointed at.',
    params: byId,
    query: PlateQuery,
    response: z.unknown(),
    media: 'image/svg+xml',
  },
  standing: {
    method: 'POST',
    path: '/api/guides/:id/standing',
    summary: 'Weigh readings.',
    params: byId,
    asks: true,
    body: StandingRequest,
    bytes: MB,
    response: Standing,
  },
  compare: {
    method: 'POST',
    path: '/api/guides/:id/compare',
    summary: 'Two to four forms side by side: what separates them, what does not, and in plain words.',
    params: byId,
    asks: true,
    body: CompareRequest,
    response: Comparison,
  },
  comparePage: {
    method: 'GET',
    path: '/api/guides/:id/compare/page',
    summary: 'A comparison as an annotated page to send, PDF or PNG.',
    params: byId,
    query: ComparePageQuery,
    response: z.unknown(),
    media: 'application/pdf',
  },
  specimenPage: {
    method: 'GET',
    path: '/api/specimens/:id/page',
    summary: 'How a specimen stands as an annotated page to send, PDF or PNG.',
    params: byId,
    query: PageQuery,
    response: z.unknown(),
    media: 'application/pdf',
  },
  learn: {
    method: 'POST',
    path: '/api/guides/learn',
    summary: 'Learn a guide from a table of labelled specimens; a job, or with ?wait=true its result.',
    query: WaitQuery,
    body: LearnRequest,
    bytes: 16 * MB,
    response: LearnResponse,
    status: 202,
  },
  keys: { method: 'GET', path: '/api/keys', summary: 'The station’s keys.', query: KeyQuery, response: KeyList },
  importKey: {
    method: 'POST',
    path: '/api/keys/import',
    summary: 'Read in a key as text, SDD or JSON: all of it, or nothing with what is wrong by line.',
    body: KeyImport,
    bytes: 16 * MB,
    response: KeyImported,
    status: 201,
  },
  keyText: {
    method: 'GET',
    path: '/api/keys/:id.txt',
    summary: 'The key as plain text or Markdown.',
    params: byId,
    query: KeyTextQuery,
    response: z.string(),
    media: 'text/plain',
  },
  keySdd: {
    method: 'GET',
    path: '/api/keys/:id.sdd.xml',
    summary: 'The key as a TDWG SDD document.',
    params: byId,
    response: z.string(),
    media: 'application/xml',
  },
  keyJson: {
    method: 'GET',
    path: '/api/keys/:id/plesion.json',
    summary: 'The key as Plesion JSON, to keep or to read in elsewhere.',
    params: byId,
    response: z.unknown(),
    media: 'application/json',
  },
  keySheet: {
    method: 'GET',
    path: '/api/keys/:id/sheet',
    summary: 'The key as a sheet to print: A5, two columns, plates of the endings.',
    params: byId,
    response: z.unknown(),
    media: 'application/pdf',
  },
  key: {
    method: 'GET',
    path: '/api/keys/:id',
    summary: 'One key, whole, with what is wrong with it; an earlier version where asked.',
    params: byId,
    query: KeyVersionQuery,
    response: StoredKey,
  },
  writeKey: {
    method: 'PUT',
    path: '/api/keys/:id',
    summary: 'Write a key; 409 with both sides when it has changed since the version named.',
    params: byId,
    body: KeyWrite,
    bytes: 16 * MB,
    response: StoredKey,
  },
  walkKey: {
    method: 'POST',
    path: '/api/keys/:id/walk',
    summary: 'How a walk through the key stands: where to decide next, endings, missteps, back-check.',
    params: byId,
    query: KeyVersionQuery,
    asks: true,
    body: WalkRequest,
    bytes: 4 * MB,
    response: Walk,
  },
  makeKey: {
    method: 'POST',
    path: '/api/guides/:id/keys/make',
    summary: 'Make a key from a guide; a job, or with ?wait=true its result.',
    params: byId,
    query: WaitQuery,
    body: KeyMake,
    bytes: MB,
    response: KeyMadeResponse,
    status: 202,
  },
  lots: { method: 'GET', path: '/api/lots', summary: 'Specimens taken together.', query: LotQuery, response: LotList },
  lot: { method: 'GET', path: '/api/lots/:id', summary: 'One lot.', params: byId, response: Lot },
  writeLot: {
    method: 'PUT',
    path: '/api/lots/:id',
    summary: 'Write a lot; 409 with both sides when it has changed since the version named.',
    params: byId,
    body: LotWrite,
    bytes: MB,
    response: Lot,
  },
  individuals: {
    method: 'GET',
    path: '/api/individuals',
    summary: 'Animals and plants that may be met several times.',
    query: IndividualQuery,
    response: IndividualList,
  },
  individual: { method: 'GET', path: '/api/individuals/:id', summary: 'One individual.', params: byId, response: Individual },
  writeIndividual: {
    method: 'PUT',
    path: '/api/individuals/:id',
    summary: 'Write an individual; 409 with both sides when it has changed since the version named.',
    params: byId,
    body: IndividualWrite,
    response: Individual,
  },
  measure: {
    method: 'POST',
    path: '/api/measurements',
    summary: 'Pixel points in, lengths, ratios, angles, areas, counts and forms out, each with its error. Nothing is kept.',
    asks: true,
    body: MeasureRequest,
    bytes: 8 * MB,
    response: Measuring,
  },
  measurements: {
    method: 'GET',
    path: '/api/measurements',
    summary: 'What was measured, of a specimen or of a character, oldest first.',
    query: MeasurementQuery,
    response: MeasurementList,
  },
  pointing: {
    method: 'GET',
    path: '/api/measurements/pointing',
    summary: 'How well whoever asks points, from all that they set more than once.',
    response: Pointing,
  },
  measurement: { method: 'GET', path: '/api/measurements/:id', summary: 'One measurement.', params: byId, response: Measurement },
  writeMeasurement: {
    method: 'PUT',
    path: '/api/measurements/:id',
    summary: 'Write a measurement; 409 with both sides when it has changed since the version named.',
    params: byId,
    body: MeasurementWrite,
    bytes: 8 * MB,
    response: Measurement,
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
  firstLook: {
    method: 'POST',
    path: '/api/first-look',
    summary: 'A photographed tern to try the eye on, unread in the daybook; asked again, the same one.',
    response: Specimen,
    status: 201,
  },
  specimens: {
    method: 'GET',
    path: '/api/specimens',
    summary: 'The daybook, newest first.',
    query: SpecimenQuery,
    response: SpecimenList,
  },
  specimen: {
    method: 'GET',
    path: '/api/specimens/:id',
    summary: 'One specimen with its history.',
    params: byId,
    response: Specimen,
  },
  writeSpecimen: {
    method: 'PUT',
    path: '/api/specimens/:id',
    summary: 'Write a specimen; 409 with both sides when it has changed since the version named.',
    params: byId,
    body: SpecimenWrite,
    bytes: 4 * MB,
    response: Specimen,
  },
  takeShot: {
    method: 'POST',
    path: '/api/camera',
    summary: 'Photograph a novel individual with the simulated field camera; who it is stays sealed.',
    body: ShotRequest,
    response: ShotTaken,
    status: 201,
  },
  shot: {
    method: 'GET',
    path: '/api/camera/:id.png',
    summary: 'What the simulated field camera saw.',
    params: byId,
    response: z.unknown(),
    media: 'image/png',
  },
  shotTruth: {
    method: 'GET',
    path: '/api/camera/:id/truth',
    summary: 'Who it was: form, traits, true measurements, and where each landmark is seen.',
    params: byId,
    response: ShotTruth,
  },
  addPhoto: {
    method: 'POST',
    path: '/api/photos',
    summary: 'Keep a photo, once for its content; where it was taken is told to nobody it is shown or sent to.',
    upload: 'photo',
    response: Photo,
    status: 201,
  },
  photo: {
    method: 'GET',
    path: '/api/photos/:hash',
    summary: 'A photo, whole, as a thumbnail, or the file as it was sent.',
    params: z.strictObject({ hash: PhotoHash }),
    query: z.strictObject({ size: z.enum(['whole', 'thumb', 'original']).optional() }),
    response: z.unknown(),
    media: 'image/jpeg',
  },
  exportMeasurements: {
    method: 'GET',
    path: '/api/export/measurements.csv',
    summary: 'What was measured, as Darwin Core’s measurement-or-fact: value, accuracy, unit, method, by whom.',
    query: MeasurementQuery,
    response: z.unknown(),
    media: 'text/csv',
  },
  exportLandmarks: {
    method: 'GET',
    path: '/api/export/landmarks',
    summary: 'The points that were set, as JSON, CSV or TPS text, or as a table of distances to learn a guide from.',
    query: LandmarkQuery,
    response: z.unknown(),
    media: 'text/plain',
  },
  exportOccurrences: {
    method: 'GET',
    path: '/api/export/occurrences.csv',
    summary: 'The daybook as Darwin Core occurrences.',
    query: SpecimenQuery,
    response: z.unknown(),
    media: 'text/csv',
  },
} as const satisfies Record<string, Endpoint>;

export type Endpoints = typeof endpoints;
export type EndpointName = keyof Endpoints;
