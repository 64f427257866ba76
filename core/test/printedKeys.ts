import { pick, seeded } from '../probability';

/** A made-up key, as it is meant: the truth that a print of it is read against. */
export interface MeantLead {
  statements: string[];
  to: { couplet: number } | { name: string };
}
export type MeantKey = MeantLead[][];

const GENERA = ['Velda', 'Torrina', 'Quessa', 'Brannix', 'Ostreva', 'Fimbrola'];
const EPITHETS = [
  'alba',
  'nigrans',
  'hirtipes',
  'minuta',
  'robusta',
  'velox',
  'torquata',
  'sulcata',
  'umbrina',
  'pallens',
  'obliqua',
  'dentata',
];
const AUTHORS = ['Tessel', 'Korvald', 'Hallin', 'Mereth', 'Selwith'];
const PARTS = ['Head', 'Pronotum', 'Wing case', 'Hind foot', 'Feeler', 'Spur', 'Front edge', 'Palp'];
const QUALITIES = [
  'round',
  'square in front',
  'with five segments',
  'not longer than wide',
  'densely hairy',
  'bare and shining',
  'with a row of pits',
  'dull, finely wrinkled',
  '3.2–5 mm long',
  'seldom with more than 15 pits',
  'up to 12 mm, at least twice as long as wide',
];

/** A binary key of so many couplets whose leads say things that are hard to read: numbers, commas, hedges. */
export function meantKey(seed: string, couplets: number): MeantKey {
  const random = seeded(seed);
  const any = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  const names = new Set<string>();
  const name = (): string => {
    for (;;) {
      const author = pick([0.4, 0.3, 0.15, 0.15], random);
      const own = `${any(GENERA)} ${any(EPITHETS)}`;
      if (names.has(own)) continue;
      names.add(own);
      return [
        own,
        `${own} ${any(AUTHORS)}, ${1850 + Math.floor(random() * 120)}`,
        `${own} (${any(AUTHORS)})`,
        `${own} ${any(AUTHORS).slice(0, 4)}.`,
      ][author];
    }
  };
  const says = () => Array.from({ length: 1 + Math.floor(random() * 2) }, () => `${any(PARTS)} ${any(QUALITIES)}`);
  const open: { couplet: number; lead: number }[] = [];
  const key: MeantKey = [];
  for (let n = 1; n <= couplets; n++) {
    const from = n > 1 ? open.splice(Math.floor(random() * open.length), 1)[0] : undefined;
    if (from) key[from.couplet][from.lead].to = { couplet: n };
    const first = says();
    let second = says();
    while (second.join() === first.join()) second = says();
    key.push([first, second].map((statements) => ({ statements, to: { name: '' } })));
    open.push({ couplet: n - 1, lead: 0 }, { couplet: n - 1, lead: 1 });
  }
  for (const lead of key.flat()) if ('name' in lead.to) lead.to.name = name();
  return key;
}

/** How one printer sets a key. */
export interface Printing {
  /** The mark of a lead: couplet and lead from 0, and where the couplet is reached from. */
  mark: (couplet: number, lead: number, from: readonly number[]) => string;
  /** What stands between the words and where a lead goes. */
  leader: string | ((used: number) => string);
  /** Where a lead goes. */
  onward?: (couplet: string) => string;
  ending?: (name: string) => string;
  /** Numbers of couplets as they are printed. */
  number?: (couplet: number) => string;
  between?: string;
  stop?: string;
  /** Lines are wrapped at this width, words broken at their ends where asked. */
  wrap?: { width: number; hyphens?: boolean; hang?: string };
  /** Put before every so many leads. */
  header?: { every: number; text: (page: number) => string };
  blank?: boolean;
  indented?: boolean;
}

/** A key as one printer sets it. */
export function printed(key: MeantKey, style: Printing): string {
  const number = style.number ?? String;
  const from = (couplet: number) =>
    key.flatMap((leads, c) => (leads.some(({ to }) => 'couplet' in to && to.couplet === couplet) ? [c + 1] : []));
  const lines: string[] = [];
  let printedLeads = 0;
  const put = (c: number, l: number, depth: number) => {
    const lead = key[c][l];
    const said = lead.statements.join(style.between ?? '; ') + (style.stop ?? '');
    const into = style.indented && 'couplet' in lead.to;
    const to = into
      ? ''
      : 'couplet' in lead.to
        ? (style.onward ?? ((n: string) => n))(number(lead.to.couplet))
        : (style.ending ?? ((n: string) => n))(lead.to.name);
    const head = `${'   '.repeat(depth)}${style.mark(c + 1, l, from(c + 1))}`;
    const leader = into
      ? ''
      : typeof style.leader === 'string'
        ? style.leader
        : style.leader(head.length + said.length + to.length);
    if (style.header && printedLeads > 0 && printedLeads % style.header.every === 0)
      lines.push(style.header.text(printedLeads / style.header.every + 40));
    printedLeads++;
    lines.push(...wrapped(`${head}${said}${leader}${to}`, style.wrap));
    if (style.indented && 'couplet' in lead.to) visit(lead.to.couplet - 1, depth + 1);
  };
  const visit = (c: number, depth: number) => key[c].forEach((_, l) => put(c, l, depth));
  if (style.indented) visit(0, 0);
  else
    key.forEach((_, c) => {
      visit(c, 0);
      if (style.blank) lines.push('');
    });
  return lines.join('\n');
}

function wrapped(line: string, wrap: Printing['wrap']): string[] {
  if (!wrap || line.length <= wrap.width) return [line];
  const out: string[] = [];
  let rest = line;
  while (rest.length > wrap.width) {
    let at = rest.lastIndexOf(' ', wrap.width);
    if (at < 8) at = wrap.width;
    const word = /^\s(\p{Ll}{4})(\p{Ll}{3,})/u.exec(rest.slice(at));
    if (wrap.hyphens && word) {
      out.push(`${rest.slice(0, at + 5)}-`);
      rest = (wrap.hang ?? '') + rest.slice(at + 5);
    } else {
      out.push(rest.slice(0, at));
      rest = (wrap.hang ?? '') + rest.slice(at + 1);
    }
  }
  out.push(rest);
  return out;
}

const ROMAN: [number, string][] = [
  [50, 'L'],
  [40, 'XL'],
  [10, 'X'],
  [9, 'IX'],
  [5, 'V'],
  [4, 'IV'],
  [1, 'I'],
];
export function roman(n: number): string {
  const found = ROMAN.find(([value]) => n >= value);
  return found ? found[1] + roman(n - found[0]) : '';
}

const dots = (used: number) => ` ${'.'.repeat(Math.max(4, 84 - used))} `;

/** Thirty ways in which the literature sets its keys. */
export const PRINTINGS: Record<string, Printing> = {
  'numbers and letters, dots': { mark: (c, l) => `${c}${'ab'[l]} `, leader: dots },
  'numbers and letters with stops': { mark: (c, l) => `${c}${'ab'[l]}. `, leader: ' ... ', stop: '.' },
  'number, then a dash': { mark: (c, l) => (l ? '– ' : `${c} `), leader: dots, blank: true },
  'number with stop, then a long dash': { mark: (c, l) => (l ? '— ' : `${c}. `), leader: ' … ' },
  'number and prime': { mark: (c, l) => `${c}${l ? '′' : ''} `, leader: dots },
  'number and apostrophe': { mark: (c, l) => `${c}${l ? "'" : ''}. `, leader: ' .... ' },
  'number, then a star': { mark: (c, l) => (l ? '*  ' : `${c}. `), leader: '      ' },
  'the number twice': { mark: (c) => `${c}. `, leader: dots },
  'numbers in brackets': { mark: (c, l) => (l ? '(–) ' : `(${c}) `), leader: dots },
  'origin in brackets': { mark: (c, l, from) => (l ? '– ' : `${c}${from.length ? `(${from.join(',')})` : ''} `), leader: dots },
  'origin in brackets before the stop': {
    mark: (c, l, from) => (l ? '– ' : `${c}${from.length ? `(${from.join(', ')})` : ''}. `),
    leader: dots,
  },
  'origin behind the stop': { mark: (c, l, from) => (l ? '–. ' : `${c}. ${from.length ? `(${from[0]}) ` : ''}`), leader: ' … ' },
  'letters doubled': {
    mark: (c, l) => `${String.fromCharCode(64 + c).repeat(l + 1)}. `,
    leader: dots,
    number: (c) => String.fromCharCode(64 + c),
  },
  'letters with primes': {
    mark: (c, l) => `${String.fromCharCode(64 + c)}${l ? "'" : ''}. `,
    leader: dots,
    number: (c) => String.fromCharCode(64 + c),
  },
  'roman with primes': { mark: (c, l) => `${roman(c)}${l ? '′' : ''} `, leader: dots, number: roman },
  'roman with stops, dash': { mark: (c, l) => (l ? '– ' : `${roman(c)}. `), leader: ' .... ', number: roman },
  'double dagger': { mark: (c, l) => (l ? '‡ ' : `${c} `), leader: dots },
  'dagger with stop': { mark: (c, l) => (l ? '†. ' : `${c}. `), leader: ' ..... ' },
  'round bracket behind': { mark: (c, l) => `${c}${'ab'[l]}) `, leader: ' → ' },
  'capital letters': { mark: (c, l) => `${c}${'AB'[l]}. `, leader: dots },
  'go to': { mark: (c, l) => `${c}${'ab'[l]} `, leader: ' ... ', onward: (n) => `go to ${n}` },
  'unmarked second lead': { mark: (c, l) => (l ? '   ' : `${c}. `), leader: dots },
  'names on lines of their own': { mark: (c, l) => `${c}${'ab'[l]} `, leader: dots, ending: (name) => `\n   ${name}`, stop: '.' },
  'stars about names': { mark: (c, l) => `${c}${'ab'[l]} `, leader: dots, ending: (name) => `*${name}*` },
  'sexes and pages behind names': { mark: (c, l) => `${c}${'ab'[l]} `, leader: dots, ending: (name) => `${name} (♂, p. 14)` },
  'narrow column': { mark: (c, l) => (l ? '– ' : `${c} `), leader: ' .... ', wrap: { width: 38, hang: '   ' } },
  'narrow column, words broken': { mark: (c, l) => `${c}${'ab'[l]} `, leader: ' .... ', wrap: { width: 40, hyphens: true } },
  'page heads': {
    mark: (c, l) => `${c}${'ab'[l]} `,
    leader: dots,
    header: { every: 7, text: (page) => `${page}      KEY TO THE STRAND BEETLES` },
  },
  'page numbers alone': {
    mark: (c, l) => (l ? '– ' : `${c} `),
    leader: dots,
    header: { every: 9, text: (page) => `                    ${page}` },
  },
  indented: { mark: (c, l) => `${c}${'ab'[l]}. `, leader: dots, indented: true },
  'indented with dashes': { mark: (c, l) => (l ? '– ' : `${c} `), leader: dots, indented: true },
  'plus and minus signs': { mark: (c, l) => (l ? '+ ' : `${c}. `), leader: dots },
};
