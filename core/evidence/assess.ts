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
import { ancestryOf, type Ancestry } from './ancestry';
import { type Beam, beamBetween, type Side } from './beam';
import { type Call, callOf, OUTSIDE } from './call';
import { type Danger, hazardsOf } from './danger';
import { type Dispute, disputesOf } from './disputes';
import type { Fit } from './fit';
import type { Keyed } from './keyed';
import { formsIn, type Grouping, groupMasses, leaderIn, levelsOf, type Level, ranked } from './levels';
import { type NextLook, nextLooks } from './nextLooks';
import { misreadingsOf } from './oneWrong';
import type { Side as Weighted } from './overlap';
import type { Reading } from './reading';
import { fitOfLeader, type Robustness, robustnessOf } from './robustness';
import { type SetAside, setAsideOf } from './setAside';
import { type Settling, settlingOf } from './settle';
import { fromPrior, leaveOneOut, type Standing } from './standing';
import { type Trap, trapsBetween } from './traps';
import { independentMarks } from './verdict';
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
  /** How much the leader depends on any one reading. */
  robustness: Robustness;
  /** How ordinary the readings are for the form that leads. */
  fit: Fit & { text: string };
  /** Marks left out for now, and why. */
  setAside: SetAside[];
  /** Dangerous forms still possible, worst first. */
  hazards: Danger[];
  /** Are close marks withheld for their sake, and why or why not? */
  withheld: { close: boolean; reason?: string };
  /** Trusted marks that do not separate the two in front. */
  traps: Trap[];
  /** Where sources contradict each other on what is still possible. */
  disagreements: Dispute[];
  /** Share of ancestry of the crosses that are candidates. */
  crosses: Ancestry[];
  /** The fewest marks that would usually settle the leading pair. */
  settling?: Settling;
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

const PLACE_AND_TIME: PriorPart[] = ['range', 'date', 'habitat', 'company', 'abundance'];

/** Weigh readings and say all that follows: the standing, what it rests on, how far it may be named, what to look at next. */
export function assess(
  compiled: CompiledGuide,
  situation: Situation,
  readings: readonly Reading[],
  asked?: Level,
  keyed?: Keyed,
): Assessment {
  const full = fromPrior(compiled, priorBits(compiled, situation), readings);
  const levels = levelsOf(compiled);
  const without = leaveOneOut(compiled, full);
  const misread = misreadingsOf(compiled, full);
  const call = callOf(compiled, full, { without, misread, keyed });
  const grouping = beamLevel(levels, call, asked);
  const open = asked ? grouping : (openLevel(levels, call, () => true) ?? grouping);
  const sides = sidesOf(grouping, full);
  const beam = beamBetween(full, sides.left.side, sides.right.side);
  const { posterior } = compiled.guide.settings.call;
  const enough = Math.log2(posterior / (1 - posterior));
  const hazards = hazardsOf(compiled, full, situation);
  const looks = nextLooks(compiled, full, open, situation, readings, hazards);
  const pair = { left: weightedSide(compiled, full, sides.left.side), right: weightedSide(compiled, full, sides.right.side) };
  const marks = independentMarks(compiled, full, beam.contributions);
  const settling = settlingOf(compiled, looks, readings, pair, { sum: beam.sum, enough });
  return {
    forms: formList(compiled, full),
    taxa: taxonList(compiled, levels, full),
    facets: facetList(levels, full),
    outside: full.outside,
    level: grouping.level,
    nextLevel: open.level,
    beam: { left: sides.left.shown, right: sides.right.shown, start: beam.start, sum: beam.sum, enough },
    ledger: ledgerOf(compiled, full, without, readings, beam, sides.left.side),
    call,
    nextLooks: looks,
    ...mapOnlyOf(compiled, situation, readings, grouping, sides.left.shown),
    robustness: robustnessOf(compiled, full, without, misread, grouping, beam.contributions, marks),
    fit: fitOfLeader(compiled, full),
    setAside: setAsideOf(compiled, full, situation, hazards),
    hazards: hazards.possible,
    withheld: { close: hazards.withheld, ...(hazards.reason ? { reason: hazards.reason } : {}) },
    traps: trapsBetween(compiled, pair.left, pair.right),
    disagreements: disputesOf(compiled, full, grouping, leaderIn(grouping, full.p).lead),
    crosses: ancestryOf(compiled, full),
    ...(settling ? { settling } : {}),
  };
}

/** Forms that stand for a side; more would not change what is said of it. */
const MOST_FORMS = 48;

/** A side of the beam with its most probable forms; the guide's own base stands for what is not in it. */
function weightedSide({ base }: CompiledGuide, full: Standing, side: Side): Weighted {
  const weightOf = side === OUTSIDE ? base : full.p;
  const forms = (side === OUTSIDE ? Array.from(base.keys()) : side.forms.slice()).sort((a, b) => weightOf[b] - weightOf[a]);
  const kept = forms.slice(0, MOST_FORMS).filter((f) => weightOf[f] > 0);
  return kept.length ? { forms: kept, weights: kept.map((f) => weightOf[f]) } : { forms, weights: forms.map((f) => base[f]) };
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
      side: { forms: formsIn(grouping, group) },
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

function taxonList({ naming }: CompiledGuide, levels: readonly Grouping[], full: Standing): Assessment['taxa'] {
  const taxa = taxonIndex(naming);
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
  beam: Beam,
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
      bits: beam.contributions[at],
      weight: beam.weights[at],
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
  const other = leaderIn(grouping, fromPrior(compiled, blind, readings).p);
  const led = grouping.groups.findIndex((group) => group.id === leader.group);
  if (other.id === leader.group || other.p - other.masses[led] < 1e-6) return {};
  return { mapOnly: { without: other.id, label: other.label } };
}
