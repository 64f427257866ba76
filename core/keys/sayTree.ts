import type { KeyTree, TreeNode } from './tree';

/** A couplet of a drawn key in words. */
export interface CoupletInWords {
  couplet: string;
  text: string;
}

/**
 * The picture of a key for those who do not see it: where each lead of each couplet
 * goes, and how many endings lie beyond it. In the order of the key.
 *
 * @example sayTree(treeOf(key))[0].text // 'Couplet 1. a: to couplet 2, 7 endings. b: Petralda murica.'
 */
export function sayTree({ nodes, branches }: KeyTree): CoupletInWords[] {
  const place = new Map(nodes.map((node) => [node.id, node]));
  return nodes
    .filter(({ kind }) => kind === 'couplet')
    .map(({ id, label, couplet }) => ({
      couplet: couplet!,
      text: [
        `Couplet ${label}.`,
        ...branches.filter(({ from }) => from === id).map(({ to, lead, taxa }) => `${lead}: ${sayWay(place.get(to)!, taxa)}.`),
      ].join(' '),
    }));
}

function sayWay({ kind, label }: TreeNode, endings: number): string {
  switch (kind) {
    case 'couplet':
      return `to couplet ${label}, ${endings} ${endings === 1 ? 'ending' : 'endings'}`;
    case 'more':
      return `to couplet ${label}`;
    case 'open':
      return 'leads nowhere yet';
    default:
      return label;
  }
}
