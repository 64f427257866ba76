/** Median milliseconds of a call, after warming up. */
export function medianMs(run: () => unknown, repeats = 101, warmUp = 60): number {
  for (let i = 0; i < warmUp; i++) run();
  const times = Array.from({ length: repeats }, () => {
    const from = performance.now();
    run();
    return performance.now() - from;
  }).sort((a, b) => a - b);
  return times[Math.floor(times.length / 2)];
}
