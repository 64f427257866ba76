import { tablesGiven } from './block';
import type { Standing, BeamSide, LedgerEntry, Call, Keyed, Level } from './schema';
import { type CompiledGuide, type PriorPart, priorBits, taxonIndex } from '../guide/working';
import type { Situation, Reading } from '../observation';
import { ancestryOf } from './ancestry';
import { type Beam, beamBetween, type Contender } from './beam';
import { callOf, OUTSIDE } from './call';
import { hazardsOf } from './danger';
import { disputesOf } from './disputes';
import { formsIn, type Grouping, groupMasses, leaderIn, levelsOf, ranked } from './levels';
import { nextLooks } from './nextLooks';
import { misreadingsOf } from './oneWrong';
import type { WeightedForms as Weighted } from './overlap';
import { fitOfLeader, robustnessOf } from './robustness';
import { setAsideOf } from './setAside';
import { settlingOf } from './settle';
import { fromPrior, leaveOneOut, onPrior, type WeighedPosterior } from './posterior';
import { trapsBetween } from './traps';
import { independentCharacters } from './verdict';
import { independenceKey } from './weights';

const PLACE_AND_TIME: PriorPart[] = ['range', 'date', 'habitat', 'company', 'abundance'];

/** Weigh readings and say all that follows: the standing, what it rests on, how far it may be named, what to look at next. */
export function standingOf(
  compiled: CompiledGuide,
  situation: Situation,
  readings: readonly Reading[],
  asked?: Level,
  keyed?: Keyed,
): Standing {
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
  const tableOf = tablesGiven(compiled, full.weighed);
  const looks = nextLooks(compiled, full, open, situation, readings, hazards, tableOf);
  const pair = { left: weightedSide(compiled, full, sides.left.side), right: weightedSide(compiled, full, sides.right.side) };
  const characters = independentCharacters(compiled, full, beam.contributions);
  const settling = settlingOf(compiled, looks, readings, pair, { sum: beam.sum, enough }, tableOf);
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
    ...mapOnlyOf(compiled, situation, full, grouping, sides.left.shown),
    robustness: robustnessOf(compiled, full, without, misread, grouping, beam.contributions, characters),
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
function weightedSide({ base }: CompiledGuide, full: WeighedPosterior, side: Contender): Weighted {
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

function sidesOf(grouping: Grouping, full: WeighedPosterior) {
  const masses = groupMasses(grouping, full.p);
  const sides: { side: Contender; shown: BeamSide }[] = ranked(masses)
    .slice(0, 2)
    .map((group) => ({
      side: { forms: formsIn(grouping, group) },
      shown: { group: grouping.groups[group].id, label: grouping.groups[group].label, p: masses[group] },
    }));
  const outside = { side: OUTSIDE as Contender, shown: { group: OUTSIDE, label: 'Not in this guide', p: full.outside } };
  return { left: sides[0], right: sides[1] ?? outside };
}

function formList({ forms }: CompiledGuide, full: WeighedPosterior): Standing['forms'] {
  return forms
    .map((form, f) => ({ form: form.id, taxon: form.taxon, facets: form.facets, p: full.p[f] }))
    .sort((a, b) => b.p - a.p);
}

function taxonList({ naming }: CompiledGuide, levels: readonly Grouping[], full: WeighedPosterior): Standing['taxa'] {
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

function facetList(levels: readonly Grouping[], full: WeighedPosterior): Standing['facets'] {
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
  full: WeighedPosterior,
  without: ReturnType<typeof leaveOneOut>,
  readings: readonly Reading[],
  beam: Beam,
  left: Contender,
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
  full: WeighedPosterior,
  grouping: Grouping,
  leader: BeamSide,
): Pick<Standing, 'mapOnly'> {
  const blind = priorBits(compiled, { ...situation, switchedOff: [...(situation.switchedOff ?? []), ...PLACE_AND_TIME] });
  const other = leaderIn(grouping, onPrior(compiled, full, blind).p);
  const led = grouping.groups.findIndex((group) => group.id === leader.group);
  if (other.id === leader.group || other.p - other.masses[led] < 1e-6) return {};
  return { mapOnly: { without: other.id, label: other.label } };
}
