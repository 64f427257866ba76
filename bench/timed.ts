/** Milliseconds that half, and 99 in 100, were answered within. */
export async function timed(ask: (i: number) => Promise<unknown>, times = 200): Promise<{ p50: number; p99: number }> {
  for (let i = 0; i < Math.min(20, times); i++) await ask(i);
  const took: number[] = [];
  for (let i = 0; i < times; i++) {
    const from = performance.now();
    await ask(i);
    took.push(performance.now() - from);
  }
  took.sort((a, b) => a - b);
  return { p50: took[Math.floor(times / 2)], p99: took[Math.floor(times * 0.99)] };
}
