import type { CaptureWrite, MarkedAnimal, MarkedQuery } from '@plesion/contract';
import type { Em } from '../database/orm';

/** Captures with natural marks that are looked through, and animals that are told. */
const MOST = 5000;
const TOLD = 60;

/** Animals with natural marks, each as it was met last; where a place is asked for, the nearest first. */
export async function markedAnimals(
  em: Em,
  stationId: string,
  { words, guideId, view, x, y }: MarkedQuery,
): Promise<MarkedAnimal[]> {
  const wanted = words?.split(/\s+/).filter(Boolean) ?? [];
  const rows = await em.getConnection().execute<{ id: string; mark: string | null; content: CaptureWrite }[]>(
    `select distinct on (coalesce(mark, id::text)) id, mark, at, content from capture
     where station_id = ? and not hidden and jsonb_array_length(coalesce(content->'naturalMarks', '[]'::jsonb)) > 0
       ${guideId ? `and content->>'guideId' = ?` : ''}
       ${wanted.map(() => `and exists (select from jsonb_array_elements(content->'naturalMarks') one where one->>'words' ilike ?)`).join(' ')}
     order by coalesce(mark, id::text), at desc limit ?`,
    [stationId, ...(guideId ? [guideId] : []), ...wanted.map((word) => `%${word.replace(/[%_\\]/g, '\\$&')}%`), MOST],
  );
  const animals = rows.map(({ id, mark, content }) => {
    const { at, guideId: guide, taxon, name, naturalMarks = [] } = content;
    const animal: MarkedAnimal = {
      captureId: id,
      ...(mark ? { mark } : {}),
      at,
      ...(guide ? { guideId: guide } : {}),
      ...(taxon ? { taxon } : {}),
      ...(name ? { name } : {}),
      naturalMarks,
    };
    return { animal, off: view && x !== undefined && y !== undefined ? nearest(animal, view, x, y) : 0 };
  });
  return animals
    .filter(({ off }) => off < Number.POSITIVE_INFINITY)
    .sort((a, b) => a.off - b.off || (a.animal.at < b.animal.at ? 1 : -1))
    .slice(0, TOLD)
    .map(({ animal }) => animal);
}

/** How far the nearest of its marks lies from a place on the plate of a view, in shares of its width. */
const nearest = ({ naturalMarks }: MarkedAnimal, view: string, x: number, y: number): number =>
  Math.min(...naturalMarks.map(({ at }) => (at?.view === view ? Math.hypot(at.x - x, at.y - y) : Number.POSITIVE_INFINITY)));
