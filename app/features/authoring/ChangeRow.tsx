import type { ReactNode } from 'react';
import { StyleSheet } from 'react-native';
import { Box } from '../../ui/Box';
import { useSought } from '../../ui/useSought';
import { colour, space } from '../../theme';
import { Button } from '../../ui/Button';
import { LongRow } from '../../ui/LongList';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

interface Props {
  name: string;
  /** What it is, in short. */
  says: string;
  strong: boolean;
  /** How far it stands under others. */
  depth?: number;
  height: number;
  open: boolean;
  /** Is it what somebody came for? */
  sought?: boolean;
  onToggle: () => void;
  /** The form of what is open. */
  children: ReactNode;
}

const DEEPEST = 6;

/** One of many that can be changed in place: its name, and its form where it is open. */
export function ChangeRow({ name, says, strong, depth = 0, height, open, sought = false, onToggle, children }: Props) {
  const own = useSought(sought);
  return (
    <LongRow height={height} style={[styles.row, { paddingLeft: 18 * Math.min(depth, DEEPEST) }]}>
      <Row align="center" oneLine>
        <Box ref={own} fill>
          <Text strong={strong}>{name}</Text>
          <Text size="small" quiet>
            {says}
          </Text>
        </Box>
        <Button
          small
          kind="quiet"
          label={open ? 'Close' : 'Change'}
          hint={`${open ? 'Close' : 'Change'} ${name}`}
          onPress={onToggle}
        />
      </Row>
      {open && children}
    </LongRow>
  );
}

const styles = StyleSheet.create({
  row: { borderTopWidth: 1, borderColor: colour.mist, paddingVertical: space.xs, gap: space.s },
});
