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
      measureHref={`/specimens/${bench.draft.id}/measure?character=${chosen.id}`}
      keys={keys}
      plateWidth={plateWidth}
    />
  );
}
