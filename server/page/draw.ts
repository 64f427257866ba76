import type { SetItem } from '@plesion/contract/sets';
import { analyse, type Walked } from '@plesion/core/analysis';
import { compareForms } from '@plesion/core/compare';
import { compiledFor, type Guide, type Judgement, knownGuide } from '@plesion/core/guide';
import type { Key } from '@plesion/core/keys';
import { type Reading, sayReading, type Situation } from '@plesion/core/observation';
import { comparisonPage, standingPage } from '@plesion/core/page';
import { printBooklet, printPdf, printPng, printSvg } from '../print/print';
import { bookletOf } from '../booklet/booklet';
import { keySheet } from './keySheet';
import { type PedigreeAsked, pedigreeSheet } from './pedigreeSheet';
import { setSheet, type SheetPaper } from './setSheet';
import { layOut, type PaperName, PAPERS, type Photo } from './layout';

export type PageKind = 'pdf' | 'png';

/** A page as it is asked of the thread that draws it. */
export type PageTask =
  | {
      page: 'comparison';
      guide: Guide;
      /** Of the guide's content: what was made of it once is found again. */
      hash: string;
      forms: readonly string[];
      situation?: Situation;
      judgement?: Judgement;
      /** What the station answers: it is said first. */
      said?: string;
      paper: PaperName;
      kind: PageKind;
    }
  | {
      page: 'specimen';
      guide: Guide;
      hash: string;
      situation: Situation;
      judgement?: Judgement;
      readings: readonly Reading[];
      walk?: Walked;
      label: string;
      photo?: Photo;
      /** The hash of that photo: what was pointed at on others stays away. */
      photoHash?: string;
      kind: PageKind;
    }
  | { page: 'key'; key: Key; guide?: Guide }
  | { page: 'guide'; guide: Guide; version: number; key?: Key; photos: ReadonlyMap<string, Uint8Array> }
  | ({ page: 'pedigree'; as: 'svg' | 'pdf' } & PedigreeAsked)
  | { page: 'set'; guide: Guide; title: string; items: readonly SetItem[]; paper: SheetPaper };

type Of<P extends PageTask['page']> = Extract<PageTask, { page: P }>;

const print = (kind: PageKind) => (kind === 'pdf' ? printPdf : printPng);

/** Draw a page, from what is known to the finished file. */
export function drawPage(task: PageTask): Promise<Buffer> {
  if (task.page === 'comparison') return comparison(task);
  if (task.page === 'specimen') return specimen(task);
  if (task.page === 'pedigree') {
    const sheet = pedigreeSheet(task);
    return task.as === 'pdf' ? printPdf(sheet) : Promise.resolve(Buffer.from(printSvg(sheet)));
  }
  if (task.page === 'set') return printBooklet(setSheet(task.guide, task.title, task.items, task.paper), task.title);
  if (task.page === 'guide') {
    // On the way to another thread a buffer becomes plain bytes.
    const photos = new Map([...task.photos].map(([hash, bytes]) => [hash, Buffer.from(bytes)]));
    return printBooklet(bookletOf(task.guide, task.version, task.key, photos), task.guide.title);
  }
  return printBooklet(keySheet(task.key, task.guide), task.key.title);
}

function comparison({ guide: given, hash, forms, situation, judgement, said, paper, kind }: Of<'comparison'>): Promise<Buffer> {
  const compiled = compiledFor(knownGuide(hash, given), situation, judgement);
  const compared = compareForms(compiled, forms, situation);
  if (paper === 'a4') return print(kind)(layOut(comparisonPage(compiled, compared, { said })));
  // The small sheet shows one view of each, and as many characters as it has room for.
  const { height, shrink } = PAPERS[paper];
  const laid = (characters: number) =>
    layOut(comparisonPage(compiled, compared, { characters, views: 1, said }), undefined, paper);
  for (let characters = 4; characters > 1; characters--) {
    const page = laid(characters);
    if (page.height <= height * shrink + 0.01) return print(kind)(page);
  }
  return print(kind)(laid(1));
}

function specimen({
  guide: given,
  hash,
  situation,
  judgement,
  readings,
  walk,
  label,
  photo,
  photoHash,
  kind,
}: Of<'specimen'>): Promise<Buffer> {
  const guide = knownGuide(hash, given);
  const standing = analyse({ guide, situation, judgement, readings, walk });
  const content = standingPage(
    compiledFor(guide, situation, judgement),
    standing,
    situation,
    readings,
    label,
    sayReading,
    photoHash,
  );
  // Bytes lose their kind on the way between threads.
  return print(kind)(layOut(content, photo && { ...photo, jpeg: Buffer.from(photo.jpeg) }));
}
