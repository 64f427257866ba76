import { StationEntity } from '../database/entities';
import type { Em } from '../database/orm';

/** Degrees to which the station rounds places of sensitive taxa on every export. */
export async function gridOf(em: Em, stationId: string): Promise<number> {
  const { grid } = await em.findOneOrFail(StationEntity, { id: stationId }, { fields: ['grid'] });
  return grid;
}
