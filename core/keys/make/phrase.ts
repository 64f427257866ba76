import type { Character } from '../../guide/working';
import type { Statement, StatementLink } from '../schema';
/** Words that part statements must not stand in one. */
const plain = (text: string) =>
  text
    .replace(/[;\r\n]+/g, ',')
    .replace(/,\s+(?=(?:or|and|except|unless|but not)\s)/gi, ' ')
    .trim();

/** A statement in words: "Front edge: two lobes or one arch", "Carapace width below 24 mm", "Side teeth: 5 or fewer". */
export function phrase(character: Character, link: StatementLink, usual = false): Omit<Statement, 'n'> {
  return { text: plain(words(character, link, usual)), link };
}

function words({ label, kind, states, unit, error }: Character, link: StatementLink, usual: boolean): string {
  const often = usual ? 'usually ' : '';
  if ('states' in link) {
    const labels = link.states.map((id) => states?.find((state) => state.id === id)?.label ?? id);
    return `${label}: ${often}${labels.length > 1 ? `${labels.slice(0, -1).join(', ')} or ${labels.at(-1)}` : labels[0]}`;
  }
  if (kind === 'count')
    return link.low === undefined ? `${label}: ${often}${link.high} or fewer` : `${label}: ${often}${link.low} or more`;
  const digits = error ? Math.max(0, Math.min(4, -Math.floor(Math.log10(error)))) : 2;
  const number = (value: number) => `${value.toFixed(digits)}${unit ? ` ${unit}` : ''}`;
  return link.low === undefined ? `${label} ${often}below ${number(link.high!)}` : `${label} ${often}${number(link.low)} or more`;
}
