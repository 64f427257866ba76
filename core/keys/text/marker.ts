/** The mark a lead begins with, and what follows it on the line. */
export interface Marker {
  indent: number;
  /** Couplet number or letter; absent for a bare contrast such as a dash. */
  number?: string;
  /** It says itself that it is not the first lead of its couplet. */
  contrast: boolean;
  /** Couplet it says it is reached from. */
  back?: string;
  rest: string;
  /** Could it as well be a wrapped line that begins with a number? */
  weak: boolean;
}

const NUMBERED =
  /^(\s*)\(?(\d{1,4})(?:([a-z])(?![\p{L}\d])|('{1,3}|[′″*]{1,2}))?\s*(?:[([]\s*(\d{1,4})\s*[a-z'*]?\s*[)\]])?\s*([.):])?(?:\s*\((\d{1,4})\)(?=\s))?(?:\s*[–—-](?=\s))?(\s+|$)(.*)$/u;
const BARE = /^(\s*)\(?(?:[–—-]|\*{1,2}|'{1,3}|[′″])[.)]?\s+(.*)$/u;
const LETTERED = /^(\s*)([A-Z])(\2{0,3}|'{1,2}|[′*])[.)]\s+(\p{Lu}.*)$/u;

const indentOf = (space: string) => [...space].reduce((sum, c) => sum + (c === '\t' ? 4 : 1), 0);

/** A line's mark, where it has one; `letters` reads "A. / AA." instead of numbers. */
export function markerOf(line: string, letters: boolean): Marker | undefined {
  if (letters) {
    const lettered = LETTERED.exec(line);
    if (lettered) {
      const [, space, number, again, rest] = lettered;
      return { indent: indentOf(space), number, contrast: again.length > 0, rest, weak: false };
    }
  } else {
    const numbered = NUMBERED.exec(line);
    // "5.2 mm", "3 – 5 mm": the middle of a sentence.
    if (numbered && !/^\d/.test(numbered[9])) {
      const [, space, number, letter, prime, before, stop, behind, , rest] = numbered;
      const back = before ?? behind;
      const plain = !letter && !prime && !back && !stop;
      return {
        indent: indentOf(space),
        number,
        contrast: Boolean(prime) || (letter !== undefined && letter !== 'a'),
        ...(back ? { back } : {}),
        rest,
        weak: plain,
      };
    }
  }
  const bare = BARE.exec(line);
  return bare && !/^\d/.test(bare[2]) ? { indent: indentOf(bare[1]), contrast: true, rest: bare[2], weak: false } : undefined;
}
