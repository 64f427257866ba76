import { cholesky } from '../linear';
import type { Problem } from '../problem';
import { formsOf } from './forms';
import { parseRange } from './ranges';
import type { Character, Guide, Score } from './schema';
import { formIndexOf, formsUnder, specificity, subjectOf } from './scopes';

/** Numbers beyond this are no measurement; past it sums would lose their digits. */
export const GREATEST = 1e9;
/** On a log scale, sizes are above 0 by at least this. */
export const LEAST = 1e-9;

type Report = (field: string, code: string, message: string) => void;

const NUMBERED: ReadonlySet<Score['value']['kind']> = new Set(['values', 'range', 'counts']);

/**
 * Numbers that the shape allows and that nothing could be weighed with: values far
 * beyond any measurement, sizes not above 0 where they are compared as logarithms,
 * covariances that are none, counts that end before they begin, kinds of which
 * there are none; and scores of one source that contradict each other.
 */
export function checkNumbers(guide: Guide): Problem[] {
  const problems: Problem[] = [];
  const report: Report = (field, code, message) => problems.push({ code, message, field });
  guide.taxa.forEach((taxon, i) => {
    if (taxon.abundance > GREATEST) {
      report(
        `taxa[${i}].abundance`,
        'too-large',
        `The abundance of “${taxon.name}” is beyond ${GREATEST}; give it relative to the others.`,
      );
    }
    const shares = taxon.forms?.map(({ share, facets }) =>
      Object.values(facets).reduce((product, values) => product * Object.values(values).reduce((sum, p) => sum + p, 0), share),
    );
    if (shares?.length && shares.every((share) => share === 0)) {
      report(`taxa[${i}].forms`, 'no-share', `All forms of “${taxon.name}” have a share of 0, so there are none of them.`);
    }
  });
  guide.characters.forEach((character, i) => checkCharacter(character, `characters[${i}]`, report));
  const characters = new Map(guide.characters.map((character) => [character.id, character]));
  guide.scores.forEach((score, i) => {
    const character = characters.get(score.character);
    if (character && NUMBERED.has(score.value.kind)) checkValue(character, score, `scores[${i}].value`, report);
  });
  guide.blocks?.forEach((block, i) => {
    const order = block.characters.length;
    const covariance = (given: readonly number[] | undefined, field: string, of: string) => {
      if (given && given.length === (order * (order + 1)) / 2 && !isCovariance(given, order)) {
        report(field, 'not-a-covariance', `The covariance of ${of} is not positive definite, so no specimens can have it.`);
      }
    };
    covariance(block.covariance, `blocks[${i}].covariance`, `“${block.label}”`);
    block.forms.forEach((form, k) => {
      covariance(form.covariance, `blocks[${i}].forms[${k}].covariance`, `“${form.taxon}”`);
      if (form.mean.some((x) => Math.abs(x) > GREATEST)) {
        report(
          `blocks[${i}].forms[${k}].mean`,
          'too-large',
          `A mean of “${form.taxon}” is beyond ${GREATEST}; use a larger unit.`,
        );
      }
    });
  });
  return [...problems, ...contradictions(guide)];
}

function isCovariance(lower: readonly number[], order: number): boolean {
  return lower.every((x) => Math.abs(x) <= GREATEST ** 2) && cholesky(lower, order) !== undefined;
}

function checkCharacter(character: Character, field: string, report: Report): void {
  const { counts, label, states } = character;
  if (character.kind === 'count' && counts && counts.to <= counts.from) {
    report(
      `${field}.counts`,
      'counts-backwards',
      `“${label}” is counted from ${counts.from} to ${counts.to}; let the second be larger.`,
    );
  }
  if (character.error !== undefined && character.error > GREATEST) {
    report(`${field}.error`, 'too-large', `The error of “${label}” is beyond ${GREATEST}; use a larger unit.`);
  }
  const twice = states?.find((state, i) => states.findIndex(({ id }) => id === state.id) !== i);
  if (twice) report(`${field}.states`, 'id-twice', `“${label}” has the state “${twice.id}” twice.`);
}

function checkValue(character: Character, { value }: Score, field: string, report: Report): void {
  const name = `“${character.label}”`;
  const logged = character.log && character.kind !== 'count';
  if (value.kind === 'values') {
    if (Math.abs(value.mean) > GREATEST || value.sd > GREATEST) {
      report(field, 'too-large', `${name} is scored with a number beyond ${GREATEST}; use a larger unit.`);
    }
    if (logged && value.mean < LEAST) {
      report(`${field}.mean`, 'mean-not-positive', `${name} is on a log scale; its mean must be above 0, not ${value.mean}.`);
    } else if (logged && value.sd > value.mean * 1000) {
      report(`${field}.sd`, 'sd-too-large', `${name} has a spread of more than a thousand times its mean; check both numbers.`);
    }
  }
  if (value.kind === 'range') {
    const range = parseRange(value.range);
    if (!range.ok) return;
    const { low, high, lowest, highest } = range.value;
    if ((highest ?? high) > GREATEST) {
      report(`${field}.range`, 'too-large', `${name} is scored with a number beyond ${GREATEST}; use a larger unit.`);
    }
    if (value.n === 1) {
      report(
        `${field}.n`,
        'range-of-one',
        `The range of ${name} rests on one specimen; give its value, or leave the number out.`,
      );
    }
    if (logged && (lowest ?? low) > 0 && (lowest ?? low) < LEAST) {
      report(`${field}.range`, 'range-not-positive', `${name} is on a log scale; its range must be above ${LEAST}.`);
    }
  }
  if (value.kind === 'counts') {
    const { from = 0, to = 0 } = character.counts ?? {};
    const beyond = Object.keys(value.counts).find((count) => Number(count) < from || Number(count) > to);
    if (beyond !== undefined) {
      report(`${field}.counts`, 'count-beyond', `${name} is counted from ${from} to ${to}; ${beyond} is not among them.`);
    }
  }
}

/** Two scores of one source, equally specific, that speak of one form and say different things: none of them holds before the other. */
function contradictions(guide: Guide): Problem[] {
  const canvas = formIndexOf(guide, formsOf(guide));
  const problems: Problem[] = [];
  for (const places of saidAlike(guide, canvas)) {
    for (let k = 1; k < places.length; k++) {
      const later = guide.scores[places[k]];
      const earlier = places.slice(0, k).find((i) => clash(guide.scores[i], later, canvas));
      if (earlier === undefined) continue;
      const label = guide.characters.find(({ id }) => id === later.character)?.label ?? later.character;
      problems.push({
        code: 'scored-twice',
        field: `scores[${places[k]}]`,
        message: `“${label}” is scored twice by “${later.source}” for the same forms, in scores[${earlier}] and here, and neither is more specific; keep one, or narrow its scope.`,
      });
    }
  }
  return problems;
}

/** Places of scores of one character by one source that are equally specific, where they are several. */
function saidAlike(guide: Guide, { depth }: ReturnType<typeof formIndexOf>): number[][] {
  const seen = new Map<string, number[]>();
  const add = (score: Score, ...places: number[]) => {
    const { character, source, scope } = score;
    const key = JSON.stringify([character, source, subjectOf(score), specificity(score, depth), scope.taxon]);
    seen.set(key, [...(seen.get(key) ?? []), ...places]);
  };
  // Of whole taxa are nearly all of millions: each is a number of its character, source and taxon.
  const [characters, sources, taxa] = [guide.characters, guide.sources, guide.taxa].map(placesOf);
  const whole = new Map<number, number>();
  const several = new Set<number>();
  guide.scores.forEach((score, i) => {
    const { taxon } = score.scope;
    if (taxon === undefined || subjectOf(score) !== 'value' || specificity(score, depth) % 1000 !== 0) return add(score, i);
    const [c, s, t] = [characters.get(score.character)!, sources.get(score.source)!, taxa.get(taxon)!];
    const cell = (c * sources.size + s) * taxa.size + t;
    const first = whole.get(cell);
    if (first === undefined) whole.set(cell, i);
    else if (several.has(cell)) add(score, i);
    else {
      several.add(cell);
      add(score, first, i);
    }
  });
  return [...seen.values()].filter(({ length }) => length > 1);
}

const placesOf = (list: readonly { id: string }[]): ReadonlyMap<string, number> =>
  new Map(list.map(({ id }, place) => [id, place]));

function clash(a: Score, b: Score, canvas: ReturnType<typeof formIndexOf>): boolean {
  if (JSON.stringify(a.value) === JSON.stringify(b.value)) return false;
  const apart = (x: readonly string[] | undefined, y: readonly string[] | undefined) => x && y && !x.some((id) => y.includes(id));
  if (apart(a.scope.regions, b.scope.regions)) return false;
  // Scores for different dates or circumstances may hold at once, but an author who wrote both meant them to differ.
  if (JSON.stringify([a.scope.dates, a.scope.circumstances]) !== JSON.stringify([b.scope.dates, b.scope.circumstances]))
    return false;
  const facets = Object.keys({ ...a.scope.facets, ...b.scope.facets }) as (keyof NonNullable<Score['scope']['facets']>)[];
  if (facets.some((facet) => apart(a.scope.facets?.[facet], b.scope.facets?.[facet]))) return false;
  const own = new Set(formsUnder(canvas, a.scope));
  return formsUnder(canvas, b.scope).some((f) => own.has(f));
}
