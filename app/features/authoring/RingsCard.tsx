import type { FieldSection } from '@plesion/core/guide';
import { useState } from 'react';
import { Box } from '../../ui/Box';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { CommitField } from './CommitField';
import { readDays, sayDays } from './days';
import { taxonNamed } from './ruleWords';
import type { PartProps } from './WritingScreen';

interface Props {
  draft: PartProps['draft'];
  onChange: (part: Pick<FieldSection, 'rings' | 'hatching'>) => void;
}

/** Sizes of ring that each kind may bear, and when its young hatch. */
export function RingsCard({ draft, onChange }: Props) {
  const [problem, setProblem] = useState<string>();
  const rings = draft.field?.rings ?? [];
  // A size holds for what stands below it too; taxa that are gone are still to be emptied.
  const rows = [...new Set([...draft.taxa.map(({ id }) => id), ...rings.map(({ taxon }) => taxon)])];
  return (
    <Card title="Rings and hatching">
      <CommitField
        label="Young hatch"
        hint="Two days, such as 20 May to 31 July; empty where it is not known."
        value={sayDays(draft.field?.hatching)}
        problem={problem}
        onCommit={(text) => {
          const hatching = readDays(text);
          setProblem(hatching === 'unreadable' ? 'Write two days, such as 20 May to 31 July.' : undefined);
          if (hatching !== 'unreadable') onChange({ hatching });
        }}
      />
      <Text quiet>Sizes of ring that are allowed, parted by commas. What is said of a genus holds for its species.</Text>
      <Row gap="m">
        {rows.map((id) => (
          <Box key={id} fill={220} most={360}>
            <CommitField
              label={`Rings of ${taxonNamed(draft, id)}`}
              value={rings.find(({ taxon }) => taxon === id)?.sizes.join(', ') ?? ''}
              maxLength={140}
              onCommit={(text) => {
                const sizes = [...new Set(text.split(',').map((one) => one.trim()))].filter(Boolean).slice(0, 10);
                const rest = rings.filter(({ taxon }) => taxon !== id);
                const next = sizes.length ? [...rest, { taxon: id, sizes: sizes.map((one) => one.slice(0, 12)) }] : rest;
                onChange({ rings: next.length ? next : undefined });
              }}
            />
          </Box>
        ))}
      </Row>
    </Card>
  );
}
