import type { Dispute } from './schema';
import { type CompiledGuide, disagreementsOf, type SourcePolicy, tableUnder } from '../guide/working';
import { type Grouping, groupMasses, massOf } from './levels';
import { evidenceOf } from './readingEvidence';
import { saidInstead, type WeighedPosterior } from './posterior';

/** Forms less probable than this are not worth a dispute. */
const MATTERS = 0.01;

/**
 * Disagreements between sources about forms that are still possible, those that
 * were read first, each with what following one source or the other would make of
 * the group that leads.
 */
export function disputesOf(compiled: CompiledGuide, full: WeighedPosterior, grouping: Grouping, leader: number): Dispute[] {
  const { guide, forms } = compiled;
  const labels = new Map(guide.sources.map((source) => [source.id, source.label]));
  const disputes = disagreementsOf(compiled).flatMap((cell): Dispute[] => {
    if (massOf(full.p, cell.forms) < MATTERS) return [];
    const read = full.weighed.some(({ reading }) => reading.character === cell.character);
    return [
      {
        character: cell.character,
        taxa: [...new Set(cell.forms.map((f) => forms[f].taxon))],
        overlap: cell.overlap,
        read,
        said: cell.said.map(({ source, score }) => ({
          source,
          label: labels.get(source) ?? source,
          value: score.value,
          ...(read ? { p: massFollowing(compiled, full, grouping, leader, cell.character, source) } : {}),
        })),
      },
    ];
  });
  return disputes.sort((a, b) => Number(b.read) - Number(a.read) || a.overlap - b.overlap);
}

/** The leader's probability if one source came first for one character. */
function massFollowing(
  compiled: CompiledGuide,
  full: WeighedPosterior,
  grouping: Grouping,
  leader: number,
  characterId: string,
  source: string,
): number {
  const { guide, policy } = compiled;
  const character = guide.characters.find(({ id }) => id === characterId)!;
  const order = guide.sources.map(({ id }) => id).filter((id) => id !== source);
  const following: SourcePolicy = { kind: 'prefer', order: [source, ...order], exclude: policy.exclude };
  const tables = new Map(compiled.tables).set(characterId, tableUnder(compiled, character, following));
  const other: CompiledGuide = { ...compiled, tables, columns: new Map() };
  const own = full.weighed.filter(({ reading }) => reading.character === characterId);
  const { p } = saidInstead(
    compiled,
    full,
    own.flatMap(({ index, reading }) => {
      const by = evidenceOf(other, reading);
      return by ? [{ index, by }] : [];
    }),
  );
  return groupMasses(grouping, p)[leader];
}
