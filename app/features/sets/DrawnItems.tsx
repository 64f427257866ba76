import type { SetItem } from '@plesion/contract/sets';
import { compiledFor, type Guide } from '@plesion/core/guide';
import { practiceItem, sayChoice } from '@plesion/core/practice';
import { memo, useMemo } from 'react';
import { v7 as mintId } from 'uuid';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { overPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { itemPlate } from '../practice/itemPlate';
import { planOf } from '../records/plans';

const WIDE = 126;
const TALL = 96;

interface DrawnItemsProps {
  guide: Guide;
  items: readonly SetItem[];
  onChange: (items: SetItem[]) => void;
}

/** The items of a set as they are drawn: each can be drawn anew, moved up, or left out. */
export function DrawnItems({ guide, items, onChange }: DrawnItemsProps) {
  if (!items.length) return null;
  const put = (n: number, ...instead: SetItem[]) => onChange([...items.slice(0, n), ...instead, ...items.slice(n + 1)]);
  return (
    <Card title="Its items" aside={items.length === 1 ? 'one' : String(items.length)}>
      <Row role="list" gap="m">
        {items.map((item, n) => (
          <Stack
            key={`${item.seed} ${JSON.stringify(item.asked)}`}
            role="listitem"
            gap="xs"
            align="center"
            fill={144}
            most={240}
            pad="s"
            ruled="round"
            round="m"
          >
            <Drawn guide={guide} item={item} n={n} />
            <Row justify="center" gap="none">
              <Button
                small
                kind="quiet"
                label="Another"
                hint={`Another individual for item ${n + 1}`}
                onPress={() => put(n, { ...item, seed: mintId() })}
              />
              <Button small kind="quiet" label="Remove" hint={`Remove item ${n + 1}`} onPress={() => put(n)} />
              {n > 0 && (
                <Button
                  small
                  kind="quiet"
                  label="Earlier"
                  hint={`Item ${n + 1} earlier`}
                  onPress={() => onChange([...items.slice(0, n - 1), item, items[n - 1], ...items.slice(n + 1)])}
                />
              )}
            </Row>
          </Stack>
        ))}
      </Row>
    </Card>
  );
}

/** Drawn once, whatever happens to the others. */
const Drawn = memo(function Drawn({ guide, item: { asked, seed }, n }: { guide: Guide; item: SetItem; n: number }) {
  const made = useMemo(() => {
    const item = practiceItem(compiledFor(guide, asked.situation), planOf(guide)!, asked, seed);
    return item && { item, plate: itemPlate(guide, item) };
  }, [guide, asked, seed]);
  if (!made) return <Text size="small">{`${n + 1}: nothing of that can be drawn. Remove it.`}</Text>;
  const { item, plate } = made;
  return (
    <>
      <Box justify="center" leastTall={TALL}>
        <PlateView plate={plate} {...overPlate(plate, WIDE, TALL)} />
      </Box>
      <Text size="small" strong>{`${n + 1}: ${sayChoice(guide, item, item.truth.group)}`}</Text>
      <Text size="small" quiet>
        {item.truth.best.kind === 'one' ? (guide.views.find(({ id }) => id === item.view)?.label ?? item.view) : 'cannot be told'}
      </Text>
    </>
  );
});
