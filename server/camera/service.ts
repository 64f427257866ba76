import { randomUUID } from 'node:crypto';
import type { ShotRequest } from '@plesion/contract';
import { frameShot, type Shot, type ShotTruth } from '@plesion/core/camera';
import { compileGuide } from '@plesion/core/guide';
import { planOf } from '@plesion/core/plates/plans';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { findGuide } from '../guides/service';
import { badRequest, notFound } from '../http/errors';
import type { CameraPool } from './pool';

const keyOf = (stationId: string, id: string) => `${stationId}/camera/${id}.json`;

/** What is kept of a photograph: how it was taken, and the truth. The picture is the same whenever it is drawn. */
interface Kept {
  guideId: string;
  version: number;
  shot: Shot;
  seed: string;
  truth: ShotTruth;
}

/** Take a photograph: the picture can be looked at at once, the truth stays sealed until it is asked for. */
export async function takeShot(
  em: Em,
  files: FileStore,
  stationId: string,
  { guide: guideId, ...shot }: ShotRequest,
): Promise<{ id: string }> {
  const { guide, version } = await findGuide(em, stationId, guideId);
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
  const { truth } = frameShot(compiled, plan, shot, seed);
  const kept: Kept = { guideId, version, shot, seed, truth };
  await files.put(keyOf(stationId, id), Buffer.from(JSON.stringify(kept)));
  return { id };
}

async function keptShot(files: FileStore, stationId: string, id: string): Promise<Kept> {
  const kept = await files.get(keyOf(stationId, id));
  if (!kept) throw notFound('photograph');
  return JSON.parse(kept.toString()) as Kept;
}

export async function findShot(
  em: Em,
  { files, camera }: { files: FileStore; camera: CameraPool },
  stationId: string,
  id: string,
): Promise<Buffer> {
  const { guideId, version, shot, seed } = await keptShot(files, stationId, id);
  const { guide } = await findGuide(em, stationId, guideId, version);
  return Buffer.from(await camera.take({ guide, shot, seed }));
}

export const shotTruth = async (files: FileStore, stationId: string, id: string): Promise<ShotTruth> =>
  (await keptShot(files, stationId, id)).truth;
