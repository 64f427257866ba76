import type { Protocol } from '@plesion/core/guide';
import { PointSet } from '@plesion/core/measure/schema';
import { useEffect, useMemo, useState } from 'react';
import { z } from 'zod';
import { keptForm } from '../../lib/keptForm';
import { NO_SCALE, SCALE_KINDS, type ScaleEntry, type Step, stepsOf } from './steps';
import { emptyTable, onward, type Table } from './table';

/** What lies on the table over a reload: the points, those of earlier repeats, and the scale. */
const KeptTable = z.object({
  points: PointSet,
  earlier: z.array(PointSet),
  scale: z.object({ kind: z.enum(SCALE_KINDS), mm: z.string(), width: z.string(), height: z.string() }),
});

export interface OpenTable {
  steps: readonly Step[];
  table: Table;
  setTable: (next: (table: Table) => Table) => void;
  scale: ScaleEntry;
  setScale: (scale: ScaleEntry) => void;
  /** Forget what was set, once it is taken. */
  forget: () => void;
}

/**
 * The points of a protocol as they are set, kept over a reload until they are taken.
 *
 * @param name of the specimen, the character and the photo; @param scaled does it begin with a scale?
 */
export function useTable(name: string, protocol: Pick<Protocol, 'landmarks'>, scaled: boolean): OpenTable {
  const kept = useMemo(() => keptForm(`measure.${name}`, KeptTable), [name]);
  const [first] = useState(() => kept.read());
  const [scale, putScale] = useState<ScaleEntry>(() => first?.scale ?? { ...NO_SCALE, kind: scaled ? 'length' : 'none' });
  const steps = useMemo(() => stepsOf(protocol, scale.kind), [protocol, scale.kind]);
  const [table, setTable] = useState<Table>(() => {
    const empty = emptyTable(steps);
    if (!first) return empty;
    return { ...empty, points: first.points, earlier: first.earlier, active: onward(steps, first.points, steps[0].id) };
  });
  const { points, earlier } = table;
  useEffect(() => {
    if (earlier.length || Object.keys(points).length || scale.mm || scale.width)
      kept.keep({ points, earlier: [...earlier], scale });
  }, [kept, points, earlier, scale]);
  return {
    steps,
    table,
    setTable,
    scale,
    setScale(next) {
      putScale(next);
      if (next.kind === scale.kind) return;
      const other = stepsOf(protocol, next.kind);
      setTable((so) => ({ ...so, active: onward(other, so.points, other[0].id), held: undefined }));
    },
    forget: kept.forget,
  };
}
