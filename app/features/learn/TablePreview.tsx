import type { Table } from '@plesion/core/learn';
import { LABELS } from '@plesion/core/learn';
import { ScrollView, View } from 'react-native';
import { Notice } from '../../ui/Notice';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

const ROWS = 6;
const PROBLEMS = 8;

/** The first rows as they were understood, and the rows that were not, by line. */
export function TablePreview({ table, partly }: { table: Table; partly: boolean }) {
  const kinds = new Map<string, number>();
  for (const { labels } of table.rows) {
    const name = LABELS.flatMap((label) => labels[label] ?? []).join(' · ');
    kinds.set(name, (kinds.get(name) ?? 0) + 1);
  }
  const used = table.columns.flatMap((column, c) => (column.leftOut ? [] : [{ ...column, c }]));
  return (
    <Card
      title="As it is understood"
      aside={`${table.rows.length} specimens, ${kinds.size} kinds${partly ? ', first part' : ''}`}
    >
      <Text size="small" quiet>
        {[...kinds]
          .slice(0, 12)
          .map(([name, n]) => `${name} ${n}`)
          .join(' · ')}
      </Text>
      <ScrollView horizontal>
        <View>
          {[undefined, ...table.rows.slice(0, ROWS)].map((row, r) => (
            <Row key={r} oneLine gap="s" ruled="below" padY="hair">
              <Text size="small" strong={!row} wide={122} numberOfLines={1}>
                {row ? LABELS.flatMap((label) => row.labels[label] ?? []).join(' · ') : 'is'}
              </Text>
              {used.map(({ name, c }) => (
                <Text key={name} size="small" strong={!row} figures wide={84} set="right" numberOfLines={1}>
                  {row ? row.cells[c] || '–' : name}
                </Text>
              ))}
            </Row>
          ))}
        </View>
      </ScrollView>
      {table.problems.length > 0 && (
        <Notice
          kind="problem"
          title={table.problems.length === 1 ? 'One row is left out' : `${table.problems.length} rows are left out`}
        >
          <View>
            {table.problems.slice(0, PROBLEMS).map((problem) => (
              <Text key={`${problem.line} ${problem.code}`} size="small">
                {problem.message}
              </Text>
            ))}
            {table.problems.length > PROBLEMS && <Text size="small" quiet>{`and ${table.problems.length - PROBLEMS} more`}</Text>}
          </View>
        </Notice>
      )}
    </Card>
  );
}
