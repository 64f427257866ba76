import type { Couplet, Destination, Key, Lead } from './schema';

/** A lead with where it stands. */
export interface PlacedLead {
  couplet: Couplet;
  lead: Lead;
}

const indexes = new WeakMap<readonly Couplet[], Map<string, Couplet>>();

/** Couplets by id; made once for each list of couplets. */
export function coupletIndex(key: Pick<Key, 'couplets'>): Map<string, Couplet> {
  let index = indexes.get(key.couplets);
  if (!index) {
    index = new Map(key.couplets.map((couplet) => [couplet.id, couplet]));
    indexes.set(key.couplets, index);
  }
  return index;
}

/** The couplet a lead goes on to, where it goes on and the couplet exists. */
export const nextOf = (key: Pick<Key, 'couplets'>, lead: Lead): Couplet | undefined =>
  lead.to.kind === 'couplet' ? coupletIndex(key).get(lead.to.couplet) : undefined;

/** Every lead of the key with its couplet, in printed order. */
export const leadsOf = (key: Pick<Key, 'couplets'>): PlacedLead[] =>
  key.couplets.flatMap((couplet) => couplet.leads.map((lead) => ({ couplet, lead })));

/** What an ending is called by: the guide's taxon where it is known, else the name as printed. */
export function endpointId(to: Destination): string | undefined {
  if (to.kind === 'taxon') return to.taxon ?? to.name;
  return to.kind === 'key' ? `→ ${to.title}` : undefined;
}

/** The distinct endings of a key, in printed order. */
export function endpointsOf(key: Pick<Key, 'couplets'>): Extract<Destination, { kind: 'taxon' | 'key' }>[] {
  const seen = new Map<string, Extract<Destination, { kind: 'taxon' | 'key' }>>();
  for (const { lead } of leadsOf(key)) {
    const id = endpointId(lead.to);
    if (id !== undefined && !seen.has(id) && (lead.to.kind === 'taxon' || lead.to.kind === 'key')) seen.set(id, lead.to);
  }
  return [...seen.values()];
}

/** The leads by which each couplet is reached. */
export function leadsInto(key: Pick<Key, 'couplets'>): Map<string, PlacedLead[]> {
  const into = new Map<string, PlacedLead[]>();
  for (const placed of leadsOf(key)) {
    if (placed.lead.to.kind !== 'couplet') continue;
    const known = into.get(placed.lead.to.couplet);
    if (known) known.push(placed);
    else into.set(placed.lead.to.couplet, [placed]);
  }
  return into;
}

/**
 * Couplets in an order in which each stands behind all that lead to it, from
 * `start` on; leads that close a circle are left out and returned.
 */
export function topological(key: Key, start = key.start): Topology {
  const kept = topologies.get(key.couplets) ?? new Map<string, Topology>();
  topologies.set(key.couplets, kept);
  const known = kept.get(start) ?? sortedFrom(key, start);
  kept.set(start, known);
  return known;
}

interface Topology {
  order: readonly Couplet[];
  circular: readonly PlacedLead[];
}

/** A walk asks at every step; the graph is the same until the key is edited. */
const topologies = new WeakMap<readonly Couplet[], Map<string, Topology>>();

function sortedFrom(key: Key, start: string): Topology {
  const index = coupletIndex(key);
  const state = new Map<string, 'open' | 'done'>();
  const order: Couplet[] = [];
  const circular: PlacedLead[] = [];
  const first = index.get(start);
  // A stack of its own: a chain of thousands of couplets must not overflow the call stack.
  const stack: { couplet: Couplet; next: number }[] = first ? [{ couplet: first, next: 0 }] : [];
  if (first) state.set(first.id, 'open');
  while (stack.length) {
    const top = stack[stack.length - 1];
    const lead = top.couplet.leads[top.next++];
    if (!lead) {
      state.set(top.couplet.id, 'done');
      order.push(top.couplet);
      stack.pop();
      continue;
    }
    const to = nextOf(key, lead);
    if (!to) continue;
    const seen = state.get(to.id);
    if (seen === 'open') circular.push({ couplet: top.couplet, lead });
    else if (!seen) {
      state.set(to.id, 'open');
      stack.push({ couplet: to, next: 0 });
    }
  }
  return { order: order.reverse(), circular };
}

/** Longest way from the start to an ending, in couplets. */
export function depthOf(key: Key): number {
  const { order, circular } = topological(key);
  const closed = new Set(circular.map(({ lead }) => lead));
  const depth = new Map<string, number>([[key.start, 1]]);
  let most = order.length ? 1 : 0;
  for (const couplet of order) {
    const own = depth.get(couplet.id) ?? 1;
    most = Math.max(most, own);
    for (const lead of couplet.leads) {
      if (lead.to.kind === 'couplet' && !closed.has(lead)) {
        depth.set(lead.to.couplet, Math.max(depth.get(lead.to.couplet) ?? 0, own + 1));
      }
    }
  }
  return most;
}

/** How many endings lie below each couplet, those reached twice counted twice (at most `1e9`). */
export function endingsBelow(key: Key): ReadonlyMap<string, number> {
  const kept = belows.get(key.couplets) ?? new Map<string, ReadonlyMap<string, number>>();
  belows.set(key.couplets, kept);
  const known = kept.get(key.start) ?? countBelow(key);
  kept.set(key.start, known);
  return known;
}

const belows = new WeakMap<readonly Couplet[], Map<string, ReadonlyMap<string, number>>>();

function countBelow(key: Key): Map<string, number> {
  const { order, circular } = topological(key);
  const closed = new Set(circular.map(({ lead }) => lead));
  const below = new Map<string, number>();
  for (const couplet of order.slice().reverse()) {
    const sum = couplet.leads.reduce(
      (total, lead) => total + (lead.to.kind === 'couplet' ? (closed.has(lead) ? 0 : (below.get(lead.to.couplet) ?? 0)) : 1),
      0,
    );
    below.set(couplet.id, Math.min(1e9, sum));
  }
  return below;
}

/**
 * The couplets that lead from the start to an ending, each with the lead to take:
 * "is it X?" The shortest way where there are several.
 */
export function wayTo(key: Key, endpoint: string): PlacedLead[] {
  const into = leadsInto(key);
  const ends = leadsOf(key).filter(({ lead }) => endpointId(lead.to) === endpoint);
  let frontier = ends.map((placed) => [placed]);
  const seen = new Set<string>();
  while (frontier.length) {
    const arrived = frontier.find((way) => way[0].couplet.id === key.start);
    if (arrived) return arrived;
    frontier = frontier.flatMap((way) => {
      const { id } = way[0].couplet;
      if (seen.has(id)) return [];
      seen.add(id);
      return (into.get(id) ?? []).map((placed) => [placed, ...way]);
    });
  }
  return [];
}
