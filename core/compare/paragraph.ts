import type { CompiledGuide } from '../guide/working';
import { sayFacets, shortName } from '../specimen';
import type { ComparedCharacter, Comparison, Scored } from './compare';

/** Marks named in the paragraph. */
const MOST = 4;

/** A comparison in plain words: what tells the forms apart, how surely, and what not to go by. */
export function paragraphOf(
  compiled: CompiledGuide,
  forms: Comparison['forms'],
  characters: readonly ComparedCharacter[],
): string {
  const names = namesOf(compiled, forms);
  const readable = characters.filter(({ hindrance }) => !hindrance);
  const good = readable.filter(({ separation }) => separation === 'separates' || separation === 'helps').slice(0, MOST);
  const whole = `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
  const sentences = good.map((one, i) => sayMark(compiled, one, names, i === 0 ? whole : undefined));
  const ratios = ratiosBetween(compiled, forms);
  sentences.push(...ratios);
  if (good.length + ratios.length === 0) sentences.push(`No single mark tells ${whole} apart here; only several together might.`);
  const traps = characters.filter(({ trap }) => trap);
  if (traps.length) {
    sentences.push(
      `Do not go by ${list(traps.map(({ label }) => lower(label)))}: ${traps.length > 1 ? 'they are' : 'it is'} ${Math.round(
        Math.min(...traps.map(({ overlap }) => overlap)) * 100,
      )} in 100 alike.`,
    );
  }
  const gone = characters.filter(({ hindrance, overlap }) => hindrance && overlap < 0.3).slice(0, 2);
  for (const { label, hindrance } of gone) sentences.push(`${label} would help, but ${hindrance}.`);
  return sentences.join(' ');
}

/** Ratios that a table taught, between the taxa at hand: what single lengths do not show. */
function ratiosBetween({ guide }: CompiledGuide, forms: Comparison['forms']): string[] {
  const names = new Set(forms.map(({ taxon }) => guide.taxa.find(({ id }) => id === taxon)?.name));
  return (guide.learned?.ratios ?? []).filter(({ a, b }) => names.has(a) && names.has(b)).map(({ text }) => text);
}

/** Short names, with the facets where the taxon alone does not tell them apart. */
export function namesOf({ guide, naming }: CompiledGuide, forms: Comparison['forms']): string[] {
  const short = forms.map(({ taxon }) => shortName(naming.taxa.find(({ id }) => id === taxon)?.name ?? taxon));
  return short.map((name, i) => {
    const shared = short.some((other, k) => k !== i && other === name);
    const facets = sayFacets(guide, forms[i].facets);
    return shared && facets ? `${name} (${facets})` : name;
  });
}

function sayMark({ guide }: CompiledGuide, one: ComparedCharacter, names: readonly string[], whole?: string): string {
  const { unit } = guide.characters.find(({ id }) => id === one.character)!;
  const said = one.forms.map((scored, i) => `${scored ? sayScored(scored, unit) : 'not known'} in ${names[i]}`);
  const strength = one.separation === 'separates' ? 'separates' : 'helps to separate';
  const only = one.only.length ? ` (${one.only.join(', ')})` : '';
  const head = whole ? `${one.label}${only} ${strength} ${whole}` : `${one.label}${only} ${strength} them`;
  return `${head}: ${said.join(', ')}; ${alike(one.overlap)}.`;
}

const alike = (overlap: number) => (overlap < 0.01 ? 'under 1 in 100 alike' : `${Math.round(overlap * 100)} in 100 alike`);

/** "three teeth 85 in 100", "1.24–1.36 mm". */
export function sayScored(scored: Scored, unit?: string): string {
  if (scored.kind === 'values') {
    const digits = (x: number) => Number(x.toPrecision(3)).toString();
    return `${digits(scored.low)}–${digits(scored.high)}${unit ? ` ${unit}` : ''}`;
  }
  const top = scored.states.reduce((a, b) => (b.p > a.p ? b : a));
  return `${top.label} ${Math.round(top.p * 100)} in 100`;
}

const lower = (label: string) => label[0].toLowerCase() + label.slice(1);
const list = (words: readonly string[]) => (words.length < 2 ? words[0] : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`);
