import { compareForms } from '@plesion/core/compare';
import { analyse } from '@plesion/core/analysis';
import { compiledFor, knownGuide } from '@plesion/core/guide';
import { comparisonPage, standingPage } from '@plesion/core/page';
import { sayReading } from '@plesion/core/observation';
import sharp from 'sharp';
import type { Em } from '../database/orm';
import { checkForms } from '../compare/service';
import { findGuide } from '../guides/service';
import { walkedOf } from '../keys/walk';
import { findPhoto } from '../photos/service';
import { findSpecimen } from '../specimens/service';
import { layOut, type PaperName, PAPERS, type Photo } from './layout';
import { printPdf, printPng } from '../print/print';

/** A photo on a page need not be larger, in pixels. */
const LONGEST = 900;

export type PageKind = 'pdf' | 'png';

const print = (kind: PageKind) => (kind === 'pdf' ? printPdf : printPng);

interface ComparePage {
  forms: readonly string[];
  kind: PageKind;
  /** The specimen whose situation holds. */
  specimen?: string;
  paper?: PaperName;
}

/** A comparison of a guide's forms as a page to send or print. */
export async function comparePage(
  em: Em,
  stationId: string,
  guideId: string,
  { forms, kind, specimen, paper = 'a4' }: ComparePage,
): Promise<Buffer> {
  const { guide, hash } = await findGuide(em, stationId, guideId);
  const own = specimen ? await findSpecimen(em, stationId, specimen) : undefined;
  const compiled = compiledFor(knownGuide(hash, guide), own?.situation, own?.judgement);
  checkForms(compiled, forms);
  const comparison = compareForms(compiled, forms, own?.situation);
  if (paper === 'a4') return print(kind)(layOut(comparisonPage(compiled, comparison)));
  // The small sheet shows one view of each, and as many marks as it has room for.
  const sheets = [4, 3, 2, 1].map(
    (marks) => () => layOut(comparisonPage(compiled, comparison, { marks, views: 1 }), undefined, paper),
  );
  const { height, shrink } = PAPERS[paper];
  const fitting = sheets.find((lay) => lay().height <= height * shrink + 0.01);
  return print(kind)((fitting ?? sheets[sheets.length - 1])());
}

/** How a specimen stands, as a page to send: on the guide it was read with, with its photo where there is one. */
export async function specimenPage(em: Em, stationId: string, id: string, kind: PageKind): Promise<Buffer> {
  const specimen = await findSpecimen(em, stationId, id);
  const { situation, readings, judgement, label, photo } = specimen;
  const { guide: stored, hash } = await findGuide(em, stationId, specimen.guideId, specimen.guideVersion);
  const guide = knownGuide(hash, stored);
  const walk = await walkedOf(em, stationId, specimen.walk);
  const assessment = analyse({ guide, situation, judgement, readings, walk });
  const compiled = compiledFor(guide, situation, judgement);
  const content = standingPage(compiled, assessment, situation, readings, label, sayReading);
  return print(kind)(layOut(content, photo ? await photoOf(em, stationId, photo) : undefined));
}

async function photoOf(em: Em, stationId: string, hash: string): Promise<Photo> {
  const whole = await findPhoto(em, stationId, hash, 'whole');
  const { data, info } = await sharp(whole)
    .resize(LONGEST, LONGEST, { fit: 'inside' })
    .jpeg({ quality: 82 })
    .toBuffer({ resolveWithObject: true });
  return { jpeg: data, width: info.width, height: info.height };
}
