import { coupletIndex, endingsBelow, endpointId, topological } from './graph';
import type { Couplet, Key, Lead } from './schema';

/** A place in the picture of a key: a couplet, an ending, or a way that joins a couplet drawn elsewhere. */
export interface TreeNode {
  id: string;
  kind: 'couplet' | 'taxon' | 'key' | 'joins' | 'more' | 'open';
  label: string;
  couplet?: string;
  taxon?: string;
  /** Steps from the start, and the row among the endings. */
  depth: number;
  row: number;
}

/** A lead in the picture; `taxa` is how many endings lie beyond it. */
export interface TreeBranch {
  from: string;
  to: string;
  couplet: string;
  lead: string;
  taxa: number;
}

export interface KeyTree {
  nodes: TreeNode[];
  branches: TreeBranch[];
  depth: number;
  rows: number;
}

/**
 * The key as a tree: the start on the left, one row an ending, couplets in the
 * middle of what lies beyond them. A couplet that is reached twice is drawn once;
 * the second way to it is drawn as a stub that names it.
 *
 * @param from couplet at the left; @param deepest couplets further on than this are stubs that say how much lies beyond.
 */
export function treeOf(key: Key, from = key.start, deepest = Number.POSITIVE_INFINITY): KeyTree {
  const index = coupletIndex(key);
  const below = endingsBelow(key);
  const closed: ReadonlySet<Lead> = new Set(topological(key).circular.map(({ lead }) => lead));
  const nodes: TreeNode[] = [];
  const branches: TreeBranch[] = [];
  const drawn = new Set<string>();
  let rows = 0;
  const open: { node: TreeNode; couplet: Couplet; next: number; ends: number[] }[] = [];
  const enter = (couplet: Couplet, depth: number) => {
    const node: TreeNode = { id: couplet.id, kind: 'couplet', label: couplet.number, couplet: couplet.id, depth, row: 0 };
    drawn.add(couplet.id);
    nodes.push(node);
    open.push({ node, couplet, next: 0, ends: [] });
    return node;
  };
  const first = index.get(from);
  if (first) enter(first, 0);
  while (open.length) {
    const top = open[open.length - 1];
    const lead = top.couplet.leads[top.next++];
    if (!lead) {
      const [low, high] = [Math.min(...top.ends), Math.max(...top.ends)];
      top.node.row = top.ends.length ? (low + high) / 2 : rows++;
      open.pop();
      open.at(-1)?.ends.push(top.node.row);
      continue;
    }
    const to = lead.to.kind === 'couplet' ? index.get(lead.to.couplet) : undefined;
    const onward = to && !closed.has(lead) && !drawn.has(to.id);
    const goesOn = onward && top.node.depth < deepest;
    const beyond = onward && !goesOn ? (below.get(to.id) ?? 1) : 0;
    const child = goesOn ? enter(to, top.node.depth + 1) : leaf(top.couplet, lead, to, top.node.depth + 1, rows++, beyond);
    if (!goesOn) {
      nodes.push(child);
      top.ends.push(child.row);
    }
    const taxa = to && !closed.has(lead) ? (below.get(to.id) ?? 1) : 1;
    branches.push({ from: top.node.id, to: child.id, couplet: top.couplet.id, lead: lead.id, taxa });
  }
  return { nodes, branches, depth: nodes.reduce((most, { depth }) => Math.max(most, depth), 0), rows };
}

/** The whole tree, or, of a key too large for so many rows, as many levels of it as have room. */
export function treeWithin(key: Key, from: string, most: number): KeyTree {
  const whole = treeOf(key, from);
  if (whole.rows <= most) return whole;
  let shown = treeOf(key, from, 1);
  for (let deepest = 2; deepest <= whole.depth; deepest++) {
    const deeper = treeOf(key, from, deepest);
    if (deeper.rows > most) break;
    shown = deeper;
  }
  return shown;
}

function leaf(couplet: Couplet, lead: Lead, joined: Couplet | undefined, depth: number, row: number, beyond: number): TreeNode {
  const id = `${couplet.id}${lead.id}>`;
  const { to } = lead;
  if (beyond > 0) return { id, kind: 'more', label: `${joined!.number}: ${beyond} more`, couplet: joined!.id, depth, row };
  if (joined) return { id, kind: 'joins', label: `to ${joined.number}`, couplet: joined.id, depth, row };
  if (to.kind === 'taxon') return { id, kind: 'taxon', label: to.name, taxon: endpointId(to), depth, row };
  if (to.kind === 'key') return { id, kind: 'key', label: `key to ${to.title}`, depth, row };
  return { id, kind: 'open', label: '?', depth, row };
}
