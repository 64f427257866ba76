import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { space } from '../theme';
import { Disclosure } from './Disclosure';
import { Table } from './Table';
import { Text } from './Text';

interface ChartFrameProps {
  /** What the chart shows, in a sentence: for those who do not see it. */
  says: string;
  /** What runs along it and up it, with their units. */
  axes: string;
  /** On how many it rests. */
  n?: number;
  /** The same numbers. */
  columns: readonly string[];
  rows: readonly (readonly string[])[];
  children: ReactNode;
}

/** A chart with what it takes to read it, and the same numbers as a table. */
export const ChartFrame = ({ says, axes, n, columns, rows, children }: ChartFrameProps) => (
  <View style={styles.frame}>
    <View role="img" aria-label={says}>
      {children}
    </View>
    <Text size="small" quiet>
      {n === undefined ? axes : `${axes} · n = ${n}`}
    </Text>
    <Disclosure title="The numbers as a table">
      <Table label={says} columns={columns} rows={rows} />
    </Disclosure>
  </View>
);

const styles = StyleSheet.create({ frame: { gap: space.xs } });
