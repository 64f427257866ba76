import {
  type CompiledGuide,
  type FacetName,
  type Facets,
  type PriorPart,
  priorBits,
  type Rank,
  taxonIndex,
} from '../guide/working';
import type { Situation } from '../specimen';
import { beamBetween, type Side } from './beam';
import { type Call, callOf, OUTSIDE } from './call';
import { type Grouping, groupMasses, levelsOf, type Level, ranked } from './levels';
import { type NextLook, nextLooks } from './nextLooks';
import type { Reading } from './reading';
import { fromPrior, leaveOneOut, type Standing } from './standing';
import { independenceKey } from './weights';

/** The whole answer to a set of readings, as plain data. */
export interface Assessment {
  forms: { form: string; taxon: string; facets: Facets; p: number }[];
  taxa: { taxon: string; name: string; rank: Rank; p: number }[];
  facets: { facet: FacetName; values: { value: string; label: string; p: number }[] }[];
  outside: number;
  /** The level the beam stands at: the first rank that cannot be named yet, else the finest that can. */
  level: Level;
  /** The level the next looks would settle: the first that cannot be named yet, facets included. */
  nextLevel: Level;
  /** The two sides of the beam, with what each reading weighs between them. */
  beam: {
    left: BeamSide;
    right: BeamSide;
    start: number;
    sum: number;
    /** Bits at which the left side alone would reach the guide's posterior. */
    enough: number;
  };
  ledger: LedgerEntry[];
  call: Call;
  nextLooks: NextLook[];
  /** Set when the leader at the level in question is such only by map, date or abundance. */
  mapOnly?: { without: string; label: string };
}

export interface BeamSide {
  group: string;
  label: string;
  p: number;
}

export interface LedgerEntry {
  /** Place in the readings given. */
  reading: number;
  character: string;
  /** Bits for the left side of the beam (below 0: for the right); 0 where it is no evidence. */
  bits: number;
  /** Tempering by dependence, 0..1; 0 where it is no evidence. */
  weight: number;
  /** Readings with one key are not independent. */
  group: string;
  /** The left side's probability without this reading. */
  without?: number;
}

const PLACE_AND_TIME: PriorPart[] = ['range', 'date', 'habitat', 'abundance'];

/** Weigh readings and say all that follows: the standing, ledger, beam, call and next looks. */
export function assess(compiled: CompiledGuide, situation: Situation, readings: readonly Reading[], asked?: Level): Assessment {
  const full = fromPrior(compiled, priorBits(compiled, situation), readings);
  const levels = levelsOf(compiled);
  const without = leaveOneOut(compiled, full);
  const call = callOf(compiled, full, without);
  const grouping = beamLevel(levels, call, asked);
  const open = asked ? grouping : (openLevel(levels, call, () => true) ?? grouping);
  const sides = sidesOf(grouping, full);
  const beam = beamBetween(full, sides.left.side, sides.right.side);
  const { posterior } = compiled.guide.settings.call;
  return {
    forms: formList(compiled, full),
    taxa: taxonList(compiled, levels, full),
    facets: facetList(levels, full),
    outside: full.outside,
    level: grouping.level,
    nextLevel: open.level,
    beam: {
      left: sides.left.shown,
      right: sides.right.shown,
      start: beam.start,
      sum: beam.sum,
      enough: Math.log2(posterior / (1 - posterior)),
    },
    ledger: ledgerOf(compiled, full, without, readings, beam.contributions, sides.left.side),
    call,
    nextLooks: nextLooks(compiled, full, open, situation, readings),
    ...mapOnlyOf(compiled, situation, readings, grouping, sides.left.shown),
  };
}

function openLevel(levels: readonly Grouping[], call: Call, wanted: (level: Level) => boolean): Grouping | undefined {
  const open = call.verdicts.find(
    (verdict) => !verdict.passes && wanted(verdict.level) && (atLevel(levels, verdict.level)?.groups.length ?? 0) > 1,
  );
  return open && atLevel(levels, open.level);
}

const atLevel = (levels: readonly Grouping[], level: Level) =>
  levels.find((grouping) => JSON.stringify(grouping.level) === JSON.stringify(level));

const isRank = (level: Level) => level.kind === 'rank';

function beamLevel(levels: readonly Grouping[], call: Call, asked: Level | undefined): Grouping {
  const chosen = (asked && atLevel(levels, asked)) ?? openLevel(levels, call, isRank);
  if (chosen) return chosen;
  const finest = call.verdicts.filter((verdict) => isRank(verdict.level)).at(-1);
  const splitting = levels.find((grouping) => grouping.groups.length > 1) ?? levels[0];
  const named = finest && atLevel(levels, finest.level);
  return named && named.groups.length > 1 ? named : splitting;
}

function sidesOf(grouping: Grouping, full: Standing) {
  const masses = groupMasses(grouping, full.p);
  const sides: { side: Side; shown: BeamSide }[] = ranked(masses)
    .slice(0, 2)
    .map((group) => ({
      side: { forms: Array.from(full.p.keys()).filter((f) => grouping.of[f] === group) },
      shown: { group: grouping.groups[group].id, label: grouping.groups[group].label, p: masses[group] },
    }));
  const outside = { side: OUTSIDE as Side, shown: { group: OUTSIDE, label: 'Not in this guide', p: full.outside } };
  return { left: sides[0], right: sides[1] ?? outside };
}

function formList({ forms }: CompiledGuide, full: Standing): Assessment['forms'] {
  return forms
    .map((form, f) => ({ form: form.id, taxon: form.taxon, facets: form.facets, p: full.p[f] }))
    .sort((a, b) => b.p - a.p);
}

function taxonList({ guide }: CompiledGuide, levels: readonly Grouping[], full: Standing): Assessment['taxa'] {
  const taxa = taxonIndex(guide);
  return levels
    .filter(({ level }) => level.kind === 'rank')
    .flatMap((grouping) => {
      const masses = groupMasses(grouping, full.p);
      return ranked(masses).flatMap((group) => {
        const taxon = taxa.get(grouping.groups[group].id)!;
        const ownRank = grouping.level.kind === 'rank' && taxon.rank === grouping.level.rank;
        return ownRank ? [{ taxon: taxon.id, name: taxon.name, rank: taxon.rank, p: masses[group] }] : [];
      });
    });
}

function facetList(levels: readonly Grouping[], full: Standing): Assessment['facets'] {
  return levels.flatMap((grouping) => {
    if (grouping.level.kind !== 'facet') return [];
    const masses = groupMasses(grouping, full.p);
    const values = ranked(masses).map((group) => ({
      value: grouping.groups[group].id,
      label: grouping.groups[group].label,
      p: masses[group],
    }));
    return [{ facet: grouping.level.facet, values }];
  });
}

function ledgerOf(
  compiled: CompiledGuide,
  full: Standing,
  without: ReturnType<typeof leaveOneOut>,
  readings: readonly Reading[],
  contributions: readonly number[],
  left: Side,
): LedgerEntry[] {
  const massOf = (standing: { p: Float64Array; outside: number }) =>
    left === OUTSIDE ? standing.outside : left.forms.reduce((sum, f) => sum + standing.p[f], 0);
  return readings.map((reading, index) => {
    const at = full.weighed.findIndex((w) => w.index === index);
    const entry = { reading: index, character: reading.character, group: independenceKey(compiled.guide, reading.character) };
    if (at < 0) return { ...entry, bits: 0, weight: 0 };
    return {
      ...entry,
      bits: contributions[at],
      weight: full.weighed[at].weight,
      without: massOf(without[at]),
    };
  });
}

function mapOnlyOf(
  compiled: CompiledGuide,
  situation: Situation,
  readings: readonly Reading[],
  grouping: Grouping,
  leader: BeamSide,
): Pick<Assessment, 'mapOnly'> {
  const blind = priorBits(compiled, { ...situation, switchedOff: [...(situation.switchedOff ?? []), ...PLACE_AND_TIME] });
  const masses = groupMasses(grouping, fromPrior(compiled, blind, readings).p);
  const first = ranked(masses)[0];
  const other = grouping.groups[first];
  const led = grouping.groups.findIndex((group) => group.id === leader.group);
  if (other.id === leader.group || masses[first] - masses[led] < 1e-6) return {};
  return { mapOnly: { without: other.id, label: other.label } };
}
