import type { Place } from '@plesion/contract/conversations';
import { SpecimenEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { type RemarkColumns, RemarkEntity } from '../database/remarkEntities';
import type { Writer } from '../records/write';
import { idOf } from '../verifications/demoRecords';

/** The first photographed tern of the demo. */
const TERN = '0192f3a0-0000-7041-8000-000000000001';
const BEGUN = Date.UTC(2026, 9, 30, 18);
const HOUR = 3_600_000;

type Said = Pick<RemarkColumns, 'madeBy' | 'text'> & { place?: Omit<Place, 'photo'>; replies?: string[][]; resolved?: string };

/** What people say to each other of the tern, made once. */
export async function putDemoConversation(em: Em, { stationId }: Writer): Promise<void> {
  if (await em.count(RemarkEntity, { stationId })) return;
  const tern = await em.findOne(SpecimenEntity, { stationId, id: TERN }, { fields: ['photo'] });
  if (!tern?.photo) return;
  const { photo } = tern;
  const said: Said[] = [
    {
      madeBy: 'Jory Lamb',
      text: 'Is this tip dark, or is it in shade?',
      place: { drawn: 'pin', points: [{ x: 0.17, y: 0.43 }] },
      replies: [
        ['Isolde Varn', 'Dark: the shade of the bill lies below, and the tip is darker than that.'],
        ['Jory Lamb', 'So that is what you mean by a clean edge.'],
      ],
      resolved: 'Isolde Varn',
    },
    {
      madeBy: 'Isolde Varn',
      text: 'How far does the longest feather reach past the tail? From here it looks level, which would speak for the ring tern.',
      place: {
        drawn: 'line',
        points: [
          { x: 0.8, y: 0.62 },
          { x: 0.88, y: 0.62 },
        ],
      },
    },
  ];
  const rows = said.flatMap(({ madeBy, text, place, replies = [], resolved }, i): RemarkColumns[] => {
    const root = idOf(483, 100 * (i + 1));
    const remark = (n: number, by: string, words: string): RemarkColumns => ({
      ...{ stationId, id: idOf(483, 100 * (i + 1) + n), specimenId: TERN, replyTo: n ? root : null, madeBy: by, text: words },
      place: n || !place ? null : { ...place, photo },
      at: new Date(BEGUN + (24 * i + n) * HOUR),
      ...{ withdrawnAt: null, resolvedBy: null, resolvedAt: null, device: '' },
    });
    const first = {
      ...remark(0, madeBy, text),
      ...(resolved ? { resolvedBy: resolved, resolvedAt: new Date(BEGUN + 9 * HOUR) } : {}),
    };
    return [first, ...replies.map(([by, words], n) => remark(n + 1, by, words))];
  });
  await em.transactional((tx) => tx.insertMany(RemarkEntity, rows));
}
