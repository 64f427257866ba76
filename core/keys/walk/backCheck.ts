import type { BackCheckItem, BackCheck, KeyedSpecimen, Finding, TrailStep } from './schema';
import { normalBelow } from '../../probability';
import { type Reading, valueOf, sayReading, type Situation } from '../../observation';
import { onScale, posteriorOf } from '../../evidence';
import { type CompiledGuide, isStates, type Table, taxonIndex, frequencyAt, likelihoodAt } from '../../guide/working';
import { endpointId } from '../graph';
import type { Destination, Key } from '../schema';
import type { EndpointEvidence } from './evidence';
/** From here on a reading is ordinary, or at least met with, for the form described; what is counted is judged as what is measured. */
const ORDINARY = { states: 0.2, values: 0.1 };
const SELDOM = { states: 0.05, values: 0.02 };

/**
 * Hold every reading, and every statement ticked against the lead that was taken,
 * against the form that the ending is described as. Forms of the ending count by
 * their probability for the specimen in hand.
 */
export function backCheckOf(
  key: Key,
  compiled: CompiledGuide | undefined,
  specimens: readonly KeyedSpecimen[],
  situation: Situation,
  evidence: EndpointEvidence | undefined,
  trail: readonly TrailStep[],
  to: Destination,
): BackCheck | undefined {
  const id = endpointId(to);
  if (id === undefined || to.kind !== 'taxon') return undefined;
  const denied = deniedStatements(key, trail);
  const read = compiled && evidence ? readItems(key, compiled, specimens, situation, evidence.formsOf(id), trail) : [];
  // Without a description, what there is to check by is the key's own words, where they were ticked one by one.
  const ticked = compiled
    ? boundsTicked(key, compiled, evidence?.formsOf(id) ?? [], trail).filter(
        (item) => !read.some(({ character }) => character === item.character),
      )
    : seenStatements(key, trail);
  const items = [
    ...read,
    ...ticked,
    ...denied.filter((item) => !read.some(({ couplet, n }) => couplet === item.couplet && n === item.n)),
  ];
  const agrees = items.filter(({ verdict }) => verdict === 'agrees').length;
  const against = items.filter(({ verdict }) => verdict === 'against').length;
  const name = (compiled && to.taxon && taxonIndex(compiled.guide).get(to.taxon)?.name) || to.name;
  return {
    taxon: id,
    name,
    items,
    agrees,
    against,
    fits: against === 0 && agrees > 0,
    text: sayBackCheck(name, items.length, agrees, against),
  };
}

function readItems(
  key: Key,
  compiled: CompiledGuide,
  specimens: readonly KeyedSpecimen[],
  situation: Situation,
  forms: readonly number[],
  trail: readonly TrailStep[],
): BackCheckItem[] {
  const placeOf = statementPlaces(key, trail);
  return specimens.flatMap(({ id, readings }) => {
    const { p } = posteriorOf(compiled, situation, readings);
    const mass = forms.reduce((sum, f) => sum + p[f], 0);
    const shares = forms.map((f) => (mass > 0 ? p[f] / mass : 1 / forms.length));
    return readings.flatMap((reading): BackCheckItem[] => {
      const character = compiled.guide.characters.find((one) => one.id === reading.character);
      if (!character || (reading.status ?? 'seen') !== 'seen' || reading.comparison) return [];
      const item = {
        character: character.id,
        label: character.label,
        ...placeOf.get(character.id),
        ...(specimens.length > 1 ? { specimen: id } : {}),
        said: sayReading(character, reading),
      };
      const scored = forms.filter((f) => compiled.tables.get(character.id)!.scored[f]);
      if (scored.length === 0) return [{ ...item, verdict: 'not-scored' }];
      const ordinary = forms.reduce((sum, f, i) => sum + shares[i] * ordinariness(compiled, reading, f), 0);
      const kind = isStates(character) ? 'states' : 'values';
      const verdict = ordinary >= ORDINARY[kind] ? 'agrees' : ordinary >= SELDOM[kind] ? 'seldom' : 'against';
      return [{ ...item, verdict, p: Math.min(1, ordinary) }];
    });
  });
}

/**
 * How ordinary a reading is for a form: the share of the form's own that would be
 * read so, or as something at least as rare (for values, at least as far out). The
 * commonest state or count is always ordinary, however many there are.
 */
function ordinariness(compiled: CompiledGuide, reading: Reading, form: number): number {
  const table = compiled.tables.get(reading.character)!;
  if (table.type === 'states') {
    const p = table.states.map((_, s) => likelihoodAt(table, s, form));
    const read = new Set(reading.states ?? [String(reading.value)]);
    const most = table.states.reduce((max, state, s) => (read.has(state) ? Math.max(max, p[s]) : max), 0);
    const whole = table.states.reduce((sum, state, s) => (read.has(state) ? sum + p[s] : sum), 0);
    return Math.max(
      whole,
      p.reduce((sum, own) => (own <= most * (1 + 1e-9) ? sum + own : sum), 0),
    );
  }
  const { value, error } = valueOf(table.character, reading)!;
  const { x, e } = onScale(table, value, error);
  return 2 * normalBelow(-Math.abs(x - table.mean[form]), 0, Math.hypot(table.sd[form], e));
}

/** Bounds that were ticked as fitting without a number being read: how much of the described form lies within them. */
function boundsTicked(key: Key, compiled: CompiledGuide, forms: readonly number[], trail: readonly TrailStep[]): BackCheckItem[] {
  if (forms.length === 0) return [];
  return tickedStatements(key, trail, 'fits', (lead) => `seen to fit, as lead ${lead} says`).flatMap(
    ({ link, item }): BackCheckItem[] => {
      const table = link && !('states' in link) ? compiled.tables.get(link.character) : undefined;
      if (!table || !link || 'states' in link) return [];
      const scored = forms.filter((f) => table.scored[f]);
      const placed = { ...item, character: link.character };
      if (scored.length === 0) return [{ ...placed, verdict: 'not-scored' }];
      const p = Math.max(...scored.map((f) => shareWithin(table, f, link.low, link.high)));
      const verdict = p >= ORDINARY.states ? 'agrees' : p >= SELDOM.states ? 'seldom' : 'against';
      return [{ ...placed, verdict, p }];
    },
  );
}

/** The share of a form's own that lies within bounds. */
function shareWithin(table: Table, form: number, low = Number.NEGATIVE_INFINITY, high = Number.POSITIVE_INFINITY): number {
  if (table.type === 'states') {
    const inside = (state: string) => Number(state) >= low && Number(state) <= high;
    return table.states.reduce((sum, state, s) => (inside(state) ? sum + frequencyAt(table, s, form) : sum), 0);
  }
  const below = (bound: number) => {
    if (bound === Number.POSITIVE_INFINITY) return 1;
    if (bound === Number.NEGATIVE_INFINITY || (table.log && bound <= 0)) return 0;
    return normalBelow(table.log ? Math.log(bound) : bound, table.mean[form], table.sd[form]);
  };
  return Math.max(0, below(high) - below(low));
}

/** Where in the trail each character is asked for. */
function statementPlaces(key: Key, trail: readonly TrailStep[]): Map<string, { couplet: string; n: number }> {
  const places = new Map<string, { couplet: string; n: number }>();
  for (const step of trail) {
    const couplet = key.couplets.find(({ id }) => id === step.couplet);
    const taken = couplet?.leads.find(({ id }) => id === step.lead);
    for (const { link, n } of taken?.statements ?? []) {
      if (link && !places.has(link.character)) places.set(link.character, { couplet: step.couplet, n });
    }
  }
  return places;
}

/** What the person said of the statements of the leads that were taken. */
function tickedStatements(key: Key, trail: readonly TrailStep[], answer: Finding['answer'], say: (lead: string) => string) {
  return trail.flatMap((step) => {
    const couplet = key.couplets.find(({ id }) => id === step.couplet)!;
    const lead = couplet.leads.find(({ id }) => id === step.lead);
    const own = step.leads.find((one) => one.lead === step.lead);
    return (own?.findings ?? [])
      .filter((finding) => finding.answer === answer && finding.from === 'person')
      .map(({ n, specimen }) => {
        const statement = lead!.statements.find((one) => one.n === n);
        const item = {
          label: statement?.text ?? '',
          couplet: couplet.id,
          n,
          ...(specimen ? { specimen } : {}),
          said: say(`${couplet.number}${lead!.id}`),
        };
        return { item, link: statement?.link };
      });
  });
}

const deniedStatements = (key: Key, trail: readonly TrailStep[]): BackCheckItem[] =>
  tickedStatements(key, trail, 'does-not', (lead) => `does not fit, though lead ${lead} was taken`).map(({ item }) => ({
    ...item,
    verdict: 'against',
  }));

const seenStatements = (key: Key, trail: readonly TrailStep[]): BackCheckItem[] =>
  tickedStatements(key, trail, 'fits', (lead) => `seen to fit, as lead ${lead} says`).map(({ item }) => ({
    ...item,
    verdict: 'agrees',
  }));

function sayBackCheck(name: string, all: number, agrees: number, against: number): string {
  if (all === 0) return `Not checked: nothing was read or ticked that ${name} could be checked by.`;
  const rest = all - agrees - against;
  const parts = [`${agrees} of ${all} agree with ${name}`];
  if (against > 0) parts.push(`${against} ${against === 1 ? 'speaks' : 'speak'} against it`);
  if (rest > 0) parts.push(`${rest} ${rest === 1 ? 'is' : 'are'} unusual or not described`);
  return `${parts.join('; ')}.`;
}
