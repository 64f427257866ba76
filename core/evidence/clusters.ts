import type { Guide } from '../guide/working';
import type { Evidence } from './model';
import type { Reading } from '../observation';
import { groupOfCharacter, kishTotal, unitOf, temperScratch } from './weights';

/** A reading with what it says of every form, before tempering; of a measured block, its part. */
export interface Said {
  reading: Reading;
  column: Evidence;
  /** The measured block that it is a part of. */
  block?: string;
}

/** Readings that are not independent: looks at one character, characters of one group. Places are those in the list given. */
interface Cluster {
  gamma: number;
  power?: number;
  /** Each character of the group, with its looks; a measured block is one look in several parts. */
  characters: { looks: number[][] }[];
}

/** Sort readings into those that stand alone and those that depend on each other. */
function clustersOf(guide: Guide, said: readonly Said[]): { alone: number[]; clusters: Cluster[] } {
  const clusters = new Map<string, { cluster: Cluster; characters: Map<string, Map<string, number[]>>; size: number }>();
  said.forEach(({ reading, block }, i) => {
    const character = unitOf(guide, reading.character);
    const group = groupOfCharacter(guide, reading.character);
    const key = group ? `group:${group.id}` : character;
    let own = clusters.get(key);
    if (!own) {
      own = { cluster: { gamma: group?.gamma ?? 0, power: group?.power, characters: [] }, characters: new Map(), size: 0 };
      clusters.set(key, own);
    }
    const looks = own.characters.get(character) ?? new Map<string, number[]>();
    own.characters.set(character, looks);
    const look = block === undefined ? `look:${i}` : 'measured';
    const parts = looks.get(look);
    if (parts) parts.push(i);
    else {
      looks.set(look, [i]);
      own.size++;
    }
  });
  const alone: number[] = [];
  const dependent: Cluster[] = [];
  for (const { cluster, characters, size } of clusters.values()) {
    const all = [...characters.values()].map((looks) => ({ looks: [...looks.values()] }));
    if (size === 1 && cluster.power === undefined) alone.push(...all.flatMap(({ looks }) => looks.flat()));
    else dependent.push({ ...cluster, characters: all });
  }
  return { alone, clusters: dependent };
}

/** Readings as they count together: one column each, tempered, that only have to be added. */
export interface Tempered {
  /** What each reading counts for, in the order given. */
  columns: Evidence[];
  /** The form that the tempering was done against: the one that leads. -1 where nothing depends on anything. */
  reference: number;
}

/** Rounds in which the leader is looked for. */
const ROUNDS = 8;

/**
 * Temper readings that depend on each other. Their evidence is tempered for every
 * form against the one that leads (see `temperedWeights`): looks at one character by
 * γ = the guide's `secondLook`, characters of a group by that group's γ. The leader is
 * found by trying: against it, it still leads. Since evidence between two forms is
 * the same whichever is named first, there is at most one such.
 *
 * @param prior log2 prior of every form, and of what is not in the guide.
 */
export function temper(guide: Guide, prior: { forms: Float64Array; outside: number }, said: readonly Said[]): Tempered {
  const { alone, clusters } = clustersOf(guide, said);
  const columns = said.map(({ column }) => column);
  if (clusters.length === 0) return { columns, reference: -1 };
  const rest = prior.forms.slice();
  for (const i of alone) for (let f = 0; f < rest.length; f++) rest[f] += said[i].column.bits[f];
  const { secondLook } = guide.settings;
  const seen = new Set<number>();
  let reference = firstGuess(rest, clusters, said, secondLook);
  for (let round = 0; ; round++) {
    seen.add(reference);
    const total = rest.slice();
    for (const cluster of clusters) {
      for (const [i, column] of against(cluster, said, secondLook, reference)) {
        columns[i] = column;
        for (let f = 0; f < total.length; f++) total[f] += column.bits[f];
      }
    }
    const leader = largest(total);
    if (leader === reference || seen.has(leader) || round === ROUNDS) return { columns, reference };
    reference = leader;
  }
}

/** The leader if every reading counted alike, as Kish has it. */
function firstGuess(rest: Float64Array, clusters: readonly Cluster[], said: readonly Said[], secondLook: number): number {
  const total = rest.slice();
  for (const { characters, gamma, power } of clusters) {
    const each = power ?? kishTotal(characters.length, gamma) / characters.length;
    for (const { looks } of characters) {
      const weight = (each * kishTotal(looks.length, secondLook)) / looks.length;
      for (const i of looks.flat()) for (let f = 0; f < total.length; f++) total[f] += weight * said[i].column.bits[f];
    }
  }
  return largest(total);
}

function largest(values: Float64Array): number {
  let best = 0;
  for (let f = 1; f < values.length; f++) if (values[f] > values[best]) best = f;
  return best;
}

/** A cluster's readings tempered against one form: that form keeps what each says of it, the others what is tempered behind it. */
function against(cluster: Cluster, said: readonly Said[], secondLook: number, reference: number): Map<number, Evidence> {
  const { characters, gamma, power } = cluster;
  const forms = said[0].column.bits.length;
  const out = new Map<number, Evidence>();
  const inner = characters.map(({ looks }) => temperScratch(looks.length, secondLook));
  const outer = temperScratch(characters.length, gamma);
  const parts = characters.flatMap(({ looks }, m) =>
    looks.flatMap((own, k) =>
      own.map((i) => {
        const column = { bits: new Float64Array(forms), outside: 0 };
        out.set(i, column);
        return { m, k, from: said[i].column, to: column, top: said[i].column.bits[reference] };
      }),
    ),
  );
  // The last round, past the forms, is for what is not in the guide.
  for (let f = 0; f <= forms; f++) {
    for (const { bits } of inner) bits.fill(0);
    for (const { m, k, from, top } of parts) inner[m].bits[k] += top - (f < forms ? from.bits[f] : from.outside);
    const lookWeights = inner.map((scratch, m) => {
      const weights = scratch.weigh();
      let sum = 0;
      for (let k = 0; k < weights.length; k++) sum += weights[k] * scratch.bits[k];
      outer.bits[m] = sum;
      return weights;
    });
    const characterWeights = power === undefined ? outer.weigh() : undefined;
    for (const { m, k, from, to, top } of parts) {
      const weight = (characterWeights?.[m] ?? power!) * lookWeights[m][k];
      if (f < forms) to.bits[f] = top - weight * (top - from.bits[f]);
      else to.outside = top - weight * (top - from.outside);
    }
  }
  return out;
}
