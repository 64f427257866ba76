import { beamBetween, formsIn, fromPrior } from '../evidence';
import { type CompiledGuide, frequenciesOf } from '../guide/working';
import type { Reading } from '../observation';
import { groupsAt } from './item';
import type { Item } from './schema';

/** What a reading of a drawing says between two groups. */
export interface ReadingWorth {
  reading: Reading;
  /** For the truth; below 0 it pulls to the other. */
  bits: number;
}

/** Why a drawing is the one and not the other. */
export interface Why {
  /** The group it was held against. */
  other: { id: string; label: string };
  /** From what tells most to what misleads most. */
  readings: ReadingWorth[];
  /** One sentence to remember; nothing where none tells. */
  remember?: string;
}

/** A reading that is worth less than this tells nothing worth remembering, in bits. */
const TELLS = 0.5;

/** Why it is not what was said; where nothing else was said, why it is not what comes nearest, as often as each lives there. */
export function whyOf(compiled: CompiledGuide, item: Item, said: readonly string[]): Why | undefined {
  const others = item.choices.filter(({ id }) => id !== item.truth.group);
  const wrong = others.find(({ id }) => said.includes(id));
  if (wrong) return whyNot(compiled, item, wrong.id);
  const grouping = groupsAt(compiled, item.level);
  const common = (id: string) =>
    formsIn(
      grouping,
      grouping.groups.findIndex((group) => group.id === id),
    ).reduce((sum, f) => sum + compiled.base[f], 0);
  const apart = ({ readings, other }: Why) => readings.reduce((all, { bits }) => all + bits, 0) - Math.log2(common(other.id));
  return others.map(({ id }) => whyNot(compiled, item, id)).sort((a, b) => apart(a) - apart(b))[0];
}

/** What each reading was worth between the truth and another group. */
export function whyNot(compiled: CompiledGuide, { level, truth }: Item, other: string): Why {
  const grouping = groupsAt(compiled, level);
  const at = (id: string) => grouping.groups.findIndex((group) => group.id === id);
  const [own, against] = [formsIn(grouping, at(truth.group)), formsIn(grouping, at(other))];
  const even = { forms: new Float64Array(compiled.forms.length), outside: 0 };
  const full = fromPrior(compiled, even, truth.readings);
  const { contributions } = beamBetween(full, { forms: own }, { forms: against });
  const readings = full.weighed
    .map(({ reading }, i): ReadingWorth => ({ reading, bits: contributions[i] }))
    .sort((a, b) => b.bits - a.bits);
  const [best] = readings;
  const labels = [grouping.groups[at(truth.group)].label, grouping.groups[at(other)].label];
  return {
    other: grouping.groups[at(other)],
    readings,
    ...(best && best.bits >= TELLS ? { remember: sayRemember(compiled, best.reading, [own, against], labels) } : {}),
  };
}

function sayRemember(compiled: CompiledGuide, reading: Reading, sides: readonly number[][], labels: readonly string[]): string {
  const table = compiled.tables.get(reading.character)!;
  const { character } = table;
  const mean = (forms: readonly number[], value: (form: number) => number) => {
    const weight = forms.reduce((sum, f) => sum + compiled.base[f], 0);
    return forms.reduce((sum, f) => sum + (compiled.base[f] / weight) * value(f), 0);
  };
  if (table.type === 'states') {
    const state = reading.states?.[0] ?? String(reading.value);
    const label = character.states?.find(({ id }) => id === state)?.label ?? state;
    const [one, two] = sides.map((forms) =>
      Math.round(10 * mean(forms, (f) => frequenciesOf(table, f).find((each) => each.state === state)?.p ?? 0)),
    );
    return `${character.label}: ${label}, in ${one} of ten ${labels[0]}, in ${two} of ten ${labels[1]}.`;
  }
  const [one, two] = sides.map((forms) => {
    const middle = mean(forms, (f) => table.mean[f]);
    return (table.log ? Math.exp(middle) : middle).toPrecision(3);
  });
  return `${character.label}: about ${one} in ${labels[0]}, about ${two} in ${labels[1]}.`;
}
