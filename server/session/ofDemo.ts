import { StationEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { HttpProblem } from '../http/errors';
import type { Caller } from '../http/route';

/** The demo’s account is everybody’s: nobody may close it to the others, or leave a way in behind. */
export async function notOfDemo(em: Em, { stationId }: Caller): Promise<void> {
  const { demo } = await em.findOneOrFail(StationEntity, { id: stationId });
  if (!demo) return;
  throw new HttpProblem(403, {
    code: 'demo-account',
    message: 'The demo’s account is everybody’s and stays as it is. Make a station of your own for that.',
  });
}
