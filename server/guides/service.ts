import { randomUUID } from 'node:crypto';
import type { GuideRow, GuideWrite, StoredGuide } from '@plesion/contract';
import { formsOf, type Guide, readGuide } from '@plesion/core/guide';
import { foreignTo } from '@plesion/core/plates/plans';
import { GuideEntity, type GuideHead, GuideVersionEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { GuideSharingEntity } from '../database/sharingEntity';
import { badRequest, HttpProblem, notFound } from '../http/errors';
import { contentOf } from './contents';
import { contentHash } from '../records/contentHash';
import { type RecordKind, type Writer, writeVersioned } from '../records/write';

/** Guides are never changed in place; those that every station begins with come again and again. */
const hashes = new WeakMap<Guide, string>();

/** Hash of a guide's content, whatever the order its JSON came in. */
export function guideHash(guide: Guide): string {
  const hash = hashes.get(guide) ?? contentHash(guide);
  hashes.set(guide, hash);
  return hash;
}

const kindOf = (guide: Guide, hash: string): RecordKind<GuideHead, GuideWrite, StoredGuide> => ({
  name: 'guide',
  versions: true,
  entity: GuideEntity,
  wireOf: (em, head, written) => (written ? withCautions({ ...headRow(head), guide }) : showGuide(em, head.stationId, head.id)),
  same: (_, __, head) => head.hash === hash,
  taken: async (em, stationId) => {
    const other = await em.findOne(GuideEntity, { stationId, slug: guide.id });
    return other ? slugTaken(other) : notFound('guide');
  },
  parts: async (tx, { id, stationId, version }) => {
    const row = { guideId: id, version, stationId, hash, content: guide, reviewed: null, createdAt: new Date() };
    await tx.insert(GuideVersionEntity, row);
  },
});

const slugTaken = ({ slug, title }: GuideHead) =>
  badRequest([
    {
      code: 'guide-id-taken',
      message: `“${slug}” is the id of “${title}” in this station already; write that guide anew, or give this one another id.`,
      field: 'guide.id',
    },
  ]);

/** Store a guide as the version after the one seen; every version is kept. */
export async function putGuide(em: Em, writer: Writer, id: string, version: number, guide: Guide): Promise<StoredGuide> {
  const { stationId } = writer;
  const hash = guideHash(guide);
  return writeVersioned(em, kindOf(guide, hash), writer, id, { version, guide }, (stored, next) => {
    if (stored && stored.slug !== guide.id) throw badRequest([otherId(stored.slug)]);
    return {
      id,
      stationId,
      slug: guide.id,
      title: guide.title,
      summary: guide.summary,
      kind: guide.group,
      area: guide.area,
      version: next,
      hash,
      forms: formsOf(guide).length,
      characters: guide.characters.length,
      updatedAt: new Date(),
    };
  });
}

const otherId = (slug: string) => ({
  code: 'guide-id-changed',
  message: `This guide’s id is “${slug}”, and stays so.`,
  field: 'guide.id',
});

/** A guide that is new in the station; the very same content again changes nothing. */
export async function addGuide(em: Em, writer: Writer, guide: Guide): Promise<StoredGuide> {
  const known = await em.findOne(GuideEntity, { stationId: writer.stationId, slug: guide.id }, { fields: ['id'] });
  try {
    return await putGuide(em, writer, known?.id ?? randomUUID(), 0, guide);
  } catch (error) {
    // Two at once: the other was first, and this is compared with what it stored.
    const taken = error instanceof HttpProblem && error.body.code === 'guide-id-taken';
    if (!taken || known) throw error;
    return addGuide(em, writer, guide);
  }
}

/** Take in Plesion JSON that is new here: the whole guide, or a list of what is wrong with it. */
export const importGuide = (em: Em, writer: Writer, json: unknown): Promise<StoredGuide> =>
  addGuide(em, writer, readOrRefuse(json));

/** Write a guide on top of the version named. */
export async function writeGuide(em: Em, writer: Writer, id: string, { version, guide }: GuideWrite): Promise<StoredGuide> {
  await needOurs(em, writer.stationId, id);
  return putGuide(em, writer, id, version, readOrRefuse(guide, 'guide.'));
}

/** A guide that was imported from another station is not written on here: what it says next is for those who wrote it. */
export async function needOurs(em: Em, stationId: string, guideId: string): Promise<void> {
  if (!(await em.count(GuideSharingEntity, { stationId, guideId, takenFrom: { $ne: null } }))) return;
  const message = 'This guide was imported from another station. Begin a guide of our own that goes on from it.';
  throw badRequest([{ code: 'taken-guide', message, field: 'id' }]);
}

function readOrRefuse(json: unknown, root = ''): Guide {
  const read = readGuide(json);
  if (read.ok) return read.value;
  throw badRequest(read.problems.map((problem) => ({ ...problem, field: root + (problem.field ?? '') })));
}

export async function listGuides(em: Em, stationId: string): Promise<GuideRow[]> {
  const heads = await em.find(GuideEntity, { stationId }, { orderBy: { title: 'asc' } });
  return heads.map(headRow);
}

/** Asked for with every write and every weighing, so as a plain row: to make an entity of it takes longer than to fetch it. */
async function headOf(em: Em, stationId: string, id: string): Promise<GuideHead | undefined> {
  const row = await em
    .createQueryBuilder(GuideEntity)
    .where({ stationId, id })
    .execute<(Omit<GuideHead, 'updatedAt'> & { updatedAt: string }) | undefined>('get');
  return row && { ...row, updatedAt: new Date(row.updatedAt) };
}

/** A guide of the station, at its newest version or the one asked for. */
export async function findGuide(em: Em, stationId: string, id: string, version?: number): Promise<StoredGuide> {
  const head = await headOf(em, stationId, id);
  if (!head) throw notFound('guide');
  return version === undefined || version === head.version ? newest(em, head) : earlier(em, head, version);
}

/** The same; nothing where there is no such guide, or no such version of it, any more. */
export async function guideIfThere(em: Em, stationId: string, id: string, version?: number): Promise<StoredGuide | undefined> {
  try {
    return await findGuide(em, stationId, id, version);
  } catch (error) {
    if (error instanceof HttpProblem && error.status === 404) return undefined;
    throw error;
  }
}

async function newest(em: Em, head: GuideHead): Promise<StoredGuide> {
  return { ...headRow(head), guide: await contentOf(em, { ...head, guideId: head.id }) };
}

async function earlier(em: Em, head: GuideHead, version: number): Promise<StoredGuide> {
  const stored = await em.findOne(
    GuideVersionEntity,
    { stationId: head.stationId, guideId: head.id, version },
    { fields: ['version', 'hash'] },
  );
  if (!stored) throw notFound('version of the guide');
  const { hash } = stored;
  return { ...headRow(head), version, hash, guide: await contentOf(em, { ...head, guideId: head.id, version, hash }) };
}

/** A guide for whoever looks at it, with what its author should know. */
export const showGuide = async (em: Em, stationId: string, id: string, version?: number): Promise<StoredGuide> =>
  withCautions(await findGuide(em, stationId, id, version));

function withCautions(stored: StoredGuide): StoredGuide {
  const cautions = foreignTo(stored.guide);
  return cautions.length ? { ...stored, cautions } : stored;
}

/** A record may name only a guide of its station. */
export async function checkGuideId(em: Em, stationId: string, id: string | undefined): Promise<void> {
  if (id === undefined || (await em.count(GuideEntity, { id, stationId }))) return;
  throw unknownGuide();
}

const unknownGuide = () =>
  badRequest([{ code: 'unknown-guide', message: 'There is no such guide in this station.', field: 'guideId' }]);

/** The guide that a record names; undefined where it names none. */
export async function guideNamed(em: Em, stationId: string, id: string | undefined): Promise<StoredGuide | undefined> {
  if (id === undefined) return undefined;
  const head = await headOf(em, stationId, id);
  if (!head) throw unknownGuide();
  return newest(em, head);
}

/** Some guides as they are now, each asked once; those that are not there any more are left away. */
export async function guidesOf(em: Em, stationId: string, ids: Iterable<string>): Promise<Map<string, Guide>> {
  const guides = new Map<string, Guide>();
  for (const id of new Set(ids)) {
    const stored = await guideIfThere(em, stationId, id);
    if (stored) guides.set(id, stored.guide);
  }
  return guides;
}

function headRow(head: Omit<GuideHead, 'stationId'>): GuideRow {
  const { id, slug, title, summary, kind, area, version, hash, forms, characters, updatedAt } = head;
  return { id, slug, title, summary, group: kind, area, version, hash, forms, characters, updatedAt: updatedAt.toISOString() };
}
