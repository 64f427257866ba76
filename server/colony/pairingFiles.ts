import { randomUUID } from 'node:crypto';
import type { BookImported, ColonyMember } from '@plesion/contract/colony';
import type { Pairing } from '@plesion/contract/pairings';
import { stableJson } from '@plesion/core';
import { type FileProblem, pairingColumn, type PairingRow, readPairingsCsv, writePairingsCsv } from '@plesion/core/colony';
import type { Pairing as Content } from '@plesion/core/colony/schema';
import { PairingEntity } from '../database/colonyEntities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, HttpProblem } from '../http/errors';
import { logSets } from '../records/changes';
import type { Writer } from '../records/write';
import { membersOf } from './members';
import { checkPairing, pairingsOf } from './pairings';

/** Pairings of a file at most. */
const MOST_ROWS = 2000;

/** Who was put together, with clutches, as a file: the eldest first. */
export async function exportPairings(em: Em, stationId: string, guideId: string): Promise<string> {
  const members = await membersOf(em, stationId, guideId);
  const pairings = await pairingsOf(em, stationId, guideId);
  return writePairingsCsv(pairings.reverse().map((one) => rowOf(one, namesOf(members))));
}

const namesOf = (members: readonly ColonyMember[]) => new Map(members.map(({ id, name }) => [id, name]));

/** A pairing as a file has it. Whoever is in the book no more is nobody. */
function rowOf(
  { id, fathers, mothers, pen, from, until, override, note, clutches }: Pairing,
  names: ReadonlyMap<string, string>,
) {
  const known = (ids: readonly string[]) => ids.flatMap((one) => names.get(one) ?? []);
  const row: PairingRow = { id, from, fathers: known(fathers), mothers: known(mothers), clutches };
  return {
    ...row,
    ...(pen ? { pen } : {}),
    ...(until ? { until } : {}),
    ...(override ? { override } : {}),
    ...(note ? { note } : {}),
  };
}

/** What a file of pairings brings; written down in one go where that is asked and nothing is wrong with it. */
export async function importPairings(
  em: Em,
  writer: Writer,
  guideId: string,
  text: string,
  take: boolean,
): Promise<BookImported> {
  const { stationId } = writer;
  const { guide } = await findGuide(em, stationId, guideId);
  const members = await membersOf(em, stationId, guideId);
  const { rows, lines, problems } = readPairingsCsv(text);
  if (rows.length > MOST_ROWS)
    throw badRequest([{ code: 'too-many', field: 'text', message: `A file of pairings holds up to ${MOST_ROWS}.` }]);
  const names = namesOf(members);
  const standing = (await pairingsOf(em, stationId, guideId)).map((one) => rowOf(one, names));
  const known = new Map(standing.flatMap((row) => [row.id!, saidOf(row)].map((key) => [key, row] as const)));
  const ids = new Map(members.map(({ id, name }) => [name, id]));
  const answer: BookImported = { added: [], same: [], otherwise: [], problems, taken: false };
  const fresh: { id: string; content: Content }[] = [];
  rows.forEach((row, i) => {
    const stored = (row.id && known.get(row.id)) ?? known.get(saidOf(row));
    if (stored) {
      answer[plain(stored) === plain(row) ? 'same' : 'otherwise'].push(saidOf(row));
      return;
    }
    answer.added.push(saidOf(row));
    const idsOf = (side: 'fathers' | 'mothers') =>
      row[side].flatMap((name) => {
        const id = ids.get(name);
        if (id === undefined)
          problems.push({ line: lines[i].line, column: side, message: `“${name}” is not in the book; bring it first.` });
        return id ?? [];
      });
    const { id = randomUUID(), ...said } = row;
    const clutches = row.clutches.map((one) => ({ ...one, id: one.id ?? randomUUID() }));
    const content: Content = { ...said, guideId, fathers: idsOf('fathers'), mothers: idsOf('mothers'), clutches };
    // What was read wrongly is named already.
    if (!problems.some(({ line }) => line === lines[i].line || lines[i].clutches.includes(line))) {
      const wrong = wrongWith(() => checkPairing(guide, members, content), lines[i]);
      if (wrong) problems.push(wrong);
    }
    fresh.push({ id, content });
  });
  if (!take || problems.length || !fresh.length) return answer;
  const now = Date.now();
  await em.transactional(async (tx) => {
    const written = fresh.map(({ id, content }, i) => ({
      ...{ id, stationId, guideId, version: 1, hidden: false, recordedBy: writer.accountName, content },
      ...{ createdAt: new Date(now + i), updatedAt: new Date(now + i) },
    }));
    await tx.insertMany(PairingEntity, written);
    await logSets(tx, writer, [{ kind: 'pairing', records: written, fields: ['fathers', 'mothers', 'clutches'] }]);
  });
  return { ...answer, taken: true };
}

/** By what one is known in a file where it has no id, and what it is called. */
const saidOf = ({ fathers, mothers, from }: PairingRow): string =>
  `${fathers.join(' or ')} × ${mothers.join(' or ')}, from ${from}`;

/** What is said of a pairing, whatever it and its clutches are called. */
const plain = (row: PairingRow): string =>
  stableJson({ ...row, id: '', clutches: row.clutches.map((one) => ({ ...one, id: '' })) });

/** What a check refuses, by its line and its column. */
function wrongWith(check: () => void, place: { line: number; clutches: number[] }): FileProblem | undefined {
  try {
    check();
    return undefined;
  } catch (error) {
    if (!(error instanceof HttpProblem)) throw error;
    const { field = '', message } = error.body;
    const [, clutch, within] = /^clutches\[(\d+)\]\.(\w+)$/.exec(field) ?? [];
    const column = within ?? field.replace(/\[\d+\]$/, '');
    return {
      line: clutch === undefined ? place.line : place.clutches[Number(clutch)],
      column: pairingColumn(column),
      message,
    };
  }
}
