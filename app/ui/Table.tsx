import { Platform, type ViewStyle } from 'react-native';
import { Box } from './Box';
import { Row } from './Row';
import { Stack } from './Stack';
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
  <Stack role="table" aria-label={label} gap="hair">
    <Row role="row" {...LINE}>
      {columns.map((column, i) => (
        <Box key={column} role="columnheader" {...(i === 0 ? FIRST : CELL)}>
          <Text size="small" strong quiet>
            {column}
          </Text>
        </Box>
      ))}
    </Row>
    {rows.map((row) => (
      <Row key={row.join('\n')} role="row" {...LINE}>
        {row.map((said, i) => (
          <Box key={columns[i]} role={i === 0 ? 'rowheader' : 'cell'} {...(i === 0 ? FIRST : CELL)}>
            <Text size="small" figures={i > 0}>
              {said}
            </Text>
          </Box>
        ))}
      </Row>
    ))}
  </Stack>
);

const LINE = { oneLine: true, gap: 'm', ruled: 'below', padY: 'xs' } as const;
const FIRST = { share: 2 } as const;
/** With larger letters there is room for a short word in each: what does not fit goes on below, as it does in every row. */
const ROOM = { minWidth: Platform.OS === 'web' ? 'min(100%, calc((var(--letters) - 1) * 120px))' : 0 } as ViewStyle;
const CELL = { fill: true, align: 'end', style: ROOM } as const;
