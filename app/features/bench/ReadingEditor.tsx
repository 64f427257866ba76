import type { Character } from '@plesion/core/guide';
import { CharacterEditor } from './CharacterEditor';
import { type Bench, settingOf } from '../analysis/useBench';

/** The character at hand, with what was read of it. */
export function ReadingEditor({ bench, keys, plateWidth }: { bench: Bench; keys?: boolean; plateWidth: number }) {
  const {
    chosen,
    stored: { guide },
    state,
    answer,
  } = bench;
  if (!chosen) return null;
  const { content } = state;
  const looks = content.readings.filter((reading) => reading.character === chosen.id).length;
  return (
    <CharacterEditor
      key={`${chosen.id} ${Math.max(1, looks)}`}
      guide={guide}
      character={chosen}
      answer={answer}
      setting={settingOf(bench)}
      reading={bench.reading}
      onPut={bench.put}
      onClear={bench.clear}
      onLookAgain={bench.lookAgain}
      way={wayTo(bench.draft.id, chosen)}
      keys={keys}
      plateWidth={plateWidth}
    />
  );
}

/** The page on which a character is taken; undefined where it is read by eye alone. */
function wayTo(id: string, { id: character, protocol, tempo }: Character) {
  if (tempo) return { href: `/specimens/${id}/tempo?character=${character}`, label: 'Count the beat' } as const;
  if (protocol) return { href: `/specimens/${id}/measure?character=${character}`, label: 'Measure it on a photo' } as const;
  return undefined;
}
