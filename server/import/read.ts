import { createHash } from 'node:crypto';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { ImportTried } from '@plesion/contract';
import { done, failed, type Outcome } from '@plesion/core';
import { CATCH_WORDS, readBack } from '@plesion/core/fieldwork';
import type { AgeFamily, CaptureContent, SiteContent, VisitContent } from '@plesion/core/fieldwork';
import type { Guide } from '@plesion/core/guide';
import { gather, type Gathered, type ImportHow, type LineProblem, readLines, settle, unknownColumns } from '@plesion/core/import';
import { openFile } from './open';

/** A file of this machine, how it is read, and the station it is read into. */
export interface ReadRequest {
  path: string;
  file: string;
  /** Where the records are left, a file of lines for each kind. */
  folder: string;
  how: ImportHow;
  stationId: string;
  guide?: Guide;
  /** Guides, photos and specimens that there are, by id and hash. */
  guides: string[];
  photos: string[];
  specimens: string[];
  families: AgeFamily[];
  sites: { id: string; content: SiteContent }[];
  rings: string[];
  met: string[];
  known: string[];
  by: string;
  at: string;
}

export const KINDS = ['sites', 'visits', 'captures'] as const;
export type Kind = (typeof KINDS)[number];
export const linesOf = (folder: string, kind: Kind) => join(folder, `${kind}.jsonl`);

/** What was found, without the records. */
export type ImportRead = Omit<ImportTried, 'id' | 'source' | 'file'>;

/** Most problems, words and captures that are told. */
const TOLD = 200;
const SAMPLE = 8;
const EXAMPLES = 3;
/** Share of the work that is reading, and rows between two tellings. */
const READ = 0.6;
const ROWS = 1000;

export async function read(request: ReadRequest, onProgress: (share: number) => void): Promise<Outcome<ImportRead>> {
  const { how, guide, stationId } = request;
  const opened = await openFile(request.path);
  if (!opened.ok) return opened;
  onProgress(0.2);
  const { table, notUnderstood, encoding } = opened.value;
  const family = request.families.find(({ id }) => id === (how.family ?? 'letters'));
  const means = { guide, family, today: request.at.slice(0, 10) };
  const settled = settle(table, how, means);
  const unknown = unknownColumns(table, settled);
  if (unknown.length) return failed(...unknown);
  const rows = table.rows.length;
  const { lines, problems } = readLines(table, how, settled, means, (i) => {
    if (i % ROWS === 0) onProgress(0.2 + (READ - 0.2) * (i / rows));
  });
  onProgress(READ);
  const station = {
    ...means,
    ...request,
    rings: new Set(request.rings),
    met: new Set(request.met),
    known: new Set(request.known),
    idOf: (name: string) => idOf(`${stationId}\n${name}`),
  };
  const wrongIn = (found: Gathered) => [...problems, ...found.problems].sort((a, b) => a.line - b.line);
  let gathered = gather(lines, how, station);
  let wrong = wrongIn(gathered);
  const wrongLines = new Set(wrong.map(({ line }) => line));
  if (how.leaveWrong && wrongLines.size) {
    gathered = gather(
      lines.filter(({ line }) => !wrongLines.has(line)),
      how,
      station,
    );
    // What was right beside a line that is gone may be wrong without it.
    wrong = gathered.problems;
  }
  onProgress(0.8);
  const changed: string[] = [];
  const exact = opened.value.captures.map(([id, capture]): [string, CaptureContent] => [id, fitting(capture, request, changed)]);
  const records = {
    sites: [...opened.value.sites, ...gathered.sites],
    visits: [...opened.value.visits, ...gathered.visits],
    captures: [...exact, ...gathered.captures],
  };
  for (const kind of KINDS)
    await writeFile(
      linesOf(request.folder, kind),
      records[kind].map(([id, content]) => `${JSON.stringify({ id, content })}\n`).join(''),
    );
  onProgress(1);
  const used = new Set(settled.columns.map(({ column }) => column));
  return done({
    how: { ...how, ...settled, columns: settled.columns },
    encoding,
    columns: table.columns.map((column, i) => ({ column, examples: examplesOf(table.rows, i) })),
    rows: rows + exact.length,
    sites: records.sites.length,
    visits: records.visits.length,
    captures: records.captures.length,
    there: gathered.there,
    leftOut: how.leaveWrong ? wrongLines.size : 0,
    wrongLines: new Set(wrong.map(({ line }) => line)).size,
    problems: wrong.slice(0, TOLD),
    words: wordsOf(wrong),
    sample: sampleOf(gathered, request),
    notUnderstood: [
      ...table.columns.filter((column) => column && !used.has(column)).map((column) => `Column “${column}”`),
      ...notUnderstood,
      ...new Set(changed),
    ],
  });
}

/** An id that is the same for the same name: RFC 9562, version 8. */
function idOf(name: string): string {
  const bytes = createHash('sha256').update(name).digest().subarray(0, 16);
  bytes[6] = (bytes[6] & 0x0f) | 0x80;
  bytes[8] = (bytes[8] & 0x3f) | 0x80;
  return bytes.toString('hex').replace(/^(.{8})(.{4})(.{4})(.{4})/, '$1-$2-$3-$4-');
}

/** A capture of another station, without what only that one has. */
function fitting(capture: CaptureContent, { guides, photos, specimens }: ReadRequest, changed: string[]): CaptureContent {
  const fit = { ...capture };
  if (fit.guideId && !guides.includes(fit.guideId)) {
    fit.name ??= fit.taxon;
    delete fit.guideId;
    delete fit.taxon;
    fit.readings = [];
    changed.push('Kinds and characters by a guide that is not in this station: their names are kept, their readings are not');
  }
  if (fit.photo && !photos.includes(fit.photo)) {
    delete fit.photo;
    changed.push('Photos that are not in this station');
  }
  if (fit.specimenId && !specimens.includes(fit.specimenId)) {
    delete fit.specimenId;
    changed.push('Specimens that are not in this station');
  }
  return fit;
}

function examplesOf(rows: readonly { cells: string[] }[], i: number): string[] {
  const examples = new Set<string>();
  for (const { cells } of rows) {
    if (cells[i]?.trim()) examples.add(cells[i].trim().slice(0, 60));
    if (examples.size === EXAMPLES) break;
  }
  return [...examples];
}

/** Words that are not understood, each once; what most lines have comes first. */
function wordsOf(problems: readonly LineProblem[]): ImportTried['words'] {
  const words = new Map<string, ImportTried['words'][number]>();
  for (const { of, cell, suggest } of problems) {
    if (!of || !cell) continue;
    const word = words.get(`${of} ${cell}`) ?? { of, from: cell, n: 0, ...(suggest ? { suggest } : {}) };
    word.n++;
    words.set(`${of} ${cell}`, word);
  }
  return [...words.values()].sort((a, b) => b.n - a.n).slice(0, TOLD);
}

/** The first captures of the file, in words. */
function sampleOf({ captures, lines, visits, sites }: Gathered, { sites: known, guide }: ReadRequest): ImportTried['sample'] {
  const visit = new Map<string, VisitContent>(visits);
  const site = new Map<string, SiteContent>([...known.map(({ id, content }) => [id, content] as const), ...sites]);
  return captures
    .map(([, capture], i) => ({ line: lines[i], capture }))
    .sort((a, b) => a.line - b.line)
    .slice(0, SAMPLE)
    .map(({ line, capture }) => {
      const at = visit.get(capture.visitId);
      const taxon = guide?.taxa.find(({ id }) => id === capture.taxon);
      const says = [
        capture.at.slice(0, 10),
        at && site.get(at.siteId)?.name,
        CATCH_WORDS[capture.what],
        capture.mark && readBack(capture.mark),
        taxon?.name ?? capture.name,
        capture.age?.code,
        capture.sex,
        capture.mass && `${capture.mass} g`,
        capture.readings.length > 0 && `${capture.readings.length} measured`,
      ];
      return { line, says: says.filter(Boolean).join(' · ') };
    });
}
