import { StyleSheet, View } from 'react-native';
import { colour, space } from '../theme';
import { Text } from './Text';

interface TableProps {
  /** What it is a table of. */
  label: string;
  columns: readonly string[];
  /** A row begins with what it is about. */
  rows: readonly (readonly string[])[];
}

/** Numbers under each other, read out with their rows and columns. */
export const Table = ({ label, columns, rows }: TableProps) => (
  <View role="table" aria-label={label} style={styles.table}>
    <View role="row" style={styles.row}>
      {columns.map((column, i) => (
        <View key={column} role="columnheader" style={i === 0 ? styles.first : styles.cell}>
          <Text size="small" strong quiet>
            {column}
          </Text>
        </View>
      ))}
    </View>
    {rows.map((row) => (
      <View key={row.join('\n')} role="row" style={styles.row}>
        {row.map((said, i) => (
          <View key={columns[i]} role={i === 0 ? 'rowheader' : 'cell'} style={i === 0 ? styles.first : styles.cell}>
            <Text size="small" figures={i > 0}>
              {said}
            </Text>
          </View>
        ))}
      </View>
    ))}
  </View>
);

const styles = StyleSheet.create({
  table: { gap: 2 },
  row: { flexDirection: 'row', gap: space.m, borderBottomWidth: 1, borderColor: colour.mist, paddingVertical: 4 },
  first: { flex: 2 },
  cell: { flex: 1, alignItems: 'flex-end' },
});
