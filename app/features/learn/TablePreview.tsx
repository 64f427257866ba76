import type { Table } from '@plesion/core/learn';
import { LABELS } from '@plesion/core/learn';
import { ScrollView, StyleSheet, View } from 'react-native';
import { colour, space } from '../../theme';
import { Notice } from '../../ui/Notice';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';

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
    <Sheet
      title="As it is understood"
      aside={`${table.rows.length} specimens, ${kinds.size} kinds${partly ? ', first part' : ''}`}
    >
      <Words size="small" quiet>
        {[...kinds]
          .slice(0, 12)
          .map(([name, n]) => `${name} ${n}`)
          .join(' · ')}
      </Words>
      <ScrollView horizontal>
        <View>
          {[undefined, ...table.rows.slice(0, ROWS)].map((row, r) => (
            <View key={r} style={styles.row}>
              <Words size="small" strong={!row} style={styles.label} numberOfLines={1}>
                {row ? LABELS.flatMap((label) => row.labels[label] ?? []).join(' · ') : 'is'}
              </Words>
              {used.map(({ name, c }) => (
                <Words key={name} size="small" strong={!row} figures style={styles.cell} numberOfLines={1}>
                  {row ? row.cells[c] || '–' : name}
                </Words>
              ))}
            </View>
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
              <Words key={`${problem.line} ${problem.code}`} size="small">
                {problem.message}
              </Words>
            ))}
            {table.problems.length > PROBLEMS && (
              <Words size="small" quiet>{`and ${table.problems.length - PROBLEMS} more`}</Words>
            )}
          </View>
        </Notice>
      )}
    </Sheet>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', borderBottomWidth: 1, borderColor: colour.mist, paddingVertical: 3 },
  label: { width: 130, paddingRight: space.s },
  cell: { width: 92, textAlign: 'right', paddingRight: space.s },
});
