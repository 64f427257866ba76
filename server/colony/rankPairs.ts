import type { PairsWrite, RankedPairs } from '@plesion/contract/colony';
import { mixedBy, sharesOfYoung } from '@plesion/core/heredity';
import { strainsOf } from '@plesion/core/pedigree';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { bookOf, surelyOf, told } from './service';

/** Of either sex, the latest written down; and pairs that are told. */
const MOST_OF_A_SEX = 60;
const MOST_TOLD = 100;

/** Which of those that are here would do best together. */
export async function rankPairs(
  em: Em,
  pool: AnalysisPool,
  stationId: string,
  guideId: string,
  { goal, clutch, mostInbred = 1, pure }: PairsWrite,
): Promise<RankedPairs> {
  const { asked, members, neverMix } = await bookOf(em, stationId, guideId);
  const here = members.filter(({ kept }) => kept.status === 'here');
  const able = (not: 'female' | 'male') =>
    here
      .filter((one) => surelyOf(one) !== not)
      .slice(-MOST_OF_A_SEX)
      .map(({ name }) => name);
  const [fathers, mothers] = [able('female'), able('male')];
  if (!fathers.length || !mothers.length) return { pairs: [], looked: 0, inbred: 0, mixed: 0 };
  const { pairs, without } = told(await pool.ask(stationId, 'pairs', { ...asked, fathers, mothers, goal, clutch }));
  const byName = new Map(members.map((one) => [one.name, one]));
  const shares = strainsOf(members);
  const all = pairs.map(({ father: his, mother: hers, ...pair }) => {
    const [father, mother] = [byName.get(his)!.id, byName.get(hers)!.id];
    const sides = [shares.get(father)!, shares.get(mother)!] as const;
    return { ...pair, father, mother, shares: sharesOfYoung(...sides), apart: mixedBy(neverMix, ...sides).map(({ why }) => why) };
  });
  const close = all.filter(({ inbreeding }) => inbreeding <= mostInbred + 1e-12);
  const kept = pure ? close.filter((one) => Object.keys(one.shares).length <= 1) : close;
  return {
    // Those that are kept apart stand behind all others.
    pairs: [...kept.filter(({ apart }) => !apart.length), ...kept.filter(({ apart }) => apart.length)].slice(0, MOST_TOLD),
    ...{ looked: all.length, inbred: all.length - close.length, mixed: close.length - kept.length },
    ...(without ? { without } : {}),
  };
}
