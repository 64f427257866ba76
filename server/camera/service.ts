import { randomUUID } from 'node:crypto';
import type { ShotRequest } from '@plesion/contract';
import type { ShotTruth } from '@plesion/core/camera';
import { compileGuide } from '@plesion/core/guide';
import { planOf } from '@plesion/core/plates/plans';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { findGuide } from '../guides/service';
import { badRequest, notFound } from '../http/errors';
import type { CameraPool } from './pool';

const keyOf = (stationId: string, id: string, what: 'png' | 'truth') => `${stationId}/camera/${id}.${what}`;

/** Take a photograph: the picture can be looked at at once, the truth stays sealed until it is asked for. */
export async function takeShot(
  em: Em,
  { files, camera: pool }: { files: FileStore; camera: CameraPool },
  stationId: string,
  { guide: guideId, ...shot }: ShotRequest,
): Promise<{ id: string }> {
  const { guide } = await findGuide(em, stationId, guideId);
  const plan = planOf(guide);
  const refuse = (field: string, message: string) => badRequest([{ code: 'no-shot', message, field }]);
  if (!plan || !guide.plan) throw refuse('guide', 'Nothing is drawn for this guide, so the camera has nothing to see.');
  if (!plan.views.includes(shot.view))
    throw refuse('view', `The camera does not know the view “${shot.view}”; it knows ${plan.views.join(', ')}.`);
  const compiled = compileGuide(guide);
  if (shot.form !== undefined && !compiled.forms.some(({ id }) => id === shot.form))
    throw refuse('form', `There is no form “${shot.form}” in this guide.`);
  const id = randomUUID();
  const seed = shot.seed ?? id;
  const { picture, truth } = await pool.take({ guide, shot, seed });
  await files.put(keyOf(stationId, id, 'truth'), Buffer.from(JSON.stringify(truth)));
  await files.put(keyOf(stationId, id, 'png'), Buffer.from(picture));
  return { id };
}

export async function findShot(files: FileStore, stationId: string, id: string): Promise<Buffer> {
  const picture = await files.get(keyOf(stationId, id, 'png'));
  if (!picture) throw notFound('photograph');
  return picture;
}

export async function shotTruth(files: FileStore, stationId: string, id: string): Promise<ShotTruth> {
  const truth = await files.get(keyOf(stationId, id, 'truth'));
  if (!truth) throw notFound('photograph');
  return JSON.parse(truth.toString()) as ShotTruth;
}
