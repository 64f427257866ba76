import type { Robustness, Contradiction, Fit } from './schema';
import type { CompiledGuide } from '../guide/working';
import { fitOf } from './fit';
import { formsIn, type Grouping, leaderIn } from './levels';
import { type Misread, worstMisreading } from './oneWrong';
import { inHundred, orMore } from './say';
import type { Posterior, Weighed, WeighedPosterior } from './posterior';

/** Bits from which two readings of opposite sign contradict each other. */
const HARD = 3;
/** Values further apart than this many of their errors are not of one character. */
const APART = 4;

export function robustnessOf(
  compiled: CompiledGuide,
  full: WeighedPosterior,
  without: readonly Posterior[],
  misread: readonly Misread[],
  grouping: Grouping,
  contributions: readonly number[],
  characters: number,
): Robustness {
  const now = leaderIn(grouping, full.p);
  const forms = formsIn(grouping, now.lead);
  const missing = without.map((left, i) => {
    const then = leaderIn(grouping, left.p);
    return { reading: full.weighed[i].index, p: then.masses[now.lead], leader: then.id, label: then.label };
  });
  const wrong = worstMisreading(full, misread, forms);
  const then = wrong && leaderIn(grouping, wrong.standing.p);
  const robustness = {
    group: now.id,
    label: now.label,
    p: now.p,
    independent: characters,
    without: missing,
    ...(wrong && then
      ? {
          oneWrong: {
            reading: wrong.reading,
            instead: wrong.instead,
            plausibility: wrong.plausibility,
            p: wrong.p,
            leader: then.id,
            label: then.label,
          },
        }
      : {}),
    contradictions: contradictionsOf(compiled, full, contributions),
  };
  return { ...robustness, text: sayRobustness(compiled, full, robustness) };
}

/** Is the leader the best of a bad lot? */
export function fitOfLeader(compiled: CompiledGuide, full: WeighedPosterior): Fit & { text: string } {
  const leader = full.p.reduce((best, p, f) => (p > full.p[best] ? f : best), 0);
  const fit = fitOf(compiled, full, leader);
  return { ...fit, text: sayFit(compiled, full, fit) };
}

function contradictionsOf(compiled: CompiledGuide, full: WeighedPosterior, contributions: readonly number[]): Contradiction[] {
  const { weighed } = full;
  return weighed.flatMap((a, i) =>
    weighed.slice(i + 1).flatMap((b, k): Contradiction[] => {
      const readings: [number, number] = [a.index, b.index];
      if (a.reading.character === b.reading.character && unlike(compiled, a, b)) {
        return [{ readings, kind: 'same-mark' }];
      }
      const [x, y] = [contributions[i], contributions[i + 1 + k]];
      return Math.min(Math.abs(x), Math.abs(y)) >= HARD && x * y < 0 ? [{ readings, kind: 'opposed' }] : [];
    }),
  );
}

function unlike(compiled: CompiledGuide, { reading: a, value: x }: Weighed, { reading: b, value: y }: Weighed): boolean {
  if (a.states && b.states) return !a.states.some((state) => b.states!.includes(state));
  if (!x || !y) return false;
  const { character } = compiled.tables.get(a.character)!;
  if (character.kind === 'count') return x.value !== y.value;
  return Math.abs(x.value - y.value) > APART * Math.hypot(x.error, y.error);
}

const labelOf = ({ guide }: CompiledGuide, full: WeighedPosterior, index: number) => {
  const id = full.weighed.find((one) => one.index === index)!.reading.character;
  return guide.characters.find((character) => character.id === id)!.label.toLowerCase();
};

function sayRobustness(compiled: CompiledGuide, full: WeighedPosterior, r: Omit<Robustness, 'text'>): string {
  if (r.without.length === 0) return 'Nothing read yet: only place, date and numbers speak.';
  const fragile = r.without.find((one) => one.leader !== r.group);
  if (fragile)
    return `Rests on one reading: without the ${labelOf(compiled, full, fragile.reading)} it would be ${fragile.label}.`;
  const weakest = r.without.reduce((a, b) => (b.p < a.p ? b : a));
  const stands = `Without any one reading it still leads, ${orMore(weakest.p)}.`;
  if (!r.oneWrong) return stands;
  const { reading, p, leader, label, plausibility } = r.oneWrong;
  const character = labelOf(compiled, full, reading);
  const fear = `The misreading to fear is the ${character} (${inHundred(plausibility)})`;
  if (leader !== r.group) return `${stands} ${fear}: then it would be ${label}.`;
  const then = inHundred(p);
  return then === inHundred(r.p) || then.startsWith('over')
    ? `${stands} No single misreading would change much; the worst is the ${character} (${inHundred(plausibility)}).`
    : `${stands} ${fear}: then it would fall to ${then}.`;
}

function sayFit({ guide }: CompiledGuide, full: WeighedPosterior, fit: Fit): string {
  if (full.weighed.length === 0) return 'Nothing read yet.';
  if (fit.unusual)
    return `Unusual for it: ${inHundred(fit.tail)} of its own kind would look as odd or odder. That alone is no reason to doubt it.`;
  if (!fit.poor) return `The readings suit it: ${inHundred(fit.tail)} of its own kind would look as odd or odder.`;
  const best = full.p.reduce((a, b) => Math.max(a, b), 0) >= guide.settings.call.posterior ? 'Best of a bad lot' : 'A poor fit';
  return `${best}: only ${inHundred(fit.tail)} of its own kind would look so odd. A cross, an aberrant one, or not in this guide.`;
}
