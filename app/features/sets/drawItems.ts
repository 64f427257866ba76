import type { SetItem } from '@plesion/contract/sets';
import { compiledFor, type Guide } from '@plesion/core/guide';
import { practiceItem, type PracticeLevel } from '@plesion/core/practice';
import { planOf } from '../records/plans';

/** Individuals drawn for each that is wanted, at most. */
const TRIES = 25;

interface Rule {
  level: PracticeLevel;
  /** All, where there are none. */
  groups: readonly string[];
  /** In turn; any, where there are none. */
  views: readonly string[];
  hidden?: number | '';
  glimpse?: number | '';
  n: number;
  /** Only such as can be told. */
  told: boolean;
  /** The same seed draws the same items. */
  seed: string;
}

/** Items by a rule; fewer than are wanted, where no more can be drawn. */
export function drawItems(guide: Guide, { level, groups, views, hidden, glimpse, n, told, seed }: Rule): SetItem[] {
  const plan = planOf(guide)!;
  const compiled = compiledFor(guide);
  return Array.from({ length: n }).flatMap((_, i): SetItem[] => {
    const asked = {
      level,
      ...(groups.length ? { groups: [...groups] } : {}),
      ...(views.length ? { view: views[i % views.length] } : {}),
      ...(hidden ? { hidden } : {}),
      ...(glimpse ? { glimpse } : {}),
    };
    for (let k = 0; k < (told ? TRIES : 1); k++) {
      const item: SetItem = { seed: k === 0 ? `${seed} ${i + 1}` : `${seed} ${i + 1}.${k}`, asked };
      const made = practiceItem(compiled, plan, asked, item.seed);
      if (made && (!told || made.truth.best.kind === 'one')) return [item];
    }
    return [];
  });
}
