import { type Character, type FrequencyWord, idsFor } from '../guide/working';
import { type Bounds, boundsOf, type Classes, classesOf, isClosed } from './classes';
import { type Contrast, OTHERWISE, type Side } from './contrasts';
import { stateKey } from './join';
import type { Measure } from './measures';
import { groupOf, handlingOf, viewOf } from './words';

/** What is claimed by a lead of a character. */
export type Claimed = { states: string[]; beside?: { state: string; hedge: FrequencyWord }[] } | { low: number; high: number };

/** A character that a key's contrasts make, with what each lead claims of it. */
export interface KeyCharacter {
  character: Character;
  contrasts: Contrast[];
  /** Only one lead says anything of it, in every couplet: nothing is told by it yet. */
  oneSided: boolean;
  claimed: (contrast: Contrast, side: Side) => Claimed;
}

/** The usual error of a measurement, where nobody says it: this share of the smallest value that is told. */
const USUAL_ERROR = 0.02;
/** A guide counts no further than twice this. */
const MOST_COUNTED = 200;

type Unnamed = Omit<KeyCharacter, 'character'> & { character: Omit<Character, 'id'> };

/** Characters of groups of contrasts, each with a label and an id of its own; a label that a person gave goes before. */
export function charactersOf(groups: readonly Contrast[][], labels: Readonly<Record<string, string>>): KeyCharacter[] {
  const made = groups.map((contrasts) => (contrasts[0].measure ? numeric(contrasts, contrasts[0].measure) : nominal(contrasts)));
  const names = distinct(
    made.map(({ character, contrasts }) => {
      const own = contrasts.map(({ id }) => labels[id]?.trim()).find(Boolean);
      return own ? { label: own, more: '' } : { label: character.label, more: furtherOf(contrasts[0], character) };
    }),
  );
  const ids = idsFor(names);
  return made.map((one, i) => ({ ...one, character: { ...one.character, id: ids.get(names[i])!, label: names[i] } }));
}

/** A label is no longer. */
const LONGEST = 200;

/** Labels told apart by what is said of the structure, where they are the same; else by a number. */
function distinct(labels: readonly { label: string; more: string }[]): string[] {
  const often = new Map<string, number>();
  for (const { label } of labels) often.set(label, (often.get(label) ?? 0) + 1);
  const taken = new Set<string>();
  return labels.map(({ label, more }) => {
    const full = short(often.get(label)! > 1 && more ? `${label}: ${more}` : label, LONGEST - 8);
    let name = full;
    for (let n = 2; taken.has(name); n++) name = `${full} (${n})`;
    taken.add(name);
    return name;
  });
}

/** What tells a character from another of the same structure: the property, or its first states. */
const furtherOf = ({ property, structure }: Contrast, { states }: Omit<Character, 'id'>): string =>
  property ??
  (structure && states
    ? states
        .slice(0, 2)
        .map(({ label }) => short(label, 40))
        .join(' / ')
    : '');

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
const short = (text: string, most: number) => (text.length > most ? `${text.slice(0, most - 1).trimEnd()}…` : text);

function common(contrasts: readonly Contrast[]) {
  const texts = contrasts.flatMap(({ sides }) => sides.map(({ text }) => text));
  const all = texts.join('; ');
  return {
    group: groupOf(contrasts.map(({ property }) => property).find(Boolean)),
    views: [viewOf(all)],
    handling: handlingOf(all),
    distance: 'hand' as const,
    needsLight: contrasts.some(({ property }) => property === 'colour'),
    seconds: 5,
    help: short(texts.join(' / '), 1000),
  };
}

/** What leads of a couplet hold against each other and only small words tell apart: "long", "very long". */
function apartByLittle({ sides }: Contrast): string[] {
  const same = (of: (side: Side) => string | undefined) => new Set(sides.map(of)).size === 1;
  const told = !(same(({ values }) => values.map(stateKey).join('|')) && same(({ hedge }) => hedge));
  return sides.length < 2 || told ? [] : sides.flatMap(({ values }) => values);
}

function nominal(contrasts: Contrast[]): Unnamed {
  const little = new Set(contrasts.flatMap(apartByLittle));
  const keyOf = (value: string) => (little.has(value) ? value.toLowerCase() : stateKey(value));
  const values = new Map<string, string>();
  for (const { sides } of contrasts)
    for (const side of sides) for (const value of said(side)) if (!values.has(keyOf(value))) values.set(keyOf(value), value);
  const keys = [...values.keys()];
  const ids = idsFor(keys);
  const idOf = (value: string) => ids.get(keyOf(value))!;
  const oneSided = contrasts.every(({ sides }) => sides.length === 1);
  const states = keys.map((key) => ({ id: ids.get(key)!, label: short(values.get(key)!, 200) }));
  if (states.length < 2) states.push({ id: idsFor([...keys, OTHERWISE]).get(OTHERWISE)!, label: OTHERWISE });
  const { structure } = contrasts[0];
  const label =
    structure ||
    states
      .map((state) => short(state.label, 60))
      .slice(0, 3)
      .join(' / ');
  return {
    character: { label: capital(short(label, 190)), kind: 'nominal', states, ...common(contrasts) },
    contrasts,
    oneSided,
    claimed: (_, { values: own, beside }) => ({
      states: own.map(idOf),
      ...(beside ? { beside: beside.map(({ text, hedge }) => ({ state: idOf(text), hedge })) } : {}),
    }),
  };
}

/** All states that a lead speaks of. */
const said = ({ values, beside = [] }: Side): string[] => [...values, ...beside.map(({ text }) => text)];

function numeric(contrasts: Contrast[], measure: Measure): Unnamed {
  const { structure } = contrasts[0];
  const { of } = measure;
  const named = of && structure.toLowerCase().split(' ').includes(of) ? [structure] : [structure, of];
  const label = capital(named.filter(Boolean).join(measure.kind === 'measurement' ? ' ' : ': ') || 'Size');
  const bounds = new Map<Side, Bounds>(
    contrasts.flatMap(({ sides }) => sides.map((side) => [side, boundsOf(side.quantity!, measure)] as const)),
  );
  const all = [...bounds.values()];
  const whole = { label, ...common(contrasts), group: 'baseline' as const };
  const oneSided = false;
  if (!all.every(isClosed)) {
    const classes: Classes = classesOf(all, measure);
    const ids = idsFor(classes.labels);
    return {
      character: { ...whole, kind: 'ordered', states: classes.labels.map((one) => ({ id: ids.get(one)!, label: one })) },
      contrasts,
      oneSided,
      claimed: (_, side) => ({ states: classes.within(bounds.get(side)!).map((i) => ids.get(classes.labels[i])!) }),
    };
  }
  const claimed = (_: Contrast, side: Side): Claimed => {
    const { low, high, lowOpen, highOpen } = bounds.get(side)!;
    return measure.kind === 'count'
      ? { low: low! + (lowOpen ? 1 : 0), high: high! - (highOpen ? 1 : 0) }
      : { low: low!, high: high! };
  };
  const most = Math.max(...all.map(({ high }) => high!));
  // More than anybody counts is measured.
  if (measure.kind === 'count' && most <= MOST_COUNTED) {
    const to = Math.ceil(most * 2 + 2);
    return { character: { ...whole, kind: 'count', counts: { from: 0, to } }, contrasts, oneSided, claimed };
  }
  const error = Math.max(...all.map(({ low, high }) => low || high!)) * USUAL_ERROR;
  return {
    character: {
      ...whole,
      kind: measure.kind === 'ratio' ? 'ratio' : 'measurement',
      error: Number(error.toPrecision(2)),
      ...(measure.unit ? { unit: measure.unit } : {}),
      ...(measure.parts ? { parts: measure.parts } : {}),
    },
    contrasts,
    oneSided,
    claimed,
  };
}
