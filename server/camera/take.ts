import { frameShot, type Shot, type ShotTruth } from '@plesion/core/camera';
import { compileGuide, type Guide } from '@plesion/core/guide';
import { planOf } from '@plesion/core/plates/plans';
import { photograph } from './photograph';

export interface ShotTask {
  guide: Guide;
  shot: Shot;
  seed: string;
}

export interface Taken {
  picture: Uint8Array;
  truth: ShotTruth;
}

/** Photograph an individual of a guide that is drawn, in a view that its plan knows. */
export async function takePicture({ guide, shot, seed }: ShotTask): Promise<Taken> {
  const framed = frameShot(compileGuide(guide), planOf(guide)!, shot, seed);
  return { picture: await photograph(framed, guide.plan!, shot, seed), truth: framed.truth };
}
