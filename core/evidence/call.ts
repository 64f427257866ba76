import type { Call, Verdict } from './schema';
import { type CompiledGuide, type FacetName, isUnder, taxonIndex } from '../guide/working';
import { formsIn, groupByFacet, type Grouping, groupMasses, levelsOf, massOf, ranked } from './levels';
import { misreadingsOf } from './oneWrong';
import { inHundred } from './say';
import { leaveOneOut, type WeighedPosterior } from './posterior';
import { type CallContext, capital, inUnion, levelName, type Question, verdictOn } from './verdict';

export const OUTSIDE = 'outside';

/** Relatives that a guide does not list cannot be told from its own by a few characters. */
const PROVISO = 'if it is one of this guide’s kinds';

/**
 * Name each level that the guide's school allows, from broad to narrow. Sex,
 * stage and the other facets are named by the same posterior but ask for fewer
 * characters (`facetGroups`), since one good look at the right part settles them;
 * where they cannot be told apart, a union that the guide names may be called.
 */
export function callOf(
  compiled: CompiledGuide,
  full: WeighedPosterior,
  {
    without = leaveOneOut(compiled, full),
    misread = misreadingsOf(compiled, full),
    keyed,
  }: Partial<Omit<CallContext, 'compiled' | 'full'>> = {},
): Call {
  const bench: CallContext = { compiled, full, without, misread, ...(keyed ? { keyed } : {}) };
  const verdicts: Verdict[] = [];
  let called: Verdict | undefined;
  let narrowed: { grouping: Grouping; verdict: Verdict } | undefined;
  const ranks = levelsOf(compiled).filter(({ level }) => level.kind === 'rank');
  const judged = withWhatContains(
    compiled,
    ranks.map((grouping) => rankVerdict(bench, grouping)),
  );
  judged.forEach((verdict, i) => {
    if (verdicts.at(-1)?.group === verdict.group) return;
    verdicts.push(verdict);
    if (verdict.passes) called = verdict;
    else if (ranks[i].groups.length > 1) narrowed ??= { grouping: ranks[i], verdict };
  });
  if (full.outside >= compiled.guide.settings.call.posterior) {
    return {
      kind: 'outside',
      facets: {},
      p: full.outside,
      verdicts,
      text: 'These readings fit nothing in this guide.',
    };
  }
  // Where the leader holds by itself and lacks only characters, a second name beside it would say less, not more.
  const divided = narrowed?.verdict.lacks.some((lack) => lack === 'posterior' || lack === 'cost');
  const either = narrowed && divided ? eitherOf(bench, narrowed.grouping, called) : undefined;
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
  const union = unionOf(bench, called.group, facetVerdicts);
  return {
    kind: 'taxon',
    taxon: called.group,
    facets,
    ...(union ? { union } : {}),
    p: called.p,
    verdicts: all,
    text: sayCall(compiled, called, all, union),
    ...(called.p >= compiled.guide.settings.call.posterior ? { proviso: PROVISO } : {}),
  };
}

/** Whatever passes at a fine level passes above it: a species that may be named names its genus too. */
function withWhatContains({ naming }: CompiledGuide, verdicts: readonly Verdict[]): Verdict[] {
  return verdicts.map((verdict, i) => {
    const within = verdicts.slice(i + 1).find((finer) => finer.passes && isUnder(naming, finer.group, verdict.group));
    if (verdict.passes || !within) return verdict;
    const text = `${capital(levelName(verdict.level))} yes: ${verdict.label}, ${inHundred(verdict.p)}, since ${within.label} is within it.`;
    return { ...verdict, cost: undefined, passes: true, lacks: [], text };
  });
}

function rankVerdict(bench: CallContext, grouping: Grouping): Verdict {
  const masses = groupMasses(grouping, bench.full.p);
  const inOrder = ranked(masses);
  const lead = keyedGroup(bench, grouping) ?? inOrder[0];
  const next = inOrder.find((group) => group !== lead);
  return verdictOn(bench, {
    level: grouping.level,
    group: grouping.groups[lead],
    forms: formsIn(grouping, lead),
    rival: rivalOf(bench, grouping, masses, next),
    charactersNeeded: bench.compiled.guide.settings.call.groups,
  });
}

/** Where the school is the key, what the key came to is asked about, whatever leads. */
function keyedGroup({ compiled, keyed }: CallContext, grouping: Grouping): number | undefined {
  if (!keyed || compiled.guide.settings.call.school !== 'key') return undefined;
  const at = grouping.groups.findIndex(({ id }) => isUnder(compiled.naming, keyed.taxon, id));
  return at < 0 ? undefined : at;
}

/** Characters are counted against the strongest other group; against "outside" only where the guide has no other. */
function rivalOf({ full }: CallContext, grouping: Grouping, masses: Float64Array, group: number | undefined): Question['rival'] {
  return group === undefined
    ? { id: OUTSIDE, label: 'not in this guide', p: full.outside, side: OUTSIDE }
    : { ...grouping.groups[group], p: masses[group], side: { forms: formsIn(grouping, group) } };
}

/** Forms that go under a taxon by the names in force. */
const underTaxon = ({ naming }: CompiledGuide, taxon: string): boolean[] => naming.of.map((own) => isUnder(naming, own, taxon));

function facetsOf(bench: CallContext, taxon: string): Verdict[] {
  const { compiled, full } = bench;
  const inside = underTaxon(compiled, taxon);
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
        charactersNeeded: compiled.guide.settings.call.facetGroups,
        mayRestOnOne: true,
      }),
    ];
  });
}

/** The narrowest union of facets that holds where some facet it spans could not be called. */
function unionOf({ compiled, full }: CallContext, taxon: string, facets: readonly Verdict[]): Call['union'] {
  const open = facets.filter((v) => !v.passes && v.level.kind === 'facet').map((v) => (v.level as { facet: FacetName }).facet);
  const inside = underTaxon(compiled, taxon);
  const total = massOf(
    full.p,
    Array.from(full.p.keys()).filter((f) => inside[f]),
  );
  const candidates = (compiled.guide.unions ?? []).flatMap(({ id, label, of }) => {
    if (!of.some((part) => open.some((facet) => part[facet]))) return [];
    const forms = compiled.forms.flatMap((_, f) => (inside[f] && inUnion(compiled, of, f) ? [f] : []));
    const rest = compiled.forms.some((_, f) => inside[f] && !forms.includes(f));
    return rest ? [{ id, label, p: massOf(full.p, forms) / (total || 1), size: forms.length }] : [];
  });
  const holding = candidates.filter(({ p }) => p >= compiled.guide.settings.call.posterior).sort((a, b) => a.size - b.size)[0];
  return holding && { id: holding.id, label: holding.label, p: holding.p };
}

/** Two groups of the first level that could not be named, when together they can. */
function eitherOf(
  bench: CallContext,
  grouping: Grouping,
  called: Verdict | undefined,
): Omit<Call, 'facets' | 'verdicts'> | undefined {
  const { compiled } = bench;
  const masses = groupMasses(grouping, bench.full.p);
  const [lead, next, third] = ranked(masses);
  if (third === undefined) return undefined;
  if (called && grouping.groups[third] && !isUnder(compiled.naming, grouping.groups[third].id, called.group)) return undefined;
  const verdict = verdictOn(bench, {
    level: grouping.level,
    group: { id: `${grouping.groups[lead].id}+${grouping.groups[next].id}`, label: 'either' },
    forms: [...formsIn(grouping, lead), ...formsIn(grouping, next)],
    rival: rivalOf(bench, grouping, masses, third),
    charactersNeeded: compiled.guide.settings.call.groups,
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

function sayCall({ naming, guide }: CompiledGuide, called: Verdict, all: readonly Verdict[], union: Call['union']): string {
  const rank = taxonIndex(naming).get(called.group)!.rank;
  const blocked = all.find((v) => !v.passes && v.level.kind === 'rank');
  if (!blocked && guide.settings.call.school === 'key') return called.text;
  const named = `${capital(rank)} yes`;
  const facets = all.filter((v) => v.passes && v.level.kind === 'facet').map((v) => v.label);
  const whole = [called.label, ...facets, ...(union ? [union.label] : [])].join(', ');
  return blocked
    ? `${named}; ${blocked.text[0].toLowerCase()}${blocked.text.slice(1)}`
    : `${named}: ${whole}, ${inHundred(called.p)}.`;
}

function sayLacking(verdict: Verdict | undefined): string {
  return verdict ? `Not yet a name. ${verdict.text}` : 'Not yet a name.';
}
