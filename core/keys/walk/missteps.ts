import type { Misstep, TrailStep } from './schema';
import { type Guide, taxonIndex } from '../../guide/working';
import { coupletIndex, endpointId } from '../graph';
import type { Destination, Key, Lead } from '../schema';
import type { EndpointEvidence } from './evidence';
const MOST = 8;

/**
 * For every couplet of the trail, the other leads with the ending that the
 * readings fit best beyond them, most plausible first: by how much better the
 * readings fit there, then by how doubtful the couplet was.
 *
 * @param chances P of each lead, by couplet id.
 */
export function misstepsOf(
  key: Key,
  trail: readonly TrailStep[],
  reached: string | undefined,
  chances: ReadonlyMap<string, readonly number[]>,
  circular: ReadonlySet<Lead>,
  evidence: EndpointEvidence | undefined,
  guide?: Pick<Guide, 'taxa'>,
): Misstep[] {
  if (reached === undefined) return [];
  const here = evidence?.bitsOf(reached);
  const index = coupletIndex(key);
  const endings = bestBeyond(key, chances, circular, evidence, guide);
  const missteps = trail.flatMap((step) => {
    const couplet = index.get(step.couplet)!;
    if (step.lead === undefined) return [];
    return couplet.leads.flatMap((lead, i): Misstep[] => {
      if (lead.id === step.lead || circular.has(lead)) return [];
      const best = endings(lead.to);
      if (!best || best.id === reached) return [];
      const bits = evidence && here !== undefined && best.bits !== undefined ? best.bits - here : 0;
      const p = chances.get(couplet.id)![i];
      const text = `If couplet ${couplet.number} was misread: ${best.name}${sayBits(bits, evidence !== undefined && best.bits !== undefined)}.`;
      return [
        {
          couplet: couplet.id,
          number: couplet.number,
          taken: step.lead!,
          instead: lead.id,
          taxon: best.id,
          name: best.name,
          p,
          bits,
          text,
        },
      ];
    });
  });
  return missteps.sort((a, b) => b.bits - a.bits || b.p - a.p).slice(0, MOST);
}

function sayBits(bits: number, told: boolean): string {
  if (!told) return '';
  if (Math.abs(bits) < 0.05) return ', fits the readings as well';
  return bits > 0
    ? `, fits the readings better by ${bits.toFixed(1)} bits`
    : `, fits the readings worse by ${(-bits).toFixed(1)} bits`;
}

interface Ending {
  id: string;
  name: string;
  bits?: number;
  /** Worth: what the readings say of it, or how probable the way to it is. */
  worth: number;
}

/** The best ending beyond a destination, each couplet looked into once. */
function bestBeyond(
  key: Key,
  chances: ReadonlyMap<string, readonly number[]>,
  circular: ReadonlySet<Lead>,
  evidence: EndpointEvidence | undefined,
  guide?: Pick<Guide, 'taxa'>,
): (to: Destination) => Ending | undefined {
  const index = coupletIndex(key);
  const known = new Map<string, Ending | undefined>();
  const ending = (to: Destination): Ending | undefined => {
    const id = endpointId(to);
    if (id === undefined || to.kind === 'couplet' || to.kind === 'open') return undefined;
    const bits = evidence?.bitsOf(id);
    return {
      id,
      name: to.kind === 'taxon' ? ((guide && taxonIndex(guide).get(id)?.name) ?? to.name) : `key to ${to.title}`,
      ...(bits === undefined ? {} : { bits }),
      worth: bits ?? (evidence ? -1e6 : 0),
    };
  };
  const settle = (id: string) => {
    const couplet = index.get(id)!;
    let best: Ending | undefined;
    couplet.leads.forEach((lead, i) => {
      if (circular.has(lead)) return;
      const own = lead.to.kind === 'couplet' ? known.get(lead.to.couplet) : ending(lead.to);
      const worth = own && own.worth + Math.log2((chances.get(id)?.[i] ?? 1 / couplet.leads.length) + 1e-9);
      if (own && (!best || worth! > best.worth)) best = { ...own, worth: worth! };
    });
    known.set(id, best);
  };
  return (to) => {
    if (to.kind !== 'couplet') return ending(to);
    const stack = [to.couplet];
    const opened = new Set<string>();
    while (stack.length) {
      const top = stack[stack.length - 1];
      if (known.has(top) || !index.has(top)) {
        stack.pop();
        continue;
      }
      if (opened.has(top)) {
        settle(top);
        stack.pop();
        continue;
      }
      opened.add(top);
      for (const lead of index.get(top)!.leads)
        if (lead.to.kind === 'couplet' && !circular.has(lead)) stack.push(lead.to.couplet);
    }
    return known.get(to.couplet);
  };
}
