/** Stands for a weigher with a loop that never ends, and with one that does. */
export default function weigh({ hash }: { hash: string }): unknown {
  while (hash === 'forever') continue;
  return { known: true, answer: 'weighed' };
}
