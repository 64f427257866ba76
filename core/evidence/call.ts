import type { CompiledGuide, Facets, FacetName } from '../guide/working';
import { lineage, taxonIndex } from '../guide/working';
import { beamBetween, type Side } from './beam';
import { groupByFacet, type Grouping, groupMasses, type Level, levelsOf, ranked } from './levels';
import { inHundred } from './say';
import { leaveOneOut, type Standing } from './standing';
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
  passes: boolean;
  lacks: ('posterior' | 'marks' | 'survives')[];
  /** The verdict in words. */
  text: string;
}

/** The recommended name: as fine as the evidence allows, no finer. */
export interface Call {
  kind: 'taxon' | 'either' | 'outside' | 'undetermined';
  taxon?: string;
  other?: string;
  facets: Facets;
  p: number;
  verdicts: Verdict[];
  text: string;
}

export const OUTSIDE = 'outside';

interface Bench {
  compiled: CompiledGuide;
  full: Standing;
  /** The standing without each weighed reading. */
  without: { p: Float64Array; outside: number }[];
}

/**
 * The *weigh* school: a level is named when its posterior reaches the guide's
 * mark, enough independent marks speak for it against its strongest rival, and
 * it holds with any one reading left out. Sex, stage and the other facets are
 * named by the same posterior but ask for fewer marks (`facetGroups`), since one
 * good look at the right part settles them.
 */
export function callOf(compiled: CompiledGuide, full: Standing, without: Bench['without'] = leaveOneOut(compiled, full)): Call {
  const bench: Bench = { compiled, full, without };
  const verdicts: Verdict[] = [];
  let called: Verdict | undefined;
  let narrowed: { grouping: Grouping; verdict: Verdict } | undefined;
  for (const grouping of levelsOf(compiled).filter(({ level }) => level.kind === 'rank')) {
    const verdict = rankVerdict(bench, grouping);
    if (verdicts.at(-1)?.group === verdict.group) continue;
    verdicts.push(verdict);
    if (verdict.passes) called = verdict;
    else if (grouping.groups.length > 1) narrowed ??= { grouping, verdict };
  }
  if (full.outside >= compiled.guide.settings.call.posterior) {
    return {
      kind: 'outside',
      facets: {},
      p: full.outside,
      verdicts,
      text: 'These readings fit nothing in this guide.',
    };
  }
  const either = narrowed && eitherOf(bench, narrowed.grouping, called);
  if (either) return { ...either, facets: {}, verdicts };
  const facetVerdicts = called ? facetsOf(bench, called.group) : [];
  const facets = Object.fromEntries(
    facetVerdicts
      .filter((v) => v.passes && v.level.kind === 'facet')
      .map((v) => [(v.level as { facet: FacetName }).facet, v.group]),
  );
  const all = [...verdicts, ...facetVerdicts];
  if (!called) {
    return { kind: 'undetermined', facets: {}, p: 1 - full.outside, verdicts: all, text: sayLacking(narrowed?.verdict) };
  }
  return { kind: 'taxon', taxon: called.group, facets, p: called.p, verdicts: all, text: sayCall(compiled, called, all) };
}

function rankVerdict(bench: Bench, grouping: Grouping): Verdict {
  const masses = groupMasses(grouping, bench.full.p);
  const [lead, next] = ranked(masses);
  return verdictOn(bench, {
    level: grouping.level,
    group: grouping.groups[lead],
    forms: formsIn(grouping, lead),
    rival: rivalOf(bench, grouping, masses, next),
    marksNeeded: bench.compiled.guide.settings.call.groups,
  });
}

/** Marks are counted against the strongest other group; against "outside" only where the guide has no other. */
function rivalOf({ full }: Bench, grouping: Grouping, masses: Float64Array, group: number | undefined): Question['rival'] {
  return group === undefined
    ? { id: OUTSIDE, label: 'not in this guide', p: full.outside, side: OUTSIDE }
    : { ...grouping.groups[group], p: masses[group], side: { forms: formsIn(grouping, group) } };
}

function facetsOf(bench: Bench, taxon: string): Verdict[] {
  const { compiled, full } = bench;
  const inside = compiled.forms.map((form) => lineage(compiled.guide, form.taxon).some((t) => t.id === taxon));
  return levelsOf(compiled).flatMap(({ level }) => {
    if (level.kind !== 'facet') return [];
    const grouping = groupByFacet(compiled, level.facet);
    const none = grouping.groups.length;
    const of = grouping.of.map((group, f) => (inside[f] ? (group < 0 ? none : group) : -1));
    const own: Grouping = { level, of, groups: [...grouping.groups, { id: 'none', label: `no ${level.facet} given` }] };
    const masses = groupMasses(own, full.p);
    const present = ranked(masses).filter((group) => formsIn(own, group).length > 0);
    if (present.length < 2 || present[0] === none) return [];
    const [lead, next] = present;
    return [
      verdictOn(bench, {
        level,
        group: own.groups[lead],
        forms: formsIn(own, lead),
        rival: { ...own.groups[next], p: masses[next], side: { forms: formsIn(own, next) } },
        marksNeeded: compiled.guide.settings.call.facetGroups,
        mayRestOnOne: true,
      }),
    ];
  });
}

interface Question {
  level: Level;
  group: { id: string; label: string };
  forms: number[];
  rival: { id: string; label: string; p: number; side: Side };
  marksNeeded: number;
  /** Facets may rest on one good look; taxa must survive the loss of any reading. */
  mayRestOnOne?: boolean;
}

function verdictOn({ compiled, full, without }: Bench, asked: Question): Verdict {
  const { call } = compiled.guide.settings;
  const p = mass(full.p, asked.forms);
  const { contributions } = beamBetween(full, { forms: asked.forms }, asked.rival.side);
  const perMark = new Map<string, number>();
  contributions.forEach((bits, i) => {
    const key = independenceKey(compiled.guide, full.weighed[i].reading.character);
    perMark.set(key, (perMark.get(key) ?? 0) + bits);
  });
  const marks = [...perMark.values()].filter((bits) => bits >= call.inFavour).length;
  const losses = without.map((left, i) => ({ p: mass(left.p, asked.forms), reading: full.weighed[i].index }));
  const worst = losses.length ? losses.reduce((a, b) => (b.p < a.p ? b : a)) : undefined;
  const lacks: Verdict['lacks'] = [];
  if (p < call.posterior) lacks.push('posterior');
  if (marks < asked.marksNeeded) lacks.push('marks');
  if (!asked.mayRestOnOne && (worst?.p ?? 0) < call.survives) lacks.push('survives');
  const verdict = {
    level: asked.level,
    group: asked.group.id,
    label: asked.group.label,
    p,
    rival: { group: asked.rival.id, label: asked.rival.label, p: asked.rival.p },
    marks,
    marksNeeded: asked.marksNeeded,
    worst,
    passes: lacks.length === 0,
    lacks,
  };
  return { ...verdict, text: sayVerdict(compiled, verdict) };
}

/** Two groups of the first level that could not be named, when together they can. */
function eitherOf(bench: Bench, grouping: Grouping, called: Verdict | undefined): Omit<Call, 'facets' | 'verdicts'> | undefined {
  const { compiled } = bench;
  const masses = groupMasses(grouping, bench.full.p);
  const [lead, next, third] = ranked(masses);
  if (third === undefined) return undefined;
  if (called && grouping.groups[third] && !under(compiled, grouping.groups[third].id, called.group)) return undefined;
  const verdict = verdictOn(bench, {
    level: grouping.level,
    group: { id: `${grouping.groups[lead].id}+${grouping.groups[next].id}`, label: 'either' },
    forms: [...formsIn(grouping, lead), ...formsIn(grouping, next)],
    rival: rivalOf(bench, grouping, masses, third),
    marksNeeded: compiled.guide.settings.call.groups,
  });
  if (!verdict.passes) return undefined;
  const [a, b] = [grouping.groups[lead], grouping.groups[next]];
  return {
    kind: 'either',
    taxon: a.id,
    other: b.id,
    p: verdict.p,
    text: `One of two: ${a.label} or ${b.label}, ${inHundred(verdict.p)} between them.`,
  };
}

const under = (compiled: CompiledGuide, taxon: string, ancestor: string) =>
  lineage(compiled.guide, taxon).some((t) => t.id === ancestor);

const mass = (p: Float64Array, forms: readonly number[]) => forms.reduce((sum, f) => sum + p[f], 0);

function formsIn(grouping: Grouping, group: number): number[] {
  const forms: number[] = [];
  grouping.of.forEach((g, f) => g === group && forms.push(f));
  return forms;
}

const levelName = (level: Level) => (level.kind === 'rank' ? level.rank : level.facet);

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
  return `${head} no: needs ${needs.join(' and ') || 'a first reading'}.`;
}

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five'];
const counted = (n: number) => NUMBERS[n] ?? String(n);
const capital = (text: string) => text[0].toUpperCase() + text.slice(1);

function sayCall(compiled: CompiledGuide, called: Verdict, all: readonly Verdict[]): string {
  const rank = taxonIndex(compiled.guide).get(called.group)!.rank;
  const blocked = all.find((v) => !v.passes && v.level.kind === 'rank');
  const named = `${capital(rank)} yes`;
  const facets = all.filter((v) => v.passes && v.level.kind === 'facet').map((v) => v.label);
  const whole = [called.label, ...facets].join(', ');
  return blocked
    ? `${named}; ${blocked.text[0].toLowerCase()}${blocked.text.slice(1)}`
    : `${named}: ${whole}, ${inHundred(called.p)}.`;
}

function sayLacking(verdict: Verdict | undefined): string {
  return verdict ? `Not yet a name. ${verdict.text}` : 'Not yet a name.';
}
