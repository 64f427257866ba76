import type { AgreementView } from '@plesion/contract/opinions';
import { cohenKappa, fleissKappa } from '@plesion/core/opinions';
import type { Em } from '../database/orm';
import type { Caller } from '../http/route';

/** Two who have judged fewer things together say nothing of how far they agree. */
const TOGETHER = 5;

/** Pairs told of at most. */
const PAIRS = 40;

interface Word {
  ask: string;
  by: string;
  /** What it was called; that it cannot be told is a word too. */
  said: string;
}

/** How far the opinions of a station agree beyond chance. */
export async function agreement(em: Em, { stationId }: Caller, guideId: string | undefined): Promise<AgreementView> {
  const words = await em.getConnection().execute<Word[]>(
    `select a.id as ask, o.given_by as by,
       coalesce(concat_ws(' ', s.guide_id::text, o.opinion->'name'->>'qualifier', o.opinion->'name'->>'taxon', o.opinion->'name'->>'other'), '') as said
     from opinion o
     join opinion_ask a on a.station_id = o.station_id and a.id = o.ask_id
     join specimen s on s.station_id = a.station_id and s.id = a.specimen_id
     where o.station_id = ? and not o.outside and (?::uuid is null or s.guide_id = ?::uuid)
     order by a.at desc limit 20000`,
    [stationId, guideId ?? null, guideId ?? null],
  );
  const names = [...new Set(words.map(({ said }) => said))];
  const place = new Map(names.map((name, i) => [name, i]));
  const byAsk = new Map<string, Map<string, number>>();
  for (const { ask, by, said } of words) byAsk.set(ask, (byAsk.get(ask) ?? new Map<string, number>()).set(by, place.get(said)!));
  const counts = [...byAsk.values()].map((said) => {
    const row = names.map(() => 0);
    for (const name of said.values()) row[name]++;
    return row;
  });
  const all = fleissKappa(counts);
  return { ...(all ? { all } : {}), pairs: pairsOf([...byAsk.values()], names.length) };
}

function pairsOf(asks: readonly Map<string, number>[], names: number): AgreementView['pairs'] {
  const tables = new Map<string, { people: [string, string]; table: number[][]; n: number }>();
  for (const said of asks) {
    const people = [...said.keys()].sort();
    people.forEach((one, i) => {
      for (const other of people.slice(i + 1)) {
        const key = JSON.stringify([one, other]);
        const pair = tables.get(key) ?? {
          people: [one, other],
          table: Array.from({ length: names }, () => Array<number>(names).fill(0)),
          n: 0,
        };
        tables.set(key, pair);
        pair.table[said.get(one)!][said.get(other)!]++;
        pair.n++;
      }
    });
  }
  return [...tables.values()]
    .filter(({ n }) => n >= TOGETHER)
    .sort((a, b) => b.n - a.n)
    .slice(0, PAIRS)
    .flatMap(({ people, table }) => {
      const found = cohenKappa(table);
      return found ? [{ people, ...found }] : [];
    });
}
