import { fromPrior, type ReadingWorth, sayDifference, TELLS, worthBetween } from '../evidence';
import type { CompiledGuide } from '../guide/working';
import { groupIn, groupsAt, type Side } from './groups';
import { sayGroup } from './sayGroup';
import type { Item } from './schema';

/** Why a drawing is the one and not the other. */
export interface Why {
  /** The group it was held against. */
  other: { id: string; label: string };
  /** In bits for the truth, from what tells most to what misleads most. */
  readings: ReadingWorth[];
  /** One sentence to remember; nothing where none tells. */
  remember?: string;
}

/** Why it is not what was said (of many, the odd one); where nothing else was said, why it is not what comes nearest, as often as each lives there. */
export function whyOf(compiled: CompiledGuide, item: Item, said: readonly string[]): Why | undefined {
  // A number is not told by marks, no single one of a colony was asked for, and a key names by itself.
  if (item.drill || (item.flock && item.flock.task !== 'odd')) return undefined;
  const others = item.choices.filter(({ id }) => id !== item.truth.group);
  const wrong = others.find(({ id }) => said.includes(id));
  const against = againstTruth(compiled, item);
  if (wrong) return against(wrong.id);
  // Nothing was read from a photograph by which something would come nearest.
  if (item.photo) return undefined;
  const common = ({ id }: Why['other']) =>
    groupIn(groupsAt(compiled, item.level), id).forms.reduce((sum, f) => sum + compiled.base[f], 0);
  const apart = ({ readings, other }: Why) => readings.reduce((all, { bits }) => all + bits, 0) - Math.log2(common(other));
  return others.map(({ id }) => against(id)).sort((a, b) => apart(a) - apart(b))[0];
}

/** What each reading was worth between the truth and another group. */
export const whyNot = (compiled: CompiledGuide, item: Item, other: string): Why => againstTruth(compiled, item)(other);

/** The readings are weighed once, however many groups they are held against. */
function againstTruth(compiled: CompiledGuide, { level, truth }: Item): (other: string) => Why {
  const grouping = groupsAt(compiled, level);
  const own = groupIn(grouping, truth.group);
  const named = ({ forms, group }: Side) => ({ forms, label: sayGroup(compiled.guide, group) });
  const even = { forms: new Float64Array(compiled.forms.length), outside: 0 };
  const full = fromPrior(compiled, even, truth.readings);
  return (id) => {
    const other = groupIn(grouping, id);
    const readings = worthBetween(full, own.forms, other.forms).readings.sort((a, b) => b.bits - a.bits);
    const [best] = readings;
    return {
      other: other.group,
      readings,
      ...(best && best.bits >= TELLS ? { remember: sayDifference(compiled, best.reading, [named(own), named(other)]) } : {}),
    };
  };
}
