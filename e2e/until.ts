/** Milliseconds after which what has not come is taken never to come: a machine with much to do takes its time. */
const PATIENCE = 60_000;

/** Looks again and again until there is something; what never comes is an error that says what was looked for. */
export async function until<T>(look: () => Promise<T | undefined | false>): Promise<T> {
  const started = Date.now();
  for (;;) {
    const found = await look();
    if (found) return found;
    if (Date.now() - started > PATIENCE) throw new Error(`This never came to be: ${look.toString()}`);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
