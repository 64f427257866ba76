/** Looks again and again until there is something; a test that never sees it runs out of its time. */
export async function until<T>(look: () => Promise<T | undefined | false>): Promise<T> {
  for (;;) {
    const found = await look();
    if (found) return found;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
