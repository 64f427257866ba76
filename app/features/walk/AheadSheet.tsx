import { comingMarks } from '@plesion/core/keys';
import { memo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour } from '../../theme/index';
import { Choice } from '../../ui/Choice';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';
import type { WalkBench } from './useWalk';

/** What the coming couplets need, view by view, so that the specimen is turned as seldom as can be. */
export const AheadSheet = memo(function AheadSheet({ bench, from }: { bench: WalkBench; from: string }) {
  const guide = bench.guide?.guide;
  const [view, setView] = useState<string>();
  const characters = new Map(guide?.characters.map((character) => [character.id, character]));
  const lists = comingMarks(bench.stored.key, from, characters, 5, view);
  if (lists.length === 0) return null;
  const labelOf = (id: string | undefined) => guide?.views.find((one) => one.id === id)?.label ?? 'any view';
  return (
    <Sheet title="While you are in this view">
      {guide && guide.views.length > 1 && (
        <Choice
          label="You are looking"
          options={guide.views}
          clearable
          chosen={view ? [view] : []}
          onChange={([next]) => setView(next)}
        />
      )}
      {lists.map((list) => (
        <View key={list.view ?? 'none'} style={styles.view}>
          <Words size="small" strong color={list.view === view && view ? colour.kelp : undefined}>
            {labelOf(list.view)}
          </Words>
          {list.marks.map((mark) => (
            <Words key={mark.couplet + mark.n} size="small" quiet>
              {`${mark.number}: ${characters.get(mark.character ?? '')?.label.toLowerCase() ?? mark.text}`}
            </Words>
          ))}
        </View>
      ))}
    </Sheet>
  );
});

const styles = StyleSheet.create({ view: { gap: 2 } });
