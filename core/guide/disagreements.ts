import type { CompiledGuide } from './compile';
import { scoresByCharacter } from './compile';
import { resolve, stateIds } from './resolve';
import type { Score } from './schema';
import { formIndexOf, holdsIn, applyScore, sourceOrder, specificity } from './scopes';
import type { Resolved } from './tables';
import { wordsOf } from './words';

/** One cell, or several alike, of which two sources say different things. */
export interface Disagreement {
  character: string;
  /** Indices of the forms it is about. */
  forms: number[];
  /** What each source says, in the order they are asked. */
  said: { source: string; score: Score }[];
  /** ∫ min of the two, 0 apart … 1 alike. */
  overlap: number;
}

/** Two answers that share less than this contradict each other. */
const CONTRADICTS = 0.6;

const known = new WeakMap<CompiledGuide, Disagreement[]>();

/**
 * Where the sources in use contradict each other: cells for which two of them
 * give answers that overlap by less than {@link CONTRADICTS}. Cells that rest on
 * the same two scores are told together.
 */
export function disagreementsOf(compiled: CompiledGuide): Disagreement[] {
  let list = known.get(compiled);
  if (!list) {
    list = findDisagreements(compiled);
    known.set(compiled, list);
  }
  return list;
}

function findDisagreements({ guide, forms, setting, policy }: CompiledGuide): Disagreement[] {
  const order = sourceOrder(guide, policy);
  if (order.length < 2) return [];
  const canvas = formIndexOf(guide, forms);
  const words = wordsOf(guide);
  const scores = scoresByCharacter(guide.scores);
  const numberOf = new Map(guide.scores.map((score, i) => [score, i]));
  return guide.characters.flatMap((character) => {
    const own = (scores.get(character.id) ?? []).filter(
      (score) => score.value.kind !== 'applies' && score.value.kind !== 'comparison' && holdsIn(score, setting),
    );
    if (new Set(own.map(({ source }) => source)).size < 2) return [];
    const states = stateIds(character);
    const ranked = own.sort((a, b) => specificity(a, canvas.depth) - specificity(b, canvas.depth));
    const painted = order.map((source) =>
      applyScore(
        ranked.filter((score) => score.source === source),
        canvas,
      ),
    );
    const cells = new Map<string, Disagreement>();
    forms.forEach((form, f) => {
      if (form.cross) return;
      const said = painted.flatMap((layer) => (layer[f] ? [layer[f]] : []));
      if (said.length < 2) return;
      const [first, ...rest] = said.map((score) => resolve(score.value, character, states, words));
      const overlap = Math.min(...rest.map((other) => overlapOfAnswers(first, other)));
      if (overlap >= CONTRADICTS) return;
      const key = said.map((score) => numberOf.get(score)).join();
      const cell = cells.get(key);
      if (cell) cell.forms.push(f);
      else
        cells.set(key, {
          character: character.id,
          forms: [f],
          said: said.map((score) => ({ source: score.source, score })),
          overlap,
        });
    });
    return [...cells.values()];
  });
}

/** ∫ min(p, q) of two answers of one kind; values are taken as normal. */
function overlapOfAnswers(a: Resolved, b: Resolved): number {
  if (!a || !b) return 1;
  if ('p' in a) return 'p' in b ? Array.from(a.p).reduce((sum, p, s) => sum + Math.min(p, b.p[s]), 0) : 1;
  if ('p' in b) return 1;
  const low = Math.min(a.mean - 5 * a.sd, b.mean - 5 * b.sd);
  const step = (Math.max(a.mean + 5 * a.sd, b.mean + 5 * b.sd) - low) / 200;
  const density = (x: number, { mean, sd }: { mean: number; sd: number }) =>
    Math.exp(-(((x - mean) / sd) ** 2) / 2) / (sd * Math.sqrt(2 * Math.PI));
  let sum = 0;
  for (let k = 0; k < 200; k++) {
    const x = low + (k + 0.5) * step;
    sum += Math.min(density(x, a), density(x, b)) * step;
  }
  return sum;
}
