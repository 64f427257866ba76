import type { Guide } from '@plesion/core/guide';
import { type Item, sayGroup } from '@plesion/core/practice';
import { useCallback, useState } from 'react';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { PressBox } from '../../ui/PressBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { useShortcuts } from '../../ui/useShortcuts';

interface TallyButtonsProps {
  guide: Guide;
  item: Item;
  counts?: Record<string, number>;
  onChange: (counts: Record<string, number>) => void;
}

/** A large button a kind, each press one more; the last press can be taken back. */
export function TallyButtons({ guide, item: { choices }, counts = {}, onChange }: TallyButtonsProps) {
  const [presses, setPresses] = useState<string[]>([]);
  const count = useCallback(
    (id: string) => {
      setPresses([...presses, id]);
      onChange({ ...Object.fromEntries(choices.map((one) => [one.id, 0])), ...counts, [id]: (counts[id] ?? 0) + 1 });
    },
    [choices, counts, onChange, presses],
  );
  const takeBack = () => {
    const last = presses.at(-1)!;
    setPresses(presses.slice(0, -1));
    onChange({ ...counts, [last]: counts[last] - 1 });
  };
  useShortcuts(
    useCallback(
      ({ key }: KeyboardEvent) => {
        const choice = /^[1-9]$/.test(key) ? choices[Number(key) - 1] : undefined;
        return choice && (() => count(choice.id));
      },
      [choices, count],
    ),
  );
  return (
    <Stack align="start">
      <Row self="stretch">
        {choices.map((choice, i) => (
          <PressBox
            key={choice.id}
            role="button"
            onPress={() => count(choice.id)}
            sinks
            fill={140}
            leastTall={96}
            align="center"
            justify="center"
            pad="m"
            ruled="round"
            ruledIn="kelp"
            round="m"
          >
            <Text strong color={colour.kelp}>
              {sayGroup(guide, choice)}
            </Text>
            <Text size="display" figures>
              {`${counts[choice.id] ?? 0}`}
            </Text>
            <Text size="small" quiet>{`key ${i + 1}`}</Text>
          </PressBox>
        ))}
      </Row>
      <Button small kind="quiet" label="Undo the last one" disabled={!presses.length} onPress={takeBack} />
    </Stack>
  );
}
