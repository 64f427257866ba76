import type { Verdict, Level, Keyed } from './schema';
import { type CompiledGuide, hasFacets, isUnder } from '../guide/working';
import { beamBetween, type Contender } from './beam';
import { diagnosticCharacter } from './diagnostic';
import { massOf } from './levels';
import { type Misread, worstMisreading } from './oneWrong';
import { counted, inHundred, shortOf } from './say';
import type { Posterior, WeighedPosterior } from './posterior';
import { independenceKey } from './weights';

/** A standing with what calling needs of it. */
export interface CallContext {
  compiled: CompiledGuide;
  full: WeighedPosterior;
  /** The standing without each weighed reading. */
  without: Posterior[];
  /** The standings if single readings were misread. */
  misread: readonly Misread[];
  /** A finished walk through a key. */
  keyed?: Keyed;
}

export interface Question {
  level: Level;
  group: { id: string; label: string };
  forms: number[];
  rival: { id: string; label: string; p: number; side: Contender };
  charactersNeeded: number;
  /** Facets may rest on one good look; taxa must survive the loss of any reading. */
  mayRestOnOne?: boolean;
}

/** May the group be named? By the guide's school, and by what an error would cost. */
export function verdictOn(bench: CallContext, asked: Question): Verdict {
  const { compiled, full, without } = bench;
  const { call } = compiled.guide.settings;
  const p = massOf(full.p, asked.forms);
  const { contributions } = beamBetween(full, { forms: asked.forms }, asked.rival.side);
  const characters = independentCharacters(compiled, full, contributions);
  const losses = without.map((left, i) => ({ p: massOf(left.p, asked.forms), reading: full.weighed[i].index }));
  const worst = losses.length ? losses.reduce((a, b) => (b.p < a.p ? b : a)) : undefined;
  const cost = costOf(bench, asked.forms);
  const lacks: Verdict['lacks'] = [];
  if (!(p >= call.posterior)) lacks.push('posterior');
  else if (cost) lacks.push('cost');
  if (!(characters >= asked.charactersNeeded)) lacks.push('characters');
  if (!asked.mayRestOnOne && !((worst?.p ?? 0) >= call.survives)) lacks.push('survives');
  const weighed = {
    level: asked.level,
    group: asked.group.id,
    label: asked.group.label,
    p,
    rival: { group: asked.rival.id, label: asked.rival.label, p: asked.rival.p },
    characters,
    charactersNeeded: asked.charactersNeeded,
    worst,
    ...misreadingOf(bench, asked.forms),
    ...(cost ? { cost } : {}),
    passes: lacks.length === 0,
    lacks,
  };
  const text = sayVerdict(compiled, weighed);
  if (call.school === 'weigh' || asked.mayRestOnOne) return { ...weighed, text };
  const character =
    call.school === 'key' ? keyVerdict(bench, asked.group.id) : diagnosticCharacter(compiled, full, asked.forms, contributions);
  const passes = character.found && !cost;
  return {
    ...weighed,
    passes,
    lacks: passes ? [] : [cost ? 'cost' : call.school],
    text: `${capital(levelName(asked.level))} ${passes ? 'yes' : 'no'}: ${passes ? `${asked.group.label}, ` : ''}${cost ? sayCost(cost) : character.text}.`,
    weighText: text,
  };
}

function misreadingOf({ full, misread }: CallContext, forms: readonly number[]): Pick<Verdict, 'oneWrong'> {
  const worst = worstMisreading(full, misread, forms);
  if (!worst) return {};
  const { reading, instead, plausibility, p } = worst;
  return { oneWrong: { reading, instead, plausibility, p } };
}

/** The *key* school: the group holds what a whole way through a key came to, and the described form fits. */
function keyVerdict({ compiled, keyed }: CallContext, group: string): { found: boolean; text: string } {
  if (!keyed) return { found: false, text: 'needs a whole way through a key' };
  const holds = isUnder(compiled.naming, keyed.taxon, group);
  return { found: keyed.decided && keyed.fits && holds, text: holds ? keyed.text : 'the key comes to another' };
}

/** Independent characters that bring enough for the left side. */
export function independentCharacters(compiled: CompiledGuide, full: WeighedPosterior, contributions: readonly number[]): number {
  const perUnit = new Map<string, number>();
  contributions.forEach((bits, i) => {
    const key = independenceKey(compiled.guide, full.weighed[i].reading.character);
    perUnit.set(key, (perUnit.get(key) ?? 0) + bits);
  });
  return [...perUnit.values()].filter((bits) => bits >= compiled.guide.settings.call.inFavour).length;
}

/**
 * Mistakes count by their weight: a name is held back while Σ weight · P of what
 * it would wrongly exclude is more than the guide allows an ordinary name (1 − its
 * posterior). A form under several costs counts at the dearest.
 */
function costOf({ compiled, full }: CallContext, named: readonly number[]): Verdict['cost'] {
  const { guide, forms } = compiled;
  const costs = [...(guide.costs ?? [])].sort((a, b) => b.weight - a.weight);
  if (costs.length === 0) return undefined;
  const inside = new Set(named);
  const missed = new Map<(typeof costs)[number], number>();
  forms.forEach(({ taxon }, f) => {
    const cost = inside.has(f) ? undefined : costs.find((one) => isUnder(guide, taxon, one.taxon));
    if (cost) missed.set(cost, (missed.get(cost) ?? 0) + full.p[f]);
  });
  const dear = [...missed].sort(([a, p], [b, q]) => b.weight * q - a.weight * p);
  const sum = dear.reduce((total, [{ weight }, p]) => total + weight * p, 0);
  if (sum <= 1 - guide.settings.call.posterior) return undefined;
  const [{ taxon, weight, reason }, p] = dear[0];
  const others = dear.slice(1).filter(([one, q]) => one.weight * q >= (weight * p) / 10).length;
  return { taxon, label: guide.taxa.find(({ id }) => id === taxon)?.name ?? taxon, weight, reason, p, others, sum };
}

/** The forms of a taxon (or all) that carry one of a union's facet sets. */
export const inUnion = (compiled: CompiledGuide, of: readonly Parameters<typeof hasFacets>[1][], form: number): boolean =>
  of.some((facets) => hasFacets(compiled.forms[form], facets));

export const levelName = (level: Level) => (level.kind === 'rank' ? level.rank : level.facet);
export const capital = (text: string) => text[0].toUpperCase() + text.slice(1);

function sayCost({ label, p, weight, reason, others }: NonNullable<Verdict['cost']>): string {
  const more =
    others === 0 ? '' : `; so ${others === 1 ? 'is one other' : `are ${counted(others)} others`} that must not be missed`;
  return `${label} is still possible (${inHundred(p)}), and to miss it counts ${weight} times (${reason})${more}`;
}

function sayVerdict(compiled: CompiledGuide, v: Omit<Verdict, 'text'>): string {
  const { call } = compiled.guide.settings;
  const head = capital(levelName(v.level));
  if (v.passes) {
    const characters =
      v.characters === 0 ? '' : v.characters === 1 ? ', on 1 character' : `, on ${v.characters} independent characters`;
    const robust = v.worst && v.level.kind === 'rank' ? `; ${inHundred(v.worst.p)} even without its best reading` : '';
    return `${head} yes: ${v.label}, ${inHundred(v.p)}${characters}${robust}.`;
  }
  const needs: string[] = [];
  const more = v.charactersNeeded - v.characters;
  if (v.lacks.includes('posterior'))
    needs.push(`${inHundred(call.posterior)} (now ${shortOf(v.p, call.posterior)} for ${v.label})`);
  if (v.lacks.includes('characters')) needs.push(`${counted(more)} more independent ${more === 1 ? 'character' : 'characters'}`);
  if (v.lacks.includes('survives') && !v.lacks.includes('posterior') && v.worst) {
    needs.push(
      `support that holds without any one reading (${shortOf(v.worst.p, call.survives)} at worst, ${inHundred(call.survives)} asked)`,
    );
  }
  if (v.cost && v.lacks.includes('cost')) needs.push(`more certainty than usual: ${sayCost(v.cost)}`);
  return `${head} no: needs ${needs.join(' and ') || 'a first reading'}.`;
}
