/** A word or sign of a NEXUS text. */
export interface Word {
  text: string;
  /** It was in quotes: a name, and no sign. */
  quoted?: boolean;
  line: number;
}

/** What cannot be read, by line. */
export class Unreadable extends Error {
  constructor(
    readonly line: number,
    readonly why: string,
  ) {
    super(why);
  }
}

/** Words and signs of a NEXUS text, comments in square brackets passed over. */
export function wordsOf(text: string): Word[] {
  const words: Word[] = [];
  let line = 1;
  let at = 0;
  while (at < text.length) {
    const c = text[at];
    if (c === '\n') line++;
    if (/\s/.test(c)) {
      at++;
    } else if (c === '[') {
      const begun = line;
      let depth = 0;
      do {
        if (at >= text.length) throw new Unreadable(begun, 'a comment that begins here is not closed');
        if (text[at] === '[') depth++;
        if (text[at] === ']') depth--;
        if (text[at] === '\n') line++;
        at++;
      } while (depth > 0);
    } else if (c === "'") {
      let word = '';
      const begun = line;
      for (at++; ; at++) {
        if (at >= text.length) throw new Unreadable(begun, 'a name in quotes that begins here is not closed');
        if (text[at] === '\n') line++;
        if (text[at] !== "'") word += text[at];
        else if (text[at + 1] === "'") word += text[at++];
        else break;
      }
      at++;
      words.push({ text: word, quoted: true, line });
    } else if (/[;=,/(){}"]/.test(c)) {
      words.push({ text: c, line });
      at++;
    } else {
      const [word] = /^[^\s;=,/(){}"'[]+/.exec(text.slice(at, at + 4000)) ?? [c];
      words.push({ text: word, line });
      at += word.length;
    }
  }
  return words;
}

/** A name without quotes has underscores for spaces. */
export const nameOf = ({ text, quoted }: Word): string => (quoted ? text : text.replace(/_/g, ' '));

export interface Block {
  name: string;
  commands: Word[][];
}

export function blocksOf(words: readonly Word[]): Block[] {
  const blocks: Block[] = [];
  let command: Word[] = [];
  let open: Block | undefined;
  for (const word of words) {
    if (word.text !== ';' || word.quoted) {
      command.push(word);
      continue;
    }
    const head = command[0]?.text.toUpperCase();
    if (head === 'BEGIN') open = { name: command[1]?.text.toUpperCase() ?? '', commands: [] };
    else if ((head === 'END' || head === 'ENDBLOCK') && open) {
      blocks.push(open);
      open = undefined;
    } else if (open) open.commands.push(command);
    command = [];
  }
  if (open) throw new Unreadable(words.at(-1)?.line ?? 1, `the block ${open.name} has no END`);
  return blocks;
}

export const commandOf = ({ commands }: Block, ...names: string[]): Word[] | undefined =>
  commands.find(([head]) => names.includes(head?.text.toUpperCase()))?.slice(1);

/** `NAME=value` of a command; a value in double quotes is all that stands between them. */
export function settingOf(command: readonly Word[] | undefined, name: string): string | undefined {
  const at = command?.findIndex((word, i) => word.text.toUpperCase() === name && command[i + 1]?.text === '=') ?? -1;
  if (!command || at < 0) return undefined;
  const value = command[at + 2];
  if (value?.text !== '"') return value?.text;
  const end = command.findIndex((word, i) => i > at + 2 && word.text === '"');
  return command
    .slice(at + 3, end < 0 ? undefined : end)
    .map(({ text }) => text)
    .join('');
}
