/** Which places of a text lie within brackets that are closed. */
export function bracketed(text: string): (at: number) => boolean {
  const step = new Int32Array(text.length + 1);
  const open: number[] = [];
  for (let at = 0; at < text.length; at++) {
    if (text[at] === '(') open.push(at);
    const from = text[at] === ')' ? open.pop() : undefined;
    if (from === undefined) continue;
    step[from]++;
    step[at]--;
  }
  for (let at = 1; at < step.length; at++) step[at] += step[at - 1];
  return (at) => step[at] > 0;
}
