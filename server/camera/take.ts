import { frameShot, type Shot } from '@plesion/core/camera';
import { compileGuide, type Guide } from '@plesion/core/guide';
import { planOf } from '@plesion/core/plates/plans';
import { photograph } from './photograph';

export interface ShotTask {
  guide: Guide;
  shot: Shot;
  seed: string;
}

/** Photograph an individual of a guide that is drawn, in a view that its plan knows: PNG. */
export const takePicture = ({ guide, shot, seed }: ShotTask): Promise<Uint8Array> =>
  photograph(frameShot(compileGuide(guide), planOf(guide)!, shot, seed), guide.plan!, shot, seed);
