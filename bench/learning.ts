import { callAll, engineFor } from './accuracy';
import { peers } from './peers';
import { populations, type Specimen } from './populations';

const TAUGHT = 1500;
const CALLED = 10_000;

const percent = (share: number) => `${(100 * share).toFixed(1).padStart(5)} in 100`;

function timed<T>(run: () => T): { value: T; ms: number } {
  const from = performance.now();
  const value = run();
  return { value, ms: performance.now() - from };
}

const shareRight = (called: readonly number[], specimens: readonly Specimen[]) =>
  called.filter((form, i) => form === specimens[i].form).length / specimens.length;

/** Accuracy on populations whose optimum is known, and time to learn, beside general-purpose peers. */
export function reportLearning(print: (line?: string) => void): void {
  print();
  print(
    `Learning from ${TAUGHT} specimens, calling ${CALLED} others. The Bayes rate is that of the true law: none can be better.`,
  );
  for (const population of populations()) {
    const taught = population.draw(TAUGHT, 'taught');
    const others = population.draw(CALLED, 'called');
    const bayes = callAll(others, population.posterior);
    const learned = timed(() => engineFor(population, taught));
    const ours = callAll(others, learned.value);
    print();
    print(`${population.name}`);
    print(`  Bayes rate          ${percent(bayes.accuracy)}   log loss ${bayes.logLoss.toFixed(3)}`);
    print(
      `  Plesion             ${percent(ours.accuracy)}   log loss ${ours.logLoss.toFixed(3)}   ${((100 * ours.accuracy) / bayes.accuracy).toFixed(1)} % of the Bayes rate (aim: within 1 in 100 of it)`,
    );
    print(
      `  said 88 to 92 in 100 of ${ours.ninety.n}, right ${percent(ours.ninety.right / (ours.ninety.n || 1))} (aim: 88 to 92)`,
    );
    for (const peer of peers) {
      const { value: call, ms } = timed(() => peer.teach(population, taught));
      print(
        `  ${peer.name.padEnd(19)} ${percent(shareRight(call(others), others))}   Plesion takes ${(learned.ms / ms).toFixed(1)} × its time to learn, ten-fold cross-validation in it`,
      );
    }
  }
}
