/**
 * A text may hold anything, and expressions that search are tried at every place of
 * what they are given. So they are given no more than a stretch of bounded length:
 * reading takes time in proportion to the text, whatever stands in it.
 */

/** How far into a line its mark, or the head of a page, is looked for. */
export const MARK_REACH = 240;

/** How far back from the end of a lead it is looked where the lead goes. */
export const DESTINATION_REACH = 640;

/** A gap is a leader, however wide it is: no wider than this is kept, and a line is set in no further. */
const WIDEST_GAP = 8;
const WIDEST_INDENT = 120;
const WIDE_GAPS = /[^\S\n]{9,}/g;

/** A line with its wide gaps made narrower. */
export const withoutWideGaps = (line: string): string =>
  line.replace(WIDE_GAPS, (gap: string, at: number) => gap.slice(0, at === 0 ? WIDEST_INDENT : WIDEST_GAP));

/** The text without what stands at its end and is one of these. */
export function trimmedEnd(text: string, isOne: (character: string) => boolean): string {
  let end = text.length;
  while (end > 0 && isOne(text[end - 1])) end--;
  return text.slice(0, end);
}

/** The text without what stands at its beginning and is one of these. */
export function trimmedStart(text: string, isOne: (character: string) => boolean): string {
  let from = 0;
  while (from < text.length && isOne(text[from])) from++;
  return text.slice(from);
}

/** Is the character white space, or one of these signs? */
export const spaceOr =
  (signs: string) =>
  (character: string): boolean =>
    signs.includes(character) || /\s/.test(character);

/** A text parted before its last stretch of that length, at a space where there is one. */
export function lastStretch(text: string, length: number): [before: string, stretch: string] {
  if (text.length <= length) return ['', text];
  const from = text.length - length;
  const space = text.indexOf(' ', from);
  const at = space === -1 ? from : space;
  return [text.slice(0, at), text.slice(at)];
}

/** The end of lines that belong together, joined, as long as is needed. */
export function endOf(lines: readonly string[], length: number): string {
  let end = '';
  for (let i = lines.length - 1; i >= 0 && end.length < length; i--) end = end ? `${lines[i]}\n${end}` : lines[i];
  return end.slice(-length);
}
