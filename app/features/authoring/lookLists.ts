import type { DraftLook } from '@plesion/contract/authoring';
import { inHundred } from '@plesion/core/evidence';
import type { Goal } from './goals';
import type { PartProps } from './WritingScreen';

/** Names and labels of what a draft has, by id. */
export function wordsOf(draft: PartProps['draft']) {
  const taxa = new Map(draft.taxa.map((taxon) => [taxon.id, taxon.name]));
  const characters = new Map(draft.characters.map((one) => [one.id, one]));
  return {
    name: (taxon: string) => taxa.get(taxon) ?? taxon,
    label: (character: string) => characters.get(character)?.label ?? character,
    state: (character: string, state: string) =>
      characters.get(character)?.states?.find((one) => one.id === state)?.label ?? state,
  };
}

const sayTimes = (n: number): string => (n === 1 ? 'once' : `${n} times`);

interface Line {
  text: string;
  /** Where it is mended. */
  goal?: Goal;
}

/** What a draft says back, in lines under their titles. */
export function listsOf(look: DraftLook, draft: PartProps['draft']): { title: string; lines: Line[] }[] {
  const { name, label, state: stateLabel } = wordsOf(draft);
  const at = (taxon?: string, character?: string): Goal => ({ part: 'scores', taxon, character });
  const cell = (of: { taxon: string; character: string }) => at(of.taxon, of.character);
  const called = (of: { taxon: string; character: string }) => `${name(of.taxon)}, ${label(of.character)}`;
  return [
    { title: 'Of these nothing is said', lines: look.silent.map((taxon) => ({ text: name(taxon), goal: at(taxon) })) },
    {
      title: 'Nothing tells these apart',
      lines: look.alike.map(({ a, b, same }) => ({
        text: `${name(a)} and ${name(b)}: ${Math.round(100 * same)} in 100 the same`,
        goal: at(a),
      })),
    },
    {
      title: 'People take these for one another',
      lines: look.confused.map(({ a, b, times, same }) => ({
        text: `${name(a)} and ${name(b)}: ${sayTimes(times)}; ${Math.round(100 * same)} in 100 the same`,
        goal: at(a),
      })),
    },
    {
      title: 'These never lead',
      lines: look.unreached.map(({ taxon, leads, p }) => ({
        text: `${name(taxon)}: read just as it is written, ${name(leads)} leads, ${inHundred(p)}`,
        goal: at(taxon),
      })),
    },
    {
      title: 'Here a cell would help most',
      lines: look.wanted.map((one) => ({
        text: `${called(one)}: may part ${one.pairs} ${one.pairs === 1 ? 'pair' : 'pairs'}${one.times ? `, taken for one another ${sayTimes(one.times)}` : ''}`,
        goal: cell(one),
      })),
    },
    {
      title: 'The sources say different things',
      lines: look.against.map((one) => ({
        text: `${called(one)}: ${one.said.map(({ source, says }) => `${source}: ${says}`).join('; ')}`,
        goal: cell(one),
      })),
    },
    {
      title: 'Our own records say otherwise',
      lines: look.records.map((one) => ({ text: `${called(one)}: ${one.text}`, goal: cell(one) })),
    },
    {
      title: 'Nothing has these states',
      lines: look.unused.map(({ character, state }) => ({
        text: `${label(character)}: ${stateLabel(character, state)}`,
        goal: at(undefined, character),
      })),
    },
  ];
}
