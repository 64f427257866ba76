/** Marks that follow the highest number of those there are, written like it: after “Moth 84” comes “Moth 85”. */
export function nextMarks(labels: readonly string[], n: number): string[] {
  const numbered = labels.flatMap((label) => {
    const found = /^(.*?)(\d+)$/.exec(label);
    return found ? [{ before: found[1], digits: found[2], value: Number(found[2]) }] : [];
  });
  const last = numbered.reduce<(typeof numbered)[number] | undefined>(
    (top, one) => (!top || one.value > top.value ? one : top),
    undefined,
  );
  const { before, digits, value } = last ?? { before: '', digits: '', value: 0 };
  return Array.from({ length: n }, (_, i) => `${before}${String(value + 1 + i).padStart(digits.length, '0')}`);
}
