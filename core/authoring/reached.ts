import { posteriorOf } from '../evidence';
import { type CompiledGuide, type Form, frequencyAt, stateIds, type Table } from '../guide/working';
import type { Reading } from '../observation';

/** A taxon that does not lead even where all is read just as it is written of one of its forms. */
export interface Unreached {
  taxon: string;
  /** The taxon that leads instead, and its share of 1. */
  leads: string;
  p: number;
}

/** Forms × characters × forms that are gone through at most. */
const MOST_STEPS = 40_000_000;

/** Taxa that are never reached: each of their forms is read just as it is written, and another taxon leads. */
export function unreachedIn(compiled: CompiledGuide): Unreached[] {
  const { forms, tables } = compiled;
  const all = [...tables.values()];
  const most = Math.max(20, Math.floor(MOST_STEPS / (forms.length * Math.max(1, all.length))));
  const found = new Map<string, Unreached>();
  const reached = new Set<string>();
  forms.slice(0, most).forEach((form, f) => {
    if (form.cross) return;
    const readings = all.flatMap((table) => asWritten(table, f));
    if (readings.length === 0) return;
    const { p } = posteriorOf(compiled, {}, readings);
    const [leads, share] = leaderOf(forms, p);
    if (leads === form.taxon) reached.add(leads);
    else if ((found.get(form.taxon)?.p ?? 0) < share) found.set(form.taxon, { taxon: form.taxon, leads, p: share });
  });
  return [...found.values()].filter(({ taxon }) => !reached.has(taxon));
}

function asWritten(table: Table, f: number): Reading[] {
  if (!table.scored[f] || (table.applies && table.applies[f] < 0.5)) return [];
  const { character } = table;
  if (table.type === 'values') {
    if (character.kind === 'ratio' && !(table.mean[f] > 0)) return [];
    return [{ character: character.id, value: table.log ? Math.exp(table.mean[f]) : table.mean[f] }];
  }
  const column = table.states.map((_, s) => frequencyAt(table, s, f));
  const best = table.states[column.indexOf(Math.max(...column))];
  if (character.kind === 'count') return [{ character: character.id, value: Number(best) }];
  return stateIds(character)?.includes(best) ? [{ character: character.id, states: [best] }] : [];
}

function leaderOf(forms: readonly Form[], p: Float64Array): [string, number] {
  const shares = new Map<string, number>();
  forms.forEach(({ taxon }, f) => shares.set(taxon, (shares.get(taxon) ?? 0) + p[f]));
  return [...shares].reduce((top, one) => (one[1] > top[1] ? one : top));
}
