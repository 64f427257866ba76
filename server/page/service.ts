import sharp from 'sharp';
import { answerText } from '../answers/service';
import { checkForms } from '../compare/service';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { findGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import { drawnOf } from '@plesion/core/measure';
import { listMeasurements } from '../measure/service';
import { keyAndGuide } from '../keys/service';
import { walkedOf } from '../keys/walk';
import { findPhoto } from '../photos/service';
import { findSpecimen } from '../specimens/service';
import type { PageKind } from './draw';
import type { PaperName, Photo } from './layout';
import type { PagePool } from './pool';

/** A photo on a page need not be larger, in pixels. */
const LONGEST = 900;

const NO_GUIDE = {
  code: 'no-guide',
  message: 'A page shows what a guide says of a specimen; this one has no guide. Choose one for it first.',
  field: 'guideId',
};

interface ComparePage {
  forms: readonly string[];
  kind: PageKind;
  /** The specimen whose situation holds. */
  specimen?: string;
  /** A stock answer that is said on it. */
  answer?: string;
  paper?: PaperName;
}

/** A comparison of a guide's forms as a page to send or print. */
export async function comparePage(
  em: Em,
  pool: PagePool,
  stationId: string,
  guideId: string,
  { forms, kind, specimen, answer, paper = 'a4' }: ComparePage,
): Promise<Buffer> {
  const { guide, hash } = await findGuide(em, stationId, guideId);
  const own = specimen ? await findSpecimen(em, stationId, specimen) : undefined;
  checkForms(guide, own?.judgement ?? {}, forms);
  const { situation, judgement } = own ?? {};
  const said = answer ? await answerText(em, stationId, answer) : undefined;
  return pool.draw({ page: 'comparison', guide, hash, forms, situation, judgement, said, paper, kind });
}

/** How a specimen stands, as a page to send: on the guide it was read with, with its photo where there is one. */
export async function specimenPage(
  em: Em,
  { files, pool }: { files: FileStore; pool: PagePool },
  stationId: string,
  id: string,
  kind: PageKind,
): Promise<Buffer> {
  const { situation, readings, judgement, label, photo, ...specimen } = await findSpecimen(em, stationId, id);
  if (specimen.guideId === undefined) throw badRequest([NO_GUIDE]);
  const { guide, hash } = await findGuide(em, stationId, specimen.guideId, specimen.guideVersion);
  const walk = await walkedOf(em, stationId, specimen.walk);
  const shown = photo
    ? { ...(await photoOf(em, files, stationId, photo)), lines: await linesOn(em, stationId, id, photo) }
    : undefined;
  return pool.draw({
    page: 'specimen',
    guide,
    hash,
    situation,
    judgement,
    readings,
    walk,
    label,
    photo: shown,
    photoHash: photo,
    kind,
  });
}

/** A key as a sheet to print, with plates of its endings where a guide stands behind it. */
export async function keySheetPage(em: Em, pool: PagePool, stationId: string, id: string): Promise<Buffer> {
  const { key, guide } = await keyAndGuide(em, stationId, id);
  return pool.draw({ page: 'key', key, guide });
}

/** What was measured on a photo, as lines in shares of its width and height. */
async function linesOn(em: Em, stationId: string, specimenId: string, photo: string): Promise<Photo['lines']> {
  const all = await listMeasurements(em, stationId, { specimenId });
  return all.flatMap(({ photo: on, size, protocol: { quantity }, sets }) =>
    on === photo && size
      ? drawnOf(quantity, sets[0]).lines.map(({ points, closed }) =>
          (closed ? [...points, points[0]] : points).map(([x, y]): [number, number] => [x / size.width, y / size.height]),
        )
      : [],
  );
}

async function photoOf(em: Em, files: FileStore, stationId: string, hash: string): Promise<Omit<Photo, 'lines'>> {
  const whole = await findPhoto(em, files, stationId, hash, 'whole');
  const { data, info } = await sharp(whole)
    .resize(LONGEST, LONGEST, { fit: 'inside' })
    .jpeg({ quality: 82 })
    .toBuffer({ resolveWithObject: true });
  return { jpeg: data, width: info.width, height: info.height };
}
