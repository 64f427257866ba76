import type { Reading } from '@plesion/core/observation';
import { posteriorOf } from '@plesion/core/evidence';
import { compileGuide } from '@plesion/core/guide';
import { learn } from '@plesion/core/learn';
import { asCsv, type Population, type Specimen } from './populations';

export interface Called {
  accuracy: number;
  logLoss: number;
  /** Of what was called at 88 to 92 in 100: how many, and how many were right. */
  ninety: { n: number; right: number };
}

/** How well posteriors call specimens whose form is known. */
export function callAll(specimens: readonly Specimen[], posterior: (x: readonly number[]) => readonly number[]): Called {
  let right = 0;
  let loss = 0;
  const ninety = { n: 0, right: 0 };
  for (const { form, x } of specimens) {
    const p = posterior(x);
    const called = p.reduce((best, q, f) => (q > p[best] ? f : best), 0);
    if (called === form) right++;
    loss -= Math.log(Math.max(p[form], 1e-12));
    if (p[called] < 0.88 || p[called] > 0.92) continue;
    ninety.n++;
    if (called === form) ninety.right++;
  }
  return { accuracy: right / specimens.length, logLoss: loss / specimens.length, ninety };
}

/** Learns a guide from a table of the population and weighs by it, as the server would. */
export function engineFor(population: Population, specimens: readonly Specimen[]): (x: readonly number[]) => number[] {
  const outcome = learn({ id: 'population', title: 'Population', csv: asCsv(population, specimens), labels: { taxon: 'kind' } });
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  const { guide } = outcome.value;
  const compiled = compileGuide(guide);
  const ids = population.columns.map(({ name }) => guide.characters.find(({ label }) => label === name)!.id);
  const nameOf = new Map(guide.taxa.map(({ id, name }) => [id, name]));
  const places = compiled.forms.map(({ taxon }) => population.forms.indexOf(nameOf.get(taxon)!));
  return (x) => {
    const readings = x.map((value, c): Reading =>
      population.columns[c].told ? { character: ids[c], states: [`state-${value + 1}`] } : { character: ids[c], value },
    );
    const { p } = posteriorOf(compiled, {}, readings);
    const out = new Array<number>(population.forms.length).fill(0);
    p.forEach((q, f) => (out[places[f]] += q));
    return out;
  };
}
