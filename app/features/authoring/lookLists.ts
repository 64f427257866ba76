import type { DraftLook } from '@plesion/contract/authoring';
import { inHundred } from '@plesion/core/evidence';
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

/** What a draft says back, in lines under their titles. */
export function listsOf(look: DraftLook, draft: PartProps['draft']): { title: string; lines: string[] }[] {
  const { name, label, state: stateLabel } = wordsOf(draft);
  return [
    { title: 'Of these nothing is said', lines: look.silent.map(name) },
    {
      title: 'Nothing tells these apart',
      lines: look.alike.map(({ a, b, same }) => `${name(a)} and ${name(b)}: ${Math.round(100 * same)} in 100 the same`),
    },
    {
      title: 'People take these for one another',
      lines: look.confused.map(
        ({ a, b, times, same }) => `${name(a)} and ${name(b)}: ${sayTimes(times)}; ${Math.round(100 * same)} in 100 the same`,
      ),
    },
    {
      title: 'These never lead',
      lines: look.unreached.map(
        ({ taxon, leads, p }) => `${name(taxon)}: read just as it is written, ${name(leads)} leads, ${inHundred(p)}`,
      ),
    },
    {
      title: 'Here a cell would help most',
      lines: look.wanted.map(
        ({ taxon, character, pairs, times }) =>
          `${name(taxon)}, ${label(character)}: may part ${pairs} ${pairs === 1 ? 'pair' : 'pairs'}${times ? `, taken for one another ${sayTimes(times)}` : ''}`,
      ),
    },
    {
      title: 'The sources say different things',
      lines: look.against.map(
        ({ taxon, character, said }) =>
          `${name(taxon)}, ${label(character)}: ${said.map(({ source, says }) => `${source}: ${says}`).join('; ')}`,
      ),
    },
    { title: 'Our own records say otherwise', lines: look.records },
    {
      title: 'Nothing has these states',
      lines: look.unused.map(({ character, state }) => `${label(character)}: ${stateLabel(character, state)}`),
    },
  ];
}
