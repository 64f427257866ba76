import { type Character, type Guide, isUnder } from '../guide/working';
import { coupletIndex, depthOf, endingsBelow, topological } from './graph';
import { taxaMissing } from './names';
import type { KeyProblem, Couplet, Key, Lead, Statement } from './schema';
import type { KeyProblemCode } from './vocabulary';
import { quantitiesIn } from './quantities';
/** A path longer than this many times the balanced one is remarked on. */
const DEEP = 3;
const EPSILON = 1e-9;

/**
 * What is wrong with a key: places it never reaches or leads nowhere, circles,
 * leads without a contrast, leads that speak of a structure the other is silent
 * on, numeric ranges that overlap or leave a gap, couplets that rest on colour
 * alone, and, with a guide, taxa it leaves out.
 */
export function lintKey(key: Key, guide?: Guide): KeyProblem[] {
  const { order, circular } = topological(key);
  const reached = new Set(order.map(({ id }) => id));
  const index = coupletIndex(key);
  const characters = new Map(guide?.characters.map((character) => [character.id, character]));
  const problems: KeyProblem[] = [];
  const report = (
    code: KeyProblemCode,
    message: string,
    couplet?: Couplet,
    lead?: Lead,
    weight: KeyProblem['weight'] = 'fault',
  ) => problems.push({ code, message, weight, ...(couplet ? { couplet: couplet.id } : {}), ...(lead ? { lead: lead.id } : {}) });

  if (!index.has(key.start)) report('no-start', `The key starts at “${key.start}”, which is not one of its couplets.`);
  const numbers = new Map<string, Couplet>();
  for (const couplet of key.couplets) {
    if (numbers.has(couplet.number)) report('number-twice', `Two couplets are numbered ${couplet.number}.`, couplet);
    numbers.set(couplet.number, couplet);
    if (!reached.has(couplet.id)) report('unreachable', `No lead goes to couplet ${couplet.number}.`, couplet);
    lintCouplet(couplet, index, characters, report);
  }
  for (const { couplet, lead } of circular) {
    const to = index.get((lead.to as { couplet: string }).couplet)!;
    const where =
      to.id === couplet.id ? 'goes back to its own couplet' : `goes back to couplet ${to.number}, through which it was reached`;
    report('cyclic', `Lead ${couplet.number}${lead.id} ${where}.`, couplet, lead);
  }
  if (guide) lintTaxa(key, guide, report);
  const endings = endingsBelow(key).get(key.start) ?? 0;
  const depth = depthOf(key);
  const balanced = Math.max(1, Math.ceil(Math.log2(Math.max(2, endings))));
  if (endings > 4 && depth > DEEP * balanced) {
    report(
      'deep',
      `The longest way is ${depth} couplets for ${endings} endings; balanced couplets would ask about ${balanced}.`,
      undefined,
      undefined,
      'caution',
    );
  }
  return problems;
}

type Report = (code: KeyProblemCode, message: string, couplet?: Couplet, lead?: Lead, weight?: KeyProblem['weight']) => void;

function lintCouplet(
  couplet: Couplet,
  index: ReadonlyMap<string, Couplet>,
  characters: ReadonlyMap<string, Character>,
  report: Report,
): void {
  const { leads, number } = couplet;
  if (leads.length < 2) {
    report(
      'one-lead',
      `Couplet ${number} has ${leads.length === 1 ? 'one lead' : 'no lead'}; nothing stands against it.`,
      couplet,
    );
  }
  for (const lead of leads) {
    if (lead.statements.length === 0) report('no-statements', `Lead ${number}${lead.id} says nothing.`, couplet, lead);
    if (lead.to.kind === 'open') report('open-end', `Lead ${number}${lead.id} leads nowhere yet.`, couplet, lead);
    if (lead.to.kind === 'couplet' && !index.has(lead.to.couplet)) {
      report('dangling', `Lead ${number}${lead.id} goes to “${lead.to.couplet}”, which does not exist.`, couplet, lead);
    }
    for (const { link, text } of lead.statements) {
      if (link && characters.size > 0 && !characters.has(link.character)) {
        report('unknown-link', `“${text}” is tied to “${link.character}”, which the guide does not have.`, couplet, lead);
      }
    }
  }
  if (leads.length < 2) return;
  lintContrast(couplet, characters, report);
  lintRanges(couplet, report);
  if (leads.every((lead) => lead.statements.length > 0 && lead.statements.every((s) => isColour(s, characters)))) {
    report('colour-only', `Couplet ${number} rests on colour alone, which fades and shifts.`, couplet, undefined, 'caution');
  }
}

/** Words too common to name a structure. */
const COMMON = new Set(
  (
    'a an the and or of in on at to with without than as from by its it is are not no more less least most about over under only very each all both ' +
    'long longer short shorter wide wider broad broader narrow narrower large larger small smaller high higher low lower deep deeper above below ' +
    'usually often sometimes rarely always never present absent distinct distinctly clearly strongly weakly nearly almost rather one two three four ' +
    'five six seven eight nine ten mm cm twice half third quarter times fig figs same different first second last side sides'
  ).split(' '),
);
/** Words of structure, brought to a common form: plurals lose their s. */
const structures = (text: string): Set<string> =>
  new Set(
    text
      .toLowerCase()
      .split(/[^\p{L}]+/u)
      .filter((word) => word.length > 2 && !COMMON.has(word))
      .map((word) => (word.length > 4 ? word.replace(/(?<!s)s$/, '') : word)),
  );

/** A structure is what a statement is about: the character it is tied to, else its first telling word. */
function subjectOf(statement: Statement): string | undefined {
  return statement.link?.character ?? [...structures(statement.text)][0];
}

function lintContrast(couplet: Couplet, characters: ReadonlyMap<string, Character>, report: Report): void {
  const told = couplet.leads.map((lead) => ({
    lead,
    subjects: lead.statements.map(subjectOf),
    linked: new Set(lead.statements.flatMap(({ link }) => (link ? [link.character] : []))),
    words: new Set(lead.statements.flatMap(({ text }) => [...structures(text)])),
  }));
  const spoken = told.filter(({ lead }) => lead.statements.length > 0);
  if (spoken.length < 2) return;
  for (const { lead, subjects } of spoken) {
    const others = spoken.filter((other) => other.lead !== lead);
    const shared = (subject: string | undefined) =>
      subject === undefined || others.some(({ linked, words }) => linked.has(subject) || words.has(subject));
    const alone = subjects.filter((subject) => !shared(subject));
    if (alone.length === subjects.length && others.every((other) => other.subjects.every((s) => s !== undefined))) {
      report('no-contrast', `Nothing in another lead answers lead ${couplet.number}${lead.id}.`, couplet, lead, 'caution');
      continue;
    }
    for (const subject of new Set(alone)) {
      const name = characters.get(subject!)?.label.toLowerCase() ?? subject;
      report(
        'not-parallel',
        `Lead ${couplet.number}${lead.id} speaks of “${name}”; the other ${couplet.leads.length > 2 ? 'leads are' : 'lead is'} silent on it.`,
        couplet,
        lead,
        'caution',
      );
    }
  }
}

interface Bounds {
  low: number;
  high: number;
  count: boolean;
  unit: string;
  subject: string;
  open: boolean;
}

/** The first bounds a lead sets on one subject, by link or by the number in its words. */
function boundsOf(lead: Lead): Bounds[] {
  return lead.statements.flatMap((statement): Bounds[] => {
    const { link, text } = statement;
    const [quantity] = quantitiesIn(text);
    const subject = subjectOf(statement) ?? '';
    if (link && !('states' in link) && (link.low !== undefined || link.high !== undefined)) {
      const count = quantity?.kind === 'count';
      const open = Boolean(quantity?.lowOpen || quantity?.highOpen) && !count;
      return [{ low: link.low ?? -Infinity, high: link.high ?? Infinity, count, unit: '', subject, open }];
    }
    if (!quantity || (link && 'states' in link)) return [];
    const whole = quantity.kind === 'count' ? 1 : 0;
    return [
      {
        low: quantity.low === undefined ? -Infinity : quantity.low + (quantity.lowOpen ? whole : 0),
        high: quantity.high === undefined ? Infinity : quantity.high - (quantity.highOpen ? whole : 0),
        count: whole === 1,
        unit: `${quantity.unit ?? ''}${quantity.kind}`,
        subject,
        open: Boolean(quantity.lowOpen || quantity.highOpen) && !whole,
      },
    ];
  });
}

function lintRanges(couplet: Couplet, report: Report): void {
  const all = couplet.leads.map((lead) => ({ lead, bounds: boundsOf(lead) }));
  for (let i = 0; i < all.length; i++) {
    for (let j = i + 1; j < all.length; j++) {
      for (const a of all[i].bounds) {
        const b = all[j].bounds.find(({ subject, unit }) => subject === a.subject && unit === a.unit);
        if (b) compareBounds(couplet, all[i].lead, all[j].lead, a, b, all.length === 2, report);
      }
    }
  }
}

function compareBounds(couplet: Couplet, la: Lead, lb: Lead, a: Bounds, b: Bounds, pair: boolean, report: Report): void {
  const [below, above] = a.low <= b.low ? [a, b] : [b, a];
  if (below.low === above.low && below.high === above.high) return;
  const gap = above.low - below.high;
  const names = `${couplet.number}${la.id} and ${couplet.number}${lb.id}`;
  if (gap < -EPSILON || (gap <= EPSILON && below.count)) {
    const [from, to] = [above.low, Math.min(below.high, above.high)];
    report(
      'ranges-overlap',
      `The ranges of ${names} overlap${Number.isFinite(to) ? ` from ${say(from)} to ${say(to)}` : ` from ${say(from)} on`}: a specimen there fits both.`,
      couplet,
      lb,
      'caution',
    );
  } else if (pair && gap > (below.count ? 1 + EPSILON : EPSILON)) {
    const [from, to] = below.count ? [below.high + 1, above.low - 1] : [below.high, above.low];
    report(
      'range-gap',
      `The ranges of ${names} leave a gap from ${say(from)} to ${say(to)}: a specimen there fits neither.`,
      couplet,
      lb,
      'caution',
    );
  }
}

const say = (value: number) => String(Number(value.toPrecision(4)));

const COLOURS =
  /\b(?:colou?red|colou?rs?|black(?:ish)?|white|whitish|red(?:dish)?|brown(?:ish)?|yellow(?:ish)?|green(?:ish)?|blue|bluish|violet|purple|orange|grey|gray|pale|dark|bronze|metallic|golden|coppery|pink|cream|ochre|rust|tan|pitchy)\b/i;

function isColour(statement: Statement, characters: ReadonlyMap<string, Character>): boolean {
  const character = statement.link && characters.get(statement.link.character);
  if (character) return character.group === 'colour';
  const [subject, ...rest] = [...structures(statement.text)];
  // A colour is named and nothing but the part that bears it.
  return COLOURS.test(statement.text) && rest.filter((word) => !COLOURS.test(word)).length <= 1 && subject !== undefined;
}

function lintTaxa(key: Key, guide: Guide, report: Report): void {
  const missing = taxaMissing(key, guide);
  if (missing.length > 0) {
    const named = missing.slice(0, 6).map(({ name }) => name);
    report(
      'taxa-missing',
      `${missing.length} of the guide’s taxa ${missing.length === 1 ? 'is' : 'are'} not in the key: ${named.join(', ')}${missing.length > 6 ? ' …' : '.'}`,
      undefined,
      undefined,
      'caution',
    );
  }
  for (const couplet of key.couplets) {
    for (const lead of couplet.leads) {
      if (lead.to.kind !== 'taxon') continue;
      const { taxon, name } = lead.to;
      const unknown = taxon === undefined || !guide.taxa.some(({ id }) => id === taxon);
      const beyond = !unknown && key.scope?.taxon && !isUnder(guide, taxon, key.scope.taxon);
      if (unknown) report('unknown-taxon', `“${name}” is not a taxon of the guide.`, couplet, lead, 'caution');
      else if (beyond) report('unknown-taxon', `“${name}” lies beyond the group the key is for.`, couplet, lead, 'caution');
    }
  }
}
