import { normalBelow } from '../probability';
import { groupOfCharacter, unitOf } from '../evidence';
import { type CompiledGuide, type NamePart, sayFacets, shortName, typesetName } from '../guide/working';
import type { ComparedCharacter, Comparison, Scored } from './schema';
import { type ToldApart, togetherWrong, toldBy } from './together';

/** Characters named in the paragraph, traps beside them. */
const MOST = 3;
/** Two characters suffice when they leave no more than this share in doubt. */
const SUFFICES = 0.03;

/** Words and names in turn; names are typeset. */
type Piece = string | { name: string };

/**
 * A comparison as advice, the way a good field guide gives it: the strongest character
 * first with what each answer points to and how often that is so, what to look at
 * when it is hidden, whether two characters are enough, and what not to trust and why.
 *
 * @returns runs of text, names apart from words so that they can be typeset.
 */
export function paragraphOf(
  compiled: CompiledGuide,
  forms: Comparison['forms'],
  characters: readonly ComparedCharacter[],
): NamePart[] {
  const names = namesOf(compiled, forms);
  const readable = characters.filter(({ setAside }) => !setAside);
  const good = independent(
    compiled,
    readable.filter(({ separation }) => separation === 'separates' || separation === 'helps'),
  ).slice(0, MOST);
  const out: Piece[][] = good.map((character, i) => adviceOn(compiled, character, names, i));
  const ratios = ratiosBetween(compiled, forms);
  out.push(...ratios.map((text): Piece[] => [text]));
  if (good.length + ratios.length === 0) {
    out.push(['No single character tells ', ...listed(names), ' apart here; only several together might.']);
  }
  if (good.length > 1 && forms.length === 2) out.push(sufficiency(compiled, forms, good));
  out.push(...warnings(byFame(compiled, characters), names));
  const gone = characters.filter(({ setAside, overlap }) => setAside && overlap < 0.3).slice(0, 2);
  if (gone.length) {
    const labels = gone.map(({ label }) => the(label));
    const why = gone.every(({ setAside }) => setAside === gone[0].setAside)
      ? gone[0].setAside!
      : gone.map(({ setAside }) => setAside).join(', and ');
    out.push([`${sentence(labels.join(' and '))} would say more, but ${gone.length > 1 ? 'each ' : ''}${why}.`]);
  }
  return runsOf(out);
}

/** Characters that do not lean on each other: one of each group, the strongest. */
function independent({ guide }: CompiledGuide, characters: readonly ComparedCharacter[]): ComparedCharacter[] {
  const seen = new Set<string>();
  return characters.filter(({ character }) => {
    const key = groupOfCharacter(guide, character)?.id ?? unitOf(guide, character);
    return !seen.has(key) && Boolean(seen.add(key));
  });
}

function adviceOn(compiled: CompiledGuide, character: ComparedCharacter, names: readonly string[], place: number): Piece[] {
  const { unit } = compiled.guide.characters.find(({ id }) => id === character.character)!;
  const label = `${the(character.label)}${character.only.length ? ` (${character.only.join(', ')})` : ''}`;
  const strong = character.separation === 'separates';
  const others = names.length > 2 ? 'separates all of them' : 'separates them cleanly';
  const head = [
    strong ? `Look first at ${label}: ` : `No single character ${others}; begin with ${label}: `,
    `If that is hidden, ${strong ? 'the next best is' : 'some help comes from'} ${label}: `,
    `A third opinion comes from ${label}: `,
  ][place];
  const unknown = names.filter((_, i) => !character.forms[i]);
  const rest: Piece[] = unknown.length ? ['; not known for ', ...listed(unknown)] : [];
  return [
    head,
    ...(character.forms.some((scored) => scored?.kind === 'values')
      ? measured(character, names, unit, place)
      : character.forms.some(isUncertain)
        ? eachAsScored(character, names)
        : shown(character, names, place)),
    ...rest,
    '.',
  ];
}

/** Where it is not known which state one has, how often it has it is not known either. */
const eachAsScored = ({ forms }: ComparedCharacter, names: readonly string[]): Piece[] =>
  names.flatMap((name, i): Piece[] => (forms[i] ? [', ', { name }, ` ${sayScored(forms[i])}`] : [])).slice(1);

/** States: what is met in each, how often, and how often in the others. */
function shown(character: ComparedCharacter, names: readonly string[], place: number): Piece[] {
  const known = character.forms.flatMap((scored, i) => (scored?.kind === 'states' ? [{ scored, name: names[i] }] : []));
  const of = ({ scored }: (typeof known)[number], state: string) => scored.states.find((one) => one.state === state)?.p ?? 0;
  const told = known.map((own) => {
    const others = known.filter((one) => one !== own);
    const elsewhere = (state: string) => Math.max(0, ...others.map((one) => of(one, state)));
    // The state that is most its own: met here, and seldom in the others.
    const [best] = [...own.scored.states].sort((a, b) => b.p - elsewhere(b.state) - (a.p - elsewhere(a.state)));
    return { name: own.name, label: best.label, p: best.p, elsewhere: elsewhere(best.state) };
  });
  if (told.length !== 2) {
    return told.flatMap(({ name, label, p, elsewhere }, i): Piece[] => [
      `${i > 0 ? '; ' : ''}${label} in `,
      { name },
      i === 0 ? ` (${inHundredOf(p)}, at most ${short(elsewhere)} of the others)` : ` (${short(p)}, at most ${short(elsewhere)})`,
    ]);
  }
  const [a, b] = told;
  if (place === 0) {
    const first: Piece[] = [
      `${a.label} points to `,
      { name: a.name },
      ` (${inHundredOf(a.p)} show it, ${short(a.elsewhere)} of `,
      { name: b.name },
      ')',
    ];
    return [...first, `, ${b.label} to `, { name: b.name }, ` (${short(b.p)} against ${short(b.elsewhere)})`];
  }
  if (place === 1) {
    return [
      `${a.label} in ${inHundredOf(a.p)} of `,
      { name: a.name },
      ` and ${short(a.elsewhere)} of `,
      { name: b.name },
      `, ${b.label} in ${short(b.elsewhere)} and ${short(b.p)}`,
    ];
  }
  return [
    `with `,
    { name: a.name },
    ` it is rather ${a.label} (${short(a.p)} to ${short(a.elsewhere)}), with `,
    { name: b.name },
    ` ${b.label} (${short(b.p)} to ${short(b.elsewhere)})`,
  ];
}

/** Values: for two forms where they part and how many lie on their own side; for more, their spans. */
function measured(character: ComparedCharacter, names: readonly string[], unit: string | undefined, place: number): Piece[] {
  const known = character.forms.flatMap((scored, i) => (scored?.kind === 'values' ? [{ scored, name: names[i] }] : []));
  if (known.length !== 2) {
    return known.flatMap(({ scored, name }, i): Piece[] => [
      i === 0 ? '' : i === known.length - 1 ? ' against ' : ', ',
      `${sayScored(scored, unit)} in `,
      { name },
    ]);
  }
  const [low, high] = [...known].sort((a, b) => a.scored.mean - b.scored.mean);
  const share = low.scored.sd / (low.scored.sd + high.scored.sd);
  const at = low.scored.mean + share * (high.scored.mean - low.scored.mean);
  const cut = `${digits(low.scored.log ? Math.exp(at) : at)}${unit ? ` ${unit}` : ''}`;
  const above = ({ scored }: (typeof known)[number]) => 1 - normalBelow(at, scored.mean, scored.sd);
  if (place === 0) {
    return [
      `more than about ${cut} points to `,
      { name: high.name },
      ` (${inHundredOf(above(high))} lie there, ${short(above(low))} of `,
      { name: low.name },
      `), less to `,
      { name: low.name },
    ];
  }
  if (place === 1)
    return [
      `${sayScored(low.scored, unit)} in `,
      { name: low.name },
      ` against ${sayScored(high.scored, unit)} in `,
      { name: high.name },
      `, parted at about ${cut}`,
    ];
  return [
    `larger in `,
    { name: high.name },
    ` (${sayScored(high.scored, unit)}) than in `,
    { name: low.name },
    ` (${sayScored(low.scored, unit)})`,
  ];
}

function sufficiency(compiled: CompiledGuide, forms: Comparison['forms'], good: readonly ComparedCharacter[]): Piece[] {
  const at = forms.map(({ form }) => compiled.forms.findIndex(({ id }) => id === form));
  const told = good.slice(0, 2).map(({ character }): ToldApart => toldBy(compiled, character, at[0], at[1]));
  const wrong = togetherWrong(told[0], told[1]);
  const both = good.length > 2 ? 'The first two together' : 'Both together';
  return wrong <= SUFFICES
    ? [`${both} usually suffice: read rightly, they mislead in ${cases(wrong)}.`]
    : [`${both} still mislead in ${cases(wrong)}, so take another character before a name is given.`];
}

/** The traps, the most famous first. */
function byFame({ guide }: CompiledGuide, characters: readonly ComparedCharacter[]): ComparedCharacter[] {
  const fame = new Map(guide.characters.map((character) => [character.id, [character.fame ?? 0, character.salience ?? 0]]));
  const of = ({ character }: ComparedCharacter) => fame.get(character)!;
  return characters.filter(({ trap }) => trap).sort((a, b) => of(b)[0] - of(a)[0] || of(b)[1] - of(a)[1]);
}

/** What people go by and should not, with the reason. */
function warnings(traps: readonly ComparedCharacter[], names: readonly string[]): Piece[][] {
  return traps.slice(0, 2).map((trap, i): Piece[] => {
    const who = listed(names.filter((_, k) => trap.forms[k]));
    const shared = sharedState(trap);
    const often =
      shared &&
      (short(shared.least) === short(shared.most)
        ? inHundredOf(shared.least)
        : `${short(shared.least)} to ${short(shared.most)} in 100`);
    const why: Piece[] = shared
      ? [`${shared.label} in ${often} of `, ...who]
      : trap.forms.some((scored) => scored?.kind === 'values')
        ? ['the values of ', ...who, ' lie over each other']
        : ['each of its states is met in ', ...who];
    return i === 0
      ? [`Do not go by ${the(trap.label)}, however well known: `, ...why, '.']
      : [`Nor trust ${the(trap.label)} (`, ...why, ').'];
  });
}

/** The state that most of each show, where there is one. */
function sharedState({ forms }: ComparedCharacter): { label: string; least: number; most: number } | undefined {
  const known = forms.flatMap((scored) => (scored?.kind === 'states' ? [scored] : []));
  return known[0]?.states
    .map(({ state, label }) => {
      const each = known.map(({ states }) => states.find((one) => one.state === state)?.p ?? 0);
      return { label, least: Math.min(...each), most: Math.max(...each) };
    })
    .find(({ least }) => least >= 0.5);
}

/** Ratios that a table taught, between the taxa at hand: what single lengths do not show. */
function ratiosBetween({ guide }: CompiledGuide, forms: Comparison['forms']): string[] {
  const names = new Set(forms.map(({ taxon }) => guide.taxa.find(({ id }) => id === taxon)?.name));
  return (guide.learned?.ratios ?? [])
    .filter(({ a, b, shown: better }) => better !== false && names.has(a) && names.has(b))
    .map(({ text }) => text);
}

/** Short names, with the facets where the taxon alone does not tell them apart. */
export function namesOf({ guide, naming }: CompiledGuide, forms: Comparison['forms']): string[] {
  const shorts = forms.map(({ taxon }) => shortName(naming.taxa.find(({ id }) => id === taxon)?.name ?? taxon));
  return shorts.map((name, i) => {
    const shared = shorts.some((other, k) => k !== i && other === name);
    const facets = sayFacets(guide, forms[i].facets);
    return shared && facets ? `${name} (${facets})` : name;
  });
}

const isUncertain = (scored: Scored | null | undefined): boolean => scored?.kind === 'states' && scored.uncertain === true;

/** "three teeth 85 in 100", "1.24–1.36 mm", "either three teeth or two". */
export function sayScored(scored: Scored, unit?: string): string {
  if (scored.kind === 'values') return `${digits(scored.low)}–${digits(scored.high)}${unit ? ` ${unit}` : ''}`;
  const top = scored.states.reduce((a, b) => (b.p > a.p ? b : a));
  if (scored.uncertain) {
    const likely = scored.states.filter(({ p }) => p > top.p / 2);
    return `either ${likely.map(({ label }) => label).join(' or ')}`;
  }
  return `${top.label} ${Math.round(top.p * 100)} in 100`;
}

const digits = (x: number) => Number(x.toPrecision(3)).toString();
/** A share of a hundred individuals; nothing is none, and nothing is all. */
const short = (p: number) => (p < 0.005 ? 'hardly any' : `${Math.max(1, Math.min(99, Math.round(p * 100)))}`);
const cases = (p: number) =>
  p < 0.005 ? 'fewer than 1 case in 100' : `${short(p)} ${short(p) === '1' ? 'case' : 'cases'} in 100`;
const inHundredOf = (p: number) => (p < 0.005 ? 'fewer than 1 in 100' : `${short(p)} in 100`);
const lower = (label: string) => (/^\p{Lu}\p{Lu}/u.test(label) ? label : label[0].toLowerCase() + label.slice(1));
/** "the edge of the spire"; labels that are no plain noun stand as they are. */
const the = (label: string) => (/^(?:the|a|an|what|how|where|whether|when) /i.test(label) ? lower(label) : `the ${lower(label)}`);
const sentence = (text: string) => text[0].toUpperCase() + text.slice(1);

const listed = (names: readonly string[]): Piece[] =>
  names.flatMap((name, i): Piece[] => [i === 0 ? '' : i === names.length - 1 ? ' and ' : ', ', { name }]);

/** Sentences as runs of text. */
function runsOf(sentences: readonly Piece[][]): NamePart[] {
  const runs: NamePart[] = [];
  const put = ({ text, italic }: NamePart) => {
    const last = runs.at(-1);
    if (last && last.italic === italic) last.text += text;
    else if (text) runs.push({ text, italic });
  };
  sentences.forEach((pieces, i) => {
    if (i > 0) put({ text: ' ', italic: false });
    for (const piece of pieces) {
      if (typeof piece === 'string') put({ text: piece, italic: false });
      else typesetName(piece.name).forEach(put);
    }
  });
  return runs;
}
