/** Runs work one after the other, in the order it was asked for; one that fails does not hold up the next. */
export function createTurns() {
  let last: Promise<unknown> = Promise.resolve();
  return function inTurn<T>(work: () => Promise<T>): Promise<T> {
    const mine = last.then(work, work);
    last = mine.catch(() => undefined);
    return mine;
  };
}
