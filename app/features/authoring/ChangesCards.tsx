import { type Draft, type GuideChanges, guideChanges } from '@plesion/core/authoring';
import { useMemo } from 'react';
import { Card } from '../../ui/Card';
import { FirstOf } from '../../ui/FirstOf';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';

interface Props {
  before: Draft;
  after: Draft;
  /** What it is compared with: `version 3`. */
  than: string;
}

/** In what a guide differs from an earlier version: in words, and cell by cell. */
export function ChangesCards({ before, after, than }: Props) {
  const { parts, cells } = useMemo(() => guideChanges(before, after), [before, after]);
  if (parts.length === 0 && cells.length === 0)
    return (
      <Card title={`As in ${than}`}>
        <Text quiet>Nothing is different.</Text>
      </Card>
    );
  return (
    <Card title={`Different from ${than}`}>
      {parts.map(({ title, lines }) => (
        <Stack key={title} gap="xs">
          <Text strong heading={3}>
            {title}
          </Text>
          <FirstOf of={lines} keyOf={(line) => line}>
            {(line) => <Text size="small">{line}</Text>}
          </FirstOf>
        </Stack>
      ))}
      {cells.length > 0 && (
        <Stack gap="xs">
          <Text strong heading={3}>
            {cells.length === 1 ? 'One cell' : `${cells.length} cells`}
          </Text>
          <FirstOf of={cells} keyOf={keyOf} what="cells">
            {(cell) => <CellLine cell={cell} />}
          </FirstOf>
        </Stack>
      )}
    </Card>
  );
}

type Cell = GuideChanges['cells'][number];
const keyOf = ({ of, character, source }: Cell) => `${of} ${character} ${source}`;

const CellLine = ({ cell: { of, label, source, was, now } }: { cell: Cell }) => (
  <Row gap="m" lineGap="none" padY="xs" ruled="above">
    <Text size="small" strong>{`${of}, ${label}`}</Text>
    <Text size="small">{was === undefined ? `now ${now}` : now === undefined ? `no more: ${was}` : `${was} → ${now}`}</Text>
    <Text size="small" quiet>
      {source}
    </Text>
  </Row>
);
