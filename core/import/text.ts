/** Names that a file may give its own encoding by, as those that write tables spell them. */
const byName = (label: string): string => (/latin-?1|8859-1\b|ansi/i.test(label) ? 'windows-1252' : label);

/**
 * Text of a file: by its byte-order mark, else by the encoding it names, else UTF-8, and Latin-1 where it
 * is no UTF-8 (WHATWG Encoding Standard: `latin1` is read as windows-1252).
 */
export function textOf(bytes: Uint8Array, declared?: string): { text: string; encoding: string } {
  const mark = byteOrderMark(bytes);
  if (mark) return { text: new TextDecoder(mark).decode(bytes), encoding: mark };
  for (const label of [declared && byName(declared), 'utf-8']) {
    if (!label) continue;
    try {
      return { text: new TextDecoder(label, { fatal: true }).decode(bytes), encoding: label };
    } catch {
      // Not what it says, or a name that is none: the next is tried.
    }
  }
  return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'windows-1252' };
}

function byteOrderMark([a, b, c]: Uint8Array): string | undefined {
  if (a === 0xef && b === 0xbb && c === 0xbf) return 'utf-8';
  if (a === 0xff && b === 0xfe) return 'utf-16le';
  return a === 0xfe && b === 0xff ? 'utf-16be' : undefined;
}
