import { coupletIndex, leadsInto, topological } from './graph';
import { tidy } from './json';
import type { Couplet, Destination, Key, Lead, Statement } from './schema';
import { splitStatements } from './statements';

/** Changes to a key, each giving a new key with leads and statements in printed order; nothing else is touched. */

const EMPTY: Destination = { kind: 'open' };

const withCouplets = (key: Key, couplets: Couplet[]): Key => tidy({ ...key, couplets });
const changed = (key: Key, id: string, change: (couplet: Couplet) => Couplet): Key =>
  withCouplets(
    key,
    key.couplets.map((couplet) => (couplet.id === id ? change(couplet) : couplet)),
  );
const changedLead = (key: Key, id: string, lead: string, change: (lead: Lead) => Lead): Key =>
  changed(key, id, (couplet) => ({ ...couplet, leads: couplet.leads.map((own) => (own.id === lead ? change(own) : own)) }));

/** A number and an id that are free. */
function freeCouplet(key: Key): Pick<Couplet, 'id' | 'number'> {
  const number = String(Math.max(0, ...key.couplets.map((couplet) => Number(couplet.number))) + 1);
  const index = coupletIndex(key);
  let id = `c${number}`;
  while (index.has(id)) id = `${id}x`;
  return { id, number };
}

const blank = (to: Destination = EMPTY): Lead => ({ id: 'a', statements: [], to });

/** A new couplet behind a lead that led nowhere or to an ending; the ending becomes its first lead's. */
export function addCouplet(key: Key, after: string, lead: string): { key: Key; couplet: string } {
  const made = freeCouplet(key);
  const at = key.couplets.findIndex(({ id }) => id === after);
  const before = key.couplets[at]?.leads.find(({ id }) => id === lead)?.to ?? EMPTY;
  const couplet: Couplet = { ...made, leads: [blank(before), blank()] };
  const couplets = [...key.couplets.slice(0, at + 1), couplet, ...key.couplets.slice(at + 1)];
  const linked = changedLead({ ...key, couplets }, after, lead, (own) => ({ ...own, to: { kind: 'couplet', couplet: made.id } }));
  return { key: linked, couplet: made.id };
}

/** A new couplet in front of one: what led to it leads to the new one, whose first lead goes on to it. */
export function insertBefore(key: Key, id: string): { key: Key; couplet: string } {
  const made = freeCouplet(key);
  const at = key.couplets.findIndex((couplet) => couplet.id === id);
  const redirected = redirect(key.couplets, id, { kind: 'couplet', couplet: made.id });
  const couplet: Couplet = { ...made, leads: [blank({ kind: 'couplet', couplet: id }), blank()] };
  const couplets = [...redirected.slice(0, at), couplet, ...redirected.slice(at)];
  return { key: withCouplets({ ...key, start: key.start === id ? made.id : key.start }, couplets), couplet: made.id };
}

const redirect = (couplets: readonly Couplet[], id: string, to: Destination): Couplet[] =>
  couplets.map((couplet) => ({
    ...couplet,
    leads: couplet.leads.map((lead) => (lead.to.kind === 'couplet' && lead.to.couplet === id ? { ...lead, to } : lead)),
  }));

/** Take a couplet out; what led to it leads nowhere. The last one stays. */
export function removeCouplet(key: Key, id: string): Key {
  if (key.couplets.length === 1) return key;
  const couplets = redirect(key.couplets, id, EMPTY).filter((couplet) => couplet.id !== id);
  return withCouplets({ ...key, start: key.start === id ? couplets[0].id : key.start }, couplets);
}

/** Part a couplet of three or more leads: those from `lead` on go into a couplet of their own. */
export function splitCouplet(key: Key, id: string, lead: string): Key {
  const couplet = coupletIndex(key).get(id);
  const at = couplet?.leads.findIndex((own) => own.id === lead) ?? -1;
  if (!couplet || at < 1 || couplet.leads.length - at < 2) return key;
  const made = freeCouplet(key);
  const onward: Lead = { ...blank({ kind: 'couplet', couplet: made.id }), statements: [{ n: 1, text: 'not so' }] };
  const couplets = key.couplets.flatMap((own) =>
    own.id === id
      ? [
          { ...own, leads: [...own.leads.slice(0, at), onward] },
          { ...made, leads: own.leads.slice(at) },
        ]
      : [own],
  );
  return withCouplets(key, couplets);
}

/** Take the couplet that a lead goes on to into this one: its leads stand here, each with what the lead said before it. */
export function mergeCouplet(key: Key, id: string, lead: string): Key {
  const own = coupletIndex(key)
    .get(id)
    ?.leads.find((one) => one.id === lead);
  const next = own?.to.kind === 'couplet' ? coupletIndex(key).get(own.to.couplet) : undefined;
  if (!own || !next || next.id === id || (leadsInto(key).get(next.id)?.length ?? 0) > 1) return key;
  const taken = next.leads.map((one) => ({ ...one, statements: [...own.statements, ...one.statements] }));
  const couplets = key.couplets.flatMap((couplet) => {
    if (couplet.id === next.id) return [];
    return couplet.id === id
      ? [{ ...couplet, leads: couplet.leads.flatMap((one) => (one.id === lead ? taken : [one])) }]
      : [couplet];
  });
  return withCouplets(key, couplets);
}

/** Move a couplet in print; ways stay as they are. */
export function moveCouplet(key: Key, id: string, by: -1 | 1): Key {
  return withCouplets(
    key,
    moved(
      key.couplets,
      key.couplets.findIndex((couplet) => couplet.id === id),
      by,
    ),
  );
}

function moved<T>(list: readonly T[], at: number, by: -1 | 1): T[] {
  const to = at + by;
  if (at < 0 || to < 0 || to >= list.length) return [...list];
  const out = [...list];
  [out[at], out[to]] = [out[to], out[at]];
  return out;
}

/** Number couplets from 1 in the order a walk meets them, and print them so; what nothing leads to comes last. */
export function renumber(key: Key): Key {
  const { order } = topological(key);
  const reached = new Set(order.map(({ id }) => id));
  const couplets = [...order, ...key.couplets.filter(({ id }) => !reached.has(id))];
  return withCouplets(
    key,
    couplets.map((couplet, i) => ({ ...couplet, number: String(i + 1) })),
  );
}

export const addLead = (key: Key, id: string): Key =>
  changed(key, id, (couplet) => ({ ...couplet, leads: [...couplet.leads, blank()] }));
export const removeLead = (key: Key, id: string, lead: string): Key =>
  changed(key, id, (couplet) => ({ ...couplet, leads: couplet.leads.filter((own) => own.id !== lead) }));
export const moveLead = (key: Key, id: string, lead: string, by: -1 | 1): Key =>
  changed(key, id, (couplet) => ({
    ...couplet,
    leads: moved(
      couplet.leads,
      couplet.leads.findIndex((own) => own.id === lead),
      by,
    ),
  }));
export const setDestination = (key: Key, id: string, lead: string, to: Destination): Key =>
  changedLead(key, id, lead, (own) => ({ ...own, to }));

/** The words of a lead written anew; statements whose words stay keep their ties. */
export function setWords(key: Key, id: string, lead: string, words: string): Key {
  return changedLead(key, id, lead, (own) => {
    const before = new Map(own.statements.map((statement) => [statement.text, statement.link]));
    const statements = splitStatements(words).map((part, i): Statement => {
      // A statement that was only reworded stays tied too, if their number is as before.
      const link = before.get(part.text) ?? own.statements[i]?.link;
      return { n: i + 1, ...part, ...(link ? { link } : {}) };
    });
    return { ...own, statements };
  });
}

/** Tie a statement to a character, or untie it. */
export const setLink = (key: Key, id: string, n: number, link: Statement['link']): Key =>
  changed(key, id, (couplet) => ({
    ...couplet,
    leads: couplet.leads.map((lead) => ({
      ...lead,
      statements: lead.statements.map(({ link: before, ...statement }) =>
        statement.n === n ? { ...statement, ...(link ? { link } : {}) } : { ...statement, ...(before ? { link: before } : {}) },
      ),
    })),
  }));

/** Note or preparation of a couplet; an empty text takes it away. */
export const setRemark = (key: Key, id: string, field: 'note' | 'prepare', text: string): Key =>
  changed(key, id, (couplet) => ({ ...couplet, [field]: text.trim() ? text : undefined }));
