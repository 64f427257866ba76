import { type Comparison, namesOf, sayScored } from '../compare';
import type { Reading, Situation } from '../observation';
import { type Standing, inHundred } from '../evidence';
import {
  type Character,
  type CompiledGuide,
  type Guide,
  isSensitive,
  type NamePart,
  sayFacets,
  shortName,
  typesetName,
  shownAt,
} from '../guide/working';
import { type Plate, traitsOf, traitsRead } from '../plates';
import { planOf } from '../plates/plans';
import { nameParts } from '../specimen';

/** A character on the page: numbered, pointed at where it can be seen, and said in words. */
export interface PagePoint {
  number: number;
  heading: string;
  text: string;
  /** Where it shows on the photo, as shares of its width and height. */
  at?: { x: number; y: number };
}

/** A plate with the numbers of the characters that show on it, and the parts they point at. */
export interface PagePlate {
  plate: Plate;
  caption: string;
  pointers: { number: number; part: string }[];
}

/** What a page to send says, before it is laid out. */
export interface PageContent {
  /** As a name is typeset. */
  title: NamePart[];
  subtitle: string;
  plates: PagePlate[];
  /** What it comes to, names apart from words. */
  lead: NamePart[];
  characters: PagePoint[];
  notes: string[];
  caution: string;
}

const MOST_MARKS = 6;

/** What is less probable plays no part in what must stay untold. */
const UNLIKELY = 0.01;

/** Stands under whatever is given out. */
export const NOT_A_PROMISE =
  'No result says that anything is safe to touch, keep or eat. Local law, permits and licensed or medical advice come first.';

/**
 * A page that compares forms: each drawn alike in up to `views` views, the characters that separate them numbered and
 * pointed at; what is `said` to whoever asked stands first.
 */
export function comparisonPage(
  compiled: CompiledGuide,
  comparison: Comparison,
  { characters: most = MOST_MARKS, views = 2, said }: { characters?: number; views?: number; said?: string } = {},
): PageContent {
  const { guide } = compiled;
  const names = namesOf(compiled, comparison.forms);
  const good = comparison.characters
    .filter(({ separation, setAside }) => !setAside && separation !== 'does not separate')
    .slice(0, most);
  const characters = good.map((compared, i) => {
    const { unit } = characterOf(guide, compared.character);
    const said = compared.forms.map((scored, f) => `${names[f]} ${scored ? sayScored(scored, unit) : 'not known'}`);
    const only = compared.only.length ? ` (${compared.only.join(', ')})` : '';
    return {
      number: i + 1,
      heading: `${compared.label}${only}`,
      text: `${said.join('; ')}. ${Math.round(compared.overlap * 100)} in 100 alike.`,
    };
  });
  const plates = viewsFor(
    guide,
    good.map(({ character }) => character),
    views,
  ).flatMap((view) =>
    comparison.forms.flatMap(({ form }, i): PagePlate[] => {
      const at = compiled.forms.findIndex(({ id }) => id === form);
      const plate = planOf(guide)?.draw(traitsOf(compiled, at), view, 'full');
      return plate
        ? [
            {
              plate,
              caption: names[i],
              pointers: pointersOn(
                guide,
                good.map(({ character }) => character),
                view,
              ),
            },
          ]
        : [];
    }),
  );
  const traps = comparison.characters.filter(({ trap }) => trap);
  return {
    title: names.flatMap((name, i) => [...(i > 0 ? [{ text: ' or ', italic: false }] : []), ...typesetName(name)]),
    subtitle: guide.title,
    plates,
    lead: said ? [{ text: `${said} `, italic: false }, ...comparison.typeset] : comparison.typeset,
    characters,
    notes: traps.map(({ label, overlap }) => `Trap: ${label.toLowerCase()}, ${Math.round(overlap * 100)} in 100 alike.`),
    caution: `${guide.caution} ${NOT_A_PROMISE}`,
  };
}

/** A page that tells how one specimen stands: drawn as it was read, each reading pointed at and weighed in words. */
export function standingPage(
  compiled: CompiledGuide,
  standing: Standing,
  situation: Situation,
  readings: readonly Reading[],
  label: string,
  sayReading: (character: Character, reading: Reading) => string,
  /** The photo that is on the page: what was pointed at on others stands on them. */
  photo?: string,
): PageContent {
  const { guide } = compiled;
  const { call, beam } = standing;
  const heard = standing.ledger
    .filter(({ weight }) => weight > 0)
    .sort((a, b) => Math.abs(b.bits) - Math.abs(a.bits))
    .slice(0, MOST_MARKS);
  const characters = heard.map(({ reading, character, bits }, i) => ({
    number: i + 1,
    heading: `${characterOf(guide, character).label}: ${sayReading(characterOf(guide, character), readings[reading])}`,
    text: sayBits(bits, beam),
    ...atOn(readings[reading].at, photo),
  }));
  const read = heard.map(({ character }) => character);
  const form = compiled.forms.findIndex(({ id }) => id === standing.forms[0].form);
  const traits = { ...traitsOf(compiled, form), ...traitsRead(guide, readings) };
  const plates = viewsFor(guide, read).flatMap((view): PagePlate[] => {
    const plate = planOf(guide)?.draw(traits, view, 'full');
    const caption = guide.views.find(({ id }) => id === view)?.label ?? view;
    return plate ? [{ plate, caption: `as it was read, ${caption}`, pointers: pointersOn(guide, read, view) }] : [];
  });
  const qualifier = call.kind === 'either' ? 'or' : call.kind === 'outside' ? 'outside' : 'none';
  const name =
    call.kind === 'undetermined'
      ? [{ text: 'Not yet a name', italic: false }]
      : nameParts({ taxa: compiled.naming.taxa }, { qualifier, taxon: call.taxon, other: call.other });
  // A page goes out of the station: the place of what must not be found stays at home.
  const mayBe = standing.taxa.filter(({ p }) => p >= UNLIKELY).map(({ taxon }) => taxon);
  const place = isSensitive(guide, mayBe) ? undefined : situation.place;
  const facets = [sayFacets(guide, call.facets), call.union?.label].filter(Boolean).join(', ');
  return {
    title: name,
    subtitle: [facets, label, place, situation.date, guide.title].filter(Boolean).join(' · '),
    plates,
    lead: [
      { text: `${call.text} `, italic: false },
      ...typesetName(shortName(beam.left.label)),
      { text: ` stands at ${inHundred(beam.left.p)}, `, italic: false },
      ...typesetName(shortName(beam.right.label)),
      { text: ` at ${inHundred(beam.right.p)}.`, italic: false },
    ],
    characters,
    notes: [
      ...(readings.length ? [standing.robustness.text, standing.fit.text] : []),
      ...(call.proviso
        ? [`All of this holds ${call.proviso}: relatives that it does not list are not ruled out by a few characters.`]
        : []),
      ...(standing.mapOnly
        ? [`Only the place, date and numbers put it first: by the characters alone it would be ${standing.mapOnly.label}.`]
        : []),
      ...standing.hazards.map(
        ({ name: taxon, p, text, advice }) => `Danger: ${taxon} is possible (${inHundred(p)}). ${text} ${advice}`,
      ),
    ],
    caution: `${guide.caution} ${NOT_A_PROMISE}`,
  };
}

const atOn = (at: Reading['at'], photo: string | undefined): Pick<PagePoint, 'at'> =>
  at && (at.photo === undefined || at.photo === photo) ? { at: { x: at.x, y: at.y } } : {};

const characterOf = (guide: Guide, id: string): Character => guide.characters.find((character) => character.id === id)!;

/** The plan's views that show any of some characters, those that show most of them first; its first where none does. */
function viewsFor(guide: Guide, characters: readonly string[], most = 2): string[] {
  const views = planOf(guide)?.views ?? [];
  const showing = (view: string) => characters.filter((id) => shownAt(guide, characterOf(guide, id), view)).length;
  const shown = views.filter(showing).sort((a, b) => showing(b) - showing(a));
  return shown.length ? shown.slice(0, most) : views.slice(0, 1);
}

const pointersOn = (guide: Guide, characters: readonly string[], view: string): PagePlate['pointers'] =>
  characters.flatMap((id, i) => {
    const shown = shownAt(guide, characterOf(guide, id), view);
    return shown ? [{ number: i + 1, part: shown.part }] : [];
  });

function sayBits(bits: number, beam: Standing['beam']): string {
  const side = shortName((bits > 0 ? beam.left : beam.right).label);
  const size = Math.abs(bits);
  if (size < 0.3) return 'Says nothing either way.';
  const strength = size >= 4 ? 'Speaks strongly' : size >= 1.5 ? 'Speaks' : 'Speaks a little';
  return `${strength} for ${side}: ${size.toFixed(1)} bits.`;
}
