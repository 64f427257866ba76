import type { CslItem } from '../guide/cslSchema';
import type { Source } from '../guide/schema';

/** A source without an id yet. */
export type Cited = Omit<Source, 'id'>;

const KINDS: Record<string, Source['kind']> = {
  ...{ article: 'paper', 'article-journal': 'paper', 'article-magazine': 'paper', 'article-newspaper': 'paper' },
  ...{ 'paper-conference': 'paper', chapter: 'paper', thesis: 'paper', report: 'paper' },
  ...{ personal_communication: 'person', interview: 'person', dataset: 'records' },
};

/** What stands in a label at most, and in a citation. */
const [LABEL, CITATION] = [200, 4000];

/** A source of a guide from an item of literature: a short name, its citation in words, and the item itself. */
export function sourceOf(item: CslItem): Cited {
  const names = (item.author ?? []).map(nameOf).filter(Boolean);
  const year = yearOf(item);
  const title = plain(item.title ?? '');
  const first = item.author?.[0];
  const family = first && plain(first.family ?? first.literal ?? first.given ?? '');
  const label =
    [family ? family + (names.length > 2 ? ' et al.' : '') : title.slice(0, 60), year].filter(Boolean).join(' ') || 'A source';
  return {
    label: label.slice(0, LABEL),
    citation: sentence(item, names, year, title).slice(0, CITATION),
    kind: Object.hasOwn(KINDS, item.type) ? KINDS[item.type] : 'book',
    csl: item,
  };
}

/** Literature of a source: the item it came from, or one that holds its citation as it stands. */
export const cslOf = ({ id, label, citation, csl }: Source): CslItem =>
  csl ? { ...csl, id } : { id, type: 'document', title: citation || label };

/** "E. Vask & I. Dunmarrow, 1984. Title. Annals 12 (3): 41–77. Publisher, Place." */
function sentence(item: CslItem, names: readonly string[], year: string, title: string): string {
  const text = (name: string) =>
    typeof item[name] === 'string' || typeof item[name] === 'number' ? plain(String(item[name])) : '';
  const who = names.length > 1 ? `${names.slice(0, -1).join(', ')} & ${names.at(-1)}` : (names[0] ?? '');
  const issue = text('issue') && ` (${text('issue')})`;
  const pages = text('page').replace(/-+/g, '–');
  const within = [text('container-title'), `${text('volume')}${issue}`.trim()].filter(Boolean).join(' ');
  const parts = [
    [who, year].filter(Boolean).join(', '),
    title + (text('edition') && `, edition ${text('edition')}`),
    [within, pages].filter(Boolean).join(': '),
    [text('publisher'), text('publisher-place')].filter(Boolean).join(', '),
    text('DOI') && `doi:${text('DOI')}`,
  ];
  return parts
    .filter(Boolean)
    .map((part) => (/[.!?]$/.test(part) ? part : `${part}.`))
    .join(' ');
}

/** "E. Vask": given names as initials where they are whole words. */
function nameOf({ family, given, literal }: NonNullable<CslItem['author']>[number]): string {
  const first = given
    ?.split(/\s+/)
    .filter(Boolean)
    .map((name) => `${name.charAt(0)}.`)
    .join(' ');
  return plain(family ? [first, family].filter(Boolean).join(' ') : (literal ?? given ?? ''));
}

function yearOf({ issued }: CslItem): string {
  const said = issued?.['date-parts']?.[0]?.[0] ?? issued?.literal ?? issued?.raw ?? '';
  return /\d{3,4}/.exec(String(said))?.[0] ?? plain(String(said));
}

/** Without the marks that CSL allows in text (italics and the like). */
const plain = (text: string): string =>
  text
    .replace(/<\/?(i|b|sup|sub|span|sc)\b[^>]*>/gi, '')
    .replace(/\s+/g, ' ')
    .trim();
