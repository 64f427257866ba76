import { comingCharacters } from '@plesion/core/keys';
import { memo, useState } from 'react';
import { colour } from '../../theme/index';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Card } from '../../ui/Card';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import type { OpenWalk } from './useWalk';

/** What the coming couplets need, view by view, so that the specimen is turned as seldom as can be. */
export const AheadSheet = memo(function AheadSheet({ bench, from }: { bench: OpenWalk; from: string }) {
  const guide = bench.guide?.guide;
  const [view, setView] = useState<string>();
  const characters = new Map(guide?.characters.map((character) => [character.id, character]));
  const lists = comingCharacters(bench.stored.key, from, characters, 5, view);
  if (lists.length === 0) return null;
  const labelOf = (id: string | undefined) => guide?.views.find((one) => one.id === id)?.label ?? 'any view';
  return (
    <Card title="While you are in this view">
      {guide && guide.views.length > 1 && (
        <ChoiceGroup
          label="You are looking"
          options={guide.views}
          clearable
          chosen={view ? [view] : []}
          onChange={([next]) => setView(next)}
        />
      )}
      {lists.map((list) => (
        <Stack key={list.view ?? 'none'} gap="hair">
          <Text size="small" strong color={list.view === view && view ? colour.kelp : undefined}>
            {labelOf(list.view)}
          </Text>
          {list.asked.map((character) => (
            <Text key={character.couplet + character.n} size="small" quiet>
              {`${character.number}: ${characters.get(character.character ?? '')?.label.toLowerCase() ?? character.text}`}
            </Text>
          ))}
        </Stack>
      ))}
    </Card>
  );
});
