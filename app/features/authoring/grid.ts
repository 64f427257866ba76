import {
  cellKey,
  type CellProblem,
  type DraftCharacter,
  type Edit,
  type Part,
  parseCell,
  printCell,
  type Working,
} from '@plesion/core/authoring';
import { lineage, type Score, type Taxon } from '@plesion/core/guide';
import { omit } from '../../lib/omit';

/** A cell of the grid: what is written in it, and whether that stands at a taxon above. */
export interface GridCell {
  text: string;
  /** By whom it is had, where it is not written here. */
  from?: string;
  /** Scores of parts of it, such as one sex or one region, that the grid does not show. */
  more: number;
  /** Was it otherwise in the version that the draft goes on from? What it was. */
  was?: string;
}

/**
 * The scores of a draft as a grid of taxa and characters, by one source and of one part of each taxon.
 *
 * @param then what the draft goes on from: cells that were otherwise in it say so.
 */
export function gridOf({ draft, scores }: Working, source: string, part: Part = {}, then?: Working) {
  const characters = new Map(then?.draft.characters.map((one) => [one.id, one]));
  const isAll = Object.keys(part).length === 0;
  const keyOf = (taxon: string, character: string, of: Part) => cellKey({ character, scope: { taxon, ...of }, source });
  const wasIn = (taxon: string, character: DraftCharacter, now: Score | undefined): { was?: string } => {
    if (!then) return {};
    const was = then.scores.get(keyOf(taxon, character.id, part));
    const said = was && printCell(characters.get(character.id) ?? {}, was.value, then.draft.taxa);
    return said === (now && printCell(character, now.value, draft.taxa)) ? {} : { was: said ?? '' };
  };
  const parts = new Map<string, number>();
  for (const { character, scope, source: own } of isAll ? scores.ofParts.values() : []) {
    if (scope.taxon === undefined || own !== source) continue;
    const key = `${scope.taxon}\n${character}`;
    parts.set(key, (parts.get(key) ?? 0) + 1);
  }
  return (taxon: Taxon, character: DraftCharacter): GridCell => {
    const own = scores.get(keyOf(taxon.id, character.id, part));
    const more = isAll ? (parts.get(`${taxon.id}\n${character.id}`) ?? 0) : 0;
    const rest = { more, ...wasIn(taxon.id, character, own) };
    // What is said of a part of it goes before what is said of all of it; what is said of itself before what stands above.
    for (const of of isAll ? [part] : [part, {}])
      for (const { id, name } of lineage(draft, taxon.id)) {
        const had = scores.get(keyOf(id, character.id, of));
        if (had) return { text: printCell(character, had.value, draft.taxa), ...(had === own ? {} : { from: name }), ...rest };
      }
    return { text: '', ...rest };
  };
}

/** By which source, and of which part of each taxon, a grid is. */
export interface Said {
  source: string;
  part: Part;
}

/** As what something is said in a cell: as it is looked at now, else by another source, else of a part; undefined where nothing is. */
export function saidIn(
  { taxon, character }: { taxon: string; character: string },
  { draft, scores }: Working,
  now: Said,
): Said | undefined {
  const line = new Set(lineage(draft, taxon).map(({ id }) => id));
  const all = [now.source, ...draft.sources.map(({ id }) => id)].map((source) => ({ source, part: {} }));
  const isSaid = ({ source, part }: Said) =>
    [...line].some((id) => scores.has(cellKey({ character, scope: { taxon: id, ...part }, source })));
  const whole = [now, ...all].find(isSaid);
  if (whole) return whole;
  const of = [...scores.ofParts.values()].filter((one) => one.character === character && line.has(one.scope.taxon ?? ''));
  const score = of.find(({ source }) => source === now.source) ?? of[0];
  return score && { source: score.source, part: omit(score.scope, 'taxon') };
}

/** What is typed or pasted into one cell. */
export interface Typed {
  taxon: Taxon;
  character: DraftCharacter;
  text: string;
}

/** The change that cells come to; what cannot be read is told by cell, and the rest is taken. */
export function editOf(
  cells: readonly Typed[],
  source: string,
  scores: ReadonlyMap<string, Score>,
  part: Part = {},
  taxa: readonly Taxon[] = [],
): { edit?: Edit; problems: CellProblem[] } {
  const put: Score[] = [];
  const drop: Extract<Edit, { do: 'scores' }>['drop'] = [];
  const problems: CellProblem[] = [];
  for (const { taxon, character, text } of cells) {
    const cell = { character: character.id, scope: { taxon: taxon.id, ...part }, source };
    const known = scores.get(cellKey(cell));
    const read = parseCell(character, text, taxa);
    if (!read.ok) problems.push({ taxon: taxon.name, character: character.label, text, message: read.problems[0].message });
    else if (read.value) put.push({ ...cell, value: read.value, ...(known?.note ? { note: known.note } : {}) });
    else if (known) drop.push(cell);
  }
  return { problems, ...(put.length || drop.length ? { edit: { do: 'scores', put, drop } } : {}) };
}

/** A block of cells as a spreadsheet puts it on the clipboard. */
export const blockOf = (text: string): string[][] =>
  text
    .replace(/\r\n?/g, '\n')
    .replace(/\n$/, '')
    .split('\n')
    .map((line) => line.split('\t'));

/** A character has at least so much room, in pixels at usual letters; the taxon has a fifth more. */
const NARROWEST = 112;
const OF_TAXON = 1.2;

/** How many times the room of a character the taxon has; no more than it, where that is all the room there is. */
export const taxonShare = (characters: number): number => (characters > 1 ? OF_TAXON : 1);

/** How many characters have room beside the taxon. */
export const columnsFor = (width: number, scale: number): number =>
  Math.max(1, Math.floor(width / (NARROWEST * Math.max(1, scale)) - OF_TAXON));
