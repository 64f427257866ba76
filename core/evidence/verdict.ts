import { type CompiledGuide, hasFacets, isUnder } from '../guide/working';
import { beamBetween, type Side } from './beam';
import { diagnosticMark } from './diagnostic';
import { type Level, massOf } from './levels';
import type { Keyed } from './keyed';
import { inHundred } from './say';
import type { Standing } from './standing';
import { independenceKey } from './weights';

/** Whether one level may be named, and what it rests on. */
export interface Verdict {
  level: Level;
  group: string;
  label: string;
  p: number;
  rival: { group: string; label: string; p: number };
  /** Independent marks in favour against the rival. */
  marks: number;
  marksNeeded: number;
  /** The lowest probability when one reading is left out, and which. */
  worst?: { p: number; reading: number };
  /** What an error would cost here, where that asks for more than the guide's usual probability. */
  cost?: { taxon: string; label: string; weight: number; reason: string; p: number };
  passes: boolean;
  lacks: ('posterior' | 'marks' | 'survives' | 'cost' | 'diagnostic' | 'key')[];
  /** The verdict in words. */
  text: string;
  /** What *weigh* would say, where the guide follows another school. */
  weighText?: string;
}

/** A standing with what calling needs of it. */
export interface Bench {
  compiled: CompiledGuide;
  full: Standing;
  /** The standing without each weighed reading. */
  without: { p: Float64Array; outside: number }[];
  /** A finished walk through a key. */
  keyed?: Keyed;
}

export interface Question {
  level: Level;
  group: { id: string; label: string };
  forms: number[];
  rival: { id: string; label: string; p: number; side: Side };
  marksNeeded: number;
  /** Facets may rest on one good look; taxa must survive the loss of any reading. */
  mayRestOnOne?: boolean;
}

/** May the group be named? By the guide's school, and by what an error would cost. */
export function verdictOn(bench: Bench, asked: Question): Verdict {
  const { compiled, full, without } = bench;
  const { call } = compiled.guide.settings;
  const p = massOf(full.p, asked.forms);
  const { contributions } = beamBetween(full, { forms: asked.forms }, asked.rival.side);
  const marks = independentMarks(compiled, full, contributions);
  const losses = without.map((left, i) => ({ p: massOf(left.p, asked.forms), reading: full.weighed[i].index }));
  const worst = losses.length ? losses.reduce((a, b) => (b.p < a.p ? b : a)) : undefined;
  const cost = costOf(bench, asked.forms);
  const lacks: Verdict['lacks'] = [];
  if (p < call.posterior) lacks.push('posterior');
  else if (cost) lacks.push('cost');
  if (marks < asked.marksNeeded) lacks.push('marks');
  if (!asked.mayRestOnOne && (worst?.p ?? 0) < call.survives) lacks.push('survives');
  const weighed = {
    level: asked.level,
    group: asked.group.id,
    label: asked.group.label,
    p,
    rival: { group: asked.rival.id, label: asked.rival.label, p: asked.rival.p },
    marks,
    marksNeeded: asked.marksNeeded,
    worst,
    ...(cost ? { cost } : {}),
    passes: lacks.length === 0,
    lacks,
  };
  const text = sayVerdict(compiled, weighed);
  if (call.school === 'weigh' || asked.mayRestOnOne) return { ...weighed, text };
  const mark =
    call.school === 'key' ? keyMark(bench, asked.group.id) : diagnosticMark(compiled, full, asked.forms, contributions);
  const passes = mark.found && !cost;
  return {
    ...weighed,
    passes,
    lacks: passes ? [] : [cost ? 'cost' : call.school],
    text: `${capital(levelName(asked.level))} ${passes ? 'yes' : 'no'}: ${passes ? `${asked.group.label}, ` : ''}${cost ? sayCost(cost) : mark.text}.`,
    weighText: text,
  };
}

/** The *key* school: the group holds what a whole way through a key came to, and the described form fits. */
function keyMark({ compiled, keyed }: Bench, group: string): { found: boolean; text: string } {
  if (!keyed) return { found: false, text: 'needs a whole way through a key' };
  const holds = isUnder(compiled.naming, keyed.taxon, group);
  return { found: keyed.decided && keyed.fits && holds, text: holds ? keyed.text : 'the key comes to another' };
}

/** Independent marks that bring enough for the left side. */
export function independentMarks(compiled: CompiledGuide, full: Standing, contributions: readonly number[]): number {
  const perMark = new Map<string, number>();
  contributions.forEach((bits, i) => {
    const key = independenceKey(compiled.guide, full.weighed[i].reading.character);
    perMark.set(key, (perMark.get(key) ?? 0) + bits);
  });
  return [...perMark.values()].filter((bits) => bits >= compiled.guide.settings.call.inFavour).length;
}

/**
 * Mistakes count by their weight: a name is held back while Σ weight · P of what
 * it would wrongly exclude is more than the guide allows an ordinary name (1 − its posterior).
 */
function costOf({ compiled, full }: Bench, named: readonly number[]): Verdict['cost'] {
  const { guide, forms } = compiled;
  const allowed = 1 - guide.settings.call.posterior;
  const inside = new Set(named);
  const dear = (guide.costs ?? []).flatMap((cost) => {
    const excluded = forms.flatMap((form, f) => (!inside.has(f) && isUnder(guide, form.taxon, cost.taxon) ? [f] : []));
    const p = massOf(full.p, excluded);
    const label = guide.taxa.find(({ id }) => id === cost.taxon)?.name ?? cost.taxon;
    return p * cost.weight > allowed ? [{ taxon: cost.taxon, label, weight: cost.weight, reason: cost.reason, p }] : [];
  });
  return dear.sort((a, b) => b.p * b.weight - a.p * a.weight)[0];
}

/** The forms of a taxon (or all) that carry one of a union's facet sets. */
export const inUnion = (compiled: CompiledGuide, of: readonly Parameters<typeof hasFacets>[1][], form: number): boolean =>
  of.some((facets) => hasFacets(compiled.forms[form], facets));

export const levelName = (level: Level) => (level.kind === 'rank' ? level.rank : level.facet);
export const capital = (text: string) => text[0].toUpperCase() + text.slice(1);

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five'];
const counted = (n: number) => NUMBERS[n] ?? String(n);

const sayCost = ({ label, p, weight, reason }: NonNullable<Verdict['cost']>) =>
  `${label} is still ${inHundred(p)}, and to miss it counts ${weight} times (${reason})`;

function sayVerdict(compiled: CompiledGuide, v: Omit<Verdict, 'text'>): string {
  const { call } = compiled.guide.settings;
  const head = capital(levelName(v.level));
  if (v.passes) {
    const marks = v.marks === 1 ? '1 mark' : `${v.marks} independent marks`;
    const robust = v.worst && v.level.kind === 'rank' ? `; ${inHundred(v.worst.p)} even without its best reading` : '';
    return `${head} yes: ${v.label}, ${inHundred(v.p)}, on ${marks}${robust}.`;
  }
  const needs: string[] = [];
  const more = v.marksNeeded - v.marks;
  if (v.lacks.includes('posterior')) needs.push(`${inHundred(call.posterior)} (now ${inHundred(v.p)} for ${v.label})`);
  if (v.lacks.includes('marks')) needs.push(`${counted(more)} more independent ${more === 1 ? 'mark' : 'marks'}`);
  if (v.lacks.includes('survives') && !v.lacks.includes('posterior') && v.worst) {
    needs.push(
      `support that holds without any one reading (${inHundred(v.worst.p)} at worst, ${inHundred(call.survives)} asked)`,
    );
  }
  if (v.cost && v.lacks.includes('cost')) needs.push(`more certainty than usual: ${sayCost(v.cost)}`);
  return `${head} no: needs ${needs.join(' and ') || 'a first reading'}.`;
}
