import { type DraftCharacter, tileFromWords } from '@plesion/core/authoring';

type States = DraftCharacter['states'];

/** Read once for each character as it stands: of many, one change touches one. */
const read = new WeakMap<DraftCharacter, { proposed: States }>();

/** The states of a character, those that are not drawn yet as their words say; undefined where that adds nothing. */
export function drawnByWords(character: DraftCharacter): States {
  const known = read.get(character) ?? { proposed: proposedFor(character) };
  read.set(character, known);
  return known.proposed;
}

function proposedFor({ label, states }: DraftCharacter): States {
  const drawn = states?.map((state) => {
    const tile = state.tile ?? tileFromWords(state.label, label);
    return tile && !state.tile ? { ...state, tile } : state;
  });
  return drawn?.some((state, i) => state !== states![i]) ? drawn : undefined;
}
