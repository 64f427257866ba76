import type { Opinion } from '@plesion/core/opinions';
import type { Reading } from '@plesion/core/observation';
import { seeded } from '@plesion/core/probability';
import { ledgeCrabs } from '@plesion/demo';
import { SpecimenEntity } from '../database/entities';
import { type AskColumns, OpinionAskEntity, type OpinionColumns, OpinionEntity } from '../database/opinionEntities';
import type { Em } from '../database/orm';
import type { Writer } from '../records/write';
import { idOf } from '../verifications/demoRecords';

/** Records of the demo that are asked about: a visitor's photograph of a cone, and the photographed tern. */
const CONE = '0192f3a0-0000-7001-8000-000000000023';
const TERN = '0192f3a0-0000-7041-8000-000000000001';

const PEOPLE = ['Isolde Varn', 'Corin Thale', 'Jory Lamb', 'Wenna Skaith', 'Pell Austrey'];
const DAY = 86_400_000;
const BEGUN = Date.UTC(2026, 8, 1, 18);

/** Crabs that the same two judged. */
const CRABS = 14;

type Told = Pick<AskColumns, 'id' | 'specimenId' | 'askedBy' | 'at'> &
  Partial<AskColumns> & { said: { by: string; opinion: Opinion }[] };

const named = (taxon: string, certainty: Opinion['certainty'], readings: Reading[], note?: string): Opinion => ({
  ...{ name: { qualifier: 'none', taxon, facets: {} }, certainty, readings },
  ...(note ? { note } : {}),
});

/** What others made of the demo's records, made once. */
export async function putDemoOpinions(em: Em, { stationId, accountName }: Writer): Promise<void> {
  if (await em.count(OpinionAskEntity, { stationId })) return;
  const there = new Set(
    (await em.find(SpecimenEntity, { stationId, id: { $in: [CONE, TERN] } }, { fields: ['id'] })).map(({ id }) => id),
  );
  const all = [cone(accountName), tern(), ...(await crabs(em, stationId, accountName))].filter(
    ({ specimenId }) => there.has(specimenId) || ![CONE, TERN].includes(specimenId),
  );
  if (all.length === 0) return;
  await em.transactional(async (tx) => {
    await tx.insertMany(
      OpinionAskEntity,
      all.map(({ id, specimenId, askedBy, at, ...more }): AskColumns => {
        const { question = null, decidedBy = null, decidedAt = null, decidedWhy = null } = more;
        const ask = { stationId, id, specimenId, askedBy, at, askedOf: [], question, decidedBy, decidedAt, decidedWhy };
        return { ...ask, withdrawn: false, withdrawnAt: null, linkHash: null, linkUntil: null, device: '' };
      }),
    );
    await tx.insertMany(
      OpinionEntity,
      all.flatMap(({ id: askId, at, said }, i) =>
        said.map(({ by, opinion }, k): OpinionColumns => ({
          ...{ stationId, askId, givenBy: by, outside: false, id: idOf(482, 100 * i + k), opinion },
          at: new Date(at.getTime() + (k + 1) * 3_600_000),
          device: '',
        })),
      ),
    );
  });
}

/** A harmless cone that five call the dangerous one, all from the same photograph of its back; one other view settles it. */
function cone(askedBy: string): Told {
  const tents: Reading = { character: 'pattern', states: ['tents'] };
  const rose: Reading = { character: 'base-stain', states: ['rose'] };
  const at = new Date(BEGUN);
  return {
    ...{ id: idOf(481, 1), specimenId: CONE, askedBy, at, question: 'Is this the dangerous one?' },
    ...{ decidedBy: askedBy, decidedAt: new Date(BEGUN + 4 * DAY) },
    decidedWhy:
      'Five said so from one photograph, of tents and stain, which both have. The spire seen from above is domed: the weaver. It is not handled all the same.',
    said: PEOPLE.map((by, i) => ({
      by,
      opinion: named('vexillax', i === 2 ? 'sure' : 'likely', i % 2 ? [tents] : [tents, rose]),
    })),
  };
}

/** The photographed tern, which waits for an opinion of whoever opens the demo. */
const tern = (): Told => ({
  ...{ id: idOf(481, 2), specimenId: TERN, askedBy: PEOPLE[0], at: new Date(BEGUN + 60 * DAY), said: [] },
  question: 'What do you make of this one on the pier?',
});

/** Two who see the same of most crabs, and differ on the grains of the back. */
async function crabs(em: Em, stationId: string, askedBy: string): Promise<Told[]> {
  const random = seeded('two on crabs');
  const known = await em.getConnection().execute<{ id: string; taxon: string }[]>(
    `select v.specimen_id as id, v.taxon from verification v
     join specimen s on s.station_id = v.station_id and s.id = v.specimen_id
     join guide g on g.station_id = s.station_id and g.id = s.guide_id and g.slug = ?
     where v.station_id = ? order by v.specimen_id limit ${CRABS}`,
    [ledgeCrabs.id, stationId],
  );
  return known.map(({ id: specimenId, taxon }, i): Told => {
    const others = ledgeCrabs.taxa.filter(({ id, rank }) => rank === 'species' && id !== taxon);
    const mistaken = random() < 0.3 ? others[Math.floor(random() * others.length)].id : taxon;
    const grains = (states: string[]): Reading[] => [{ character: 'granules', states }];
    const at = new Date(BEGUN + (i + 5) * DAY);
    return {
      ...{ id: idOf(481, 10 + i), specimenId, askedBy, at, decidedBy: askedBy, decidedAt: new Date(at.getTime() + DAY) },
      ...{ question: 'Dense grains, or a few?', decidedWhy: 'By what was found under the lens.' },
      said: [
        { by: PEOPLE[0], opinion: named(taxon, 'sure', grains(['dense'])) },
        { by: PEOPLE[1], opinion: named(mistaken, 'likely', grains([mistaken === taxon ? 'dense' : 'scattered'])) },
      ],
    };
  });
}
