import { randomUUID } from 'node:crypto';
import type { BookFormat, BookImport, BookImported, ColonyMember } from '@plesion/contract/colony';
import { stableJson } from '@plesion/core';
import {
  type BookCharacter,
  type BookRow,
  readBookCsv,
  readLinkage,
  rowProblems,
  writeBookCsv,
  writeLinkage,
} from '@plesion/core/colony';
import { type Kept, KeptAlone } from '@plesion/core/colony/schema';
import { heredityCharacters } from '@plesion/core/heredity';
import { fathersOf, mothersOf } from '@plesion/core/pedigree';
import { IndividualEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, HttpProblem } from '../http/errors';
import { logSets } from '../records/changes';
import type { Writer } from '../records/write';
import { membersOf } from './members';
import { exportPairings, importPairings } from './pairingFiles';

/** Individuals of a file at most. */
const MOST_ROWS = 2000;

/** A book with what is needed to write or to read a file of it. */
async function bookOf(em: Em, stationId: string, guideId: string) {
  const { guide } = await findGuide(em, stationId, guideId);
  if (!guide.heredity)
    throw new HttpProblem(409, { code: 'no-heredity', message: 'The guide does not say how its kinds inherit.' });
  const characters = heredityCharacters(guide.heredity);
  return { characters, members: await membersOf(em, stationId, guideId) };
}

/** The character whose states a pedigree file has. @throws 400 where the guide has no such. */
function phenotypeOf(characters: readonly BookCharacter[], asked: string | undefined): BookCharacter {
  const found = asked === undefined ? characters.at(0) : characters.find(({ id }) => id === asked);
  if (found) return found;
  const known = characters.map(({ id }) => id).join(', ');
  throw badRequest([
    { code: 'no-character', field: 'character', message: `Nothing is inherited by “${asked}”; name one of ${known}.` },
  ]);
}

/** The book as a file. */
export async function exportBook(
  em: Em,
  stationId: string,
  guideId: string,
  as: BookFormat,
  character?: string,
): Promise<Buffer> {
  if (as === 'pairings') return Buffer.from(await exportPairings(em, stationId, guideId));
  const { characters, members } = await bookOf(em, stationId, guideId);
  const rows = rowsOf(members);
  return Buffer.from(as === 'csv' ? writeBookCsv(rows, characters) : writeLinkage(rows, phenotypeOf(characters, character)));
}

/** What a file brings; written down in one go where that is asked and nothing is wrong with it. */
export async function importBook(
  em: Em,
  writer: Writer,
  guideId: string,
  { as, text, character, take }: BookImport,
): Promise<BookImported> {
  const { stationId } = writer;
  if (as === 'pairings') return importPairings(em, writer, guideId, text, take);
  const { characters, members } = await bookOf(em, stationId, guideId);
  const read = as === 'csv' ? readBookCsv(text, characters) : readLinkage(text, phenotypeOf(characters, character));
  if (read.rows.length + members.length > MOST_ROWS)
    throw badRequest([
      { code: 'too-many', field: 'text', message: `A book holds up to ${MOST_ROWS}; this file would make it more.` },
    ]);
  const known = new Map(members.map((one) => [one.name, one]));
  const fresh = read.rows.filter(({ label }) => !known.has(label));
  const problems = [...read.problems, ...rowProblems(read.rows, new Set(known.keys()), (row) => read.lines[row])];
  const standing = new Map(rowsOf(members).map((row) => [row.label, row]));
  // A pedigree file holds but a part of a book: only that part is compared.
  const part = (row: BookRow) =>
    as === 'csv'
      ? stableJson(row)
      : stableJson(readLinkage(writeLinkage([row], phenotypeOf(characters, character)), phenotypeOf(characters, character)).rows);
  const old = read.rows.filter(({ label }) => known.has(label));
  const isSame = (row: BookRow) => part(row) === part(standing.get(row.label)!);
  const answer = {
    added: fresh.map(({ label }) => label),
    same: old.filter(isSame).map(({ label }) => label),
    otherwise: old.filter((row) => !isSame(row)).map(({ label }) => label),
    problems,
  };
  if (!take || problems.length || !fresh.length) return { ...answer, taken: false };
  const ids = new Map([
    ...members.map(({ name, id }) => [name, id] as const),
    ...fresh.map(({ label }) => [label, randomUUID()] as const),
  ]);
  const now = Date.now();
  await em.transactional(async (tx) => {
    // Their order in the book is that of the file.
    const rows = fresh.map((row, i) => ({
      ...{ id: ids.get(row.label)!, stationId, guideId, version: 1, label: row.label, note: row.note ?? null, hidden: false },
      ...{ kept: keptOf(row, ids), createdAt: new Date(now + i), updatedAt: new Date(now + i) },
    }));
    await tx.insertMany(IndividualEntity, rows);
    await logSets(tx, writer, [{ kind: 'individual', records: rows, fields: ['guideId', 'label', 'kept'] }]);
  });
  return { ...answer, taken: true };
}

function keptOf({ kept: { fathers, mothers, ...kept } }: BookRow, ids: ReadonlyMap<string, string>): Kept {
  const side = (role: 'father' | 'mother', names: readonly string[]) => {
    const all = names.map((name) => ids.get(name)!);
    return all.length === 1 ? { [role]: all[0] } : all.length ? { [`${role}s`]: all } : {};
  };
  return { ...kept, ...side('father', fathers), ...side('mother', mothers) };
}

/** The book as rows of a file: parents that are in it no more are nobody. */
function rowsOf(members: readonly ColonyMember[]): BookRow[] {
  const names = new Map(members.map(({ id, name }) => [id, name]));
  const known = (ids: readonly string[]) => ids.flatMap((id) => names.get(id) ?? []);
  return members.map((member) => {
    const kept = KeptAlone.strip().parse(member.kept);
    return {
      label: member.name,
      ...(member.note ? { note: member.note } : {}),
      kept: { ...kept, fathers: known(fathersOf(member)), mothers: known(mothersOf(member)) },
    };
  });
}
