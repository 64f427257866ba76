import { DecisionTreeClassifier } from 'ml-cart';
import { MultinomialNB } from 'ml-naivebayes';
import type { Population, Specimen } from './populations';

/** A general-purpose classifier: taught from specimens, it names the form of others. */
export interface Peer {
  name: string;
  teach: (population: Population, specimens: readonly Specimen[]) => (specimens: readonly Specimen[]) => number[];
}

const CLASSES = 8;

/** A decision tree on the values as they are. */
const tree: Peer = {
  name: 'ml-cart',
  teach(_, specimens) {
    const cart = new DecisionTreeClassifier({ gainFunction: 'gini', maxDepth: 12, minNumSamples: 5 });
    cart.train(
      specimens.map(({ x }) => x.slice()),
      specimens.map(({ form }) => form),
    );
    return (others) => cart.predict(others.map(({ x }) => x.slice()));
  },
};

/**
 * Naive Bayes on one column a state, lengths cut into eight classes of equal
 * number. (The package's Gaussian form looks at the first two columns only.)
 */
const naive: Peer = {
  name: 'ml-naivebayes',
  teach({ columns }, specimens) {
    const edges = columns.map(({ told }, c) => {
      if (told) return undefined;
      const sorted = specimens.map(({ x }) => x[c]).sort((a, b) => a - b);
      return Array.from({ length: CLASSES - 1 }, (_, k) => sorted[Math.floor((sorted.length * (k + 1)) / CLASSES)]);
    });
    const row = ({ x }: Specimen): number[] =>
      columns.flatMap(({ told }, c) => {
        const at = told ? x[c] : edges[c]!.filter((edge) => x[c] > edge).length;
        return Array.from({ length: told ?? CLASSES }, (_, s) => (s === at ? 1 : 0));
      });
    const bayes = new MultinomialNB();
    bayes.train(
      specimens.map(row),
      specimens.map(({ form }) => form),
    );
    return (others) => bayes.predict(others.map(row));
  },
};

export const peers: Peer[] = [tree, naive];
