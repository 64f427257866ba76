import type { ImportTried } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import type { ColumnTarget } from '@plesion/core/import';
import { useState } from 'react';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Dialog } from '../../ui/Dialog';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { targetsFor } from './words';

type Columns = { column: string; to: ColumnTarget }[];

interface ImportColumnsProps {
  tried: ImportTried;
  columns: Columns;
  guide?: Guide;
  onChange: (columns: Columns) => void;
}

const LEFT_OUT = 'left out';

/** Each column of the table, what stands in it, and what it says; each thing is said by one of them. */
export function ImportColumns({ tried, columns, guide, onChange }: ImportColumnsProps) {
  const [asked, setAsked] = useState<string>();
  const targets = targetsFor(guide);
  const saidBy = new Map(columns.map(({ column, to }) => [column, to]));
  const wordsOf = (column: string) => {
    const to = saidBy.get(column);
    return to ? (targets.find(({ id }) => id === to)?.label ?? to.replace('reading:', '')) : LEFT_OUT;
  };
  const say = (column: string, to: ColumnTarget | undefined) => {
    onChange([...columns.filter((one) => one.column !== column && one.to !== to), ...(to ? [{ column, to }] : [])]);
    setAsked(undefined);
  };
  return (
    <Card title="Its columns" aside={`${columns.length} of ${tried.columns.length} are read`}>
      {tried.columns.map(({ column, examples }) => (
        <Row key={column} align="center" justify="between" padTop="xs" ruled="above">
          <Box fill={200}>
            <Text strong>{column || '(no name)'}</Text>
            <Text size="small" quiet>
              {examples.join(' · ') || 'nothing in it'}
            </Text>
          </Box>
          <Button
            small
            kind={saidBy.has(column) ? 'plain' : 'quiet'}
            label={wordsOf(column)}
            hint={`${column} is: ${wordsOf(column)}`}
            onPress={() => setAsked(column)}
          />
        </Row>
      ))}
      {asked !== undefined && (
        <Dialog title={`What “${asked}” says`} onClose={() => setAsked(undefined)}>
          <ChoiceGroup
            label={`What ${asked} says`}
            hideLabel
            options={[{ id: LEFT_OUT, label: LEFT_OUT }, ...targets]}
            chosen={[saidBy.get(asked) ?? LEFT_OUT]}
            onChange={([to]) => say(asked, to === LEFT_OUT ? undefined : to)}
          />
        </Dialog>
      )}
    </Card>
  );
}
